import {
  postsVolts,
  solveUnderLoad,
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
  const { charge, ...set } = controls;
  const position = { ...set, ...postsVolts(job, set.inputs, charge) };
  const solved = solveUnderLoad(job, circuit, position);
  if (solved.kind === "solved") return { circuit, solved };
  world.err(`no solution: ${JSON.stringify(solved)}\n`);
  return null;
}
