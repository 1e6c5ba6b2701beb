import type { Circuit } from "../circuit/index.ts";
import { needsOf, shelfName } from "../fit/index.ts";
import type { Job, Task } from "../job/index.ts";
import { minorOf, sumMinor, timesMinor } from "../money/index.ts";
import type { Part } from "../part/index.ts";
import { PLAIN_PACE, plannedTime, type ScaleOf } from "./plannedTime.ts";

/** One line of a quote: pieces or metres of something. Money in the currency's smallest unit. */
export interface PartsLine {
  readonly name: string;
  readonly count: number;
  readonly unit: "" | "m";
  /** Of one, with the shop's markup; null where the shelf has no price of it. */
  readonly eachMinor: number | null;
  readonly netMinor: number | null;
}

/** A line of planned work, in minutes. */
export interface WorkLine {
  readonly task: Task;
  readonly of: string;
  readonly minutes: { readonly low: number; readonly mid: number; readonly high: number };
  readonly netMinor: number;
}

/** Net, tax and gross at one estimate. Tax is worked out once, on the sum: EN 16931, BR-CO-17 (m). */
export interface Totals {
  readonly netMinor: number;
  readonly taxMinor: number;
  readonly grossMinor: number;
}

/** What a job is asked for. */
export interface Quote {
  readonly currency: string;
  readonly taxShare: number;
  readonly parts: readonly PartsLine[];
  readonly work: readonly WorkLine[];
  readonly total: Totals;
  /** With the work as short and as long as its estimates say. */
  readonly low: Totals;
  readonly high: Totals;
  /** What has no price, by name: the total is without it. */
  readonly unpriced: readonly string[];
  /** Whether the shop has said what an hour costs. */
  readonly hourKnown: boolean;
}

const HOUR_MIN = 60;

/** Minutes as they are billed, whole ones, as they are shown: who multiplies comes to the same coin. */
export const billedMin = (minutes: number): number => Math.round(minutes);

/** Price of minutes of work at that of an hour, rounded by itself. */
export const workMinor = (hourMinor: number, minutes: number, currency: string): number =>
  timesMinor(hourMinor, billedMin(minutes) / HOUR_MIN, currency);

/** Prices by the name of what they are of: the job's own copies first, then the shelf. */
function pricesOf(job: Job, shelf: readonly Part[]): ReadonlyMap<string, number> {
  const prices = new Map<string, number>();
  for (const part of [...shelf, ...job.parts]) {
    if (part.price > 0) prices.set(shelfName(part.name), part.price);
  }
  return prices;
}

function totalsOf(netMinor: number, taxShare: number, currency: string): Totals {
  const taxMinor = timesMinor(netMinor, taxShare, currency);
  return { netMinor, taxMinor, grossMinor: netMinor + taxMinor };
}

/**
 * A job's quote: parts as its circuit counts them, each once, wire by what is cut, work by its
 * plan. Every line is rounded by itself, a half away from zero, and the tax on their sum.
 *
 * @param pace how the shop's time lies to the trade's estimates
 * @param shelf prices of what the job has no copies of: wire, fuses, terminals
 */
export function quoteOf(
  job: Job,
  circuit: Circuit,
  shelf: readonly Part[],
  pace: ScaleOf = PLAIN_PACE,
): Quote {
  const { currency, hourMinor, taxShare, markupShare } = job.practices.tariff;
  const prices = pricesOf(job, shelf);
  const parts = needsOf(job, circuit).map((need): PartsLine => {
    const price = prices.get(shelfName(need.name));
    const eachMinor =
      price === undefined ? null : timesMinor(minorOf(price, currency), 1 + markupShare, currency);
    const netMinor = eachMinor === null ? null : timesMinor(eachMinor, need.count, currency);
    return { ...need, eachMinor, netMinor };
  });
  const work = plannedTime(job, circuit, pace).map((task): WorkLine => ({
    ...task,
    netMinor: workMinor(hourMinor, task.minutes.mid, currency),
  }));
  const ofParts = sumMinor(
    parts.map((line) => line.netMinor ?? 0),
    currency,
  );
  const workAt = (estimate: "low" | "mid" | "high"): Totals =>
    totalsOf(
      sumMinor(
        [ofParts, ...work.map((line) => workMinor(hourMinor, line.minutes[estimate], currency))],
        currency,
      ),
      taxShare,
      currency,
    );
  return {
    ...{ currency, taxShare, parts, work },
    ...{ total: workAt("mid"), low: workAt("low"), high: workAt("high") },
    unpriced: parts.filter((line) => line.netMinor === null).map((line) => line.name),
    hourKnown: hourMinor > 0,
  };
}
