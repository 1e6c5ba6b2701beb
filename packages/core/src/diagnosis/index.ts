export { entropyBits, likelihood, update } from "./bayes.ts";
export {
  alikeTo,
  diagnose,
  sharesAfter,
  worthOf,
  type Diagnosis,
  type Evidence,
  type NextProbe,
  type Ranked,
} from "./diagnose.ts";
export { mendPlan, type MendPlan } from "./mending.ts";
export { ohmText, readOhms, OPEN_WAY_OHM } from "./ohms.ts";
export { simulatedReading } from "./meter.ts";
export { asMeasured, boundsOfExpected } from "./predict.ts";
export { soundRange } from "./soundRange.ts";
export { TURN_MIN, type Expected, type Probe, type ProbeAt } from "./probe.ts";
export { SEEN_LEVELS, SENSE_WORDS, seenRank, seenWord, type Sense } from "./seen.ts";
export { ScpiMeter, perUnit } from "./scpi.ts";
export { expectedText, printScriptCsv, readReadingsCsv } from "./readingsCsv.ts";
export { scriptOf, type GroupScript, type ScriptStep } from "./script.ts";
export { TestBench, testBenchOf, type ReadingFault } from "./session.ts";
export { scriptsOf, stepsOf, type JobScript, type ScriptedGroup } from "./scripts.ts";
export { boundsText, testReport, type TestLine, type TestReport } from "./testReport.ts";
export type { TakenReading } from "./taken.ts";
export type { TestState } from "./states.ts";
export { testGroups, type FaultSuspect, type Suspect, type TestGroup } from "./suspects.ts";
export type { RunTest, Testable } from "./testable.ts";
