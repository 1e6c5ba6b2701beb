import type { Job } from "../job/index.ts";
import type { BaseLoad } from "../vehicle/index.ts";

/** What the vehicle had and still has: a load that a lamp of the job takes the place of is gone. */
export function remainingLoads(job: Job): readonly BaseLoad[] {
  const replaced = new Set(job.lamps.map((lamp) => lamp.replaces));
  return job.vehicle.baseLoads.filter((load) => !replaced.has(load.id));
}
