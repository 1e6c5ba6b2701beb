export * from "./network.ts";
export * from "./position.ts";
export * from "./options.ts";
export { heldNodes, networkOf } from "./fromCircuit.ts";
export { DIES_KNEE_V, DIODE_LEAK_S, branchCurrent, diesFootV } from "./engine/law.ts";
export * from "./designPoint.ts";
export { compile, hold, putLaw, type Compiled } from "./engine/compile.ts";
export {
  conditionOf,
  solveCompiled,
  solveNetwork,
  type NetworkResult,
  type SolveHealth,
  type SolvedNetwork,
} from "./engine/solveNetwork.ts";
export * from "./solveCircuit.ts";
export { solveUnderLoad } from "./underLoad.ts";
