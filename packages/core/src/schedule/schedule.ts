import type { JobToPlan, PlannedJob, Schedule, ShopCalendar, UnplannedJob } from "./plan.ts";
import { Filling, Workshop } from "./placeJob.ts";
import { DAY_MIN, readShopTime, type ShopTime } from "./shopTime.ts";

/** A promise so far away that any other comes first, minutes. */
const NO_PROMISE = 1e9;
/** Jobs placed in all orders that are tried together: the time that planning takes. */
const PLACED_AT_MOST = 1000;
const FEWEST_TRIES = 4;
const MOST_TRIES = 300;

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

/** A row of numbers 0–1 that is the same every time (mulberry32): a plan does not change by itself. */
function chance(): () => number {
  let state = 0x9e3779b9;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
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
  const next = [...order];
  const [job] = next.splice(from, 1);
  next.splice(to, 0, job!);
  return next;
}

/** Puts late jobs, or any, elsewhere in the order while that helps. */
function improved(shop: Workshop, pinned: readonly JobToPlan[], first: Tried): Tried {
  const n = first.order.length;
  if (n < 2) return first;
  const tries = Math.min(MOST_TRIES, Math.max(FEWEST_TRIES, Math.floor(PLACED_AT_MOST / n)));
  const next = chance();
  let best = first;
  let cost = costOf(best);
  for (let k = 0; k < tries; k += 1) {
    const [from, to] = [Math.floor(next() * n), Math.floor(next() * n)];
    if (from === to) continue;
    const tried = tryOrder(shop, pinned, moved(best.order, from, to));
    const its = costOf(tried);
    if (!isBetter(its, cost)) continue;
    best = tried;
    cost = its;
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

/**
 * Plans the jobs of a shop from now on: a list scheduler over several orders, the best of which is bettered by
 * putting single jobs elsewhere. Promises come first, then the end of the last job. What is pinned stays. Exact
 * it is not; `bound` says how far from it it can be at most.
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
  const shop = new Workshop(calendar, people, now);
  const byId = (a: JobToPlan, b: JobToPlan): number => (a.id < b.id ? -1 : Number(a.id > b.id));
  const pinned = jobs
    .filter(({ pin }) => pin)
    .sort((a, b) => a.pin!.start - b.pin!.start || byId(a, b));
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
