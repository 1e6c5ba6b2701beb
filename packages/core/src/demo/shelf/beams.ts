import type { Photometry } from "../../photometry/index.ts";

/** A bell of light: its peak in cd, and its half widths (one sigma) across and up, degrees. */
type Bell = readonly [peakCd: number, acrossDeg: number, upDeg: number];

const SIDE = [0, 1, 2, 3, 4.5, 6, 8, 10.5, 14, 18, 24, 32, 45, 65, 90];
const ANGLES = [
  ...SIDE.slice(1)
    .toReversed()
    .map((a) => -a),
  ...SIDE,
];

/** A made-up beam of a few bells, which says that it is made up. */
export function inventedBeam(name: string, watts: number, ...bells: readonly Bell[]): Photometry {
  const cd = (h: number, v: number): number =>
    bells.reduce(
      (sum, [peak, across, up]) =>
        sum + peak * Math.exp(-0.5 * ((h / across) ** 2 + (v / up) ** 2)),
      0,
    );
  return {
    ...{ name: `${name} (invented)`, by: "invented for the demo shop", source: "invented" },
    ...{ type: "A", lampLumens: null, watts, vertical: ANGLES, horizontal: ANGLES },
    candela: ANGLES.flatMap((h) => ANGLES.map((v) => Math.round(cd(h, v) * 10) / 10)),
  };
}
