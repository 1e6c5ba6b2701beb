import { itemAt } from "../../present/index.ts";
import {
  append,
  asId,
  plugInModule,
  setCircuit,
  type ConnectorId,
  type HarnessId,
  type Job,
  type PinId,
  type CircuitId,
} from "../../job/index.ts";
import { stated } from "../../quantity/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";
import { demoPart } from "../shelf/shelf.ts";
import { connector, pin } from "../vehicle/parts.ts";
import { CARRICK, FELLRUNNER, PETREL, SWATHE } from "../vehicles.ts";
import { make, type FitMaker } from "./fitMaker.ts";
import { from, when } from "./jobMaker.ts";

const pinFeed = (id: string) => ({ kind: "pin" as const, pinId: asId<never>(id) });

/** The tourer with its factory position lamps as they hang on its loom, and box on or off. */
const CARRICK_NOSE: Vehicle = {
  ...CARRICK,
  variants: [
    { id: asId("box-on"), name: "with the top box" },
    { id: asId("box-off"), name: "without the top box" },
  ],
  variant: asId("box-on"),
  baseLoads: [
    ...CARRICK.baseLoads,
    {
      ...{
        id: "position-left",
        name: "Left position lamp",
        kind: "lamp",
        at: "",
        currentA: stated(0.42, 0.38, 0.45),
      },
      ...{ parked: 0, engineOff: 0, idle: 1, town: 1, cruise: 1 },
    },
    {
      ...{
        id: "position-right",
        name: "Right position lamp",
        kind: "lamp",
        at: "",
        currentA: stated(0.42, 0.38, 0.45),
      },
      ...{ parked: 0, engineOff: 0, idle: 1, town: 1, cruise: 1 },
    },
  ],
};

/** Factory position lamps go dark beside the turn signal; a module drives the box at the rear. */
function tourerModules(): Job {
  const deactivator = demoPart("plug-in-deactivator");
  const pinId = asId<PinId>("trunk-park");
  const maker = make(
    "Plug-in modules, front and rear",
    "Ansgar Road Touring Club",
    CARRICK_NOSE,
    "club 9",
  )
    .card({ stage: "circuit", promised: "2026-12-20" })
    .wish("beSeen", "Position lamps dark while that side turns.");
  if (deactivator.kind !== "box") throw new Error("the deactivator is no module");
  const mint = (prefix: string) => `plugged-${prefix}-${maker.job.runs.length + 1}`;
  const first = { module: deactivator, pinId, baseLoadId: "position-left", channel: 1 };
  maker.do(...plugInModule(maker.job, { ...first, place: "left" }, mint));
  const module = { supplyId: itemAt(maker.job.supplies, 0).id };
  const second = { module, pinId, baseLoadId: "position-right", channel: 2 };
  return maker
    .do(...plugInModule(maker.job, { ...second, place: "right" }, mint))
    .supply("rear", "Rear module", "module-bus-rear", { gate: "key" })
    .run("box-brake", "Box brake light", "rear", when("brake"), [["tail-two-level", 1, "rear"]], {
      feed: from("rear"),
    }).job;
}

/** The marshal's bulbs make room for LED turn lamps, plug to plug, and a load keeps the rate. */
function replacedTurns(): Job {
  const bulb = (id: string, name: string) => ({
    ...{ id, name, kind: "lamp" as const, at: "" as const, currentA: stated(1.6, 1.5, 1.7) },
    ...{ parked: 0, engineOff: 0, idle: 0.05, town: 0.05, cruise: 0.01 },
  });
  const vehicle: Vehicle = {
    ...PETREL,
    factoryLamps: { ...PETREL.factoryLamps, turnFront: 2, turnRear: 2 },
    baseLoads: [
      ...PETREL.baseLoads,
      bulb("turn-left", "Left turn bulbs"),
      bulb("turn-right", "Right turn bulbs"),
    ],
  };
  const side = (maker: FitMaker, id: "left" | "right"): FitMaker => {
    const run = asId<CircuitId>(id);
    const made = maker.run(
      id,
      id === "left" ? "Left turn" : "Right turn",
      "rear",
      when(id),
      [
        ["turn-switchback", 1, id],
        ["turn-plug", 1, id],
      ],
      { feed: pinFeed(id), relay: "no" },
    );
    const bulbs = `turn-${id}`;
    return made
      .lamp(1, { joint: "adapter", replaces: bulbs, label: `Front ${id} turn` })
      .lamp(0, { joint: "plug", replaces: bulbs, label: `Rear ${id} turn` })
      .do(setCircuit(run, "onIdle", 0.05));
  };
  const maker = make(
    "LED turn lamps in place of bulbs",
    "Hollin Fell Rescue Post",
    vehicle,
    "marshal 4",
  )
    .card({ stage: "signals", promised: "2026-12-08" })
    .wish("beSeen", "LED turn lamps all round, by adapters; nothing cut.");
  return side(side(maker, "left"), "right").job;
}

/** The quad with the plugs of its two tail lamps, which nobody wants cut. */
const FELLRUNNER_TAIL: Vehicle = {
  ...FELLRUNNER,
  connectors: [
    ...FELLRUNNER.connectors,
    connector("tail-left", "Left tail plug", "behind the left tail lamp", "rear-rack"),
    connector("tail-right", "Right tail plug", "behind the right tail lamp", "rear-rack"),
  ],
  pins: [
    ...FELLRUNNER.pins,
    pin(
      ...(["tail-left-park", "tail-left", "1", "brown", "left tail lamp"] as const),
      ...(["lighting", "park", stated(0.8, 0.6, 1), 10, "Wren Dalby", "proved"] as const),
    ),
    pin(
      ...(["tail-left-brake", "tail-left", "2", "green/yellow", "left brake lamp"] as const),
      ...(["signal", "brake", stated(0.8, 0.6, 1), 10, "Wren Dalby", "proved"] as const),
    ),
    pin(
      ...(["tail-right-park", "tail-right", "1", "brown", "right tail lamp"] as const),
      ...(["lighting", "park", stated(0.8, 0.6, 1), 10, "Wren Dalby", "proved"] as const),
    ),
  ],
};

/** Lights of a feed trailer, by a harness that goes between the tail lamps' own plugs. */
function trailerThroughTail(): Job {
  const joint = (id: string, mark: string) => ({
    ...{ id, connectorId: asId<ConnectorId>(id), mark },
  });
  const maker = make(
    "Trailer lights through the tail plugs",
    "Fold Lane Farm",
    FELLRUNNER_TAIL,
    "plate 14",
  ).card({ stage: "circuit", promised: "2026-12-18" });
  return maker
    .do(
      append(maker.job, "harness", {
        ...{ id: asId<HarnessId>("trailer"), name: "Trailer harness", note: "1.5 m to the hitch" },
        joints: [joint("tail-left", "white sleeve"), joint("tail-right", "red sleeve")],
      }),
    )
    .wish("beSeen", "The trailer shows what the quad shows; nothing of the quad is cut.")
    .run("left-tail", "Trailer, left tail", "rear", when("park"), [["turn-led", 1, "rear"]], {
      ...{ feed: pinFeed("tail-left-park"), relay: "no" },
    })
    .run("brake", "Trailer brake lights", "rear", when("brake"), [["turn-led", 2, "rear"]], {
      ...{ feed: pinFeed("tail-left-brake"), relay: "no" },
    })
    .run("right-tail", "Trailer, right tail", "rear", when("park"), [["turn-led", 1, "rear"]], {
      ...{ feed: pinFeed("tail-right-park"), relay: "no" },
    }).job;
}

/** The mower's engine has a lighting coil that its battery knows nothing of. */
const SWATHE_COIL: Vehicle = {
  ...SWATHE,
  connectors: [
    ...SWATHE.connectors,
    connector("coil", "Lighting coil plug", "under the blower housing, one cavity", "engine-right"),
  ],
  pins: [
    ...SWATHE.pins,
    pin(
      ...(["coil-ac", "coil", "1", "yellow", "lighting coil"] as const),
      ...(["lighting", "engine", stated(5, 4.6, 5.5), 0, "Pim Okkerse", "proved", "ac"] as const),
    ),
  ],
};

/** Lamps on a coil that alternates, behind a bridge: their negative is not the frame. */
function coilMower(): Job {
  return make("Lamps on the lighting coil", "Hollin Beck Cricket Ground", SWATHE_COIL, "old roller")
    .card({ stage: "circuit", promised: "2026-12-21" })
    .wish("seeFurther", "Two floods for the last hour, nothing from the battery.")
    .supply("bridge", "Bridge and regulator", "rectifier-coil-12", { feed: pinFeed("coil-ac") })
    .run("floods", "Deck floods", "front", when("switch", "engine"), [["pod-18", 2, "front"]], {
      ...{ feed: { kind: "supply", supplyId: asId("bridge") }, relay: "no", return: "wire" },
    }).job;
}

/**
 * Jobs that go by the vehicle's own plugs: modules, adapters and harnesses between them, and a
 * wire of its lighting coil.
 */
export const plugJobs = (): readonly Job[] => [
  tourerModules(),
  replacedTurns(),
  trailerThroughTail(),
  coilMower(),
];
