import { BATTERY, PACK, terminalNode } from "../circuit/index.ts";
import {
  asId,
  type ElementId,
  type Feed,
  type Job,
  type NodeId,
  type PinId,
  type RunId,
  type UnitId,
} from "../job/index.ts";
import { factOf } from "../quantity/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";
import { Bench, type Assembly } from "./assembly.ts";
import { FACTORY_WIRE, FACTORY_WIRE_M } from "./defaults.ts";
import { hasFrameReturn, type Negative } from "./grounds.ts";
import { pinText } from "./tap.ts";

/** What the vehicle itself brings, as owner of elements: no id of a document has a dot in it. */
const VEHICLE = asId<RunId>("vehicle.own");

/** The vehicle's own battery and pack, with their posts held. */
export function layOutSources(a: Assembly, job: Job): void {
  const { system } = job.vehicle;
  a.claim(BATTERY);
  a.claim(PACK);
  a.claim("chassis");
  if (system.kind !== "pack") {
    a.put(BATTERY, "", {
      ...{ kind: "battery", name: "battery", site: { kind: "battery" }, fitted: false },
      terminals: [
        ["pos", "post", "nothing is fed from it"],
        ["neg", "post", "the vehicle's own cable takes it to the frame"],
      ],
    });
    const unit = BATTERY;
    a.posts.push(
      { unit, node: terminalNode(unit, "pos"), root: { kind: "battery" }, words: "battery +" },
      {
        unit,
        node: terminalNode(unit, "neg"),
        root: { kind: "fixed", volts: 0 },
        words: "battery −",
      },
    );
  }
  if (system.kind === "engine") return;
  const { blocks } = system.pack;
  const unit = PACK;
  const taps = Array.from({ length: Math.max(0, blocks - 1) }, (_, i) => i + 1);
  a.put(unit, "", {
    ...{ kind: "pack", name: "pack", site: { kind: "battery" }, fitted: false },
    terminals: [
      ["pos", "post", "nothing is fed from it"],
      ["neg", "post", "nothing returns to it"],
      ...taps.map((n) => [`tap${n}`, "post", "not tapped"] as const),
    ],
  });
  a.posts.push(
    { unit, node: terminalNode(unit, "pos"), root: { kind: "pack", share: 1 }, words: "pack +" },
    { unit, node: terminalNode(unit, "neg"), root: { kind: "fixed", volts: 0 }, words: "pack −" },
    ...taps.map((n) => ({
      unit,
      node: terminalNode(unit, `tap${n}`),
      root: { kind: "pack" as const, share: n / blocks },
      words: `pack, ${n} blocks`,
    })),
  );
}

/** Negative of the vehicle's own battery or pack. */
export function ownNegative(job: Job, of: "battery" | "pack"): Negative {
  return of === "battery"
    ? {
        node: terminalNode(BATTERY, "neg"),
        path: [],
        words: "battery −",
        onFrame: hasFrameReturn(job),
      }
    : { node: terminalNode(PACK, "neg"), path: [], words: "pack −", onFrame: false };
}

/** The post that a feed straight from battery or pack starts at; null for any other. */
export function postOf(job: Job, feed: Feed): NodeId | null {
  switch (feed.kind) {
    case "battery":
      return job.vehicle.system.kind === "pack" ? null : terminalNode(BATTERY, "pos");
    case "pack":
      return terminalNode(PACK, "pos");
    case "block": {
      const { system } = job.vehicle;
      const blocks = system.kind === "engine" ? 0 : system.pack.blocks;
      return terminalNode(PACK, feed.blocks >= blocks ? "pos" : `tap${feed.blocks}`);
    }
    default:
      return null;
  }
}

export interface FactoryCircuit {
  readonly node: NodeId;
  /** The wire from its source, and the circuit up to the tap. */
  readonly ids: readonly ElementId[];
}

/** A factory circuit that is tapped: one unit a pin, however many wires are taken from it. */
export function factoryCircuit(
  a: Assembly,
  job: Job,
  pin: ConnectorPin,
  known: Map<PinId, FactoryCircuit>,
): FactoryCircuit {
  const made = known.get(pin.id);
  if (made) return made;
  const b = new Bench(a, VEHICLE);
  const unit: UnitId = a.put(a.claim(`factory_${pin.id}`), "", {
    ...{ kind: "factory", name: pinText(job.vehicle, pin), fitted: false },
    site: { kind: "pin", pinId: pin.id },
    terminals: [
      ["feed", "own"],
      ["out", "tap"],
    ],
  });
  const feed = terminalNode(unit, "feed");
  const node = terminalNode(unit, "out");
  const post = terminalNode(pin.supply === "pack" ? PACK : BATTERY, "pos");
  const wire = b.wire(
    `${pin.id}.feed`,
    "factory",
    post,
    feed,
    { gaugeId: FACTORY_WIRE },
    factOf(FACTORY_WIRE_M, "assumed"),
    "vehicle's own loom",
  );
  const tap = b.inside(unit, `${pin.id}.tap`, { kind: "tap", from: feed, to: node, pin });
  const circuit: FactoryCircuit = { node, ids: [wire, tap] };
  known.set(pin.id, circuit);
  return circuit;
}
