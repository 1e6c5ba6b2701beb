/** What a lamp's beam is for: what it is held against at the wall. */
export const BEAM_KINDS = ["low", "driving", "fog", "work"] as const;
/** What a beam is for: each is held against its own rule. */
export type BeamKind = (typeof BEAM_KINDS)[number];

/** How a lamp is turned: screws of a thread some way from its pivot, or a shim under its foot. */
export const ADJUSTERS = ["screw", "shim", "pivot"] as const;
/** How a lamp is turned. */
export type Adjuster = (typeof ADJUSTERS)[number];

/** Where a beam stood on the wall against its mark. */
export interface AimError {
  readonly distanceM: number;
  /** Right of the mark (+), above the mark (+), mm. */
  readonly rightMm: number;
  readonly upMm: number;
  readonly by: string;
  /** Moment, ISO 8601. */
  readonly at: string;
}

/** How one lamp in place is aimed. */
export interface Aim {
  readonly id: string;
  readonly mountId: string;
  readonly beam: BeamKind;
  /** Wanted to the right (+) or left (−) of straight ahead, degrees. */
  readonly toeDeg: number;
  readonly adjuster: Adjuster;
  /** Of a screw: mm that a turn moves it, and how far from the pivot it stands. */
  readonly pitchMm: number;
  readonly leverMm: number;
  /** Oldest first; after each correction one more. */
  readonly errors: readonly AimError[];
}

/** The side of the road that is driven on. */
export const ROAD_SIDES = ["right", "left"] as const;

/** How the vehicle stands at the wall, and whom its lamps must not blind. */
export interface Aiming {
  /** Lamp to wall, m. */
  readonly distanceM: number;
  /**
   * How much lower the vehicle stands as it is ridden than it stands at the wall, at a point in
   * front and one behind, so far apart; zeroes where it is aimed with its rider on. mm.
   */
  readonly frontSagMm: number;
  readonly rearSagMm: number;
  readonly baseMm: number;
  /** On which side of the road one keeps. */
  readonly keeps: (typeof ROAD_SIDES)[number];
  /** Most that lamps may send to an oncoming eye, cd. */
  readonly glareCd: number;
  /** A window or a dome that wants dark: ahead, right, up in m, and the most lux on it. */
  readonly darkPlace: {
    readonly name: string;
    readonly aheadM: number;
    readonly rightM: number;
    readonly upM: number;
    readonly mostLux: number;
  } | null;
}

/**
 * What a dipped beam may send to an oncoming eye, cd: 0.4 lx on the screen at 25 m at the
 * point of the oncoming driver, as older headlamp regulations had it (UN R112, from memory).
 */
const DIPPED_GLARE_CD = 250;
/** 25 ft, as US tables have it: common practice. */
const WALL_M = 7.62;

/** At the wall with the rider on, and no brighter to oncoming eyes than a dipped beam. */
export const DEFAULT_AIMING: Aiming = {
  ...{ distanceM: WALL_M, frontSagMm: 0, rearSagMm: 0, baseMm: 1000 },
  ...{ keeps: "right", glareCd: DIPPED_GLARE_CD, darkPlace: null },
};
