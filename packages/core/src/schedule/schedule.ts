import { itemAt } from "../present/index.ts";
import type { JobToPlan, PlannedJob, Schedule, ShopCalendar, UnplannedJob } from "./plan.ts";
import { Filling, Workshop } from "./placeJob.ts";
import { seeded } from "../ride/bounds.ts";
import { DAY_MIN, readShopTime, type ShopTime } from "./time/shopTime.ts";

/** A promise so far away that any other comes first, minutes. */
const NO_PROMISE = 1e9;
/**
 * Orders that are tried: so many, divided by the jobs to the power of one and a half, since placing one more
 * takes longer the more there are. What planning may take (a third of a second for two hundred jobs) gives it.
 */
const TRIED = 15_000;
const FEWEST_TRIES = 6;
const MOST_TRIES = 300;
const SEED = 1;

/** Minutes from the first stroke of work to the last, were nobody else there. */
const chainMin = ({ work }: JobToPlan): number =>
  work.fitMin + work.cureH * 60 + work.closeMin + work.aimMin + work.handOverMin;

const dueOf = ({ promised }: JobToPlan): number =>
  (readShopTime(promised) ?? NO_PROMISE - DAY_MIN) + DAY_MIN;

/** Ways to put jobs in order, each good for something: promises, what is tightest, what fills benches. */
const ORDERS: readonly ((a: JobToPlan, b: JobToPlan) => number)[] = [
  (a, b) => dueOf(a) - dueOf(b) || chainMin(b) - chainMin(a),
  (a, b) => dueOf(a) - chainMin(a) - (dueOf(b) - chainMin(b)),
  (a, b) => chainMin(b) - chainMin(a),
  (a, b) => chainMin(a) - chainMin(b),
];

interface Tried {
  readonly order: readonly JobToPlan[];
  readonly jobs: readonly PlannedJob[];
  readonly unplanned: readonly UnplannedJob[];
}

/** Later than promised in all, the end of the last, and the sum of ends: what counts first comes first. */
function costOf({ jobs }: Tried): readonly number[] {
  const sum = (of: (job: PlannedJob) => number): number => jobs.reduce((s, j) => s + of(j), 0);
  return [
    sum((job) => job.lateMin),
    jobs.reduce((last, { end }) => Math.max(last, end), 0),
    sum((job) => job.end),
  ];
}

function isBetter(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((x, i) => Math.abs(x - (b[i] ?? 0)) > 1e-6);
  return at >= 0 && (a[at] ?? 0) < (b[at] ?? 0);
}

/** Places jobs one after the other in an order; what is pinned has its place before. */
function tryOrder(
  shop: Workshop,
  pinned: readonly JobToPlan[],
  order: readonly JobToPlan[],
): Tried {
  const filling = new Filling(shop);
  const jobs: PlannedJob[] = [];
  const unplanned: UnplannedJob[] = [];
  for (const job of [...pinned, ...order]) {
    const placed = filling.place(job);
    if ("why" in placed) unplanned.push(placed);
    else jobs.push(placed);
  }
  return { order, jobs, unplanned };
}

/** An order with one job put elsewhere in it. */
function moved(order: readonly JobToPlan[], from: number, to: number): JobToPlan[] {
  return order.toSpliced(from, 1).toSpliced(to, 0, itemAt(order, from));
}

/** Where in the order those stand that are late, for all that another order could do. */
function latePlaces({ order, jobs }: Tried): number[] {
  const late = new Set(jobs.filter(({ lateMin }) => lateMin > 0).map(({ id }) => id));
  return order.flatMap(({ id }, i) => (late.has(id) && i > 0 ? [i] : []));
}

/** Every order that some jobs can be in. */
function* everyOrder(jobs: readonly JobToPlan[]): Generator<readonly JobToPlan[]> {
  if (jobs.length < 2) yield jobs;
  else {
    for (const [i, job] of jobs.entries()) {
      const others = [...jobs.slice(0, i), ...jobs.slice(i + 1)];
      for (const rest of everyOrder(others)) yield [job, ...rest];
    }
  }
}

/** Few enough jobs that every order is tried, 720 at most. */
const TRIED_IN_EVERY_ORDER = 6;

/** Betters an order: of few jobs by trying all there are, of many by putting single ones elsewhere while that helps. */
function improved(shop: Workshop, pinned: readonly JobToPlan[], first: Tried): Tried {
  const n = first.order.length;
  if (n < 2) return first;
  const tries = Math.min(MOST_TRIES, Math.max(FEWEST_TRIES, Math.floor(TRIED / n ** 1.5)));
  // The same every time: a plan does not change by itself.
  const next = seeded(SEED);
  let best = first;
  let cost = costOf(best);
  const look = (order: readonly JobToPlan[]): void => {
    const tried = tryOrder(shop, pinned, order);
    const its = costOf(tried);
    if (!isBetter(its, cost)) return;
    best = tried;
    cost = its;
  };
  if (n <= TRIED_IN_EVERY_ORDER) {
    for (const order of everyOrder(first.order)) look(order);
    return best;
  }
  const any = (of: number): number => Math.floor(next() * of);
  for (let k = 0; k < tries; k += 1) {
    const late = latePlaces(best);
    // Turn about: one that is late goes before others, or any goes anywhere.
    const from = k % 2 === 0 && late.length > 0 ? itemAt(late, any(late.length)) : any(n);
    const to = late.includes(from) ? any(from + 1) : any(n);
    if (from !== to) look(moved(best.order, from, to));
  }
  return best;
}

/** When all work could be done at the soonest: see `Schedule.bound`. */
function boundOf(shop: Workshop, jobs: readonly JobToPlan[]): ShopTime | null {
  const { hours, now, calendar, people } = shop;
  const sum = (of: (job: JobToPlan) => number): number => jobs.reduce((s, job) => s + of(job), 0);
  const benchMin = sum(({ work }) => work.fitMin + work.closeMin);
  const handsMin = sum(({ work }) => work.fitMin + work.closeMin + work.handOverMin);
  const ends = [
    hours.after(hours.next(now) ?? now, benchMin / Math.max(1, calendar.benches.length)),
    hours.after(hours.next(now) ?? now, handsMin / Math.max(1, people.length)),
    // Alone in the shop: every other is only in its way.
    ...jobs.map((job) => {
      const placed = new Filling(shop).place({ ...job, pin: null });
      return "why" in placed ? null : placed.end;
    }),
  ];
  const known = ends.filter((end) => end !== null);
  return jobs.length === 0 || known.length === 0 ? null : Math.max(...known);
}

/** Two of one name are two pairs of hands: the second is numbered. */
const toldApart = (names: readonly string[]): string[] =>
  names.map((name, i) => {
    const before = names.slice(0, i).filter((other) => other === name).length;
    return before === 0 ? name : `${name} (${before + 1})`;
  });

/**
 * Plans the jobs of a shop from now on: a list scheduler over several orders, the best of which is bettered by
 * putting single jobs elsewhere. Promises come first, then the end of the last job. What is pinned stays.
 * Of up to six jobs every order is tried; of more it is not exact, and `bound` says how far from it it can be at most.
 *
 * A vehicle keeps its bench from its panels off to its panels on, an adhesive's hours included. Each stretch of
 * work is one person's, in open hours, and rests while the shop is closed; aiming is at the one wall after dusk.
 */
export function schedule(
  calendar: ShopCalendar,
  people: readonly string[],
  jobs: readonly JobToPlan[],
  now: ShopTime,
): Schedule {
  const shop = new Workshop(calendar, toldApart(people), now);
  const byId = (a: JobToPlan, b: JobToPlan): number => (a.id < b.id ? -1 : Number(a.id > b.id));
  const startOf = ({ pin }: JobToPlan): number => pin?.start ?? Infinity;
  const pinned = jobs
    .filter(({ pin }) => pin)
    .sort((a, b) => startOf(a) - startOf(b) || byId(a, b));
  const free = jobs.filter(({ pin }) => !pin).sort(byId);
  const tried = ORDERS.map((order) => tryOrder(shop, pinned, [...free].sort(order)));
  const first = tried.reduce((best, one) => (isBetter(costOf(one), costOf(best)) ? one : best));
  const best = improved(shop, pinned, first);
  const planned = new Set(best.jobs.map(({ id }) => id));
  const ends = best.jobs.map(({ end }) => end);
  return {
    jobs: best.jobs,
    unplanned: best.unplanned,
    end: ends.length === 0 ? null : Math.max(...ends),
    bound: boundOf(
      shop,
      jobs.filter(({ id }) => planned.has(id)),
    ),
  };
}
