export * from "./exercise.ts";
export type { Complaint } from "./complaint.ts";
export { complaintOf } from "./complaint.ts";
export * from "./progress.ts";
export { madeJob, type MadeFrom } from "./madeJob.ts";
export { DRILLS, DRILL_WORDS, type Drill, type DrillKind, type DrillWorld } from "./drill.ts";
export { makeDrill } from "./makeDrill.ts";
