import { decimal, type UnitSystem } from "@dragonet/core";

const MM_PER_INCH = 25.4;

/** A measure for the tape at the wall: whole millimetres, or tenths of an inch. */
export const tapeText = (metres: number, units: UnitSystem): string =>
  units === "us"
    ? `${decimal((metres * 1000) / MM_PER_INCH, 1)} in`
    : `${decimal(metres * 1000, 0)} mm`;

/** A typed measure in the person's unit as mm, and the other way. */
export const unitOf = (units: UnitSystem): "in" | "mm" => (units === "us" ? "in" : "mm");
export const toMm = (value: number, units: UnitSystem): number =>
  units === "us" ? Math.round(value * MM_PER_INCH * 10) / 10 : value;
export const fromMm = (mm: number, units: UnitSystem): number =>
  units === "us" ? Math.round((mm / MM_PER_INCH) * 100) / 100 : mm;

export const BEAM_WORDS = {
  low: "low beam",
  driving: "driving beam",
  fog: "fog beam",
  work: "work light",
} as const;

export const ADJUSTER_WORDS = {
  screw: "by screws",
  shim: "by a shim",
  pivot: "by its pivot",
} as const;
