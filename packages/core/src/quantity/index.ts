export * from "./interval.ts";
export * from "./boundedValue.ts";
export * from "./format.ts";
export * from "./readLength.ts";
