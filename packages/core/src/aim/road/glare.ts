import { candelaTowards, luxOfAll, type LampInPlace, type Point } from "./lampInPlace.ts";

export type RoadSide = "right" | "left";

/** Distances at which an oncoming eye is asked, m ahead of the vehicle. */
export const EYE_DISTANCES_M = [25, 50, 100] as const;
/** Of an oncoming driver: height of the eye, and how far aside they pass, m: common practice. */
const EYE_UP_M = 1.15;
const EYE_ASIDE_M = 3.5;

/** Eyes of oncoming drivers on a road where one keeps to a side. */
export const oncomingEyes = (side: RoadSide): readonly Point[] =>
  EYE_DISTANCES_M.map((ahead) => ({
    ahead,
    right: side === "right" ? -EYE_ASIDE_M : EYE_ASIDE_M,
    up: EYE_UP_M,
  }));

/** What meets one pair of eyes. */
export interface Glare {
  readonly eye: Point;
  /** Lux on the eye, and the intensity of all lamps together towards it, cd. */
  readonly lux: number;
  readonly cd: number;
}

/** What all lamps together send into each pair of eyes. */
export const glareAt = (lamps: readonly LampInPlace[], eyes: readonly Point[]): Glare[] =>
  eyes.map((eye) => ({
    eye,
    lux: luxOfAll(lamps, eye, "facing"),
    cd: lamps.reduce((sum, lamp) => sum + candelaTowards(lamp, eye), 0),
  }));
