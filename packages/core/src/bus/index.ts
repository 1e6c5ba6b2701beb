export * from "./dbc.ts";
export * from "./candump.ts";
export * from "./simulatedBus.ts";
export * from "./simulatedModule.ts";
