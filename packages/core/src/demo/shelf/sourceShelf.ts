import { asId, type PartId } from "../../job/index.ts";
import { measured, stated } from "../../quantity/index.ts";
import type {
  BatteryPart,
  BoxPart,
  ConnectorPart,
  ConverterPart,
  FlasherPart,
  Part,
} from "../../part/index.ts";

/** What feeds and parts: converters, boxes, batteries, flashers, plugs. All invented. */

const base = (id: string, name: string, price: number, stock: number, note = "") => ({
  id: asId<PartId>(id),
  name,
  note,
  price,
  stock,
  ingress: "IP65",
  ratedV: 0,
});

const CONVERTERS: readonly ConverterPart[] = [
  {
    ...base("converter-60-12", "Converter 36–72 V to 12 V, 10 A", 34, 3),
    kind: "converter",
    inMinV: 30,
    inMaxV: 75,
    cutOffV: 28,
    outV: stated(12.2, 12, 12.4),
    outA: 10,
    surgeA: 15,
    efficiencyTenth: 0.82,
    efficiencyHalf: 0.91,
    efficiencyFull: 0.88,
    idleA: measured(0.022),
    isolated: false,
    sealed: true,
    mostAmbientC: 50,
  },
  {
    ...base("converter-60-12-25", "Converter 36–72 V to 13 V, 25 A", 71, 1, "Needs air around it."),
    kind: "converter",
    inMinV: 34,
    inMaxV: 75,
    cutOffV: 32,
    outV: stated(13.1, 12.9, 13.3),
    outA: 25,
    surgeA: 32,
    efficiencyTenth: 0.84,
    efficiencyHalf: 0.92,
    efficiencyFull: 0.9,
    idleA: stated(0.035),
    isolated: true,
    sealed: true,
    mostAmbientC: 45,
  },
  {
    ...base(
      "converter-48-12",
      "Converter 36–48 V to 12 V, 5 A",
      15,
      4,
      "Ends below a full 48 V pack.",
    ),
    kind: "converter",
    inMinV: 30,
    inMaxV: 52,
    cutOffV: 28,
    outV: stated(12),
    outA: 5,
    surgeA: 6,
    efficiencyTenth: 0.78,
    efficiencyHalf: 0.87,
    efficiencyFull: 0.84,
    idleA: stated(0.03),
    isolated: false,
    sealed: false,
    mostAmbientC: 40,
  },
];

const BOXES: readonly BoxPart[] = [
  {
    ...base("fuse-block-6", "Six-way fuse block", 18, 3),
    kind: "box",
    form: "fuseBlock",
    ways: 6,
    wayA: 20,
    wayRatings: [],
    mainBreakerA: 0,
    totalA: 60,
    switches: "positive",
    inputOhm: stated(100, 100, 100),
    idleA: stated(0, 0, 0),
    behaviours: [],
  },
  {
    ...base("hub-6", "Six-way hub", 129, 1, "Fused ways, worked by a pad or by its inputs."),
    kind: "box",
    form: "hub",
    ways: 6,
    wayA: 10,
    wayRatings: [],
    mainBreakerA: 0,
    totalA: 40,
    switches: "positive",
    inputOhm: stated(10000),
    idleA: stated(0.004, 0.002, 0.006),
    behaviours: [],
  },
  {
    ...base(
      "hub-4-ground",
      "Four-way hub that switches ground",
      64,
      1,
      "Not for lamps grounded by their body.",
    ),
    kind: "box",
    form: "hub",
    ways: 4,
    wayA: 8,
    wayRatings: [],
    mainBreakerA: 0,
    totalA: 20,
    switches: "ground",
    inputOhm: stated(10000),
    idleA: stated(0.003),
    behaviours: [],
  },
  {
    ...base("relay-board-6", "Six-relay board", 44, 2),
    kind: "box",
    form: "relayBoard",
    ways: 6,
    wayA: 15,
    wayRatings: [],
    mainBreakerA: 0,
    totalA: 40,
    switches: "positive",
    inputOhm: measured(88),
    idleA: stated(0, 0, 0),
    behaviours: [],
  },
];

const BATTERIES: readonly BatteryPart[] = [
  {
    ...base("battery-12-18", "12 V 18 Ah battery with charger", 58, 1),
    kind: "battery",
    chemistry: "agm",
    cells: 0,
    capacityAh: stated(18),
    hourRate: 20,
    peukert: stated(1.15, 1.1, 1.2),
    chargerA: stated(2),
  },
];

const FLASHERS: readonly FlasherPart[] = [
  {
    ...base("flasher-thermal", "Two-pin thermal flasher", 4, 5),
    kind: "flasher",
    principle: "thermal",
    leastA: 1.2,
    contactA: 8,
    ratePerMin: stated(90, 70, 110),
    onShare: 0.5,
  },
  {
    ...base("flasher-bulb-out", "Electronic flasher, tells a dead bulb", 9, 3),
    kind: "flasher",
    principle: "electronic",
    leastA: 1.1,
    contactA: 10,
    ratePerMin: stated(85, 78, 92),
    onShare: 0.5,
  },
  {
    ...base("flasher-any-load", "Three-pin flasher for any load", 12, 6),
    kind: "flasher",
    principle: "indifferent",
    leastA: 0,
    contactA: 10,
    ratePerMin: stated(85, 78, 92),
    onShare: 0.5,
  },
];

const PLUGS: readonly ConnectorPart[] = [
  {
    ...base("plug-2-sealed", "Two-pin sealed plug", 1.6, 30),
    kind: "connector",
    ratingA: 13,
    contactOhm: stated(0.005, 0.003, 0.01),
  },
  {
    ...base("plug-2-mini", "Two-pin mini plug", 0.9, 24),
    kind: "connector",
    ratingA: 5,
    contactOhm: stated(0.01, 0.005, 0.02),
  },
];

export const SOURCE_SHELF: readonly Part[] = [
  ...CONVERTERS,
  ...BOXES,
  ...BATTERIES,
  ...FLASHERS,
  ...PLUGS,
];
