import { BATTERY, LIGHTING_COIL, PACK, terminalNode } from "../../../circuit/index.ts";
import {
  asId,
  type ElementId,
  type Feed,
  type Job,
  type NodeId,
  type PinId,
  type CircuitId,
  type UnitId,
} from "../../../job/index.ts";
import { boundedValue } from "../../../quantity/index.ts";
import { isFromCoil, type ConnectorPin, type PinSupply } from "../../../vehicle/index.ts";
import { Bench, type Assembly } from "../assembly.ts";
import { FACTORY_WIRE, FACTORY_WIRE_M } from "../../defaults.ts";
import { frameLug, hasFrameReturn, type Negative } from "../piece/grounds.ts";
import { COIL_RMS_V, HALF_WAVE_RMS_V, PIN_ORIGINS } from "../../pick/pinOrigin.ts";
import { pinSite, pinText } from "../../pick/signalWire.ts";
import { FACTORY_TERMINALS, GROUND_SWITCHED_TERMINALS } from "../../../unit/factory/unit.ts";

/** What the vehicle itself brings, as owner of elements: no id of a document has a dot in it. */
const VEHICLE = asId<CircuitId>("vehicle.own");

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
  if (job.vehicle.pins.some((pin) => isFromCoil(pin.supply))) layOutCoil(a);
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

/** The engine's lighting coil: it alternates, and one end of it is on the frame. */
function layOutCoil(a: Assembly): void {
  a.claim(LIGHTING_COIL);
  const unit = a.put(LIGHTING_COIL, "", {
    ...{ kind: "battery", name: "lighting coil", site: { kind: "battery" }, fitted: false },
    terminals: [
      ["pos", "post", "nothing is fed from it"],
      ["half", "post", "nothing is fed from behind its diode"],
      ["neg", "post", "its own end is on the frame"],
    ],
  });
  const fixed = (volts: number) => ({ kind: "fixed" as const, volts });
  a.posts.push(
    { unit, node: terminalNode(unit, "pos"), root: fixed(COIL_RMS_V), words: "lighting coil" },
    {
      unit,
      node: terminalNode(unit, "half"),
      root: fixed(HALF_WAVE_RMS_V),
      words: "lighting coil, half of its waves",
    },
    {
      unit,
      node: terminalNode(unit, "neg"),
      root: fixed(0),
      words: "frame end of the lighting coil",
    },
  );
}

/** Negative of the vehicle's own battery, pack or lighting coil. */
export function ownNegative(job: Job, of: PinSupply): Negative {
  if (isFromCoil(of)) {
    const node = terminalNode(LIGHTING_COIL, "neg");
    return { node, path: [], words: "the frame", onFrame: true };
  }
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
  readonly unit: UnitId;
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
  if (pin.switches === "ground") return groundCircuit(a, b, job, pin, known);
  const unit: UnitId = a.put(a.claim(`factory_${pin.id.replace(".", "_")}`), "", {
    ...{ kind: "factory", name: pinText(job.vehicle, pin), fitted: false },
    site: pinSite(pin),
    terminals: FACTORY_TERMINALS,
  });
  const feed = terminalNode(unit, "feed");
  const node = terminalNode(unit, "out");
  const { post } = PIN_ORIGINS[pin.supply];
  const wire = b.wire(
    `${pin.id}.feed`,
    "factory",
    post,
    feed,
    { gaugeId: FACTORY_WIRE },
    boundedValue(FACTORY_WIRE_M, "assumed"),
    "vehicle's own loom",
  );
  const tap = b.inside(unit, `${pin.id}.tap`, { kind: "tap", from: feed, to: node, pin });
  const circuit: FactoryCircuit = { unit, node, ids: [wire, tap] };
  known.set(pin.id, circuit);
  return circuit;
}

/** A factory wire that is tied to the negative when it is live: what hangs on it must be fed. */
function groundCircuit(
  a: Assembly,
  b: Bench,
  job: Job,
  pin: ConnectorPin,
  known: Map<PinId, FactoryCircuit>,
): FactoryCircuit {
  const unit: UnitId = a.put(a.claim(`factory_${pin.id.replace(".", "_")}`), "", {
    ...{ kind: "factory", name: pinText(job.vehicle, pin), fitted: false },
    site: pinSite(pin),
    terminals: GROUND_SWITCHED_TERMINALS,
  });
  const node = terminalNode(unit, "out");
  const ground = factoryGround(b, job, pin, unit);
  const tap = b.inside(unit, `${pin.id}.tap`, { kind: "tap", from: node, to: ground.node, pin });
  const circuit: FactoryCircuit = { unit, node, ids: [tap, ...ground.ids] };
  known.set(pin.id, circuit);
  return circuit;
}

/** The ground of a factory lamp's own plug, and its way back by the vehicle's loom. */
export function factoryGround(
  b: Bench,
  job: Job,
  pin: ConnectorPin,
  unit: UnitId,
): { readonly node: NodeId; readonly ids: readonly ElementId[] } {
  const node = b.assembly.terminal(unit, "gnd", "loom");
  const own = new Bench(b.assembly, VEHICLE);
  const id = own.id(`${pin.id}.ground`);
  const negative = ownNegative(job, pin.supply);
  const known = b.assembly.elements.get(id);
  const lug = negative.onFrame && !known ? frameLug(own, `${pin.id}_ground`) : null;
  const lugIds = negative.onFrame ? [own.id(`${pin.id}_groundLug`)] : [];
  if (known) return { node, ids: [id, ...lugIds] };
  own.wire(
    `${pin.id}.ground`,
    "factory",
    node,
    lug?.node ?? negative.node,
    { gaugeId: FACTORY_WIRE },
    boundedValue(FACTORY_WIRE_M, "assumed"),
    "vehicle's own loom",
  );
  return { node, ids: [id, ...lugIds] };
}
