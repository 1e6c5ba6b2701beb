export * from "./element.ts";
export * from "./circuit.ts";
