import { asId, type ProfileId } from "../../job/index.ts";
import { assumed, stated } from "../../quantity/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";
import { loom, own, place, size } from "./map.ts";
import { baseLoad, connector, factoryLamps, lead, packOf, pin } from "./parts.ts";

/** A demo vehicle: make, model and values are invented. */
export const LITTER: Vehicle = {
  profileId: asId<ProfileId>("litter-36"),
  model: "Pellaw Litter 36",
  kind: "buggy",
  machine: "",
  variants: [],
  variant: "",
  year: 0,
  note: "Stretcher buggy. Separate 12 V battery feeds a six-way hub.",
  system: {
    kind: "packAndBattery",
    pack: packOf(
      "leadBlocks",
      36,
      6,
      18,
      stated(210, 200, 220),
      stated(43.8, 43, 44.4),
      assumed(0.025, 0.02, 0.04),
      stated(20),
      stated(25, 20, 30),
    ),
    battery: { ...lead(stated(35, 33, 36), 20), chemistry: "lithiumIron", chargerA: stated(6) },
  },
  turn: null,
  beams: [],
  factoryLamps: factoryLamps(0, 0, 0, 0, 0),
  reaches: {
    frontM: assumed(1.9, 1.6, 2.2),
    rearM: assumed(1.5, 1.2, 1.8),
    controlsM: assumed(1.6, 1.3, 2),
  },
  size: size(2.9, 1.3, 1.8),
  places: [
    place("battery", "12 V battery, under the bed", "battery", 1.8, -0.3),
    place("bed-right", "Under the bed, right", "electrics", 1.7, 0.35),
    place("bars", "Handlebar", "controls", 0.7, 0),
    place("headstock", "Steering post", "other", 0.65, 0),
    place("front", "Front hoop", "front", 0.3, 0),
    place("hoop-left", "Hoop, left", "other", 1.3, -0.55),
    place("hoop-right", "Hoop, right", "other", 1.3, 0.55),
    place("rear", "Rear hoop", "rear", 2.7, 0),
    place("bed", "Bed rail", "other", 2, 0),
  ],
  segments: [
    loom("battery", "bed-right", 0.7),
    loom("bed-right", "headstock", 1.15, "moving"),
    loom("headstock", "bars", 0.4, "fork"),
    loom("headstock", "front", 0.45),
    own("bed-right", "hoop-right", 0.8, "sharp"),
    own("bed-right", "hoop-left", 1.4, "sharp"),
    loom("bed-right", "bed", 0.6),
    loom("bed", "rear", 0.75, "water"),
  ],
  baseLoads: [
    baseLoad(
      "monitor",
      "Battery monitor",
      stated(0.003, 0.002, 0.005),
      [1, 1, 0, 0, 0],
      "electronics",
    ),
  ],
  connectors: [connector("hub", "Hub", "under the stretcher bed, right", "bed-right")],
  pins: [
    pin(
      "hub-key",
      "hub",
      "K",
      "violet",
      "key line of the hub",
      "accessory",
      "key",
      stated(0.5, 0.3, 1),
      2,
      "Ansa Tordoff",
      "likely",
    ),
  ],
};
