import { asId, type ProfileId } from "../../job/index.ts";
import { assumed, stated } from "../../quantity/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";
import { loom, own, place, size } from "./map.ts";
import { baseLoad, connector, factoryLamps, packOf, pin } from "./parts.ts";

/** A demo vehicle: make, model and values are invented. */
export const MIDGE: Vehicle = {
  profileId: asId<ProfileId>("midge-60"),
  model: "Brannock Midge 60",
  kind: "motorcycle",
  machine: "",
  variants: [],
  variant: "",
  year: 0,
  note: "Electric trials bike, one lithium pack.",
  system: {
    kind: "pack",
    pack: packOf(
      "lithium",
      60,
      1,
      16,
      stated(24, 22, 25),
      stated(67.2, 66.5, 67.4),
      assumed(0.06, 0.04, 0.1),
      stated(5),
      stated(45, 30, 55),
    ),
  },
  turn: null,
  beams: [],
  factoryLamps: factoryLamps(0, 0, 0, 0, 0),
  reaches: {
    frontM: assumed(0.8, 0.7, 1),
    rearM: assumed(0.7, 0.6, 0.9),
    controlsM: assumed(0.8, 0.6, 1),
  },
  size: size(1.95, 0.8, 1.1),
  places: [
    place("battery", "Pack, in the frame", "battery", 0.95, 0),
    place("tray", "Tray above the pack", "electrics", 0.85, 0),
    place("bars", "Bar, left", "controls", 0.55, -0.3),
    place("headstock", "Headstock", "other", 0.5, 0),
    place("front", "Number board", "front", 0.35, 0),
    place("rear", "Rear mudguard", "rear", 1.7, 0),
  ],
  segments: [
    loom("battery", "tray", 0.18),
    loom("tray", "headstock", 0.42),
    loom("headstock", "bars", 0.32, "fork"),
    loom("headstock", "front", 0.28, "fork"),
    own("tray", "rear", 0.88, "suspension", "water"),
  ],
  baseLoads: [
    baseLoad(
      "display",
      "Display asleep",
      assumed(0.004, 0.002, 0.01),
      [1, 1, 0, 0, 0],
      "electronics",
    ),
  ],
  connectors: [connector("display", "Display plug", "under the number board", "bars")],
  pins: [
    pin(
      "display-key",
      "display",
      "2",
      "orange",
      "key feed, pack voltage",
      "ignition",
      "key",
      assumed(0.2, 0.1, 0.5),
      0,
      "",
      "guess",
      "pack",
    ),
  ],
};
