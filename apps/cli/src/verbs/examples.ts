import { printJob, type Job } from "@dragonet/core";
import { demoJobs, manyCircuitJob } from "@dragonet/core/demo";
import type { ExitCode, World } from "../world.ts";

const fileName = (job: Job): string => {
  const title = job.card.title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");
  return `${job.vehicle.profileId}-${title}.dragonet.json`;
};

/** Writes the demo shop's jobs, and one of many runs, as files that every verb reads. */
export function writeExamples(folder: string, world: World): ExitCode {
  for (const job of [...demoJobs(), manyCircuitJob(13)]) {
    const path = `${folder}/${fileName(job)}`;
    try {
      world.write(path, printJob(job));
    } catch (error) {
      world.err(`${path}: ${error instanceof Error ? error.message : String(error)}\n`);
      return 2;
    }
    world.out(`${path}\n`);
  }
  return 0;
}
