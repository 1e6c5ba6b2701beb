import { getHeapSpaceStatistics, setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { pinFuse, applyEdits, asId, planJob, type Job, type CircuitId } from "@dragonet/core";
import { manyCircuitJob } from "@dragonet/core/demo";

const PLANS = 1000;
/** The first ones go to the compiler, a page that is worked on has them behind it: told by themselves. */
const WARM = 200;
const COUNTED = 60;

/** A job of twelve runs with one fuse after the other pinned. */
function* edited(count: number): Generator<Job> {
  let job = manyCircuitJob(12);
  for (let i = 0; i < count; i += 1) {
    const run = asId<CircuitId>(`run-${(i % 12) + 1}`);
    const made = applyEdits(job, [pinFuse(run, { kind: "rating", ratingA: i % 2 ? 10 : 7.5 })]);
    if (!made.ok) throw new Error(made.message);
    job = made.job;
    yield job;
  }
}

/** Bytes in use that only a look through all of memory gives back. */
const settled = (): number =>
  getHeapSpaceStatistics()
    .filter(({ space_name: name }) => name === "old_space" || name === "large_object_space")
    .reduce((sum, space) => sum + space.space_used_size, 0);

/** What each plan leaves in memory until all of it is looked through, in kB. */
function leftKb(): number {
  setFlagsFromString("--expose-gc");
  const collect = runInNewContext("gc") as () => void;
  let [nth, before] = [0, 0];
  for (const job of edited(WARM + COUNTED)) {
    if (nth === WARM) {
      collect();
      before = settled();
    }
    nth += 1;
    planJob(job, "metric");
  }
  return (settled() - before) / COUNTED / 1000;
}

export interface Recompute {
  readonly medianMs: number;
  readonly p95Ms: number;
  /** Of the first ones after a start. */
  readonly firstMs: number;
  readonly leftKb: number;
}

/** Recompute of a 12-run job after an edit: everything the views show. */
export function benchRecompute(): Recompute {
  const times: number[] = [];
  for (const job of edited(PLANS)) {
    const began = performance.now();
    planJob(job, "metric");
    times.push(performance.now() - began);
  }
  const first = times.splice(0, WARM).sort((a, b) => a - b);
  times.sort((a, b) => a - b);
  return {
    medianMs: times[Math.floor(times.length / 2)]!,
    p95Ms: times[Math.floor(times.length * 0.95)]!,
    firstMs: first[Math.floor(first.length / 2)]!,
    leftKb: leftKb(),
  };
}
