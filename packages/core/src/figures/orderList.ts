import { shelfName } from "../fit/index.ts";
import type { PartId } from "../job/index.ts";
import type { Part } from "../part/index.ts";
import type { JobSummary } from "../plan/summary.ts";

type Listed = Pick<JobSummary, "title" | "promised" | "needs"> & { readonly id: string };

/** Something that there is less of on the shelf than jobs take and the shop wants to keep. */
export interface OrderLine {
  readonly name: string;
  /** "m" for what is sold by the metre, "" for pieces. */
  readonly unit: "" | "m";
  readonly wanted: number;
  readonly onShelf: number;
  /** What the shop wants to have left, whatever its jobs take. */
  readonly least: number;
  readonly short: number;
  /** Part of the shelf that it is; null for one that the shelf does not know. */
  readonly partId: PartId | null;
  /** What it costs in all, in the shop's currency; null where no price is known. */
  readonly cost: number | null;
  /** Jobs that want it, the soonest promised first. */
  readonly jobs: readonly {
    readonly id: string;
    readonly title: string;
    readonly promised: string;
    readonly count: number;
  }[];
  /** The first promise that hangs on it; "" where none was made. */
  readonly by: string;
}

const NO_PROMISE = "9";
const dayOf = (promised: string): string => promised || NO_PROMISE;

/** The first promise that what lies on the shelf does not last for; "" where none was made. */
function firstWithout(jobs: OrderLine["jobs"], onShelf: number): string {
  let left = onShelf;
  const first = jobs.find(({ count }) => {
    left -= count;
    return left < 0;
  });
  return first?.promised ?? "";
}

/**
 * What has to be ordered for the jobs that are open, and to have again what the shop keeps of it: the
 * first promise first. What there is goes to that one, too.
 */
export function orderList(shelf: readonly Part[], jobs: readonly Listed[]): OrderLine[] {
  // Of two parts of one name the first stands for both, as on the shelf itself.
  const parts = new Map(shelf.toReversed().map((part) => [shelfName(part.name), part]));
  const wantedBy = new Map<string, { unit: "" | "m"; jobs: OrderLine["jobs"][number][] }>();
  for (const { id, title, promised, needs } of jobs) {
    for (const { name, count, unit } of needs) {
      const line = wantedBy.get(name) ?? { unit, jobs: [] };
      line.jobs.push({ id, title, promised, count });
      wantedBy.set(name, line);
    }
  }
  const asked = new Set([...wantedBy.keys()].map(shelfName));
  for (const [name, part] of parts) {
    if (part.least !== undefined && !asked.has(name)) {
      wantedBy.set(part.name, { unit: /, metre$/i.test(part.name) ? "m" : "", jobs: [] });
    }
  }
  return [...wantedBy]
    .map(([name, line]): OrderLine => {
      const part = parts.get(shelfName(name));
      const sorted = line.jobs.sort((a, b) => (dayOf(a.promised) < dayOf(b.promised) ? -1 : 1));
      const wanted = sorted.reduce((sum, { count }) => sum + count, 0);
      const [onShelf, least] = [part?.stock ?? 0, part?.least ?? 0];
      const short = Math.max(0, wanted + least - onShelf);
      return {
        ...{ name, unit: line.unit, wanted, onShelf, least, short, jobs: sorted },
        partId: part?.id ?? null,
        cost: part && part.price > 0 ? short * part.price : null,
        by: firstWithout(sorted, onShelf),
      };
    })
    .filter(({ short }) => short > 1e-9)
    .sort((a, b) =>
      dayOf(a.by) === dayOf(b.by) ? (a.name < b.name ? -1 : 1) : dayOf(a.by) < dayOf(b.by) ? -1 : 1,
    );
}

/** How much of each thing open jobs take from the shelf, by the name that part and need find each other by. */
export function takenOfShelf(jobs: readonly Pick<Listed, "needs">[]): ReadonlyMap<string, number> {
  const taken = new Map<string, number>();
  for (const { name, count } of jobs.flatMap(({ needs }) => needs)) {
    const key = shelfName(name);
    taken.set(key, (taken.get(key) ?? 0) + count);
  }
  return taken;
}
