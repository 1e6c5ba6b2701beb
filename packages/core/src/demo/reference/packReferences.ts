import {
  circuit,
  on,
  ALONE,
  converter,
  withBattery,
  packOf,
  WIRED,
  load,
  knob,
  driven,
  heater,
  steady,
  type Row,
} from "./referenceParts.ts";
import { from } from "../job/jobMaker.ts";
import { LITTER, MIDGE, PORTER } from "../vehicles.ts";
import { demoPart } from "../shelf/shelf.ts";
import type { BatteryPart } from "../../part/index.ts";

const behind = { feed: from("converter"), ...WIRED };
const horn = load("3 A horn", steady(3), "horn");

/** Ordinary situations on packs: whole, in part, and behind a converter. */
export const packRows = (): readonly Row[] => [
  [
    "converter 48 to 13 V of 10 A",
    circuit(converter(on(PORTER)), {
      on: ALONE,
      lamp: load("18 W pod", driven(18)),
      oneWayM: 1.2,
      knob: knob(10),
      fields: behind,
    }),
    [5, 7.5],
    18,
    14,
    null,
    "converter",
  ],
  [
    "two 18 W pods behind that converter",
    circuit(converter(on(PORTER)), {
      on: ALONE,
      lamp: load("18 W pod", driven(18)),
      count: 2,
      oneWayM: 2.7,
      knob: knob(10),
      fields: behind,
    }),
    [4, 5],
    18,
    14,
    null,
  ],
  [
    "two 30 W spots behind that converter",
    circuit(converter(on(PORTER)), {
      on: ALONE,
      lamp: load("30 W spot", driven(30)),
      count: 2,
      oneWayM: 2.7,
      knob: knob(10),
      fields: behind,
    }),
    [7.5],
    16,
    14,
    null,
  ],
  [
    "one horn behind that converter",
    circuit(converter(on(PORTER)), {
      on: ALONE,
      lamp: horn,
      oneWayM: 2.7,
      knob: knob(5),
      fields: behind,
    }),
    [4, 5],
    18,
    14,
    null,
  ],
  [
    "six 12 V strips on 36 V as three pairs",
    circuit(on(packOf(LITTER, 36, 18, 43.8)), {
      on: ALONE,
      lamp: load("12 V strip", heater(4)),
      count: 6,
      oneWayM: 2.5,
      knob: knob(10),
      fields: { feed: { kind: "pack" }, arrangement: "series", perStep: 2, ...WIRED },
    }),
    [2, 3],
    20,
    18,
    false,
  ],
  [
    "four 12 V lamps in series on 48 V",
    circuit(on(packOf(PORTER, 48, 24, 57.6)), {
      on: ALONE,
      lamp: load("resistor lamp", heater(5)),
      count: 4,
      oneWayM: 2.5,
      knob: knob(10),
      fields: { feed: { kind: "pack" }, arrangement: "series", ...WIRED },
    }),
    [2, 3],
    20,
    18,
    false,
  ],
  [
    "path lights on an own 12 V battery",
    circuit(on(PORTER).supply("own", "Own battery", "battery-12-18"), {
      on: ALONE,
      lamp: load("path lights", steady(1.5)),
      oneWayM: 3,
      knob: knob(10),
      fields: { feed: from("own"), ...WIRED },
    }),
    [3, 5],
    18,
    16,
    false,
  ],
  [
    "lamps of an e-bike on a tool battery",
    circuit(withBattery(on(MIDGE), demoPart("battery-tool-3s") as BatteryPart), {
      on: ALONE,
      lamp: load("e-bike lamps", steady(2)),
      oneWayM: 1.5,
      knob: knob(10),
      fields: { feed: from("own"), ...WIRED },
    }),
    [3, 5],
    20,
    18,
    false,
  ],
  [
    "four 12 V lamps in series on 52 V",
    circuit(on(packOf(PORTER, 52, 24, 58.8)), {
      on: ALONE,
      lamp: load("resistor lamp", heater(5)),
      count: 4,
      oneWayM: 2.5,
      knob: knob(10),
      fields: { feed: { kind: "pack" }, arrangement: "series", ...WIRED },
    }),
    [2, 3],
    20,
    18,
    false,
  ],
];
