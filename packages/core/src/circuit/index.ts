export * from "./element.ts";
export * from "./unit.ts";
export * from "./circuit.ts";
export { carriesA, riseC } from "./carries.ts";
