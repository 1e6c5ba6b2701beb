import { intensity, type Direction, type Photometry } from "../../photometry/index.ts";

/** A point over level ground, m: ahead of the vehicle's foremost point, right of its middle, up. */
export interface Point {
  readonly ahead: number;
  readonly right: number;
  readonly up: number;
}

/** A lamp on the vehicle as it shines. */
export interface LampInPlace {
  readonly id: string;
  readonly at: Point;
  /** Beam above (+) or below (−) level, degrees. */
  readonly tiltDeg: number;
  /** Beam to the right (+) or to the left (−) of straight ahead, degrees. */
  readonly toeDeg: number;
  readonly photometry: Photometry;
  /** Share of the light that it was measured with: what its volts make of it. */
  readonly share: number;
}

const RAD = Math.PI / 180;

/** A direction of the ground as the lamp sees it: turned by toe first, then by tilt. */
export function seenFromLamp(
  { tiltDeg, toeDeg }: Pick<LampInPlace, "tiltDeg" | "toeDeg">,
  { ahead, right, up }: Direction,
): Direction {
  const [ct, st] = [Math.cos(toeDeg * RAD), Math.sin(toeDeg * RAD)];
  const forward = ahead * ct + right * st;
  const across = right * ct - ahead * st;
  const [cp, sp] = [Math.cos(tiltDeg * RAD), Math.sin(tiltDeg * RAD)];
  return { ahead: forward * cp + up * sp, right: across, up: up * cp - forward * sp };
}

/** The same lamp as it stands before the wall, which is as far from it as from all others. */
export const atWall = <L extends LampInPlace>(lamp: L, noseRise: number): L => ({
  ...lamp,
  at: { ...lamp.at, ahead: 0 },
  tiltDeg: lamp.tiltDeg - noseRise,
});

/** What the light falls on: turned to the lamp, upright across the road, or flat on the ground. */
export type Surface = "facing" | "upright" | "level";

/** Intensity that a lamp sends to a point, cd. */
export function candelaTowards(lamp: LampInPlace, point: Point): number {
  const direction = {
    ahead: point.ahead - lamp.at.ahead,
    right: point.right - lamp.at.right,
    up: point.up - lamp.at.up,
  };
  return lamp.share * intensity(lamp.photometry, seenFromLamp(lamp, direction));
}

/**
 * Lux of one lamp at a point: intensity over the square of the distance, times the cosine of
 * the slant on what it falls on.
 */
export function luxAt(lamp: LampInPlace, point: Point, surface: Surface): number {
  const ahead = point.ahead - lamp.at.ahead;
  const up = point.up - lamp.at.up;
  const right = point.right - lamp.at.right;
  const distance = Math.sqrt(ahead * ahead + right * right + up * up);
  if (distance < 1e-6) return 0;
  const facing = candelaTowards(lamp, point) / distance ** 2;
  switch (surface) {
    case "facing":
      return facing;
    case "upright":
      return facing * Math.max(0, ahead / distance);
    case "level":
      return facing * Math.max(0, -up / distance);
  }
}

/** Illuminance in lux at a point (m) of all lamps together. */
export const luxOfAll = (lamps: readonly LampInPlace[], point: Point, surface: Surface): number =>
  lamps.reduce((sum, lamp) => sum + luxAt(lamp, point, surface), 0);
