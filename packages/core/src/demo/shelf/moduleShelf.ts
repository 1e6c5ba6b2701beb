import { asId, type PartId } from "../../job/index.ts";
import { measured, stated } from "../../quantity/index.ts";
import { NEVER_SLEEPS, PLAIN, type Behaviour, type BoxPart } from "../../part/index.ts";

/** Signal modules of the demo shop: boxes whose ways do something over time. All invented. */
function module(
  id: string,
  name: string,
  price: number,
  behaviours: readonly Partial<Behaviour>[],
  more: Partial<BoxPart> = {},
): BoxPart {
  return {
    id: asId<PartId>(id),
    kind: "box",
    name,
    note: "",
    price,
    stock: 2,
    ingress: "IP67",
    ratedV: 0,
    form: "hub",
    ways: behaviours.length,
    wayA: 5,
    wayRatings: [],
    mainBreakerA: 0,
    totalA: 10,
    switches: "positive",
    inputOhm: stated(10000),
    idleA: measured(0.004),
    behaviours: behaviours.map((b) => ({ ...PLAIN, ...b })),
    ...NEVER_SLEEPS,
    ...more,
  };
}

export const MODULE_SHELF: readonly BoxPart[] = [
  module("module-brake-4", "Brake modulator, four flashes", 19, [
    { label: "four flashes, then steady", flashes: 4, onS: 0.08, offS: 0.08, lockoutS: 6 },
  ]),
  module("module-brake-gate", "Brake modulator, flashes above 50 km/h", 27, [
    { label: "six flashes above 50 km/h", flashes: 6, onS: 0.1, offS: 0.1, flashFromKmh: 50 },
  ]),
  module("module-brake-steady", "Brake driver, steady only", 14, [{ label: "steady" }]),
  module("module-rtb", "Run, turn and brake combiner, two sides", 42, [
    { label: "left: dim riding, full braking", level: 0.2, boostLevel: 1, boostWith: ["brake"] },
    { label: "right: dim riding, full braking", level: 0.2, boostLevel: 1, boostWith: ["brake"] },
  ]),
  module("module-run-quiet", "Running-light deactivator", 16, [
    { label: "off while either side turns", offWith: ["left", "right", "hazard"], offHoldS: 1 },
  ]),
  module("module-run-on", "Run-on, thirty seconds", 12, [{ label: "thirty seconds", runOnS: 30 }]),
  module("module-delay", "Delay, two seconds", 11, [{ label: "two seconds late", delayS: 2 }]),
  module("module-pass", "Flash to pass, three flashes", 15, [
    { label: "three flashes, then steady", flashes: 3, onS: 0.15, offS: 0.15 },
  ]),
  module("module-latch", "Latching pad, four channels", 38, [
    { label: "press on, press off", latch: true },
    { label: "press on, press off", latch: true },
    { label: "press on, press off", latch: true },
    { label: "press on, press off", latch: true },
  ]),
  module("module-strobe", "Strobe driver, two channels", 33, [
    { label: "double strobe", flashes: -1, onS: 0.06, offS: 0.12 },
    { label: "slow strobe", flashes: -1, onS: 0.2, offS: 0.4 },
  ]),
  module("module-bus-aux", "Bus controller, auxiliary pair", 96, [
    {
      label: "three tenths, full with high beam; soft start, trips at 5 A",
      level: 0.3,
      boostLevel: 1,
      boostWith: ["high"],
      softS: 0.4,
      tripA: 5,
      retries: 2,
      retryS: 1,
    },
    { label: "quarter riding, full braking", level: 0.25, boostLevel: 1, boostWith: ["brake"] },
  ]),
  module("module-bus-rear", "Bus controller, rear", 88, [
    {
      label: "fifth riding, five flashes above 40 km/h when braking",
      level: 1,
      flashes: 5,
      onS: 0.1,
      offS: 0.1,
      flashFromKmh: 40,
      lockoutS: 4,
    },
    { label: "off while turning", offWith: ["left", "right"], offHoldS: 0.5 },
  ]),
];
