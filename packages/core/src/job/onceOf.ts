import type { Job } from "./job.ts";

/** One place for all of them: with one each, things of a kind would be of as many shapes for the engine. */
const KEPT = Symbol("worked out");
interface Keeper {
  readonly [KEPT]?: object[];
}
/** For what is frozen. */
const apart = new WeakMap<object, object[]>();
/** Of functions made so far. */
let count = 0;

/**
 * A function of something that never changes, worked out once for each. What was worked out is kept with the thing
 * itself, out of sight of whatever lists, copies, sends or compares it, and goes with it. (In a WeakMap it would stay
 * until all of memory is looked through: engines take what those hold as needed when they clear away what is young,
 * and with an edit every second the plans of all of them were copied about before they went.)
 */
export function onceOf<K extends object, T extends object>(work: (of: K) => T): (of: K) => T {
  const mine = count;
  count += 1;
  return (of) => {
    let kept = (of as Keeper)[KEPT] ?? apart.get(of);
    if (!kept) {
      kept = [];
      if (Object.isExtensible(of)) Object.defineProperty(of, KEPT, { value: kept });
      else apart.set(of, kept);
    }
    const known = kept[mine] as T | undefined;
    if (known) return known;
    const value = work(of);
    kept[mine] = value;
    return value;
  };
}

/** A function of a job, worked out once for each: a job never changes, an edit makes another. */
export const onceOfJob = <T extends object>(work: (job: Job) => T): ((job: Job) => T) =>
  onceOf(work);

/** The same of two things, kept with the first: for the second that was last asked for. */
export function onceOfPair<K extends object, L extends object, T extends object>(
  work: (of: K, by: L) => T,
): (of: K, by: L) => T {
  const lastOf = onceOf((_: K): { last: { readonly by: L; readonly value: T } | null } => ({
    last: null,
  }));
  return (of, by) => {
    const kept = lastOf(of);
    if (kept.last?.by !== by) kept.last = { by, value: work(of, by) };
    return kept.last.value;
  };
}
