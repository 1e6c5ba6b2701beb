import type { Vehicle } from "../vehicle/index.ts";
import { openCircuitV } from "./openCircuit.ts";
import { packRestV } from "./pack.ts";

/** Volts at the 12 V battery's posts with the engine off, at a state of charge (0–1); null without one. */
export function engineOffV(vehicle: Vehicle, soc = 1): number | null {
  const { system } = vehicle;
  return system.kind === "pack"
    ? null
    : openCircuitV(system.battery.chemistry, soc, system.battery.cells);
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

/** Everything at rest: full, or at a state of charge (0–1) of the battery and the pack. */
export function restVolts(vehicle: Vehicle, soc = 1): SourceVolts {
  const { system } = vehicle;
  return {
    sourceV: engineOffV(vehicle, soc) ?? 0,
    packV: system.kind === "engine" ? 0 : packRestV(system.pack, soc),
  };
}

/** With the engine charging where there is one; what does not charge stands at its state of charge (0–1). */
export const runningVolts = (vehicle: Vehicle, soc = 1): SourceVolts => {
  const rest = restVolts(vehicle, soc);
  return { ...rest, sourceV: runningV(vehicle) ?? rest.sourceV };
};
