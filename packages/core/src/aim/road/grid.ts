import type { LampInPlace, Surface } from "./lampInPlace.ts";
import { samplerOf, type Photometry } from "../../photometry/index.ts";

/** A flat piece of the world, in even steps: across first, then along. */
export interface Plane {
  readonly kind: "wall" | "road";
  /** Left and right edge, m right of the vehicle's middle. */
  readonly right: readonly [number, number];
  /** Of a wall: height above ground from and to; of a road: ahead from and to. m. */
  readonly along: readonly [number, number];
  /** Of a wall: how far ahead it stands; of a road: how high what is lit lies. m. */
  readonly atM: number;
  readonly columns: number;
  readonly rows: number;
}

/** Half the entries of a table to each side; odd in all, so that the axis is an entry. */
const HALF = 96;
const SIZE = 2 * HALF + 1;

/** Slope of an entry: close near the axis, wide far from it. The other way is u / (1 + |u|). */
const slopeOf = (entry: number): number => {
  const s = (entry - HALF) / HALF;
  return Math.abs(s) >= 1 ? Math.sign(s) * 1e6 : s / (1 - Math.abs(s));
};

const tables = new WeakMap<Photometry, Float32Array>();

/**
 * Intensity ahead of a lamp by the slopes of the direction, so that a picture of two hundred
 * thousand points needs no angle: made once for each photometry.
 */
function tableOf(photometry: Photometry): Float32Array {
  const made = tables.get(photometry);
  if (made) return made;
  const sample = samplerOf(photometry);
  const table = new Float32Array(SIZE * SIZE);
  for (let i = 0; i < SIZE; i += 1) {
    for (let j = 0; j < SIZE; j += 1) {
      table[i * SIZE + j] = sample(1, slopeOf(j), slopeOf(i));
    }
  }
  tables.set(photometry, table);
  return table;
}

/** Adds one lamp's lux to every point of a plane; what lies behind the lamp gets none. */
function addLamp(lux: Float32Array, lamp: LampInPlace, plane: Plane, surface: Surface): void {
  const table = tableOf(lamp.photometry);
  const rad = Math.PI / 180;
  const [ct, st] = [Math.cos(lamp.toeDeg * rad), Math.sin(lamp.toeDeg * rad)];
  const [cp, sp] = [Math.cos(lamp.tiltDeg * rad), Math.sin(lamp.tiltDeg * rad)];
  const stepRight = (plane.right[1] - plane.right[0]) / Math.max(1, plane.columns - 1);
  const stepAlong = (plane.along[1] - plane.along[0]) / Math.max(1, plane.rows - 1);
  for (let row = 0; row < plane.rows; row += 1) {
    const along = plane.along[0] + row * stepAlong;
    const ahead = (plane.kind === "wall" ? plane.atM : along) - lamp.at.ahead;
    const up = (plane.kind === "wall" ? along : plane.atM) - lamp.at.up;
    for (let column = 0; column < plane.columns; column += 1) {
      const right = plane.right[0] + column * stepRight - lamp.at.right;
      const forward = ahead * ct + right * st;
      const x = forward * cp + up * sp;
      if (x <= 1e-6) continue;
      const u = (right * ct - ahead * st) / x;
      const v = (up * cp - forward * sp) / x;
      const a = HALF + (HALF * u) / (1 + Math.abs(u));
      const b = HALF + (HALF * v) / (1 + Math.abs(v));
      const j = Math.min(SIZE - 2, a | 0);
      const i = Math.min(SIZE - 2, b | 0);
      const [s, t] = [a - j, b - i];
      const k = i * SIZE + j;
      const low = (table[k] as number) + s * ((table[k + 1] as number) - (table[k] as number));
      const k2 = k + SIZE;
      const high = (table[k2] as number) + s * ((table[k2 + 1] as number) - (table[k2] as number));
      const square = ahead * ahead + right * right + up * up;
      let value = (lamp.share * (low + t * (high - low))) / square;
      if (surface === "upright") value *= Math.max(0, ahead) / Math.sqrt(square);
      else if (surface === "level") value *= Math.max(0, -up) / Math.sqrt(square);
      const at = row * plane.columns + column;
      lux[at] = (lux[at] as number) + value;
    }
  }
}

/** Lux of lamps on a plane, row by row. */
export function luxOn(
  plane: Plane,
  lamps: readonly LampInPlace[],
  surface: Surface = "upright",
): Float32Array {
  const lux = new Float32Array(plane.columns * plane.rows);
  for (const lamp of lamps) addLamp(lux, lamp, plane, surface);
  return lux;
}
