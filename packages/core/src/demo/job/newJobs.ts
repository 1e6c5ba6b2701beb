import { itemAt, present } from "../../present/index.ts";
import {
  asId,
  contentOf,
  unbox,
  type KitSwitch,
  type KitSwitchId,
  type HarnessId,
  type Job,
} from "../../job/index.ts";
import { PLAIN, type KitPart } from "../../part/index.ts";
import { measured } from "../../quantity/index.ts";
import { wiresOf } from "../../circuit/index.ts";
import { synthesise } from "../../synthesis/index.ts";
import { make, type FitMaker } from "./fitMaker.ts";
import { eitherOf, from, part, when } from "./jobMaker.ts";
import { LAPWING, LITTER, MIDGE, PORTER } from "../vehicles.ts";

const control = (id: string) => asId<KitSwitchId>(id);

/** The stalk's four switches sit in one: lights is its own, the others are guests in it. */
const guest = (fields: Partial<KitSwitch>): Partial<KitSwitch> => ({
  housing: control("stalk"),
  switchPartId: part("stalk-multi"),
  ...fields,
});

/** What the cart's road kit lays out: converter, board, flasher, stalk, pedal, lamps and horn. */
function roadKitCircuits(maker: FitMaker): FitMaker {
  const made = maker
    .supply("converter", "Converter", "converter-60-12-25", { gate: "key" })
    .supply("board", "Relay board", "relay-board-6", { feed: from("converter") })
    .supply("flasher", "Flasher", "flasher-any-load", { feed: from("converter") })
    .control("stalk", "Stalk, lights", ["park", "low", "high"], {
      feed: from("converter"),
      switchPartId: part("stalk-multi"),
    })
    .control("turn", "Stalk, turn", ["left", "right"], guest({ feed: from("flasher") }))
    .control("hazards", "Stalk, hazards", ["hazard"], guest({ feed: from("flasher") }))
    .control(
      "horn-button",
      "Stalk, horn",
      ["horn"],
      guest({ feed: from("converter"), momentary: true, switches: "ground", poles: 1 }),
    )
    .control("pedal", "Brake pedal switch", ["pedal"], { feed: from("converter"), poles: 1 })
    .run("low", "Low beam", "front", when("low"), [["pod-18", 2, "front"]], { feed: from("board") })
    .run("high", "High beam", "front", when("high"), [["pod-30", 2, "front"]], {
      feed: from("board"),
    })
    .run("horn", "Horn", "front", when("horn"), [["horn-3a", 1, "front"]], {
      ...{ feed: from("board"), channel: 6 },
    })
    .run("brake", "Brake lights", "rear", when("brake"), [["tail-two-level", 2, "rear"]], {
      feed: from("board"),
    })
    .run(
      "tail",
      "Tail lights",
      "rear",
      eitherOf("park", "low", "high"),
      [["tail-two-level", 2, "rear"]],
      { feed: from("converter") },
    );
  const { lamps } = made.job;
  return made
    .lamp(0, { light: "dim", housing: itemAt(lamps, lamps.length - 3).id })
    .lamp(1, { light: "dim", housing: itemAt(lamps, lamps.length - 4).id })
    .run("left", "Left turn", "rear", eitherOf("left", "hazard"), [["turn-led", 2, "rear"]], {
      feed: from("converter"),
    })
    .run("right", "Right turn", "rear", eitherOf("right", "hazard"), [["turn-led", 2, "rear"]], {
      feed: from("converter"),
    });
}

/** Colours that the kit's own leaflet gives: left and right are told apart at last. */
const KIT_COLOURS: Readonly<Record<string, string>> = {
  low: "yellow",
  high: "blue/white",
  horn: "green",
  brake: "orange",
  tail: "brown",
  left: "white",
  right: "red",
};

/** The cart's road kit as one thing on the shelf, with a front and a rear harness made up. */
export function roadKitPart(): KitPart {
  const { job } = roadKitCircuits(make("kit", "", PORTER, ""));
  const front = { id: asId<HarnessId>("front-harness"), name: "Front harness of the road kit" };
  const rear = { id: asId<HarnessId>("rear-harness"), name: "Rear harness of the road kit" };
  const ends = new Map([
    ...["low", "high", "horn"].map((id) => [id, front] as const),
    ...["brake", "tail", "left", "right"].map((id) => [id, rear] as const),
  ]);
  const wireChoices = wiresOf(synthesise(job)).flatMap((wire, i) => {
    const harness = ends.get(wire.runId);
    const made = wire.role === "load" || wire.role === "return" || wire.role === "branch";
    if (!harness || !made || wire.harness !== "") return [];
    const colour =
      wire.role === "return"
        ? "black"
        : present(KIT_COLOURS[wire.runId], `the kit's colour of ${wire.runId}`);
    const long = wire.role === "branch" ? 0.4 : harness === front ? 3.2 : 4.4;
    return [
      {
        ...{ id: `kit-wire-${i + 1}`, wire: wire.id, harnessId: harness.id, colour },
        gaugeId: wire.role === "branch" ? "18 AWG" : "14 AWG",
        lengthM: measured(long, long - 0.02, long + 0.02),
      },
    ];
  });
  return {
    id: asId("kit-road-cart"),
    kind: "kit",
    name: "Road kit for carts, six relays",
    note: "Invented. Harness ends are told apart by colour: left white, right red.",
    price: 389,
    stock: 1,
    ingress: "",
    ratedV: 0,
    items: [
      { name: "Voltage converter, 60 to 12 V", count: 1 },
      { name: "Six-relay board", count: 1 },
      { name: "Three-pin flasher for any load", count: 1 },
      { name: "Stalk: lights, turn, hazard, horn", count: 1 },
      { name: "Brake pedal switch", count: 1 },
      { name: "18 W flood pod", count: 2 },
      { name: "30 W spot pod", count: 2 },
      { name: "Two-level LED tail lamp", count: 2 },
      { name: "LED turn lamp", count: 4 },
      { name: "Horn", count: 1 },
      { name: "Front harness of the road kit", count: 1 },
      { name: "Rear harness of the road kit", count: 1 },
      { name: "Self-drilling screw", count: 16 },
      { name: "Cable tie", count: 30 },
    ],
    content: {
      ...contentOf(job),
      harnesses: [
        { ...front, note: "3.2 m", joints: [] },
        { ...rear, note: "4.4 m", joints: [] },
      ],
      wireChoices,
    },
  };
}

/** The shuttle's road kit, unboxed as it comes. */
function unboxedCart(): Job {
  const maker = make("Road kit unboxed", "Hollin Hill Observatory", PORTER, "shuttle D")
    .card({ stage: "circuit", promised: "2026-12-17" })
    .wish("beLegal", "The whole road kit, as it comes out of the box.");
  let n = 0;
  return maker.do(...unbox(maker.job, roadKitPart(), () => `unboxed-${(n += 1)}`)).job;
}

/** Lights of a trials bike on a tool battery, apart from its pack: five wires to the tail. */
function toolBatteryBike(): Job {
  const tail = "tail-five-wire";
  const feed = from("tool");
  const maker = make("Road lights on a tool battery", "Beck Trials Club", MIDGE, "club bike")
    .card({ stage: "circuit", promised: "2026-12-19" })
    .wish("beLegal", "Lights for the lane home, nothing taken from the pack.")
    .supply("tool", "Tool battery", "battery-tool-3s")
    .supply("flasher", "Flasher", "flasher-any-load", { feed })
    .control("turn", "Turn switch", ["left", "right"], { feed: from("flasher") })
    .control("lever", "Left lever switch", ["lever"], {
      ...{ feed, poles: 1, switchPartId: part("switch-brake-lever") },
    })
    .control("pedal", "Right lever switch", ["pedal"], {
      ...{ feed, poles: 1, switchPartId: part("switch-brake-lever") },
    })
    .run("run", "Tail running light", "rear", when("switch"), [[tail, 1, "rear"]], {
      ...{ feed, onEngineOff: 1 },
    });
  const host = itemAt(maker.job.lamps, 0).id;
  return maker
    .run("brake", "Brake light", "rear", when("brake"), [[tail, 1, "rear"]], { feed })
    .lamp(0, { light: "brake", housing: host })
    .run("left", "Left turn", "rear", when("left"), [[tail, 1, "rear"]], { feed: from("flasher") })
    .lamp(0, { light: "left", housing: host })
    .run("right", "Right turn", "rear", when("right"), [[tail, 1, "rear"]], {
      feed: from("flasher"),
    })
    .lamp(0, { light: "right", housing: host }).job;
}

/** A hub whose channels differ, with a breaker before them all: the bar wants the strong one. */
function unevenHub(): Job {
  return make("Hub of uneven channels", "Hollin Fell Rescue Post", LITTER, "buggy 3")
    .card({ stage: "circuit", promised: "2026-12-14" })
    .wish("seeFurther", "Bar in front on the strong channel, pods on the others.")
    .supply("hub", "Six-way hub", "hub-6-uneven")
    .run("bar", "Front bar", "front", when("switch"), [["bar-120", 1, "front"]], {
      ...{ feed: from("hub"), channel: 1, return: "block" as const, onEngineOff: 1 },
    })
    .run("pods", "Side pods", "front", when("switch"), [["pod-18", 2, "left"]], {
      ...{ feed: from("hub"), channel: 3, return: "block" as const, onEngineOff: 1 },
    })
    .run("amber", "Amber rear", "rear", when("switch"), [["amber-pod-12", 1, "rear"]], {
      ...{ feed: from("hub"), channel: 5, return: "block" as const, onEngineOff: 0.3 },
    }).job;
}

/** A strip that rides at a tenth, and flashes only braking above 15 km/h. */
function brakeStrip(): Job {
  const program = {
    ...PLAIN,
    ...{ label: "a tenth riding; braking full, four flashes above 15 km/h", level: 0.1 },
    ...{ boostLevel: 1, boostWith: ["brake"] as const, flashWith: ["brake"] as const },
    ...{ flashes: 4, onS: 0.08, offS: 0.08, flashFromKmh: 15, lockoutS: 3 },
  };
  return make("Brake strip, a tenth riding", "Fold Lane Bakery", LAPWING, "no. 4")
    .card({ stage: "signals", promised: "2026-12-12" })
    .wish("beSeenBraking", "One strip: dim on the road, full and pulsing on the brake.")
    .supply("module", "Brake module", "module-brake-steady", { gate: "key" })
    .run(
      "strip",
      "Brake strip",
      "rear",
      eitherOf("key", "brake"),
      [["strip-red-metre", 1, "rear"]],
      {
        ...{ feed: from("module"), program },
      },
    )
    .lamp(0, { lengthM: 0.6 }).job;
}

/** Six strips of 12 V on 36 V: three pairs in series, with no converter. */
function threePairs(): Job {
  return make("Six strips as three pairs", "Hollin Fell Rescue Post", LITTER, "buggy 4")
    .card({ stage: "circuit", promised: "2026-12-16" })
    .wish("beSeen", "Red along both rails of the bed, straight from the pack.")
    .run("rails", "Rail strips", "rear", when("switch"), [["strip-12-short", 6, "rear"]], {
      ...{ feed: { kind: "pack" as const }, arrangement: "series" as const, perStep: 2 },
      ...{ return: "wire" as const, switchPartId: part("switch-80v"), onEngineOff: 1 },
    }).job;
}

/** Jobs of kinds that the trade asks for every week: kits, modules, adapters, strings. */
export const newJobs = (): readonly Job[] => [
  unboxedCart(),
  toolBatteryBike(),
  unevenHub(),
  brakeStrip(),
  threePairs(),
];
