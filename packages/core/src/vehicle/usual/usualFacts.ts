import { assumed, type BoundedValue } from "../../quantity/index.ts";
import type { VehicleKind } from "../kinds.ts";
import type { Reaches } from "../vehicle.ts";
import {
  QUAD_CHARGING,
  bikePack,
  engine,
  leadPack,
  packed,
  type UsualElectrics,
} from "./electrics.ts";
import { ALONG, BIKE, CABIN, QUAD, places, type Along, type UsualPlace } from "./places.ts";

/** What is usual for a kind: all of it guessed, with bounds as wide as the kind. */
export interface Usual {
  readonly electrics: UsualElectrics;
  /** Length, width, height, each with its bounds, in m. */
  readonly size: readonly [BoundedValue, BoundedValue, BoundedValue];
  readonly reaches: Reaches;
  readonly places: readonly UsualPlace[];
  /** Pairs of places that wires are led between. */
  readonly ways: readonly (readonly [string, string])[];
}

const reaches = (frontM: BoundedValue, rearM: BoundedValue, controlsM: BoundedValue): Reaches => ({
  frontM,
  rearM,
  controlsM,
});

/**
 * Usual for each kind, from memory of the trade; every fact is a guess that the intake replaces.
 * Outputs are those of common charging systems: about 200 W on a quad, 350 W on a motorcycle, 150 W
 * on a scooter, 500 W on a side-by-side, 200 W on a mower.
 */
export const USUAL: Readonly<Record<VehicleKind, Usual>> = {
  quad: {
    electrics: engine(assumed(12), QUAD_CHARGING),
    size: [assumed(2, 1.5, 2.6), assumed(1.15, 0.8, 1.3), assumed(1.2, 1, 1.4)],
    reaches: reaches(assumed(1.5), assumed(1.2), assumed(1.2)),
    places: QUAD,
    ways: ALONG,
  },
  sideBySide: {
    electrics: engine(assumed(28), {
      kind: "stator",
      rpm: [1200, 3000, 5000],
      points: [
        [1200, assumed(16)],
        [5000, assumed(36, 24, 55)],
      ],
    }),
    size: [assumed(2.9, 2.5, 4), assumed(1.6, 1.25, 1.85), assumed(1.9, 1.6, 2.1)],
    reaches: reaches(assumed(2.2), assumed(2), assumed(1.6)),
    places: CABIN,
    ways: ALONG,
  },
  buggy: {
    electrics: engine(assumed(18), {
      kind: "stator",
      rpm: [1300, 3000, 5000],
      points: [
        [1200, assumed(8)],
        [5000, assumed(20)],
      ],
    }),
    size: [assumed(2.5, 1.8, 3.2), assumed(1.4, 1.1, 1.7), assumed(1.6, 1.3, 1.9)],
    reaches: reaches(assumed(1.9), assumed(1.5), assumed(1.4)),
    places: CABIN,
    ways: ALONG,
  },
  motorcycle: {
    electrics: engine(assumed(11, 7, 18), {
      kind: "alternator",
      rpm: [1200, 3500, 5000],
      points: [
        [1200, assumed(8, 5, 14)],
        [5000, assumed(25, 15, 36)],
      ],
    }),
    size: [assumed(2.15, 1.9, 2.6), assumed(0.82, 0.7, 1), assumed(1.25, 1, 1.5)],
    reaches: reaches(assumed(1.4), assumed(0.9), assumed(1.1)),
    places: BIKE,
    ways: ALONG,
  },
  scooter: {
    electrics: engine(assumed(7, 4, 10), {
      kind: "stator",
      rpm: [1700, 4500, 6500],
      points: [
        [1700, assumed(4, 3, 7)],
        [5000, assumed(11, 7, 18)],
      ],
    }),
    size: [assumed(1.85, 1.65, 2.2), assumed(0.7, 0.6, 0.85), assumed(1.15, 1, 1.4)],
    reaches: reaches(assumed(1.5), assumed(0.9), assumed(1.3)),
    places: places(
      { battery: "Battery, under the floor", controls: "Bars", ground: "Frame, by the battery" },
      {
        battery: [0.42],
        electrics: [0.5],
        controls: [0.26],
        front: [0.16],
        rear: [0.97],
        ground: [0.46],
      },
    ),
    ways: ALONG,
  },
  trike: {
    electrics: engine(assumed(18), {
      kind: "stator",
      rpm: [1400, 3000, 4500],
      points: [
        [1400, assumed(6)],
        [5000, assumed(15, 10, 25)],
      ],
    }),
    size: [assumed(2.4, 2, 3.2), assumed(1.05, 0.9, 1.5), assumed(1.6, 1.1, 1.9)],
    reaches: reaches(assumed(1.6), assumed(1.6), assumed(1.3)),
    places: BIKE,
    ways: ALONG,
  },
  eBike: {
    electrics: packed(bikePack),
    size: [assumed(1.85, 1.6, 2.1), assumed(0.65, 0.5, 0.8), assumed(1.1, 0.95, 1.25)],
    reaches: reaches(assumed(1.1), assumed(1.2), assumed(1)),
    places: places(
      { battery: "Pack, on the frame", controls: "Bars", ground: "Pack’s negative" },
      {
        battery: [0.42],
        electrics: [0.5],
        controls: [0.3],
        front: [0.22],
        rear: [0.95],
        ground: [0.44],
      },
    ),
    ways: ALONG,
  },
  snowMachine: {
    electrics: engine(assumed(18), {
      kind: "stator",
      rpm: [1700, 4500, 6500],
      points: [
        [1700, assumed(9)],
        [6000, assumed(24, 15, 36)],
      ],
    }),
    size: [assumed(3.1, 2.7, 3.5), assumed(1.2, 1, 1.3), assumed(1.3, 1, 1.5)],
    reaches: reaches(assumed(1), assumed(2.4), assumed(1)),
    places: places(
      { battery: "Battery, under the bonnet", controls: "Bars", ground: "Frame, by the engine" },
      {
        battery: [0.28, 0.12],
        electrics: [0.34],
        controls: [0.42],
        front: [0.1],
        rear: [0.96],
        ground: [0.26],
      },
    ),
    ways: ALONG,
  },
  cart: {
    electrics: packed(leadPack),
    size: [assumed(2.4, 2.2, 3.2), assumed(1.2, 1.1, 1.3), assumed(1.8, 1.7, 2)],
    reaches: reaches(assumed(2), assumed(1.6), assumed(1.6)),
    places: places(
      { battery: "Pack, under the seat", controls: "Dashboard", ground: "Pack’s negative" },
      {
        ...{
          battery: [0.56] as Along,
          electrics: [0.24] as Along,
          controls: [0.26, -0.2] as Along,
        },
        ...{ front: [0.03] as Along, rear: [0.97] as Along, ground: [0.6] as Along },
      },
    ),
    ways: ALONG,
  },
  utilityCart: {
    electrics: packed(leadPack),
    size: [assumed(3, 2.6, 3.6), assumed(1.25, 1.15, 1.4), assumed(1.85, 1.7, 2.1)],
    reaches: reaches(assumed(2), assumed(2.2), assumed(1.6)),
    places: places(
      { battery: "Pack, under the seat", controls: "Dashboard", ground: "Pack’s negative" },
      {
        ...{
          battery: [0.48] as Along,
          electrics: [0.24] as Along,
          controls: [0.26, -0.2] as Along,
        },
        ...{ front: [0.03] as Along, rear: [0.97] as Along, ground: [0.52] as Along },
      },
    ),
    ways: ALONG,
  },
  mower: {
    electrics: engine(assumed(18), {
      kind: "stator",
      rpm: [1800, 3000, 3400],
      points: [
        [1800, assumed(6, 2, 10)],
        [3400, assumed(15, 3, 20)],
      ],
    }),
    size: [assumed(1.8, 1.5, 2.2), assumed(1.1, 0.9, 1.4), assumed(1.15, 1, 1.4)],
    reaches: reaches(assumed(1.4), assumed(0.6), assumed(0.9)),
    places: places(
      {
        battery: "Battery, under the seat",
        controls: "Control panel",
        ground: "Frame, by the engine",
      },
      {
        battery: [0.74],
        electrics: [0.5],
        controls: [0.42, 0.1],
        front: [0.03],
        rear: [0.97],
        ground: [0.2],
      },
    ),
    ways: ALONG,
  },
  trailer: {
    // Fed by what tows it: these are that one's facts, and its own socket is among its connectors.
    electrics: engine(assumed(60, 40, 90), {
      kind: "alternator",
      rpm: [800, 2000, 2500],
      points: [
        [800, assumed(40, 25, 60)],
        [2500, assumed(90, 60, 140)],
      ],
    }),
    size: [assumed(2.6, 1.8, 4), assumed(1.4, 1, 2), assumed(1, 0.7, 2)],
    reaches: reaches(assumed(1), assumed(2.6, 1.8, 4), assumed(1)),
    places: places(
      { battery: "Plug, on the drawbar", controls: "Drawbar", ground: "Frame, by the plug" },
      {
        battery: [0.03],
        electrics: [0.1],
        controls: [0.08],
        front: [0.26],
        rear: [0.98],
        ground: [0.06],
      },
    ),
    ways: ALONG,
  },
  other: {
    electrics: engine(assumed(12), {
      kind: "stator",
      rpm: [1400, 3000, 4500],
      points: [
        [1200, assumed(8, 3, 20)],
        [5000, assumed(20, 8, 60)],
      ],
    }),
    size: [assumed(2, 1.5, 4), assumed(1, 0.6, 2), assumed(1.2, 0.8, 2.2)],
    reaches: reaches(assumed(1.5), assumed(1.2), assumed(1.2)),
    // Nobody knows where anything is on one of these.
    places: [],
    ways: [],
  },
};
