import { boundsOf, interval, sum, times, type Interval } from "../quantity/index.ts";
import type { Circuit } from "../circuit/index.ts";
import type { Job, Use } from "../job/index.ts";
import { engineOffV, peukertHours } from "../source/index.ts";
import type { BatteryFacts } from "../vehicle/index.ts";
import { onBattery } from "./charging.ts";
import { batteryHealth } from "./health.ts";
import { standbyItems, type StandbyItem } from "./standby.ts";
import { remainingLoads } from "./remainingLoads.ts";
import { runAmpsOf } from "./runAmps.ts";

/** Hours from a full battery to the charge below which it is not trusted to start. */
function hoursToNoStart(
  battery: BatteryFacts,
  use: Use | null,
  currentA: Interval,
): Interval | null {
  if (currentA.high <= 0) return null;
  const health = use && batteryHealth(battery, use);
  const asks = health ? health.noStartSoc - battery.noStartSoc.value : 0;
  const left = health?.capacityShare ?? 1;
  const hours = (pick: "low" | "value" | "high", amps: number): number => {
    // A larger no-start mark and a larger exponent both shorten the time.
    const other = pick === "low" ? "high" : pick === "high" ? "low" : "value";
    const usable = Math.max(0, 1 - battery.noStartSoc[other] - asks);
    return (
      usable *
      peukertHours(battery.capacityAh[pick] * left, battery.hourRate, battery.peukert[other], amps)
    );
  };
  const long = currentA.low > 0 ? hours("high", currentA.low) : Infinity;
  const mid = currentA.mid > 0 ? hours("value", currentA.mid) : long;
  return { low: hours("low", currentA.high), mid, high: Math.max(mid, long) };
}

const scaled = (hours: Interval | null, by: number): Interval | null =>
  hours && { low: hours.low * by, mid: hours.mid * by, high: hours.high * by };

/** How long the lamps may burn with the engine off. */
export interface EngineOffBudget {
  readonly currentA: Interval;
  /** Minutes until a new battery is not trusted to start; null when nothing draws. */
  readonly minutes: Interval | null;
  /** The same for one as old, on a morning as cold, as the job says. */
  readonly agedMinutes: Interval | null;
}

/** How long the additions may burn with the engine off, from a full battery. */
export function engineOffBudget(
  job: Job,
  circuit: Circuit,
  battery: BatteryFacts,
): EngineOffBudget {
  const volts = engineOffV(job.vehicle) ?? 0;
  const base = remainingLoads(job).map((l) => times(boundsOf(l.currentA), l.engineOff));
  const added = job.runs
    .filter((run) => onBattery(circuit, run.id))
    .map((run) => times(runAmpsOf(circuit, job)(run, volts), run.onEngineOff));
  const currentA = sum([...base, ...added]);
  const minutes = (use: Use | null): Interval | null =>
    scaled(hoursToNoStart(battery, use, currentA), 60);
  return { currentA, minutes: minutes(null), agedMinutes: minutes(job.use) };
}

/** What is taken from a battery while the vehicle stands. */
export interface ParkedBudget {
  readonly items: readonly StandbyItem[];
  readonly currentA: Interval;
  /** Days until a new battery is not trusted to start; null when nothing draws. */
  readonly days: Interval | null;
  /** The same for one as old, on a morning as cold, as the job says. */
  readonly agedDays: Interval | null;
}

/** What draws with the key out, and for how long the machine may stand. */
export function parkedBudget(job: Job, circuit: Circuit, battery: BatteryFacts): ParkedBudget {
  const items = standbyItems(job, circuit);
  const currentA = items.length > 0 ? sum(items.map((i) => i.currentA)) : interval(0, 0, 0);
  const days = (use: Use | null): Interval | null =>
    scaled(hoursToNoStart(battery, use, currentA), 1 / 24);
  return { items, currentA, days: days(null), agedDays: days(job.use) };
}
