import type { LoadPart } from "./part.ts";

/** A load without a driver bears so much over its rating for long: 15 V on 12 V, common practice. */
const BEARS = 1.25;
/** Below this share of its rating a load without a driver is of little use. */
const DULL = 0.75;
/** What horns and plain indicators of vehicles are made for where their box does not say: common practice. */
const USUAL_V = 12;
/** A horn is sounded on a charged battery with the engine running: a little more than a lamp bears. */
const HORN_BEARS = 16 / USUAL_V;

/** Volts between which a load works and lives. */
export interface BorneVolts {
  readonly lowV: number;
  readonly highV: number;
}

/** Volts that a load works with and lives with, by its box and by its kind. */
export function borneVolts({ load, ratedV }: Pick<LoadPart, "load" | "ratedV">): BorneVolts {
  switch (load.kind) {
    case "drivenLed":
      return { lowV: load.minV, highV: load.maxV };
    case "filament":
    case "resistive":
    case "ledStrip":
      return { lowV: load.ratedV * DULL, highV: load.ratedV * BEARS };
    case "constantCurrent": {
      const madeFor = ratedV > 0 ? ratedV : USUAL_V;
      return { lowV: madeFor * DULL, highV: madeFor * HORN_BEARS };
    }
  }
}
