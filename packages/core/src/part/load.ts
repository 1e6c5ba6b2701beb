import type { BoundedValue } from "../quantity/index.ts";

/**
 * What a lamp, horn or heater does to the circuit, by kind:
 * - `drivenLed`: a switching driver holds its power between two voltages, off below;
 * - `filament`: current rises with V^0.55 (IES Lighting Handbook, from memory);
 * - `resistive`: heaters and LED strips of dies with resistors, near enough a resistor;
 * - `constantCurrent`: horns and plain indicators;
 * - `ledStrip`: dies in groups with a resistor, by the metre: nothing below what the dies
 *   of a group need, a resistor above.
 */
export type LoadSpec =
  | {
      readonly kind: "drivenLed";
      readonly powerW: BoundedValue;
      readonly minV: number;
      readonly maxV: number;
    }
  | { readonly kind: "filament"; readonly powerW: BoundedValue; readonly ratedV: number }
  | { readonly kind: "resistive"; readonly powerW: BoundedValue; readonly ratedV: number }
  | { readonly kind: "constantCurrent"; readonly currentA: BoundedValue }
  | {
      readonly kind: "ledStrip";
      /** At the rated voltage, for a metre of strip. */
      readonly powerWPerM: BoundedValue;
      readonly ratedV: number;
      /** Of the dies in one group together: what is left falls on its resistor. */
      readonly forwardV: number;
      /** Length of a group, in m: where it may be cut. */
      readonly groupM: number;
      readonly lengthM: number;
    };

/** How a load takes current by its volts. */
export const LOAD_KINDS = [
  "drivenLed",
  "filament",
  "resistive",
  "constantCurrent",
  "ledStrip",
] as const;

/** Exponent of filament current against voltage: IES Lighting Handbook, from memory. */
export const FILAMENT_CURRENT_EXPONENT = 0.55;

/**
 * The voltage at which "amps on the box" are worked out for a load given in watts:
 * 12 V, common practice, and on the safe side for a driver that draws more as volts fall.
 */
export const BOX_VOLTAGE_V = 12;

/** Current in A of a load at a voltage, for one value of its power or current. */
export function loadCurrentA(spec: LoadSpec, volts: number, estimate: "low" | "value" | "high") {
  if (volts <= 0) return 0;
  switch (spec.kind) {
    case "drivenLed":
      return volts < spec.minV ? 0 : spec.powerW[estimate] / volts;
    case "filament":
      return (
        (spec.powerW[estimate] / spec.ratedV) * (volts / spec.ratedV) ** FILAMENT_CURRENT_EXPONENT
      );
    case "resistive":
      return (spec.powerW[estimate] * volts) / spec.ratedV ** 2;
    case "constantCurrent":
      return spec.currentA[estimate];
    case "ledStrip":
      return Math.max(0, (volts - spec.forwardV) / stripOhm(spec, estimate));
  }
}

/** The fact that a load's draw hangs on: its watts, or its amps. */
export function ratingOf(spec: LoadSpec): BoundedValue {
  switch (spec.kind) {
    case "constantCurrent":
      return spec.currentA;
    case "ledStrip":
      return spec.powerWPerM;
    default:
      return spec.powerW;
  }
}

type StripSpec = Extract<LoadSpec, { kind: "ledStrip" }>;

/** Resistance in Ω of a length of strip above what its dies need. */
export function stripOhm(spec: StripSpec, estimate: "low" | "value" | "high"): number {
  const ratedA = (spec.powerWPerM[estimate] * spec.lengthM) / spec.ratedV;
  return ratedA > 0 ? (spec.ratedV - spec.forwardV) / ratedA : Infinity;
}

/** How far a pack's voltage falls in use, as a share of what it shows at rest: what a driver is sized for. */
const PACK_SAG = 0.8;

/** The voltage for which a load's design current is worked out, by what it is fed with. */
export function designVoltageV(spec: LoadSpec, feedV: number): number {
  switch (spec.kind) {
    case "filament":
    case "resistive":
    case "ledStrip":
      return spec.ratedV;
    case "drivenLed":
      return feedV > 16 ? Math.max(spec.minV, feedV * PACK_SAG) : BOX_VOLTAGE_V;
    case "constantCurrent":
      return BOX_VOLTAGE_V;
  }
}
