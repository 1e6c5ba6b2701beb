import type { VehicleSize } from "@dragonet/core";

interface OnPlan {
  /** Behind the foremost point, and right of the centreline, in m. */
  readonly backM: number;
  readonly rightM: number;
}

/** Narrowest half of a plan, in m: something has to be seen of what nobody measured. */
const LEAST_HALF_M = 0.2;

/**
 * A picture of a vehicle from above, its front at the left, with all of its places in it; in units of
 * `scale` a metre, with an `edge` around it.
 */
export function planFrame(
  size: VehicleSize,
  places: readonly OnPlan[],
  scale: number,
  edge: number,
) {
  const backs = places.map(({ backM }) => backM);
  const half = Math.max(
    size.widthM.value / 2,
    ...places.map(({ rightM }) => Math.abs(rightM)),
    LEAST_HALF_M,
  );
  const [first, last] = [Math.min(0, ...backs), Math.max(size.lengthM.value, ...backs)];
  return {
    at: (backM: number, rightM: number): readonly [x: number, y: number] => [
      edge + (backM - first) * scale,
      edge + (half - rightM) * scale,
    ],
    width: (last - first) * scale + 2 * edge,
    height: 2 * half * scale + 2 * edge,
  };
}

/** Width of a letter as a share of its height: what the face has on average. */
export const LETTER = 0.5;
