export * from "./pattern.ts";
export * from "./lu.ts";
export * from "./refactor.ts";
