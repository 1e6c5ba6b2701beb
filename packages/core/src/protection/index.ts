export * from "./fuseForm.ts";
export * from "./fuseLadder.ts";
export * from "./fuseResistance.ts";
export * from "./timeCurrent.ts";
