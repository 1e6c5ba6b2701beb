import { METRES_PER_INCH } from "../../quantity/index.ts";
/** One thread with the holes it wants, in mm. */
export interface Bolt {
  readonly size: string;
  readonly nominalMm: number;
  readonly pitchMm: number;
  /** Clearance holes: close, medium (normal) and free (loose). */
  readonly closeMm: number;
  readonly mediumMm: number;
  readonly freeMm: number;
  /** Drill before a tap, for about three quarters of a full thread. */
  readonly tapMm: number;
}

const metric = (
  nominalMm: number,
  pitchMm: number,
  [closeMm, mediumMm, freeMm]: readonly [number, number, number],
  tapMm: number,
): Bolt => ({ size: `M${nominalMm}`, nominalMm, pitchMm, closeMm, mediumMm, freeMm, tapMm });

const IN = 1000 * METRES_PER_INCH;
const inch = (
  size: string,
  nominalIn: number,
  threads: number,
  holesIn: readonly [number, number, number],
  tapMm: number,
): Bolt => ({
  size,
  nominalMm: nominalIn * IN,
  pitchMm: IN / threads,
  closeMm: holesIn[0] * IN,
  mediumMm: holesIn[1] * IN,
  freeMm: holesIn[2] * IN,
  tapMm,
});

/**
 * Clearance holes after ISO 273 (metric) and ASME B18.2.8 (inch), tap drills after
 * ISO 2306 and ASME B1.1 drill tables; all from memory.
 */
export const BOLTS: readonly Bolt[] = [
  metric(3, 0.5, [3.2, 3.4, 3.6], 2.5),
  metric(4, 0.7, [4.3, 4.5, 4.8], 3.3),
  metric(5, 0.8, [5.3, 5.5, 5.8], 4.2),
  metric(6, 1, [6.4, 6.6, 7], 5),
  metric(8, 1.25, [8.4, 9, 10], 6.8),
  metric(10, 1.5, [10.5, 11, 12], 8.5),
  metric(12, 1.75, [13, 13.5, 14.5], 10.2),
  inch("#10-24", 0.19, 24, [0.206, 0.221, 0.238], 3.8),
  inch("1/4-20", 1 / 4, 20, [17 / 64, 9 / 32, 19 / 64], 5.1),
  inch("5/16-18", 5 / 16, 18, [21 / 64, 11 / 32, 23 / 64], 6.5),
  inch("3/8-16", 3 / 8, 16, [25 / 64, 13 / 32, 27 / 64], 8),
  inch("1/2-13", 1 / 2, 13, [17 / 32, 9 / 16, 39 / 64], 10.8),
];

/** A bolt by its size as it is called; null for one that the tables have not. */
export const boltOf = (size: string): Bolt | null => BOLTS.find((b) => b.size === size) ?? null;

const SIXTEENTH_MM = IN / 16;

/**
 * The hole the shop drills for a bolt: for inch threads the next sixteenth above (a 5/16 in
 * bolt wants a 3/8 in hole: common practice), for metric ones the medium row.
 */
export function shopHoleMm(bolt: Bolt): number {
  if (bolt.size.startsWith("M")) return bolt.mediumMm;
  return (Math.floor(bolt.nominalMm / SIXTEENTH_MM + 1e-9) + 1) * SIXTEENTH_MM;
}

/** Hole for a bolt in mm, by how closely it is to fit. */
export function clearanceMm(bolt: Bolt, fit: "close" | "medium" | "free" | "shop"): number {
  switch (fit) {
    case "close":
      return bolt.closeMm;
    case "medium":
      return bolt.mediumMm;
    case "free":
      return bolt.freeMm;
    case "shop":
      return shopHoleMm(bolt);
  }
}
