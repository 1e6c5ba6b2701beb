import { itemAt, lastItem } from "../present/index.ts";
/**
 * Bounds of a blade fuse's opening time against its load: ISO 8820-3, from memory.
 * Share of the rating, least and most seconds.
 */
export const BLADE_TIMES: readonly (readonly [share: number, leastS: number, mostS: number])[] = [
  [1.1, 360_000, Infinity],
  [1.35, 0.75, 600],
  [1.6, 0.25, 50],
  [2, 0.15, 5],
  [3.5, 0.04, 0.5],
  [6, 0.02, 0.1],
];

/** Between which times in s a fuse opens. */
export interface OpeningTime {
  readonly leastS: number;
  /** Infinity when it may never open. */
  readonly mostS: number;
}

const between = (x: number, x0: number, x1: number, y0: number, y1: number): number =>
  Math.exp(Math.log(y0) + ((Math.log(y1) - Math.log(y0)) * Math.log(x / x0)) / Math.log(x1 / x0));

/**
 * Seconds within which a blade fuse opens at a current, log-log between the table's points.
 * Beyond its end the element melts before it sheds heat: its melting integral I²t stays what
 * the last line makes it (common practice), so hundreds of amperes open it in milliseconds.
 * null below 110 %: it holds.
 */
export function openingTime(ratingA: number, currentA: number): OpeningTime | null {
  const share = currentA / ratingA;
  if (share < 1.1) return null;
  const last = lastItem(BLADE_TIMES);
  if (share >= last[0]) {
    const faster = (last[0] / share) ** 2;
    return { leastS: last[1] * faster, mostS: last[2] * faster };
  }
  const at = BLADE_TIMES.findIndex(([s]) => s > share);
  const [s0, least0, most0] = itemAt(BLADE_TIMES, at - 1);
  const [s1, least1, most1] = itemAt(BLADE_TIMES, at);
  return {
    leastS: between(share, s0, s1, least0, least1),
    mostS: most0 === Infinity ? Infinity : between(share, s0, s1, most0, most1),
  };
}

/** Adiabatic constant of PVC-insulated copper, 70 to 160 °C, in A·√s/mm²: IEC 60364-4-43 (m). */
const COPPER_PVC_K = 115;

/**
 * Seconds until a fault current heats a wire to its limit, as if no heat left it: t = (k A / I)².
 * On the short side of the truth, so on the safe side. Infinity when it carries the current for good.
 */
export function overheatS(areaM2: number, ampacityA: number, currentA: number): number {
  if (currentA <= ampacityA) return Infinity;
  return ((COPPER_PVC_K * areaM2 * 1e6) / currentA) ** 2;
}
