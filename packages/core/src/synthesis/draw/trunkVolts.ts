import { rootV, type TrunkCircuit } from "../../circuit/index.ts";
import type { Job } from "../../job/index.ts";
import { restVolts } from "../../source/index.ts";

/** Volts at rest of what a trunk gives. */
export const trunkV = (job: Job, trunk: TrunkCircuit): number =>
  rootV(trunk.root, restVolts(job.vehicle));
