export * from "./openCircuit.ts";
export * from "./peukert.ts";
export * from "./charging.ts";
export * from "./insideOhm.ts";
export * from "./terminal.ts";
export * from "./pack.ts";
