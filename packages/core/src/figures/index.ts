export * from "./orderList.ts";
export * from "./shopFigures.ts";
export * from "./partFacts.ts";
export * from "./partJobs.ts";
export * from "./freed.ts";
