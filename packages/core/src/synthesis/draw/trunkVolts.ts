import { rootV, type LaidFeeder } from "../../circuit/index.ts";
import type { Job } from "../../job/index.ts";
import { restVolts } from "../../source/index.ts";

/** Volts at rest of what a trunk gives. */
export const feederV = (job: Job, feeder: LaidFeeder): number =>
  rootV(feeder.root, restVolts(job.vehicle));
