import { pinFuse, applyEdits, asId, planJob, type RunId } from "@dragonet/core";
import { manyRunJob } from "@dragonet/core/demo";

/** Recompute of a 12-run job after an edit: everything the views show. Times in ms. */
export function benchRecompute(): { readonly medianMs: number; readonly p95Ms: number } {
  let job = manyRunJob(12);
  const times: number[] = [];
  for (let i = 0; i < 600; i += 1) {
    const run = asId<RunId>(`run-${(i % 12) + 1}`);
    const edit = pinFuse(run, { kind: "rating", ratingA: i % 2 ? 10 : 7.5 });
    const edited = applyEdits(job, [edit]);
    if (!edited.ok) throw new Error(edited.message);
    job = edited.job;
    const began = performance.now();
    planJob(job, "metric");
    // The first ones go to the compiler: a page that is worked on has them behind it.
    if (i >= 100) times.push(performance.now() - began);
  }
  times.sort((a, b) => a - b);
  return {
    medianMs: times[Math.floor(times.length / 2)]!,
    p95Ms: times[Math.floor(times.length * 0.95)]!,
  };
}
