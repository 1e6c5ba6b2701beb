export * from "./finding.ts";
export { RULES } from "./rules.ts";
export { foundText, groupFindings, type FindingGroup, type FoundAt } from "./groupFindings.ts";
export { checkJob } from "./checkJob.ts";
export { worstShareV } from "./light/stringSpread.ts";
