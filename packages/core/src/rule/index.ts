export * from "./finding.ts";
export { RULES } from "./rules.ts";
export { checkJob } from "./checkJob.ts";
export { worstShareV } from "./stringSpread.ts";
