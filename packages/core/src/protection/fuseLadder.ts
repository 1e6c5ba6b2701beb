/** Blade fuse ratings in A: ISO 8820-3 (and SAE J1284 for the small ones). */
export const BLADE_FUSE_RATINGS_A = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40] as const;

/**
 * Two schools of sizing, both common practice:
 * `nextSize` takes the next standard size above the draw;
 * `eightyPercent` loads a fuse to 80 % at most, then takes the next standard size.
 * Both agree on the ceiling: never above the weakest thing behind the fuse.
 */
export const FUSE_SCHOOLS = ["nextSize", "eightyPercent"] as const;
/** How a fuse is chosen by its draw: the trade has two schools. */
export type FuseSchool = (typeof FUSE_SCHOOLS)[number];

/** Smallest fuse that a shop keeps for lamps, in A; coils and signals take 2 A. Common practice. */
export const LEAST_FUSE_A = 3;

/** Rounding slack, so that exactly 80 % counts as 80 % in floating point. */
const SLACK = 1e-9;

/** Smallest standard rating in A that the school allows for a draw; null above the ladder. */
export function fuseForDraw(
  drawA: number,
  school: FuseSchool,
  leastA = LEAST_FUSE_A,
): number | null {
  const fits = (ratingA: number): boolean =>
    ratingA >= leastA - SLACK &&
    (school === "nextSize" ? ratingA > drawA + SLACK : drawA <= 0.8 * ratingA + SLACK);
  return BLADE_FUSE_RATINGS_A.find(fits) ?? null;
}

/** Largest standard rating in A at or below a ceiling; null when even the smallest is above it. */
export function fuseUnderCeiling(ceilingA: number): number | null {
  return BLADE_FUSE_RATINGS_A.findLast((ratingA) => ratingA <= ceilingA + SLACK) ?? null;
}
