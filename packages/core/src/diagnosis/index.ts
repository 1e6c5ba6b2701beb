export { entropyBits, likelihood, update } from "./suspect/bayes.ts";
export {
  alikeTo,
  diagnose,
  sharesAfter,
  worthOf,
  type Diagnosis,
  type Evidence,
  type NextProbe,
  type Ranked,
} from "./suspect/diagnose.ts";
export { mendPlan, type MendPlan } from "./suspect/mending.ts";
export { ohmText, readOhms, OPEN_WAY_OHM } from "./expect/ohms.ts";
export { simulatedReading } from "./reading/meter.ts";
export { asMeasured, boundsOfExpected } from "./expect/predict.ts";
export { soundRange } from "./expect/soundRange.ts";
export { TURN_MIN, type Expected, type Probe, type ProbeAt } from "./expect/probe.ts";
export { SEEN_LEVELS, SENSE_WORDS, seenRank, seenWord, type Sense } from "./reading/seen.ts";
export { ScpiMeter, perUnit } from "./reading/scpi.ts";
export { expectedText, printScriptCsv, readReadingsCsv } from "./reading/readingsCsv.ts";
export { scriptOf, type GroupScript, type ScriptStep } from "./script/script.ts";
export { TestBench, testBenchOf, type ReadingFault } from "./reading/session.ts";
export { scriptsOf, stepsOf, type JobScript, type ScriptedGroup } from "./script/scripts.ts";
export { boundsText, testReport, type TestLine, type TestReport } from "./reading/testReport.ts";
export type { TakenReading } from "./reading/taken.ts";
export { allOff, type TestState } from "./expect/states.ts";
export { testGroups, type FaultSuspect, type Suspect, type TestGroup } from "./suspect/suspects.ts";
export type { CircuitTest, Testable } from "./script/testable.ts";
