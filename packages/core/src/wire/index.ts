export * from "./gauge.ts";
export * from "./resistance.ts";
export * from "./ampacity.ts";
export * from "./colour.ts";
