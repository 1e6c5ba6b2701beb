export { entropyBits, likelihood, update } from "./bayes.ts";
export {
  alikeTo,
  diagnose,
  sharesAfter,
  type Diagnosis,
  type Evidence,
  type NextProbe,
  type Ranked,
} from "./diagnose.ts";
export { simulatedReading } from "./meter.ts";
export { asMeasured, boundsOfExpected } from "./predict.ts";
export { soundRange } from "./soundRange.ts";
export { type Expected, type Probe, type ProbeAt } from "./probe.ts";
export { SEEN_LEVELS, SENSE_WORDS, seenRank, seenWord, type Sense } from "./seen.ts";
export { ScpiMeter } from "./scpi.ts";
export { expectedText, printScriptCsv, readReadingsCsv } from "./readingsCsv.ts";
export { scriptOf, type GroupScript, type ScriptStep } from "./script.ts";
export { TestBench, type ReadingFault, type TakenReading } from "./session.ts";
export type { TestState } from "./states.ts";
export { testGroups, type FaultSuspect, type Suspect, type TestGroup } from "./suspects.ts";
export type { RunTest, Testable } from "./testable.ts";
