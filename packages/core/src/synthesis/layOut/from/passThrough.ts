import { terminalNode } from "../../../circuit/index.ts";
import {
  harnessOwner,
  type ConnectorId,
  type ElementId,
  type Harness,
  type HarnessJoint,
  type Job,
  type NodeId,
  type UnitId,
} from "../../../job/index.ts";
import { GENERIC_PLUG } from "../../../part/index.ts";
import type { ConnectorPin } from "../../../vehicle/index.ts";
import { AT_HAND_M, FLOOR_WIRE } from "../../defaults.ts";
import { Bench, type Assembly } from "../assembly.ts";
import type { FactoryCircuit } from "./sources.ts";
import { pinSite } from "../../pick/signalWire.ts";

/** Where a harness parts the connector that a factory wire is in. */
export interface PartedAt {
  readonly harness: Harness;
  readonly joint: HarnessJoint;
}

/** The harness that goes between the halves of a connector; null where none does. */
export function partedAt(job: Job, connectorId: ConnectorId): PartedAt | null {
  for (const harness of job.harnesses) {
    const joint = harness.joints.find((j) => j.connectorId === connectorId);
    if (joint) return { harness, joint };
  }
  return null;
}

/** Harnesses that pass through where this job takes something, with their units by connector. */
export type PassedThrough = Map<ConnectorId, UnitId>;

/** What is laid out already, for harnesses that pass through. */
interface Passing {
  readonly job: Job;
  readonly assembly: Assembly;
  readonly passedThrough: PassedThrough;
}

/** Letters and digits of a cavity where they tell it from every other of its connector, otherwise its wire's id. */
function poleName(job: Job, pin: ConnectorPin): string {
  const folded = (p: ConnectorPin): string => p.cavity.replace(/[^A-Za-z0-9]/g, "").toLowerCase();
  const same = job.vehicle.pins.filter(
    (p) => p.connectorId === pin.connectorId && folded(p) === folded(pin),
  );
  return folded(pin) !== "" && same.length === 1
    ? folded(pin)
    : `_${pin.id.replace(/[^A-Za-z0-9_]/g, "_")}`;
}

/** Its two plugs at one connector, and the leads that come out there. */
function unitAt(laid: Passing, b: Bench, { harness, joint }: PartedAt, pin: ConnectorPin): UnitId {
  const { connectorId } = pin;
  const made = laid.passedThrough.get(connectorId);
  if (made) return made;
  const connector = laid.job.vehicle.connectors.find((c) => c.id === connectorId);
  const others = harness.joints.some((j) => {
    const at = j.connectorId === "" ? undefined : laid.passedThrough.get(j.connectorId);
    return at !== undefined;
  });
  const mark = joint.mark === "" ? "" : ` (${joint.mark})`;
  const unit = b.assembly.put(b.assembly.claim(`harness_${harness.id}_${connectorId}`), b.ownerId, {
    kind: "passThrough",
    name: `${harness.name} at ${connector?.name ?? connectorId}${mark}`,
    site: pinSite(pin),
    // One thing to lay out, at however many connectors it has plugs.
    fitted: !others,
    terminals: [],
  });
  laid.passedThrough.set(connectorId, unit);
  return unit;
}

/**
 * A factory wire as this job finds it: at a tap in its loom, or led through the harness that
 * parts its connector: in by one plug, on to what the factory has there by the other, out by a
 * lead. Then nothing of the vehicle's own loom is cut.
 */
export function ledThrough(
  laid: Passing,
  pin: ConnectorPin,
  factory: FactoryCircuit,
): FactoryCircuit {
  const parted = partedAt(laid.job, pin.connectorId);
  if (!parted) return factory;
  const { assembly: a, job } = laid;
  const b = new Bench(a, harnessOwner(parted.harness));
  const unit = unitAt(laid, b, parted, pin);
  const pole = poleName(job, pin);
  const input = a.terminal(unit, `in${pole}`, "mate");
  const output = a.terminal(unit, `out${pole}`, "lead");
  a.terminal(unit, `on${pole}`, "loom", "on to what the factory has there");
  const grounded = pin.switches === "ground";
  const wireId = b.id(`${pin.id}.in`);
  const poleId = b.id(`${pin.id}.pole`);
  if (!a.elements.has(wireId)) {
    const [from, to] = grounded ? [input, factory.node] : [factory.node, input];
    const size = { gaugeId: FLOOR_WIRE[job.practices.wireSystem] };
    const { harness } = parted;
    b.madeUp(`${pin.id}.in`, from, to, size, AT_HAND_M, { harness, colour: pin.colour });
    const ends = grounded ? { from: output, to: input } : { from: input, to: output };
    b.inside(unit, `${pin.id}.pole`, { kind: "connector", ...ends, part: GENERIC_PLUG });
  }
  const ids: readonly ElementId[] = grounded
    ? [poleId, wireId, ...factory.ids]
    : [...factory.ids, wireId, poleId];
  const node: NodeId = terminalNode(unit, `out${pole}`);
  return { ...factory, node, ids };
}
