import { printSpice } from "@dragonet/core";
import { solveJob } from "../solved.ts";
import type { Verb } from "../world.ts";

export const spiceVerb: Verb = ({ job, controls, world }) => {
  const made = solveJob(job, controls, world);
  if (!made) return 1;
  world.out(printSpice(made.solved.network, job.card.title));
  return 0;
};
