export * from "./network.ts";
export * from "./position.ts";
export {
  networkOf,
  insideOf,
  BATTERY_PLUS,
  GROUND,
  PACK_PLUS,
  type ConverterState,
  type NetworkOptions,
} from "./fromCircuit.ts";
export { DIES_KNEE_V, diesFootV } from "./branchCurrent.ts";
export * from "./designPoint.ts";
export { prepare, solveNetwork, type NetworkResult, type SolveHealth } from "./solveNetwork.ts";
export * from "./solveCircuit.ts";
