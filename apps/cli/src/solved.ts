import {
  postsVolts,
  solveCircuit,
  synthesise,
  type Circuit,
  type CircuitResult,
  type Job,
} from "@dragonet/core";
import type { Controls, World } from "./world.ts";

export interface SolvedJob {
  readonly circuit: Circuit;
  readonly solved: Extract<CircuitResult, { kind: "solved" }>;
}

/** Solves a job with its controls as set; says why when it cannot, and answers null. */
export function solveJob(job: Job, controls: Controls, world: World): SolvedJob | null {
  const circuit = synthesise(job);
  const solved = solveCircuit(
    circuit,
    { ...controls, ...postsVolts(job, controls.inputs) },
    job.practices.ambientC,
  );
  if (solved.kind === "solved") return { circuit, solved };
  world.err(`no solution: ${JSON.stringify(solved)}\n`);
  return null;
}
