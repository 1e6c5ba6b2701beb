import { asId, type ProfileId } from "../../job/index.ts";
import { assumed, measured, stated } from "../../quantity/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";
import { loom, own, place, size } from "./map.ts";
import { baseLoad, connector, factoryLamps, packOf, pin } from "./parts.ts";

/** A demo vehicle: make, model and values are invented. */
export const PORTER: Vehicle = {
  profileId: asId<ProfileId>("porter-48"),
  model: "Pellaw Porter 48",
  kind: "cart",
  machine: "",
  variants: [],
  variant: "",
  year: 0,
  note: "Observatory shuttle. Six 8 V blocks. Dim red path lights wanted.",
  system: {
    kind: "pack",
    pack: packOf(
      "leadBlocks",
      48,
      6,
      24,
      stated(165, 150, 170),
      measured(57.6, 56, 58),
      assumed(0.03, 0.02, 0.05),
      stated(18),
      stated(60, 45, 70),
    ),
  },
  turn: null,
  beams: [],
  factoryLamps: factoryLamps(0, 0, 0, 0, 0),
  reaches: {
    frontM: assumed(2.1, 1.8, 2.5),
    rearM: assumed(1.4, 1.1, 1.7),
    controlsM: assumed(1.8, 1.5, 2.2),
  },
  size: size(2.6, 1.22, 1.85),
  places: [
    place("battery", "Pack, under the seat", "battery", 1.45, 0),
    place("bay", "Bay behind the seat", "electrics", 1.7, 0.3),
    place("dash", "Dash", "controls", 0.75, -0.15),
    place("cowl", "Front cowl", "front", 0.15, 0),
    place("cowl-left", "Front cowl, left", "other", 0.2, -0.45),
    place("cowl-right", "Front cowl, right", "other", 0.2, 0.45),
    place("floor", "Floor tunnel", "other", 1.1, 0),
    place("tail", "Rear body", "rear", 2.5, 0),
    place("tail-left", "Rear body, left", "other", 2.5, -0.45),
    place("tail-right", "Rear body, right", "other", 2.5, 0.45),
    place("sill-left", "Left sill", "other", 1.3, -0.58),
    place("sill-right", "Right sill", "other", 1.3, 0.58),
    place("pedal", "Brake pedal", "other", 0.65, 0.1),
  ],
  segments: [
    loom("battery", "bay", 0.55),
    loom("battery", "floor", 0.4),
    loom("floor", "dash", 0.85, "sharp"),
    loom("dash", "pedal", 0.4, "moving"),
    own("dash", "cowl", 0.75, "panel"),
    own("cowl", "cowl-left", 0.5),
    own("cowl", "cowl-right", 0.5),
    loom("bay", "tail", 0.95, "hot"),
    own("tail", "tail-left", 0.5, "panel"),
    own("tail", "tail-right", 0.5, "panel"),
    own("floor", "sill-left", 0.7, "water"),
    own("floor", "sill-right", 0.7, "water"),
  ],
  baseLoads: [
    baseLoad("controller", "Motor controller asleep", assumed(0.03, 0.01, 0.06), [1, 1, 0, 0, 0]),
  ],
  connectors: [connector("dash", "Dash plug", "behind the glove tray", "dash")],
  pins: [
    pin(
      "key",
      "dash",
      "1",
      "red/black",
      "key switch out, pack voltage",
      "ignition",
      "key",
      assumed(0.5, 0.2, 1),
      5,
      "",
      "guess",
      "pack",
    ),
  ],
};
