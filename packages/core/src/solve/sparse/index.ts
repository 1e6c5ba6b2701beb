export * from "./pattern.ts";
export * from "./lu.ts";
