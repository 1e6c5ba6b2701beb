import type { Circuit } from "../circuit/index.ts";
import type { Job } from "../job/index.ts";
import { hoursToFull, inletA } from "./pack/charger.ts";
import { batteryHealth, type BatteryHealth } from "./health.ts";
import { ownBatteries, type OwnBatteryBudget } from "./pack/ownBatteries.ts";
import { packEvening, type PackEvening } from "./pack/packEvening.ts";
import { RUNNING_STATES, chargingBudget, type ChargingBudget } from "./charging.ts";
import {
  engineOffBudget,
  parkedBudget,
  type EngineOffBudget,
  type ParkedBudget,
} from "./engineOff.ts";
import type { BatteryChemistry, PackChemistry } from "../vehicle/index.ts";

/** All budgets that this vehicle has a say in. A pack has none of these yet. */
export interface Budget {
  readonly running: readonly ChargingBudget[];
  readonly engineOff: EngineOffBudget | null;
  readonly parked: ParkedBudget | null;
  /** What age and cold leave of the 12 V battery; null without one. */
  readonly health: BatteryHealth | null;
  /** An evening on the traction pack; null without one. */
  readonly evening: PackEvening | null;
  readonly charging: ChargingTimes | null;
  /** Batteries that the job brings with it. */
  readonly own: readonly OwnBatteryBudget[];
}

/** Hours to full from half for each charger, and what their one outlet must carry, in A. */
export interface ChargingTimes {
  readonly packH: number;
  readonly batteryH: number | null;
  readonly inletA: number;
}

const FROM_SOC = 0.5;

function chargingTimes(job: Job): ChargingTimes | null {
  const { system } = job.vehicle;
  if (system.kind === "engine") return null;
  const { pack } = system;
  const battery = system.kind === "packAndBattery" ? system.battery : null;
  const hours = (ah: number, amps: number, chemistry: BatteryChemistry | PackChemistry): number =>
    hoursToFull(ah, amps, chemistry, FROM_SOC);
  return {
    packH: hours(pack.capacityAh.value, pack.chargerA.value, pack.chemistry),
    batteryH:
      battery && battery.chargerA.value > 0
        ? hours(battery.capacityAh.value, battery.chargerA.value, battery.chemistry)
        : null,
    inletA: inletA(pack, battery),
  };
}

/**
 * The whole budget of a job as it was laid out: running, standing with the lamps on, and parked.
 */
export function budgetOf(job: Job, circuit: Circuit): Budget {
  const { system } = job.vehicle;
  const battery = system.kind === "pack" ? null : system.battery;
  return {
    running:
      system.kind === "engine"
        ? RUNNING_STATES.map((state) => chargingBudget(job, circuit, system.charging, state))
        : [],
    engineOff: battery && engineOffBudget(job, circuit, battery),
    parked: battery && parkedBudget(job, circuit, battery),
    health: battery && batteryHealth(battery, job.use),
    evening: packEvening(job, circuit),
    charging: chargingTimes(job),
    own: ownBatteries(job, circuit),
  };
}
