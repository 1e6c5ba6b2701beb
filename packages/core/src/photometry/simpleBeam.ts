import type { Photometry } from "./photometry.ts";

/** Lux on a wall square to the beam: at its middle and at four places beside it. */
export interface FiveReadings {
  /** Lamp to wall, m. */
  readonly distanceM: number;
  readonly centreLux: number;
  /** How far from the middle the four were taken, m. */
  readonly sideM: number;
  readonly heightM: number;
  readonly leftLux: number;
  readonly rightLux: number;
  readonly aboveLux: number;
  readonly belowLux: number;
}

const DEG = 180 / Math.PI;

/**
 * Half width of a bell from how much is left at an angle, in degrees.
 *
 * On a wall square to the beam lux falls with the cube of the cosine by distance and slant
 * alone; what it falls beyond that is the beam's.
 */
function spreadDeg(centreLux: number, lux: number, distanceM: number, offM: number): number {
  const angle = Math.atan2(offM, distanceM);
  const left = lux / (centreLux * Math.cos(angle) ** 3);
  // Nothing falls off, or everything has: the widest and the narrowest that the readings can say.
  if (left >= 0.99) return 60;
  if (left <= 0.001) return (angle * DEG) / Math.sqrt(-2 * Math.log(0.001));
  return Math.min(60, (angle * DEG) / Math.sqrt(-2 * Math.log(left)));
}

/** A beam through five readings, or the reading that cannot be. */
export type BeamFit =
  | { readonly ok: true; readonly value: Photometry }
  | { readonly ok: false; readonly path: keyof FiveReadings; readonly message: string };

/** Angles of the table, close where beams are narrow. */
const GRID = [0, 1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 18, 22, 27, 33, 40, 50, 60, 75, 90];
const SYMMETRIC = [
  ...GRID.slice(1)
    .toReversed()
    .map((a) => -a),
  ...GRID,
];

/**
 * A simple beam through five readings of a lux meter: a bell of its own width to each side.
 * An estimate: a reflector's edges and stripes are not in it.
 */
export function fitBeam(readings: FiveReadings, name: string, by: string): BeamFit {
  const { distanceM, centreLux, sideM, heightM } = readings;
  const bad = (path: keyof FiveReadings, message: string) =>
    ({ ok: false, path, message }) as const;
  if (!(distanceM >= 1))
    return bad("distanceM", "at least 1 m, so that the lamp is small against it");
  if (!(centreLux > 0)) return bad("centreLux", "must be above 0");
  if (!(sideM > 0)) return bad("sideM", "must be above 0");
  if (!(heightM > 0)) return bad("heightM", "must be above 0");
  for (const path of ["leftLux", "rightLux", "aboveLux", "belowLux"] as const) {
    if (!(readings[path] >= 0)) return bad(path, "must be 0 or more");
    if (readings[path] > centreLux) {
      return bad(path, "brighter than the middle: take the brightest place as the middle");
    }
  }
  const of = (lux: number, offM: number): number => spreadDeg(centreLux, lux, distanceM, offM);
  const [left, right] = [of(readings.leftLux, sideM), of(readings.rightLux, sideM)];
  const [above, below] = [of(readings.aboveLux, heightM), of(readings.belowLux, heightM)];
  const peak = centreLux * distanceM ** 2;
  const bell = (angle: number, width: number): number => Math.exp(-0.5 * (angle / width) ** 2);
  const candela = SYMMETRIC.flatMap((h) =>
    SYMMETRIC.map((v) => peak * bell(h, h < 0 ? left : right) * bell(v, v < 0 ? below : above)),
  );
  return {
    ok: true,
    value: {
      ...{ name, by, source: "fiveReadings", type: "A", lampLumens: null, watts: 0 },
      ...{ vertical: SYMMETRIC, horizontal: SYMMETRIC, candela },
    },
  };
}
