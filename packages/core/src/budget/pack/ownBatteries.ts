import type { Circuit } from "../../circuit/index.ts";
import type { Job, SupplyId } from "../../job/index.ts";
import type { BatteryPart } from "../../part/index.ts";
import { interval, sum, times, type Interval } from "../../quantity/index.ts";
import { openCircuitV, peukertHours } from "../../source/index.ts";
import { runAmpsOf } from "../runAmps.ts";
import { drawsFrom } from "../drawsFrom.ts";

/** Charge that is left in a battery when it is taken off to be charged: common practice. */
const LEFT_SOC = 0.2;
/** Charge at which its volts stand for the whole of an evening. */
const HALF_SOC = 0.5;

/** How long a battery of its own lasts. */
export interface OwnBatteryBudget {
  readonly supplyId: SupplyId;
  readonly name: string;
  /** Mean draw as the job says it is used, and everything on, in A. */
  readonly usedA: Interval;
  readonly allOnA: Interval;
  /** Hours from full to a fifth left; null where nothing draws. */
  readonly usedH: Interval | null;
  readonly allOnH: Interval | null;
  /** Hours back to full on the charger that comes with it; null without one. */
  readonly chargeH: number | null;
}

function hoursOf(part: BatteryPart, currentA: Interval): Interval | null {
  if (currentA.high <= 0) return null;
  const { capacityAh, hourRate, peukert } = part;
  const usable = 1 - LEFT_SOC;
  const at = (ah: number, exponent: number, amps: number): number =>
    amps > 0 ? usable * peukertHours(ah, hourRate, exponent, amps) : Infinity;
  const low = at(capacityAh.low, peukert.high, currentA.high);
  const mid = at(capacityAh.value, peukert.value, currentA.mid);
  return interval(low, mid, Math.max(mid, at(capacityAh.high, peukert.low, currentA.low)));
}

/** Every battery that a job brings with it, by what hangs on it. */
export function ownBatteries(job: Job, circuit: Circuit): OwnBatteryBudget[] {
  return job.supplies.flatMap((supply): OwnBatteryBudget[] => {
    const part = job.parts.find((p) => p.id === supply.partId);
    if (part?.kind !== "battery") return [];
    const volts = openCircuitV(part.chemistry, HALF_SOC, part.cells);
    const feeder = circuit.feeders.find((t) => (t.ownerId as string) === supply.id);
    const behind = circuit.runs.filter(
      (run) =>
        feeder !== undefined &&
        drawsFrom(circuit, run) === "own" &&
        run.feedShared.some((id) => feeder.path.includes(id)),
    );
    const draws = behind.flatMap((made) => {
      const run = job.runs.find((r) => r.id === made.runId);
      if (!run) return [];
      const currentA = runAmpsOf(circuit, job)(run, volts);
      return [{ currentA, used: times(currentA, run.onEngineOff) }];
    });
    const usedA = sum(draws.map((d) => d.used));
    const allOnA = sum(draws.map((d) => d.currentA));
    const charger = part.chargerA.value;
    return [
      {
        ...{ supplyId: supply.id, name: supply.name, usedA, allOnA },
        usedH: hoursOf(part, usedA),
        allOnH: hoursOf(part, allOnA),
        chargeH: charger > 0 ? ((1 - LEFT_SOC) * part.capacityAh.value) / charger : null,
      },
    ];
  });
}
