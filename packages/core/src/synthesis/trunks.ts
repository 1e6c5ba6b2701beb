import { rootV, type Choice, type Element, type TrunkCircuit } from "../circuit/index.ts";
import {
  asId,
  type Control,
  type ElementId,
  type Input,
  type Job,
  type NodeId,
  type PinId,
  type RunId,
  type Supply,
} from "../job/index.ts";
import { relayForV, type SwitchPart } from "../part/index.ts";
import { assumed, factOf, sum, type Fact, type Interval } from "../quantity/index.ts";
import { restVolts } from "../source/index.ts";
import { wireResistanceOhm } from "../wire/index.ts";
import { COIL_FUSE_A, COIL_FUSE_AT_M, COIL_WIRE, GROUND_TAIL_M } from "./defaults.ts";
import { feedPointOf, supplyNode, type FeedPoint } from "./feedPoint.ts";
import { decideFuse } from "./fuse.ts";
import { controlPins, controlSwitch, tiesFeeds } from "./kitControl.ts";
import { layOutTap, type ControlPosition } from "./layOutTap.ts";
import type { Choices, Gaps, RunPlan } from "./plan.ts";
import { GROUND, GROUND_BLOCK, RunBuilder } from "./runBuilder.ts";
import { tapsFor } from "./tap.ts";
import { controlDrawA, runsUsing, supplyDrawA, supplyInputA } from "./trunkDraw.ts";
import { chooseWire } from "./wire.ts";
import { GENERIC_SWITCH } from "../part/index.ts";

/** Share of the drop target that a trunk may take: two in a row leave half to the run, fuses and contacts the rest. */
const TRUNK_SHARE = 1 / 6;

export interface Trunks {
  readonly elements: readonly Element[];
  readonly trunks: readonly TrunkCircuit[];
  readonly controls: ReadonlyMap<PinId, ControlPosition>;
  /** Fuse before each control in A, by the control's id. */
  readonly controlFuseA: ReadonlyMap<string, number>;
  readonly groundBlock: readonly ElementId[];
}

/** A supply and its elements wear its id where a run's elements wear the run's. */
export const ownerOf = (id: string): RunId => asId<RunId>(id);

const NONE: readonly ElementId[] = [];

interface Maker {
  readonly job: Job;
  readonly plans: readonly RunPlan[];
  readonly choices: Choices;
  readonly gaps: Gaps;
  readonly elements: Element[];
  readonly trunks: TrunkCircuit[];
}

function noteOf(m: Maker, owner: RunId, kind: Choice["kind"], d: Omit<Choice, "runId" | "kind">) {
  const { picked, reason, pinned } = d;
  m.choices.push({ runId: owner, kind, picked, reason, pinned });
}

/** Elements of the supplies before a feed. */
function sharedBefore(m: Maker, feed: Supply["feed"]): readonly ElementId[] {
  if (feed.kind !== "supply") return NONE;
  const before = m.trunks.find((t) => t.ownerId === ownerOf(feed.supplyId));
  return before ? [...before.shared, ...before.path] : NONE;
}

interface Feeder {
  readonly b: RunBuilder;
  readonly owner: RunId;
  readonly name: string;
  readonly feed: FeedPoint;
  readonly fuse: Supply["fuse"];
  readonly wire: string | null;
  readonly fuseAtM: Fact;
  readonly feedM: Fact;
  readonly drawA: Interval;
}

/** Fuse and wire from a feed to something added; returns where it ends and what the fuse is. */
function layOutFeeder(m: Maker, f: Feeder) {
  const { practices } = m.job;
  const path: ElementId[] = [];
  let node = f.feed.node;
  if (f.feed.source.kind === "pin") {
    const place = { controls: new Map<PinId, ControlPosition>() };
    const tap = layOutTap(f.b, "source", f.feed.source.pin, place);
    path.push(...tap.ids);
    node = tap.node;
  }
  const fuse = decideFuse({ fuse: f.fuse }, Math.max(0.1, f.drawA.mid), practices);
  const fuseA = fuse.value ?? 0;
  noteOf(m, f.owner, "fuse", fuse);
  const wire = chooseWire(
    {
      pinned: f.wire,
      throughA: Math.max(fuseA, fuse.value === null ? f.drawA.high : 0),
      behind: fuse.value === null ? "draw" : "fuse",
      target: practices.dropTarget * TRUNK_SHARE,
      dropWith: (gauge) =>
        (f.drawA.mid * wireResistanceOhm(gauge, f.feedM.value, practices.ambientC)) / f.feed.volts,
    },
    practices,
  );
  noteOf(m, f.owner, "wire", wire);
  const origin = f.feed.words.length > 24 ? "feed" : f.feed.words;
  let from = origin;
  if (fuse.value !== null) {
    if (!f.feed.box) {
      const stub = f.b.node("stub");
      path.push(f.b.wire("stub", "feed", node, stub, wire.value, f.fuseAtM, [origin, "fuse"]));
      node = stub;
    }
    const fused = f.b.node("fused");
    path.push(
      f.b.add({
        kind: "fuse",
        ...f.b.base("fuse", node, fused),
        ratingA: fuse.value,
        resets: f.fuse.kind === "breaker",
        systemV: f.feed.volts,
        fromSourceM: f.fuseAtM,
      }),
    );
    node = fused;
    from = f.feed.box ? origin : "fuse";
  }
  const end = f.b.node("feedEnd");
  path.push(f.b.wire("feed", "feed", node, end, wire.value, f.feedM, [from, f.name]));
  return { path, node: end, fuseA };
}

/** A relay on the key between a feeder and what it feeds. */
function layOutKeyGate(m: Maker, b: RunBuilder, owner: RunId, from: NodeId, volts: number) {
  const key = tapsFor(m.job, "key").find((pin) => m.job.vehicle.pins.includes(pin));
  if (!key) {
    m.gaps.push({
      runId: owner,
      kind: "tapUnknown",
      detail: "no wire live with key on is in the connector map",
    });
    return { path: NONE, gate: NONE, node: from };
  }
  const { system } = m.job.vehicle;
  const coilV = key.supply === "pack" && system.kind !== "engine" ? system.pack.nominalV : 12;
  const part = relayForV(coilV);
  const size = COIL_WIRE[m.job.practices.wireSystem];
  const tap = layOutTap(b, "tap", key, { controls: new Map() });
  const fused = b.node("coilFused");
  const fuse = b.add({
    kind: "fuse",
    ...b.base("coilFuse", tap.node, fused),
    ratingA: COIL_FUSE_A,
    resets: false,
    systemV: volts,
    fromSourceM: COIL_FUSE_AT_M,
  });
  const led = b.node("tapWireEnd");
  const lead = b.wire("tapWire", "tap", fused, led, size, assumed(0.5, 0.3, 1), [
    "tap",
    "relay 86",
  ]);
  const out = b.node("coilOut");
  const coil = b.add({ kind: "coil", ...b.base("coil", led, out), part, plusTerminal: "86" });
  const ground = b.wire("coilReturn", "coilReturn", out, GROUND, size, GROUND_TAIL_M, [
    "relay 85",
    "ground",
  ]);
  const behind = b.node("behind");
  const contact = b.add({
    kind: "contact",
    ...b.base("contact", from, behind),
    part,
    coilId: coil,
    inBox: "",
    normallyClosed: false,
  });
  return { path: [contact], gate: [...tap.ids, fuse, lead, coil, ground], node: behind };
}

function layOutGate(m: Maker, b: RunBuilder, supply: Supply, from: NodeId, volts: number) {
  switch (supply.gate) {
    case "always":
      return { path: NONE, gate: NONE, node: from };
    case "key":
      return layOutKeyGate(m, b, ownerOf(supply.id), from, volts);
    case "switch": {
      const to = b.node("switched");
      const part: SwitchPart = GENERIC_SWITCH;
      const id = b.add({
        kind: "switch",
        ...b.base("switch", from, to),
        input: "switch" as Input,
        part,
      });
      return { path: [id], gate: NONE, node: to };
    }
  }
}

function layOutSupply(m: Maker, supply: Supply, n: number): void {
  const { job } = m;
  const owner = ownerOf(supply.id);
  const part = job.parts.find((p) => p.id === supply.partId);
  const b = new RunBuilder(owner, `S${n + 1}`, "red");
  const out = supplyNode(supply.id);
  const drawA = supplyDrawA(job, m.plans, supply);
  const gives = feedPointOf(job, { kind: "supply", supplyId: supply.id });
  if (part?.kind === "battery") {
    const inside = b.node("inside");
    const id = b.add({ kind: "battery", ...b.base("battery", inside, out), part });
    m.elements.push(...b.elements);
    m.trunks.push({
      ownerId: owner,
      kind: "supply",
      name: supply.name,
      source: { kind: "supply", supplyId: supply.id },
      root: gives?.root ?? { kind: "battery" },
      feedRoot: gives?.root ?? { kind: "battery" },
      shared: NONE,
      path: [id],
      gate: NONE,
      node: out,
      drawA,
    });
    return;
  }
  const feed = feedPointOf(job, supply.feed);
  if (!feed || !gives) {
    m.gaps.push({
      runId: owner,
      kind: "noSource",
      detail: "what it is fed from is not on this vehicle",
    });
    return;
  }
  const feeder = layOutFeeder(m, {
    b,
    owner,
    name: supply.name,
    feed,
    fuse: supply.fuse,
    wire: supply.wire,
    fuseAtM: supply.fuseAtM,
    feedM: supply.feedM,
    drawA: supplyInputA(job, m.plans, supply),
  });
  const gate = layOutGate(m, b, supply, feeder.node, feed.volts);
  const path = [...feeder.path, ...gate.path];
  if (part?.kind === "converter") {
    path.push(b.add({ kind: "converter", ...b.base("converter", gate.node, out), part }));
  } else if (part?.kind === "flasher") {
    path.push(b.add({ kind: "flasher", ...b.base("flasher", gate.node, out), part }));
  } else {
    // The bus of a box: its studs and bars, next to nothing.
    path.push(
      b.add({
        kind: "wire",
        ...b.base("bus", gate.node, out),
        role: "feed",
        gaugeId: "6 AWG",
        lengthM: factOf(0.05, "measured"),
        colour: "",
        label: "bus",
        ends: [supply.name, supply.name],
        pigtail: true,
      }),
    );
  }
  m.elements.push(...b.elements);
  m.trunks.push({
    ownerId: owner,
    kind: "supply",
    name: supply.name,
    source: feed.source,
    root: gives.root,
    feedRoot: feed.root,
    shared: sharedBefore(m, supply.feed),
    path,
    gate: gate.gate,
    node: out,
    drawA,
  });
}

function layOutControl(
  m: Maker,
  control: Control,
  n: number,
  positions: Map<PinId, ControlPosition>,
): number {
  const { job } = m;
  const owner = ownerOf(control.id);
  const b = new RunBuilder(owner, `C${n + 1}`, "grey");
  const feed = feedPointOf(job, control.feed);
  const drawA = controlDrawA(job, m.plans, control);
  if (!feed) {
    m.gaps.push({
      runId: owner,
      kind: "noSource",
      detail: "what it is fed from is not on this vehicle",
    });
    return 0;
  }
  const feeder = layOutFeeder(m, {
    b,
    owner,
    name: control.name,
    feed,
    fuse: { kind: "auto" },
    wire: null,
    fuseAtM: assumed(0.15, 0.1, 0.2),
    feedM: control.feedM,
    drawA,
  });
  const part = controlSwitch(job, control);
  const shared = [...sharedBefore(m, control.feed), ...feeder.path];
  for (const input of control.inputs) {
    const [pin] = controlPins({ ...job, controls: [control] }, input);
    if (!pin) continue;
    const users = runsUsing(job, m.plans, control, input).length;
    const tied = tiesFeeds(control, users);
    const node = b.node(`${input}.out`);
    positions.set(pin.id, {
      input,
      part,
      common: feeder.node,
      shared,
      sharedOut: tied
        ? {
            node,
            id: b.add({ kind: "switch", ...b.base(input, feeder.node, node), input, part }),
          }
        : null,
    });
  }
  m.elements.push(...b.elements);
  m.trunks.push({
    ownerId: owner,
    kind: "control",
    name: control.name,
    source: feed.source,
    root: feed.root,
    feedRoot: feed.root,
    shared: sharedBefore(m, control.feed),
    path: feeder.path,
    gate: NONE,
    node: feeder.node,
    drawA,
  });
  return feeder.fuseA;
}

/** Parents before those they feed. */
function inOrder(supplies: readonly Supply[]): Supply[] {
  const done: Supply[] = [];
  const seen = new Set<Supply>();
  const visit = (supply: Supply): void => {
    if (seen.has(supply)) return;
    seen.add(supply);
    const { feed } = supply;
    const parent = feed.kind === "supply" && supplies.find((s) => s.id === feed.supplyId);
    if (parent && parent !== supply) visit(parent);
    done.push(supply);
  };
  supplies.forEach(visit);
  return done;
}

const GROUND_BLOCK_OWNER = ownerOf("ground-block");

function layOutGroundBlock(m: Maker): readonly ElementId[] {
  const onIt = m.plans.filter((plan) => plan.run.return === "block");
  if (onIt.length === 0) return NONE;
  const { practices } = m.job;
  const drawA = sum(onIt.map((plan) => plan.drawA));
  const lengthM = onIt.map((plan) => plan.run.feedM).reduce((a, f) => (f.value > a.value ? f : a));
  const volts = Math.max(12, restVolts(m.job.vehicle).sourceV);
  const wire = chooseWire(
    {
      pinned: null,
      throughA: drawA.high,
      behind: "draw",
      target: practices.dropTarget * TRUNK_SHARE,
      dropWith: (g) =>
        (drawA.mid * wireResistanceOhm(g, lengthM.value, practices.ambientC)) / volts,
    },
    practices,
  );
  noteOf(m, GROUND_BLOCK_OWNER, "wire", wire);
  const b = new RunBuilder(GROUND_BLOCK_OWNER, "G", "black");
  const id = b.wire("return", "return", GROUND_BLOCK, GROUND, wire.value, lengthM, [
    "ground block",
    "battery −",
  ]);
  m.elements.push(...b.elements);
  m.trunks.push({
    ownerId: GROUND_BLOCK_OWNER,
    kind: "groundBlock",
    name: "Ground block",
    source: { kind: "battery" },
    root: { kind: "battery" },
    feedRoot: { kind: "battery" },
    shared: NONE,
    path: [id],
    gate: NONE,
    node: GROUND_BLOCK,
    drawA,
  });
  return [id];
}

/** Lays out what runs share: supplies, the kit's own controls, the ground block. */
export function layOutTrunks(
  job: Job,
  plans: readonly RunPlan[],
  choices: Choices,
  gaps: Gaps,
): Trunks {
  const m: Maker = { job, plans, choices, gaps, elements: [], trunks: [] };
  inOrder(job.supplies).forEach((supply) => {
    layOutSupply(m, supply, job.supplies.indexOf(supply));
  });
  const controls = new Map<PinId, ControlPosition>();
  const controlFuseA = new Map<string, number>();
  job.controls.forEach((control, n) => {
    controlFuseA.set(control.id, layOutControl(m, control, n, controls));
  });
  const groundBlock = layOutGroundBlock(m);
  return { elements: m.elements, trunks: m.trunks, controls, controlFuseA, groundBlock };
}

/** Volts at rest of what a trunk gives. */
export const trunkV = (job: Job, trunk: TrunkCircuit): number =>
  rootV(trunk.root, restVolts(job.vehicle));
