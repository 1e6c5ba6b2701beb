import { turnLamp, type Edit, type Job } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import type { Turned } from "../worker/light.ts";

/** Turns lamps in place, by their mounts, as one act. */
export const turnAll = (job: Job, turned: Readonly<Record<string, Turned>>): Edit[] =>
  job.mounts.flatMap((mount) => {
    const to = turned[mount.id];
    return to ? turnLamp(job, mount, to, mint("aim")) : [];
  });
