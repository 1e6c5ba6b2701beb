import type { Circuit } from "../circuit/index.ts";
import { boostsBraking } from "../budget/levelShare.ts";
import type { Condition, Input, Job, RideLeg, LightingCircuit } from "../job/index.ts";
import { settledAt, type BoundedValue, type Interval } from "../quantity/index.ts";
import { chargingOutputA, openCircuitV, peukertHours } from "../source/index.ts";
import type { BatteryFacts, ChargingFacts } from "../vehicle/index.ts";
import { speedsOf, usualRide } from "./rides.ts";
import { onBattery, remainingLoads, runAmpsOf } from "../budget/index.ts";

/** What a start takes: a starter motor of a small engine for a second and a half, assumed. */
export const START_A = 90;
/** A start takes so long, in s: common practice. */
export const START_S = 1.5;

/** Turn lamps are lit half of the time they flash. */
const FLASH_SHARE = 0.5;

/** Longest step in s. Within one nothing changes but the battery's acceptance near full. */
const STEP_S = 5;

/** Share of its capacity that a battery takes an hour when empty; less as it fills. Assumed. */
const ACCEPTANCE: Readonly<Record<BatteryFacts["chemistry"], number>> = {
  flooded: 0.4,
  agm: 0.6,
  gel: 0.3,
  lithiumIron: 1.5,
  lithiumIon: 1,
};

/** Ah out of the battery for each Ah put in. Lead loses some of it to gas; handbook value (m). */
const CHARGE_SHARE: Readonly<Record<BatteryFacts["chemistry"], number>> = {
  flooded: 0.85,
  agm: 0.92,
  gel: 0.92,
  lithiumIron: 0.99,
  lithiumIon: 0.99,
};

/** Where within its bounds each kind of fact is taken: 0 its low, 0.5 its value, 1 its high. */
export interface Draw {
  readonly output: number;
  readonly base: number;
  readonly runs: number;
  readonly capacity: number;
}

/** The best estimate of everything: the middle of all bounds. */
export const MIDDLE: Draw = { output: 0.5, base: 0.5, runs: 0.5, capacity: 0.5 };

/** One moment of a ride. */
export interface RidePoint {
  readonly minute: number;
  readonly soc: number;
  readonly outputA: number;
  readonly loadA: number;
  /** Into the battery; out of it below zero. */
  readonly batteryA: number;
  readonly leg: string;
}

/** A ride from its first minute to its last, with the battery's charge (0–1). */
export interface Ride {
  readonly points: readonly RidePoint[];
  readonly endSoc: number;
  readonly lowestSoc: number;
  readonly chargedAh: number;
  readonly drawnAh: number;
  /** Minutes at which the battery is not trusted to start any more; null when never. */
  readonly noStartMinute: number | null;
}

/** Interpolates within a fact's bounds. */
const pick = (fact: Pick<BoundedValue, "low" | "value" | "high">, at: number): number =>
  settledAt(fact, at);

/** The ride that a job is tried on: its own, or the usual one of its kind of vehicle. */
export const legsOf = (job: Job, charging: ChargingFacts): readonly RideLeg[] =>
  job.ride.length > 0 ? job.ride : usualRide(job.vehicle.kind).legs(speedsOf(charging));

const uses = (condition: Condition, ...inputs: Input[]): boolean =>
  condition.anyOf.some((all) => all.some((term) => inputs.includes(term.input)));

/** State of the budget that a leg is nearest to. */
function stateOf(leg: RideLeg, charging: ChargingFacts): "engineOff" | "idle" | "town" | "cruise" {
  if (leg.rpm <= 0) return "engineOff";
  const { idle, town, cruise } = speedsOf(charging);
  if (leg.rpm < (idle + town) / 2) return "idle";
  return leg.rpm < (town + cruise) / 2 ? "town" : "cruise";
}

const ON = {
  engineOff: "onEngineOff",
  idle: "onIdle",
  town: "onTown",
  cruise: "onCruise",
} as const;

/** Share of a leg that a run is on: by the brake and turns of the leg where it hangs on those. */
export function runShare(run: LightingCircuit, leg: RideLeg, charging: ChargingFacts): number {
  if (uses(run.condition, "left", "right")) return (leg.turn * FLASH_SHARE) / 2;
  if (uses(run.condition, "brake")) return leg.brake;
  return run[ON[stateOf(leg, charging)]];
}

const NO_AMPS: Interval = { low: 0, mid: 0, high: 0 };

/** What a run takes from the 12 V battery while it is on, at volts and a share of full level, in A. */
function batteryAmps(
  job: Job,
  circuit: Circuit,
  run: LightingCircuit,
  volts: number,
  boosted: number | undefined,
): Interval {
  return onBattery(circuit, run.id) ? runAmpsOf(circuit, job)(run, volts, boosted) : NO_AMPS;
}

interface LegAmps {
  readonly leg: RideLeg;
  readonly outputA: number;
  readonly loadA: number;
}

/**
 * Mean output and load of a leg, everything taken at a place within its bounds. With the engine off
 * the lamps have what the battery shows at rest (V), otherwise the regulator's volts.
 */
function legAmps(
  job: Job,
  charging: ChargingFacts,
  leg: RideLeg,
  draw: Draw,
  restV: number,
  circuit: Circuit,
): LegAmps {
  const state = stateOf(leg, charging);
  const volts = state === "engineOff" ? restV : charging.regulatedV.value;
  const exact = { value: leg.rpm, low: leg.rpm, high: leg.rpm, provenance: "measured" } as const;
  const output = chargingOutputA(charging, exact);
  const outputA = leg.rpm <= 0 ? 0 : pick({ ...output, value: output.mid }, draw.output);
  const baseA = remainingLoads(job).reduce(
    (amps, load) => amps + pick(load.currentA, draw.base) * load[state],
    0,
  );
  const runsA = job.runs.reduce((amps, run) => {
    const boosted = boostsBraking(job, run) ? leg.brake : undefined;
    const { low, mid, high } = batteryAmps(job, circuit, run, volts, boosted);
    return amps + pick({ low, value: mid, high }, draw.runs) * runShare(run, leg, charging);
  }, 0);
  return { leg, outputA, loadA: baseA + runsA + leg.extraA };
}

/**
 * A ride of legs, the battery followed through it. What the charging system gives beyond
 * the loads goes into the battery as far as it takes it (less as it fills); what it lacks
 * comes out of it, by Peukert's law above the rated current. Charge is conserved: what went
 * in, times what the chemistry keeps, less what came out is the change. The points of its curve are
 * told unless only its ends are wanted.
 */
export function simulateRide(
  job: Job,
  circuit: Circuit,
  charging: ChargingFacts,
  battery: BatteryFacts,
  startSoc: number,
  draw: Draw = MIDDLE,
  told: "all" | "ends" = "all",
): Ride {
  const capacityAh = pick(battery.capacityAh, draw.capacity);
  const points: RidePoint[] = [];
  let [soc, minute, chargedAh, drawnAh] = [startSoc, 0, 0, 0];
  let lowestSoc = startSoc;
  let noStartMinute: number | null = null;
  // Above the rated current a battery gives less than it holds: the same time at a larger one.
  const fairHours = (amps: number): number =>
    peukertHours(capacityAh, battery.hourRate, battery.peukert.value, amps);
  const startShare = START_S / 3600 / fairHours(START_A);
  for (const leg of legsOf(job, charging)) {
    const restV = openCircuitV(battery.chemistry, soc, battery.cells);
    const { outputA, loadA } = legAmps(job, charging, leg, draw, restV, circuit);
    for (let n = 0; n < leg.starts; n += 1) {
      const share = Math.min(soc, startShare);
      soc -= share;
      drawnAh += share * capacityAh;
    }
    const steps = Math.max(1, Math.ceil((leg.minutes * 60) / STEP_S));
    const hours = leg.minutes / 60 / steps;
    const spareA = outputA - loadA;
    const fair = fairHours(-spareA);
    for (let step = 0; step < steps; step += 1) {
      let batteryA = spareA;
      if (spareA > 0) {
        const acceptA = ACCEPTANCE[battery.chemistry] * capacityAh * Math.min(1, 4 * (1 - soc));
        const room = ((1 - soc) * capacityAh) / hours / CHARGE_SHARE[battery.chemistry];
        batteryA = Math.min(spareA, acceptA, room);
        const kept = batteryA * hours * CHARGE_SHARE[battery.chemistry];
        soc += kept / capacityAh;
        chargedAh += kept;
      } else if (spareA < 0) {
        const share = Math.min(soc, hours / fair);
        soc -= share;
        drawnAh += share * capacityAh;
      }
      if (told === "all" && (step === 0 || step === steps - 1 || step % 6 === 0)) {
        points.push({ minute, soc, outputA, loadA, batteryA, leg: leg.name });
      }
      minute += hours * 60;
      lowestSoc = Math.min(lowestSoc, soc);
      if (noStartMinute === null && soc < battery.noStartSoc.value) noStartMinute = minute;
    }
  }
  const last = points[points.length - 1];
  if (last) points.push({ ...last, minute, soc });
  return { points, endSoc: soc, lowestSoc, chargedAh, drawnAh, noStartMinute };
}
