export * from "./operatingPoint.ts";
export * from "./elementOhm.ts";
export * from "./series.ts";
