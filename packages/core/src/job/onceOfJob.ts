import type { Job } from "./job.ts";

/** A function of a job, worked out once for each: a job never changes, an edit makes another. */
export function onceOfJob<T extends object>(work: (job: Job) => T): (job: Job) => T {
  const known = new WeakMap<Job, T>();
  return (job) => {
    const before = known.get(job);
    if (before) return before;
    const made = work(job);
    known.set(job, made);
    return made;
  };
}
