import { asId, type ProfileId } from "../../job/index.ts";
import { assumed, measured, stated } from "../../quantity/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";
import { loom, own, place, size } from "./map.ts";
import { baseLoad, connector, factoryLamps, lead, pin } from "./parts.ts";

/** A demo vehicle: make, model and values are invented. */
export const SWATHE: Vehicle = {
  profileId: asId<ProfileId>("swathe-52"),
  model: "Hadrell Swathe 52",
  kind: "mower",
  machine: "",
  variants: [],
  variant: "",
  note: "Stand-on mower of the cricket ground; evening rolling.",
  system: {
    kind: "engine",
    battery: { ...lead(stated(28, 26, 30), 20), chemistry: "flooded" },
    charging: {
      kind: "stator",
      regulatedV: stated(14, 13.6, 14.4),
      idleRpm: measured(1750, 1700, 1800),
      townRpm: assumed(2600, 2400, 2800),
      cruiseRpm: measured(3400, 3350, 3450),
      points: [
        { id: "p1", rpm: 1600, outputA: stated(9, 8, 10) },
        { id: "p2", rpm: 2600, outputA: stated(13, 12, 14) },
        { id: "p3", rpm: 3600, outputA: stated(15, 14, 16) },
      ],
    },
  },
  turn: null,
  factoryLamps: factoryLamps(0, 0, 0, 0, 0),
  reaches: {
    frontM: measured(1.3, 1.2, 1.4),
    rearM: measured(0.8, 0.7, 0.9),
    controlsM: measured(1, 0.9, 1.1),
  },
  size: size(2.05, 1.35, 1.25),
  places: [
    place("battery", "Battery, behind the tower", "battery", 1.35, -0.2),
    place("panel", "Under the control panel", "electrics", 1.05, 0),
    place("controls", "Control panel", "controls", 1, 0.1),
    place("engine-right", "Right of the engine", "ground", 1.5, 0.3),
    place("tower", "Control tower, front", "front", 0.85, 0),
    place("tower-left", "Tower, left", "other", 0.9, -0.35),
    place("tower-right", "Tower, right", "other", 0.9, 0.35),
    place("rear", "Platform hoop, rear", "rear", 1.95, 0),
  ],
  segments: [
    loom("battery", "panel", 0.55, "seat"),
    loom("panel", "controls", 0.25),
    loom("battery", "engine-right", 0.7, "hot"),
    loom("panel", "tower", 0.3, "moving"),
    own("tower", "tower-left", 0.42, "sharp"),
    own("tower", "tower-right", 0.42, "sharp"),
    own("battery", "rear", 0.85, "suspension"),
  ],
  baseLoads: [
    baseLoad("ignition", "Fuel cut-off and ignition", stated(1.8, 1.6, 2), [0, 0, 1, 1, 1]),
    baseLoad("clutch", "Deck clutch", stated(4.1, 3.8, 4.4), [0, 0, 0, 0.5, 0.7]),
    baseLoad("hours", "Hour meter", measured(0.004), [0, 1, 1, 1, 1]),
  ],
  connectors: [
    connector("panel", "Panel plug", "under the control panel, two screws", "panel"),
    connector("solenoid", "Starter solenoid", "right of the engine, red boot", "engine-right"),
  ],
  pins: [
    pin(
      "key-run",
      "panel",
      "3",
      "violet",
      "key in run",
      "accessory",
      "key",
      stated(4, 3, 5),
      15,
      "Pim Okkerse",
      "proved",
    ),
    pin(
      "fuel",
      "panel",
      "5",
      "white/black",
      "fuel cut-off",
      "ignition",
      "key",
      stated(0.3, 0.1, 0.5),
      15,
      "Pim Okkerse",
      "proved",
    ),
    pin(
      "post",
      "solenoid",
      "B",
      "red",
      "battery at the solenoid",
      "accessory",
      "always",
      stated(20, 15, 25),
      20,
      "Pim Okkerse",
      "proved",
    ),
  ],
};
