import type { BoundedValue } from "../quantity/index.ts";
import type { Vehicle } from "../vehicle/index.ts";

/** Resistance of a small lead battery times its capacity, in Ω·Ah: 12 mΩ at 20 Ah, assumed. */
const BATTERY_OHM_AH = 0.24;

/** Inside resistance of a battery with its leads by its capacity, in Ω: half as large, twice as stiff. */
export const batteryOhm = ({ capacityAh }: { readonly capacityAh: BoundedValue }): number =>
  BATTERY_OHM_AH / Math.max(1, capacityAh.value);

/** Inside resistance of what a vehicle has, in Ω; 0 for what it has not. */
export interface SourceOhms {
  readonly sourceOhm: number;
  /** Of the whole pack; a tap has its blocks' share of it. */
  readonly packOhm: number;
}

/** Inside resistances in Ω of a vehicle's battery and pack. */
export function sourceOhms({ system }: Vehicle): SourceOhms {
  return {
    sourceOhm: system.kind === "pack" ? 0 : batteryOhm(system.battery),
    packOhm: system.kind === "engine" ? 0 : system.pack.resistanceOhm.value,
  };
}
