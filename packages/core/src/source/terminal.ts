import type { Vehicle } from "../vehicle/index.ts";
import { openCircuitV } from "./openCircuit.ts";
import { packRestV } from "./pack.ts";

/** Volts at the 12 V battery's posts with the engine off and a full battery; null without one. */
export function engineOffV(vehicle: Vehicle): number | null {
  const { system } = vehicle;
  return system.kind === "pack"
    ? null
    : openCircuitV(system.battery.chemistry, 1, system.battery.cells);
}

/** Volts at the battery's posts while the engine charges; null on a pack vehicle. */
export function runningV(vehicle: Vehicle): number | null {
  const { system } = vehicle;
  return system.kind === "engine" ? system.charging.regulatedV.value : null;
}

/** Volts at the posts of what a vehicle has; 0 for what it has not. */
export interface SourceVolts {
  readonly sourceV: number;
  readonly packV: number;
}

/** Everything full and at rest, or at a state of charge of the pack (0–1). */
export function restVolts(vehicle: Vehicle, packSoc = 1): SourceVolts {
  const { system } = vehicle;
  return {
    sourceV: engineOffV(vehicle) ?? 0,
    packV: system.kind === "engine" ? 0 : packRestV(system.pack, packSoc),
  };
}

/** With the engine charging where there is one. */
export const runningVolts = (vehicle: Vehicle): SourceVolts => {
  const rest = restVolts(vehicle);
  return { ...rest, sourceV: runningV(vehicle) ?? rest.sourceV };
};
