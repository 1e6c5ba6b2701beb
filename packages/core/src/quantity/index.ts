export * from "./interval.ts";
export * from "./fact.ts";
export * from "./format.ts";
