export * from "./vehicleFacts.ts";
export * from "./measurement.ts";
export * from "./combine.ts";
export * from "./modelKnowledge.ts";
export * from "./startFrom.ts";
export * from "./differences.ts";
export * from "./modelFile.ts";
export * from "./worth.ts";
