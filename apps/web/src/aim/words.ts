import { METRES_PER_INCH, type UnitSystem } from "@dragonet/core";

const MM_PER_INCH = 1000 * METRES_PER_INCH;

/** A typed measure in the person's unit as mm, and the other way. */
export const unitOf = (units: UnitSystem): "in" | "mm" => (units === "us" ? "in" : "mm");
export const toMm = (value: number, units: UnitSystem): number =>
  units === "us" ? Math.round(value * MM_PER_INCH * 10) / 10 : value;
export const fromMm = (mm: number, units: UnitSystem): number =>
  units === "us" ? Math.round((mm / MM_PER_INCH) * 100) / 100 : mm;
