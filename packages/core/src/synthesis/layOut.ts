import type { Fact } from "../quantity/index.ts";
import type { Branch, ControlLane, Element, RunCircuit, WireRole } from "../circuit/index.ts";
import type { ElementId, NodeId, Practices } from "../job/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";
import { CHASSIS_OHM, COIL_FUSE_A, COIL_FUSE_AT_M, COIL_WIRE, GROUND_TAIL_M } from "./defaults.ts";
import { stepsOf } from "./draw.ts";
import { layOutLogic } from "./layOutLogic.ts";
import type { RunPlan } from "./plan.ts";
import { GROUND, GROUND_BLOCK, RunBuilder } from "./runBuilder.ts";
import { layOutTap, type TapPlace } from "./layOutTap.ts";

/** Where a run stands among the others: its number and colour, and the trunks before it. */
export interface LayOutPlace extends TapPlace {
  readonly index: number;
  readonly colour: string;
  /** Elements of the supplies between the source and this run. */
  readonly shared: readonly ElementId[];
  /** The wire from a ground block to the battery, shared by those that return there. */
  readonly groundBlock: readonly ElementId[];
}

export const addFacts = (a: Fact, b: Fact): Fact => ({
  value: a.value + b.value,
  low: a.low + b.low,
  high: a.high + b.high,
  provenance: a.provenance === "assumed" || b.provenance === "assumed" ? "assumed" : a.provenance,
});

interface Out {
  readonly path: ElementId[];
  readonly splice: NodeId;
  /** Behind the fuse, where a coil may hang. */
  readonly fusedNode: NodeId;
  readonly shared: readonly ElementId[];
  readonly ways: readonly ControlLane[];
}

const groundSwitched = (plan: RunPlan): boolean => plan.box?.switches === "ground" && plan.useRelay;

const relayContact = (b: RunBuilder, plan: RunPlan, from: NodeId, to: NodeId): ElementId =>
  b.add({
    kind: "contact",
    ...b.base("contact", from, to),
    part: plan.relayPart,
    inBox: plan.box?.name ?? "",
    coilId: b.id("coil"),
    normallyClosed: false,
  });

const passEnds = (plan: RunPlan): readonly [string, string] =>
  plan.box && plan.useRelay
    ? [plan.box.name, plan.box.name]
    : plan.useRelay
      ? ["relay 30", "relay 87"]
      : ["switch", "switch"];

/** From the source to the splice where lamps part. */
function layOutOut(b: RunBuilder, plan: RunPlan, gaugeId: string, place: LayOutPlace): Out {
  const { run, feed } = plan;
  const path: ElementId[] = [];
  let shared = place.shared;
  let node = feed.node;
  let post = feed.words === "battery +" || feed.words === "pack +" ? feed.words : "feed";
  if (plan.feedPin) {
    const tap = layOutTap(b, "source", plan.feedPin, place);
    path.push(...tap.ids);
    shared = [...tap.shared];
    node = tap.node;
    post = "tap";
  }
  const boxed = plan.box !== null;
  if (plan.fuseA !== null) {
    const fused = b.node("fused");
    let from = node;
    if (!boxed) {
      const stub = b.node("stub");
      path.push(b.wire("stub", "feed", node, stub, gaugeId, run.fuseAtM, [post, "fuse"]));
      from = stub;
    }
    path.push(
      b.add({
        kind: "fuse",
        ...b.base("fuse", from, fused),
        ratingA: plan.fuseA,
        resets: run.fuse.kind === "breaker",
        systemV: feed.volts,
        fromSourceM: run.fuseAtM,
      }),
    );
    node = fused;
  }
  const fusedNode = node;
  const origin = plan.fuseA === null ? post : boxed ? plan.box.name : "fuse";
  const splice = b.node("splice");
  const parted = !groundSwitched(plan) && (plan.useRelay || plan.ownSwitch);
  if (!parted) {
    // Nothing parts the run on its way: one wire from the fuse to the splice.
    const lengthM = addFacts(run.feedM, run.loadM);
    path.push(b.wire("feed", "load", node, splice, gaugeId, lengthM, [origin, "splice"]));
    const ways = (plan.direct ?? []).slice(1).map((pin, i): ControlLane => {
      const tap = layOutTap(b, `or${i + 2}`, pin, place);
      const wire = b.wire(`orWire${i + 2}`, "load", tap.node, splice, gaugeId, lengthM, [
        pin.carries,
        "splice",
      ]);
      shared = [...shared, ...tap.shared.filter((id) => !shared.includes(id))];
      return { label: "or", ids: [...tap.ids, wire] };
    });
    return { path, splice, fusedNode, shared, ways };
  }
  const viaSwitch = !plan.useRelay && plan.ownSwitch;
  const feedM = viaSwitch ? addFacts(run.feedM, run.controlM) : run.feedM;
  const loadM = viaSwitch ? addFacts(run.loadM, run.controlM) : run.loadM;
  const [gateEnd, fromEnd] = passEnds(plan);
  let gate = node;
  if (!(boxed && plan.useRelay)) {
    gate = b.node("gate");
    path.push(b.wire("feed", "feed", node, gate, gaugeId, feedM, [origin, gateEnd]));
  }
  const behind = b.node("behind");
  path.push(
    plan.useRelay
      ? relayContact(b, plan, gate, behind)
      : b.add({
          kind: "switch",
          ...b.base("switch", gate, behind),
          input: "switch",
          part: plan.switchPart,
        }),
  );
  const wholeM = boxed && plan.useRelay ? addFacts(feedM, loadM) : loadM;
  path.push(b.wire("load", "load", behind, splice, gaugeId, wholeM, [fromEnd, "splice"]));
  return { path, splice, fusedNode, shared, ways: [] };
}

/** Lamps side by side from the splice to the joint, or step after step in a series string. */
function layOutBranches(b: RunBuilder, plan: RunPlan, gaugeId: string, splice: NodeId): Branch[] {
  const joint = b.node("joint");
  const steps = stepsOf(plan.run, plan.loads);
  const perStep = steps > 1 ? Math.max(1, plan.run.perStep) : plan.loads.length;
  const stepNode = (k: number): NodeId =>
    k === 0 ? splice : k >= steps ? joint : b.node(`step${k}`);
  return plan.loads.map(({ lamp, part }, i): Branch => {
    const step = steps > 1 ? Math.floor(i / perStep) : 0;
    const own = part.pigtail !== "";
    const size = own ? part.pigtail : gaugeId;
    const [plus, minus] = [b.node(`lamp${i + 1}+`), b.node(`lamp${i + 1}-`)];
    const name = lamp.label;
    const out: ElementId[] = [];
    let from = stepNode(step);
    if (plan.connectorPart) {
      const plugged = b.node(`plug${i + 1}`);
      out.push(
        b.add({
          kind: "connector",
          ...b.base(`plug${i + 1}`, from, plugged),
          part: plan.connectorPart,
        }),
      );
      from = plugged;
    }
    const [before, after] =
      steps > 1
        ? [step === 0 ? "splice" : `step ${step}`, `step ${step + 1}`]
        : ["splice", "ground splice"];
    const lead = b.wire(
      `branch${i + 1}`,
      "branch",
      from,
      plus,
      size,
      plan.run.branchM,
      [before, name],
      own,
    );
    out.push(lead);
    const load = b.add({
      kind: "load",
      ...b.base(`load${i + 1}`, plus, minus),
      lampId: lamp.id,
      label: name,
      part,
    });
    const back = b.wire(
      `back${i + 1}`,
      "return",
      minus,
      stepNode(step + 1),
      size,
      plan.run.branchM,
      [name, after],
      own,
    );
    const mount = part.caseGround
      ? [
          b.add({
            kind: "chassis",
            ...b.base(`case${i + 1}`, minus, GROUND),
            resistanceOhm: CHASSIS_OHM,
          }),
        ]
      : [];
    return { lampId: lamp.id, out, load, back: [back, ...mount] };
  });
}

function layOutReturn(
  b: RunBuilder,
  plan: RunPlan,
  gaugeId: string,
  place: LayOutPlace,
): ElementId[] {
  const joint = b.node("joint");
  const { run } = plan;
  const lengthM = addFacts(run.feedM, run.loadM);
  if (groundSwitched(plan)) {
    const behind = b.node("behind");
    const name = plan.box?.name ?? "hub";
    return [
      b.wire("return", "load", joint, behind, gaugeId, lengthM, ["ground splice", name]),
      relayContact(b, plan, behind, GROUND),
    ];
  }
  switch (run.return) {
    case "chassis":
      return [
        b.add({
          kind: "chassis",
          ...b.base("chassis", joint, GROUND),
          resistanceOhm: CHASSIS_OHM,
        }),
      ];
    case "wire":
      return [
        b.wire("return", "return", joint, GROUND, gaugeId, lengthM, ["ground splice", "battery −"]),
      ];
    case "block": {
      const ends = ["ground splice", "ground block"] as const;
      return [
        b.wire("return", "return", joint, GROUND_BLOCK, gaugeId, run.loadM, ends),
        ...place.groundBlock,
      ];
    }
  }
}

function layOutCoil(
  b: RunBuilder,
  plan: RunPlan,
  size: string,
  fusedNode: NodeId,
  place: LayOutPlace,
): { readonly coil: RunCircuit["coil"]; readonly shared: readonly ElementId[] } {
  if (!plan.useRelay) return { coil: null, shared: [] };
  const { run, coilTap, switching } = plan;
  const path: ElementId[] = [];
  let shared: readonly ElementId[] = [];
  let node = fusedNode;
  if (coilTap) {
    const tap = layOutTap(b, "tap", coilTap, place);
    path.push(...tap.ids);
    shared = tap.shared;
    node = tap.node;
  }
  if (coilTap || !plan.box) {
    const fused = b.node("coilFused");
    path.push(
      b.add({
        kind: "fuse",
        ...b.base("coilFuse", node, fused),
        ratingA: COIL_FUSE_A,
        resets: false,
        systemV: plan.feed.volts,
        fromSourceM: COIL_FUSE_AT_M,
      }),
    );
    node = fused;
  }

  const terminalMinus = plan.plusTerminal === "86" ? "85" : "86";
  const coilEnds = plan.box
    ? ([`${plan.box.name} input`, plan.box.name] as const)
    : ([`relay ${plan.plusTerminal}`, `relay ${terminalMinus}`] as const);
  const addSwitch = (from: NodeId): NodeId => {
    const to = b.node("switched");
    path.push(
      b.add({
        kind: "switch",
        ...b.base("switch", from, to),
        input: "switch",
        part: plan.switchPart,
      }),
    );
    return to;
  };
  const addCoil = (from: NodeId): NodeId => {
    const to = b.node("coilOut");
    path.push(
      b.add({
        kind: "coil",
        ...b.base("coil", from, to),
        part: plan.relayPart,
        plusTerminal: plan.plusTerminal,
      }),
    );
    return to;
  };
  const lead = (
    name: string,
    role: WireRole,
    from: NodeId,
    lengthM: Fact,
    ends: readonly [string, string],
  ) => {
    const to = b.node(`${name}End`);
    path.push(b.wire(name, role, from, to, size, lengthM, ends));
    return to;
  };
  const origin = coilTap ? "tap" : plan.box ? plan.box.name : "fuse";
  if (!plan.ownSwitch) {
    node = addCoil(lead("tapWire", "tap", node, run.tapM, [origin, coilEnds[0]]));
  } else if (switching === "positive") {
    node = addSwitch(lead("tapWire", "tap", node, run.tapM, [origin, "switch"]));
    node = addCoil(lead("coilFeed", "coilFeed", node, run.controlM, ["switch", coilEnds[0]]));
  } else {
    node = addCoil(lead("tapWire", "tap", node, run.tapM, [origin, coilEnds[0]]));
    node = addSwitch(lead("coilFeed", "coilFeed", node, run.controlM, [coilEnds[1], "switch"]));
  }
  const groundFrom = plan.ownSwitch && switching === "negative" ? "switch" : coilEnds[1];
  path.push(
    b.wire("coilReturn", "coilReturn", node, GROUND, size, GROUND_TAIL_M, [groundFrom, "ground"]),
  );
  const label = plan.box ? "input" : "coil";
  return { coil: { path, lanes: [{ label, ids: path }], switching }, shared };
}

/** Signals of the controls and factory wires that a run's ways go through. */
export const pinsOf = (plan: RunPlan): ConnectorPin[] => [
  ...(plan.feedPin ? [plan.feedPin] : []),
  ...(plan.direct ?? []),
  ...(plan.coilTap && !plan.logic ? [plan.coilTap] : []),
  ...(plan.logic ?? []).flatMap((way) => [
    ...(way.feed ? [way.feed] : []),
    ...way.helpers.map((h) => h.pin),
  ]),
];

/** A run's decisions as elements between named nodes, in one wire size for its power path. */
export function layOutRun(
  plan: RunPlan,
  gaugeId: string,
  practices: Practices,
  place: LayOutPlace,
): { readonly circuit: RunCircuit; readonly elements: readonly Element[] } {
  const b = new RunBuilder(plan.run.id, String(place.index + 1), place.colour);
  const out = layOutOut(b, plan, gaugeId, place);
  const branches = layOutBranches(b, plan, gaugeId, out.splice);
  const back = layOutReturn(b, plan, gaugeId, place);
  const size = COIL_WIRE[practices.wireSystem];
  const made = plan.logic
    ? layOutLogic(b, plan, plan.logic, size, out.fusedNode, place)
    : layOutCoil(b, plan, size, out.fusedNode, place);
  const shared = [...new Set([...out.shared, ...made.shared])];
  return {
    elements: b.elements,
    circuit: {
      runId: plan.run.id,
      source: plan.feed.source,
      root: plan.feed.root,
      shared,
      steps: stepsOf(plan.run, plan.loads),
      signals: plan.signals,
      drawA: plan.drawA,
      out: out.path,
      branches,
      back,
      coil: made.coil,
      ways: out.ways,
      extra: [],
    },
  };
}
