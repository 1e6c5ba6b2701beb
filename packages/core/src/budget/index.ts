export * from "./budget.ts";
export * from "./charging.ts";
export * from "./engineOff.ts";
export * from "./standby.ts";
export * from "./charger.ts";
export * from "./drawsFrom.ts";
export * from "./health.ts";
export * from "./packEvening.ts";
export { remainingLoads } from "./remainingLoads.ts";
