import { itemAt, itemOf } from "../../present/index.ts";
import { terminalNode, type Branch, type WireRole } from "../../circuit/index.ts";
import type { ElementId, Job, Lamp, LampId, NodeId, UnitId } from "../../job/index.ts";
import type { Assembly, Bench, WireSize } from "./assembly.ts";
import { AT_HAND_M, BOLT_M, BOLT_WIRE, STRAP_OHM } from "../defaults.ts";
import { stepsOf } from "../draw/draw.ts";
import { frameLug, hasFrameReturn } from "./piece/grounds.ts";
import { boundedValue } from "../../quantity/index.ts";
import { GENERIC_ADAPTER, type ConnectorPart, type LeadColours } from "../../part/index.ts";
import type { FittedLoad, CircuitPlan } from "../decide/plan.ts";
import { isPlugged, leadSize, type FactoryPlug } from "./from/plugged.ts";
import { LAMP_TERMINALS } from "../../unit/lamp/unit.ts";

export type End = "front" | "rear";

/** A joint where lamps of one end part, and where their ways back meet. */
export interface LampJoint {
  readonly splice: NodeId;
  readonly joint: NodeId;
  /** Wires between the run's own splice and this one; none where they are the same. */
  readonly out: readonly ElementId[];
  readonly back: readonly ElementId[];
}

/** Lamps in whose housing others sit, by the lamp that says so; rings and strangers left out. */
export function hostsOf(job: Job, fitted: ReadonlySet<LampId>): ReadonlyMap<LampId, LampId> {
  const hosts = new Map<LampId, LampId>();
  // In a string each lamp's way on is the next one: nobody there shares a ground.
  const strings = new Set(job.runs.filter((r) => r.arrangement === "series").map((r) => r.id));
  for (const lamp of job.lamps) {
    const { housing } = lamp;
    if (housing === "" || housing === lamp.id || !fitted.has(lamp.id)) continue;
    const host = job.lamps.find((l) => l.id === housing);
    if (strings.has(lamp.runId) || (host && strings.has(host.runId))) continue;
    if (host && fitted.has(host.id) && host.housing === "") hosts.set(lamp.id, host.id);
  }
  return hosts;
}

/** What is known of every lamp's housing while runs are laid out one after the other. */
export interface Housings {
  readonly hosts: ReadonlyMap<LampId, LampId>;
  readonly units: Map<LampId, UnitId>;
  /** Lights laid out in each housing so far. */
  readonly lights: Map<UnitId, number>;
  /** Ways back of lamps that have one of their own. */
  readonly backs: Map<LampId, readonly ElementId[]>;
}

/** The housing of a lamp: its own, or that of the lamp it sits in. */
function housingUnit(a: Assembly, b: Bench, lamp: Lamp, { job, housings: h }: LampPlace): UnitId {
  const hostId = h.hosts.get(lamp.id) ?? lamp.id;
  const known = h.units.get(hostId);
  if (known) return known;
  const host = job.lamps.find((l) => l.id === hostId) ?? lamp;
  const unit = a.put(a.claim(`lamp_${hostId}`), b.ownerId, {
    ...{ kind: "lamp", name: host.label, site: { kind: "lamp", lampId: hostId } },
    fitted: !host.factory,
    terminals: LAMP_TERMINALS,
  });
  h.units.set(hostId, unit);
  return unit;
}

interface LampPlace {
  readonly plan: CircuitPlan;
  readonly size: WireSize;
  readonly housings: Housings;
  readonly job: Job;
  /** The plug that a factory lamp sat on; null where nothing goes into one. */
  readonly plug: FactoryPlug | null;
}

/** An adapter's wire for the light of a housing that is its `nth`, and its ground: both told in its part. */
function leadsOf({ leads }: ConnectorPart, nth: number) {
  const none: LeadColours = { factory: "", lamp: "" };
  const last = leads.length > 1 ? leads.at(-1) : undefined;
  const live = leads[nth - 1];
  return { live: live && live !== last ? live : none, ground: last ?? none };
}

/** An adapter lead between the factory's plug and a lamp's own, both of its wires in it. */
function adapterUnit(
  b: Bench,
  n: number,
  place: LampPlace,
  lamp: Lamp,
  plug: FactoryPlug,
  nth: number,
) {
  const guest = place.housings.hosts.has(lamp.id);
  const part = place.plan.connectorPart ?? GENERIC_ADAPTER;
  const unit = b.unit(`adapter${n}`, {
    ...{ kind: "plug", name: `adapter of ${lamp.label}`, site: { kind: "lamp", lampId: lamp.id } },
    // A guest in a housing goes back by its host's plug.
    terminals: (guest ? ["a1", "b1"] : ["a1", "b1", "a2", "b2"]).map(
      (name) => [name, "mate"] as const,
    ),
  });
  const at = (terminal: string): NodeId => terminalNode(unit, terminal);
  const size = leadSize(place.job);
  const harness = `adapter of ${lamp.label}`;
  const { live, ground } = leadsOf(part, nth);
  const wire = (
    name: string,
    role: WireRole,
    from: NodeId,
    to: NodeId,
    colour: string,
  ): ElementId => b.wire(name, role, from, to, size, AT_HAND_M, harness, colour);
  const pole = (name: string, from: NodeId, to: NodeId): ElementId =>
    b.inside(unit, name, { kind: "connector", from, to, part });
  const out = [
    wire(`toAdapter${n}`, "branch", plug.from, at("a1"), live.factory),
    pole(`adapter${n}`, at("a1"), at("b1")),
  ];
  const colours = { live: live.lamp, ground: ground.lamp };
  if (guest) return { out, back: [], from: at("b1"), to: plug.to, colours };
  const back = [
    pole(`adapter${n}Back`, at("b2"), at("a2")),
    wire(`fromAdapter${n}`, "return", at("a2"), plug.to, ground.factory),
  ];
  return { out, back, from: at("b1"), to: at("b2"), colours };
}

/** A lamp in the factory's plug: by its own leads, or by an adapter's. */
function layOutPlugged(
  b: Bench,
  place: LampPlace,
  fitted: FittedLoad,
  n: number,
  plug: FactoryPlug,
): Branch {
  const { lamp, part } = fitted;
  const unit = housingUnit(b.assembly, b, lamp, place);
  const { plus, nth } = nextLight(b.assembly, unit, place.housings);
  const minus = terminalNode(unit, "neg");
  const guest = place.housings.hosts.has(lamp.id);
  const size = part.pigtail !== "" ? { gaugeId: part.pigtail } : leadSize(place.job);
  const harness = lamp.factory ? "vehicle's own loom" : `leads of ${lamp.label}`;
  const adapter = lamp.joint === "adapter" ? adapterUnit(b, n, place, lamp, plug, nth) : null;
  const { from, to } = adapter ?? plug;
  const wire = (name: string, role: WireRole, start: NodeId, end: NodeId, colour = ""): ElementId =>
    b.wire(name, role, start, end, size, AT_HAND_M, harness, colour);
  const lead = wire(`branch${n}`, "branch", from, plus, adapter?.colours.live);
  const load = b.inside(unit, `load${n}`, {
    ...{ kind: "load", from: plus, to: minus, lampId: lamp.id, label: lamp.label, part },
  });
  const out = [...(adapter?.out ?? []), lead];
  if (guest) return { lampId: lamp.id, out, load, back: [] };
  const home = wire(`back${n}`, "return", minus, to, adapter?.colours.ground);
  const back = [home, ...(adapter?.back ?? []), ...plug.back];
  place.housings.backs.set(lamp.id, back);
  return { lampId: lamp.id, out, load, back };
}

/** The next positive of a housing, one a light, and which of its lights that is. */
function nextLight(a: Assembly, unit: UnitId, { lights }: Housings) {
  const nth = (lights.get(unit) ?? 0) + 1;
  lights.set(unit, nth);
  return { plus: a.nextTerminal(unit, "pos", "own"), nth };
}

/** A plug in a lamp's leads: both wires part in it, or the one that a guest in its housing has. */
function plugUnit(b: Bench, n: number, { plan }: LampPlace, lamp: Lamp, guest: boolean) {
  const part = plan.connectorPart;
  if (!part) return null;
  const poles = guest ? [1] : [1, 2];
  const unit = b.unit(`plug${n}`, {
    ...{ kind: "plug", name: `plug of ${lamp.label}`, site: { kind: "lamp", lampId: lamp.id } },
    terminals: poles.flatMap((k) => [[`a${k}`, "cavity"] as const, [`b${k}`, "cavity"] as const]),
  });
  const at = (terminal: string): NodeId => terminalNode(unit, terminal);
  const pole = (name: string, from: NodeId, to: NodeId): ElementId =>
    b.inside(unit, name, { kind: "connector", from, to, part });
  const out = pole(`plug${n}`, at("a1"), at("b1"));
  const back = guest ? null : pole(`plug${n}Back`, at("b2"), at("a2"));
  return { out, back, a1: at("a1"), b1: at("b1"), a2: at("a2"), b2: at("b2") };
}

/** One lamp between two joints: its leads, its plug, its light inside its housing. */
function layOutLamp(
  b: Bench,
  place: LampPlace,
  fitted: FittedLoad,
  n: number,
  from: NodeId,
  to: NodeId,
): Branch {
  const { plan, size, housings, job } = place;
  const { lamp, part } = fitted;
  const a = b.assembly;
  const unit = housingUnit(a, b, lamp, place);
  const { plus } = nextLight(a, unit, housings);
  const minus = terminalNode(unit, "neg");
  const own = part.pigtail !== "";
  const lead: WireSize = own ? { gaugeId: part.pigtail } : size;
  const harness = own ? `leads of ${lamp.label}` : "";
  const guest = housings.hosts.has(lamp.id);
  const plug = plugUnit(b, n, place, lamp, guest);
  const { branchM } = plan.run;
  const out: ElementId[] = [];
  let start = from;
  if (plug) {
    out.push(b.wire(`toPlug${n}`, "branch", from, plug.a1, size, AT_HAND_M), plug.out);
    start = plug.b1;
  }
  out.push(b.wire(`branch${n}`, "branch", start, plus, lead, branchM, harness));
  const load = b.inside(unit, `load${n}`, {
    ...{ kind: "load", from: plus, to: minus, lampId: lamp.id, label: lamp.label, part },
  });
  if (guest) {
    // A guest has its host's way back: noted when the host is there.
    return { lampId: lamp.id, out, load, back: [] };
  }
  const back: ElementId[] = [];
  if (plug?.back) {
    back.push(b.wire(`back${n}`, "return", minus, plug.b2, lead, branchM, harness));
    back.push(plug.back, b.wire(`fromPlug${n}`, "return", plug.a2, to, size, AT_HAND_M));
  } else {
    back.push(b.wire(`back${n}`, "return", minus, to, lead, branchM, harness));
  }
  if (part.caseGround) {
    const spare = "its mount is on nothing that conducts back";
    const body = a.terminal(unit, "body", "own", spare);
    b.inside(unit, `body${n}`, { kind: "strap", from: minus, to: body, ohm: STRAP_OHM });
    if (hasFrameReturn(job)) {
      const lug = frameLug(b, `case${n}`);
      const bolt = boundedValue(BOLT_M, "assumed");
      b.wire(`mount${n}`, "factory", body, lug.node, { gaugeId: BOLT_WIRE }, bolt, "its mount");
      back.push(lug.id);
    }
  }
  housings.backs.set(lamp.id, back);
  return { lampId: lamp.id, out, load, back };
}

/** Which end of the vehicle each lamp of a run is at; the first end of the run for one at neither. */
export function endsOf(plan: CircuitPlan): readonly End[] {
  const place = ({ lamp }: FittedLoad): End | null =>
    lamp.place === "front" || lamp.place === "rear" ? lamp.place : null;
  const first = plan.loads.map(place).find((end) => end !== null) ?? "front";
  return plan.loads.map((load) => place(load) ?? first);
}

/** Lamps in parallel from the splice of their end. */
export function layOutParallel(
  b: Bench,
  place: LampPlace,
  joints: ReadonlyMap<End, LampJoint>,
): Branch[] {
  const ends = endsOf(place.plan);
  return place.plan.loads.map((fitted, i): Branch => {
    if (place.plug && isPlugged(place.plan, fitted)) {
      return layOutPlugged(b, place, fitted, i + 1, place.plug);
    }
    const joint = itemOf(joints, itemAt(ends, i));
    const made = layOutLamp(b, place, fitted, i + 1, joint.splice, joint.joint);
    return { ...made, out: [...joint.out, ...made.out], back: [...made.back, ...joint.back] };
  });
}

/** Lamps step after step in a series string, as many in parallel in each as the run says. */
export function layOutString(b: Bench, place: LampPlace, splice: NodeId, joint: NodeId): Branch[] {
  const { plan } = place;
  const steps = stepsOf(plan.run, plan.loads);
  const perStep = Math.max(1, plan.run.perStep);
  const nodes: NodeId[] = [splice];
  for (let k = 1; k < steps; k += 1) {
    const site = { kind: "splice", runId: plan.run.id, end: "" } as const;
    nodes.push(b.splice(`step${k}`, `step ${k}`, site));
  }
  nodes.push(joint);
  return plan.loads.map((fitted, i) => {
    const step = Math.floor(i / perStep);
    return layOutLamp(b, place, fitted, i + 1, itemAt(nodes, step), itemAt(nodes, step + 1));
  });
}
