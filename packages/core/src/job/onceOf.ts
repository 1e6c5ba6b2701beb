import type { Job } from "./job.ts";

/** A function of something that never changes, worked out once for each. */
export function onceOf<K extends object, T extends object>(work: (of: K) => T): (of: K) => T {
  const known = new WeakMap<K, T>();
  return (of) => {
    const before = known.get(of);
    if (before) return before;
    const made = work(of);
    known.set(of, made);
    return made;
  };
}

/** A function of a job, worked out once for each: a job never changes, an edit makes another. */
export const onceOfJob = <T extends object>(work: (job: Job) => T): ((job: Job) => T) =>
  onceOf(work);
