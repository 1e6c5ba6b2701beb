export * from "./csv.ts";
export * from "./partsCsv.ts";
export * from "./vehiclesCsv.ts";
export * from "./readJob.ts";
export { printSpice, spiceNames } from "./spice.ts";
export * from "./units.ts";
