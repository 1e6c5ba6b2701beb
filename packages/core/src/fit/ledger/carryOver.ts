import type { Job } from "../../job/index.ts";

/** What a job found out about its model, fresh for the next vehicle of it. */
export type CarriedOver = Pick<
  Job,
  "strip" | "fasteners" | "plugs" | "templates" | "landmarks" | "holes"
>;

/** Whether a job has anything of taking apart, or templates, that could be handed on. */
export const hasLedger = (job: Job): boolean => job.strip.length > 0 || job.templates.length > 0;

/**
 * The ledger and the templates of an earlier job on the same model: everything on the
 * vehicle again, and the time taken then as the estimate now.
 */
export const carriedOver = (job: Job): CarriedOver => ({
  strip: job.strip.map((step) => ({
    ...step,
    estimateMin: step.tookMin > 0 ? step.tookMin : step.estimateMin,
    tookMin: 0,
    state: "on",
  })),
  fasteners: job.fasteners.map((f) => ({ ...f, back: 0 })),
  plugs: job.plugs.map((p) => ({ ...p, parted: false, joined: false })),
  templates: job.templates,
  landmarks: job.landmarks,
  holes: job.holes,
});
