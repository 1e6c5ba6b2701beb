import {
  compile,
  everythingOn,
  faults,
  networkOf,
  printSpice,
  prove,
  solveCircuit,
  solveCompiled,
  synthesise,
} from "@dragonet/core";
import { manyCircuitJob, sharedJob } from "@dragonet/core/demo";

const SOLVES = 400;
/** Runs after which the engine has compiled what it compiles. */
const WARMING = 7;

export interface SolverBench {
  readonly nodes: number;
  /** One operating point of the largest example, in ms. */
  readonly pointMs: number;
  /** Everything a press of a control takes before painting: synthesis apart, in ms. */
  readonly positionMs: number;
  readonly proofMs: number;
  readonly positions: number;
  /** Proof of runs that share a feed, so that every combination has to be solved. */
  readonly sharedProofMs: number;
  /** The same for the first time, before the engine has compiled anything of it. */
  readonly sharedColdMs: number;
  readonly sharedPositions: number;
  readonly faultsMs: number;
  readonly faults: number;
  /** The same network as a deck, for others to be timed on. */
  readonly deck: string;
}

const median = (times: number[]): number => times.sort((a, b) => a - b)[times.length >> 1]!;

function time(times: number, work: () => void): number {
  const spent: number[] = [];
  for (let i = 0; i < times; i += 1) {
    const began = performance.now();
    work();
    spent.push(performance.now() - began);
  }
  return median(spent);
}

/** The solver on the largest example: thirteen runs, everything on. */
export function benchSolver(): SolverBench {
  const job = manyCircuitJob(13);
  const circuit = synthesise(job);
  const position = everythingOn(job, { sourceV: 12.7, packV: 0 });
  const solved = solveCircuit(circuit, position, 40);
  if (solved.kind !== "solved") throw new Error(solved.kind);
  const network = networkOf(circuit, { position, closed: solved.closed, celsius: 40 });
  const kept = compile(network);
  const solve = (): void => {
    if (solveCompiled(kept).kind !== "solved") throw new Error("not solved");
  };
  // A proof has thousands of them behind it, and ngspice is compiled before it begins.
  time(5 * SOLVES, solve);
  const pointMs = time(SOLVES, solve);
  const positionMs = time(60, () => void solveCircuit(circuit, position, 40));
  let positions = 0;
  const proofMs = time(5, () => {
    positions = prove(job, circuit)!.positions;
  });
  const shared = sharedJob(10);
  const sharedCircuit = synthesise(shared);
  let sharedPositions = 0;
  const proveShared = (): void => {
    sharedPositions = prove(shared, sharedCircuit)!.positions;
  };
  const sharedColdMs = time(1, proveShared);
  // A page proves again after every edit: what the engine has compiled by then stays compiled.
  time(WARMING, proveShared);
  const sharedProofMs = time(9, proveShared);
  let tried = 0;
  const tryFaults = (): void => {
    tried = faults(job, circuit)!.length;
  };
  time(WARMING, tryFaults);
  const faultsMs = time(9, tryFaults);
  return {
    nodes: kept.nodes.length - network.held.size,
    pointMs,
    positionMs,
    proofMs,
    positions,
    sharedProofMs,
    sharedColdMs,
    sharedPositions,
    faultsMs,
    faults: tried,
    deck: printSpice(network, "thirteen runs"),
  };
}
