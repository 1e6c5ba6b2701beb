import { terminalNode, type Source } from "../../../circuit/index.ts";
import { itemOf } from "../../../present/index.ts";
import type {
  KitSwitchId,
  ElementId,
  Feed,
  Input,
  Job,
  NodeId,
  PinId,
  CircuitId,
  SupplyId,
  SwitchedSide,
  UnitId,
} from "../../../job/index.ts";
import type { BoxPart, SwitchPart } from "../../../part/index.ts";
import type { ConnectorPin } from "../../../vehicle/index.ts";
import type { Assembly, Bench } from "../assembly.ts";
import type { SignalWire } from "../../pick/signalWire.ts";
import type { ControlFeedPlan } from "../../pick/coilsOn.ts";
import type { Negative } from "../piece/grounds.ts";
import { ledThrough, type PassedThrough } from "./passThrough.ts";
import { factoryCircuit, ownNegative, postOf, type FactoryCircuit } from "./sources.ts";

/** A fuse block, hub or relay board, whose channels runs and feeders take. */
export interface BoxUnit {
  readonly unit: UnitId;
  readonly part: BoxPart;
  /** Its bar: behind the main breaker where it has one. */
  readonly bar: NodeId;
  /** Channels that no run has, lowest first: what feeders take. */
  readonly free: number[];
}

/** Where a wire may start, and everything before it. */
export interface Origin {
  readonly node: NodeId;
  /** Elements from the source up to the node. */
  readonly path: readonly ElementId[];
  readonly negative: Negative;
  readonly box: BoxUnit | null;
}

/** A position of one of the kit's controls, as the runs that use it meet it. */
export interface ControlPosition {
  readonly input: Input;
  readonly part: SwitchPart;
  readonly unit: UnitId;
  /** Where its poles get their feed, or go to ground. */
  readonly common: NodeId;
  readonly switches: SwitchedSide;
  /** The one contact that all runs share where there are too few poles; null for a pole each. */
  readonly sharedOut: { readonly node: NodeId; readonly ids: readonly ElementId[] } | null;
  /** Trunks up to the control. */
  readonly path: readonly ElementId[];
  readonly negative: Negative;
  /** Where its tell-tale's current goes, until one of its poles has taken it. */
  readonly tellTale: { to: NodeId | null };
}

/** Where several coils get their feed, behind the one fuse that they share. */
export interface ControlFeed extends Origin {
  readonly ownerId: CircuitId;
  readonly plan: ControlFeedPlan;
  /** What lies before a control of the kit that feeds it. */
  readonly shared: readonly ElementId[];
  /** The tap itself: others may hang on it as well. */
  readonly before: readonly ElementId[];
}

/** What has been laid out so far, for what hangs on it. */
export interface Laid {
  readonly job: Job;
  readonly assembly: Assembly;
  readonly factory: Map<PinId, FactoryCircuit>;
  readonly supplies: Map<SupplyId, Origin>;
  readonly controls: Map<PinId, ControlPosition>;
  /** Wires that work more coils than one, and what of these is laid out. */
  readonly controlFeedPlans: ReadonlyMap<PinId, ControlFeedPlan>;
  readonly controlFeeds: Map<PinId, ControlFeed>;
  /** Modules between a factory's plug and its lamps, laid out when the first circuit goes through. */
  readonly modules: Map<SupplyId, UnitId>;
  /** Harnesses that go between factory connectors, laid out when the first wire goes through. */
  readonly passedThrough: PassedThrough;
  /** Switches of controls in which others sit. */
  readonly switches: Map<KitSwitchId, UnitId>;
}

/** Where a run starts, by what was decided for it; null where that could not be laid out. */
export function originOfSource(laid: Laid, source: Source, wire: SignalWire | null): Origin | null {
  switch (source.kind) {
    case "battery":
    case "pack":
      return originOf(laid, { kind: source.kind });
    case "block":
      return originOf(laid, { kind: "block", blocks: source.blocks });
    case "pin":
      return factoryOrigin(laid, source.pin);
    case "supply":
      return originOf(laid, { kind: "supply", supplyId: source.supplyId });
    case "control": {
      const control = wire ? laid.controls.get(wire.id) : undefined;
      if (!control) return null;
      const { common, path, negative } = control;
      return { node: common, path, negative, box: null };
    }
  }
}

/** Where a feed starts; null where its supply could not be laid out. */
export function originOf(laid: Laid, feed: Feed): Origin | null {
  const { job } = laid;
  switch (feed.kind) {
    case "supply":
      return laid.supplies.get(feed.supplyId) ?? null;
    case "pin": {
      const pin = job.vehicle.pins.find((p) => p.id === feed.pinId);
      return pin ? factoryOrigin(laid, pin) : null;
    }
    default: {
      const node = postOf(job, feed);
      const of = feed.kind === "battery" ? "battery" : "pack";
      return node && { node, path: [], negative: ownNegative(job, of), box: null };
    }
  }
}

/** The negative of a feed, with nothing laid out: all that a control needs that ties to ground. */
export function negativeOf(laid: Laid, feed: Feed): Negative | null {
  switch (feed.kind) {
    case "supply":
      return laid.supplies.get(feed.supplyId)?.negative ?? null;
    case "pin": {
      const pin = laid.job.vehicle.pins.find((p) => p.id === feed.pinId);
      return pin ? ownNegative(laid.job, pin.supply) : null;
    }
    case "battery":
      return ownNegative(laid.job, "battery");
    case "pack":
    case "block":
      return ownNegative(laid.job, "pack");
  }
}

function factoryOrigin(laid: Laid, pin: ConnectorPin): Origin {
  const tapped = factoryCircuit(laid.assembly, laid.job, pin, laid.factory);
  const { node, ids } = ledThrough(laid, pin, tapped);
  return { node, path: ids, negative: ownNegative(laid.job, pin.supply), box: null };
}

export interface Tap extends Origin {
  /** Elements of the tap itself; what lies before a control of the kit is in `path`. */
  readonly ids: readonly ElementId[];
}

/** Takes a feed from a factory wire, or from a pole of one of the kit's controls. */
export function tapOf(laid: Laid, b: Bench, name: string, wire: SignalWire): Tap {
  if (wire.from.kind !== "kit") {
    const origin = factoryOrigin(laid, wire.from.pin);
    return { ...origin, ids: origin.path, path: [] };
  }
  const control = itemOf(laid.controls, wire.id);
  const { unit, negative } = control;
  if (control.sharedOut) {
    const { node, ids } = control.sharedOut;
    return { node, ids: [], path: [...control.path, ...ids], negative, box: null };
  }
  const { input, part, common, path, switches } = control;
  const node = b.assembly.nextTerminal(unit, input, "blade", "_");
  const tellTaleTo = control.tellTale.to;
  control.tellTale.to = null;
  const ends = switches === "ground" ? { from: node, to: common } : { from: common, to: node };
  const pole = b.inside(unit, name, { ...{ kind: "switch", ...ends, input, part, tellTaleTo } });
  return { node, ids: [pole], path, negative, box: null };
}

/** A terminal of a box's channel. */
export const channelNode = (b: Bench, box: BoxUnit, kind: "ch" | "in" | "ret", n: number): NodeId =>
  b.assembly.terminal(box.unit, `${kind}${n}`, "blade");

export const boxNegative = (box: BoxUnit): NodeId => terminalNode(box.unit, "neg");
