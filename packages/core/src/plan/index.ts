export * from "./planJob.ts";
export * from "./alternatives.ts";
export * from "./summary.ts";
export * from "./bench.ts";
export * from "./causes.ts";
export * from "./soundRemedies.ts";
export { nextThing, type NextThing } from "./nextThing.ts";
