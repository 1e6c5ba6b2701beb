import { shelfName } from "../fit/index.ts";
import type { Part } from "../part/index.ts";
import type { JobSummary } from "../plan/summary.ts";

type Listed = Pick<JobSummary, "title" | "promised" | "needs"> & { readonly id: string };

/** Something that jobs want more of than there is on the shelf. */
export interface OrderLine {
  readonly name: string;
  /** "m" for what is sold by the metre, "" for pieces. */
  readonly unit: "" | "m";
  readonly wanted: number;
  readonly onShelf: number;
  readonly short: number;
  /** Part of the shelf that it is; null for one that the shelf does not know. */
  readonly partId: string | null;
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

/** What has to be ordered for the jobs that are open: the first promise first. What there is goes to that one, too. */
export function orderList(shelf: readonly Part[], jobs: readonly Listed[]): OrderLine[] {
  const byName = new Map<string, { unit: "" | "m"; jobs: OrderLine["jobs"][number][] }>();
  for (const { id, title, promised, needs } of jobs) {
    for (const { name, count, unit } of needs) {
      const line = byName.get(name) ?? { unit, jobs: [] };
      line.jobs.push({ id, title, promised, count });
      byName.set(name, line);
    }
  }
  return [...byName]
    .map(([name, line]): OrderLine => {
      const part = shelf.find((one) => shelfName(one.name) === shelfName(name));
      const sorted = line.jobs.sort((a, b) => (dayOf(a.promised) < dayOf(b.promised) ? -1 : 1));
      const wanted = sorted.reduce((sum, { count }) => sum + count, 0);
      const onShelf = part?.stock ?? 0;
      const short = Math.max(0, wanted - onShelf);
      // What is on the shelf is taken by those that are promised first: the next one waits for the order.
      let left = onShelf;
      const first = sorted.find(({ count }) => {
        left -= count;
        return left < 0;
      });
      return {
        ...{ name, unit: line.unit, wanted, onShelf, short, jobs: sorted },
        partId: part?.id ?? null,
        cost: part && part.price > 0 ? short * part.price : null,
        by: first?.promised ?? "",
      };
    })
    .filter(({ short }) => short > 1e-9)
    .sort((a, b) =>
      dayOf(a.by) === dayOf(b.by) ? (a.name < b.name ? -1 : 1) : dayOf(a.by) < dayOf(b.by) ? -1 : 1,
    );
}
