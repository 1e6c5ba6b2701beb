import type { LoadSpec } from "./load.ts";

/** Exponent of filament light against voltage: IES Lighting Handbook, from memory. */
export const FILAMENT_LIGHT_EXPONENT = 3.4;

/** Above this level a lamp counts as lit: a twentieth is seen at night. */
export const LIT_LEVEL = 0.05;

/**
 * How fully a load works, 0 to about 1: light of a lamp against its rating, for what it
 * gets. A driver holds its light while it holds its power.
 */
export function workLevel(spec: LoadSpec, volts: number, amps: number): number {
  switch (spec.kind) {
    case "drivenLed":
      return Math.min(1, Math.max(0, (volts * amps) / spec.powerW.value));
    case "filament":
      return Math.max(0, volts / spec.ratedV) ** FILAMENT_LIGHT_EXPONENT;
    case "resistive":
      return Math.max(0, (volts * amps) / spec.powerW.value);
    case "ledStrip":
      return Math.max(0, (volts * amps) / (spec.powerWPerM.value * spec.lengthM));
    case "constantCurrent":
      return spec.currentA.value > 0 ? Math.max(0, amps / spec.currentA.value) : 0;
  }
}
