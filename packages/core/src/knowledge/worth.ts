import { budgetOf, type Budget } from "../budget/index.ts";
import type { Circuit } from "../circuit/index.ts";
import { applyEdit, type Job } from "../job/index.ts";
import { settled, type Interval } from "../quantity/index.ts";
import { vehicleFacts, type VehicleFact } from "./vehicleFacts.ts";

/** What measuring one thing would do for a verdict. */
export interface WorthMeasuring {
  /** Of the fact, as {@link vehicleFacts} has it. */
  readonly key: string;
  /** The verdict that it matters most for. */
  readonly verdict: string;
  /** Share of that verdict's bounds that goes if it is measured, and found as it is thought to be; 0–1. */
  readonly share: number;
}

/** Less than this share of a verdict's bounds is not worth a walk to the tool box. */
const LEAST_WORTH = 0.02;

/** What no meter at the lift shows. */
const OF_NO_METER: ReadonlySet<string> = new Set(["battery.peukert", "battery.noStartSoc"]);

/** How wide verdicts stand, by what they say. A time is as wide as what it is worked out from: its inverse. */
type Widths = ReadonlyMap<string, number>;

const inverse = ({ low, high }: Interval): number =>
  1 / Math.max(low, 1e-9) - 1 / Math.max(high, 1e-9);

function widthsOf({ running, engineOff, parked, own }: Budget): Widths {
  const times: readonly (readonly [string, Interval | null | undefined])[] = [
    ["how long it may burn with the engine off", engineOff?.minutes],
    ["how long it may stand", parked?.days],
    ...own.map(({ name, usedH }) => [`how long ${name} lasts`, usedH] as const),
  ];
  return new Map([
    ...running.map(
      ({ state, spareA }) =>
        [`what charging has to spare at ${state}`, spareA.high - spareA.low] as const,
    ),
    ...times.flatMap(([words, bounds]) => (bounds ? [[words, inverse(bounds)] as const] : [])),
  ]);
}

const PACK_SHARE = "what an evening takes of the pack";

/**
 * A pack's evening is worked out without bounds: what each fact moves it by, from end to end of its own bounds,
 * adds up to how wide it stands.
 */
function packSwings(job: Job, circuit: Circuit, facts: readonly VehicleFact[]): Widths {
  const at = ({ set, fact }: VehicleFact, value: number): number => {
    const made = applyEdit(job, set({ ...fact, value }));
    return (made.ok && budgetOf(made.job, circuit).evening?.packShare) || 0;
  };
  return new Map(
    facts.map((one) => [one.key, Math.abs(at(one, one.fact.high) - at(one, one.fact.low))]),
  );
}

/**
 * What is worth measuring on a vehicle, the most first: for each fact that nobody has measured on it, how far
 * the bounds of the verdict that hangs on it most would shrink. Worked out by the budget itself, once a fact.
 */
export function worthMeasuring(job: Job, circuit: Circuit): WorthMeasuring[] {
  const before = widthsOf(budgetOf(job, circuit));
  const facts = vehicleFacts(job.vehicle).filter(
    ({ key, fact }) => fact.provenance !== "measured" && !OF_NO_METER.has(key),
  );
  const swings =
    job.vehicle.system.kind === "engine"
      ? new Map<string, number>()
      : packSwings(job, circuit, facts);
  const swing = [...swings.values()].reduce((a, b) => a + b, 0);
  return facts
    .flatMap(({ key, fact, set }): WorthMeasuring[] => {
      const made = applyEdit(job, set(settled(fact)));
      if (!made.ok) return [];
      const after = widthsOf(budgetOf(made.job, circuit));
      const shares = [...before]
        .filter(([, width]) => width > 0)
        .map(([verdict, width]) => ({ verdict, share: 1 - (after.get(verdict) ?? width) / width }));
      if (swing > 0) shares.push({ verdict: PACK_SHARE, share: (swings.get(key) ?? 0) / swing });
      const best = shares.sort((a, b) => b.share - a.share)[0];
      return best && best.share >= LEAST_WORTH ? [{ key, ...best }] : [];
    })
    .sort((a, b) => b.share - a.share);
}
