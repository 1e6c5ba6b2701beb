import type { Site } from "../../circuit/index.ts";
import type { ElementId, NodeId } from "../../job/index.ts";
import { switchForV } from "../../part/index.ts";
import { assumed, type BoundedValue } from "../../quantity/index.ts";
import type { Bench, WireSize } from "./assembly.ts";
import type { SupplyPlan } from "../decide/decideFeeders.ts";
import {
  AT_HAND_M,
  COIL_FUSE_A,
  COIL_FUSE_AT_M,
  COIL_WIRE,
  OUTLET_M,
  STRAP_OHM,
} from "../defaults.ts";
import type { FeedPoint } from "../decide/feedPoint.ts";
import { toNegative, type Negative } from "./piece/grounds.ts";
import { fuseInLine, fuseInside, relayUnit, switchUnit } from "./piece/inline.ts";
import { relayOnWire } from "../pick/coilsOn.ts";
import { rangeOfRoot } from "../draw/rangeOf.ts";
import { rootOfPin } from "../pick/pinOrigin.ts";
import { siteOf, type SignalWire } from "../pick/signalWire.ts";
import { controlFeedOf } from "./layOutControlFeed.ts";
import { channelNode, tapOf, type Laid, type Origin } from "./from/origin.ts";

const NONE: readonly ElementId[] = [];

export interface FeederSpec {
  readonly feed: FeedPoint;
  readonly origin: Origin;
  readonly site: Site;
  readonly fuseA: number | null;
  readonly resets: boolean;
  readonly fuseAtM: BoundedValue;
  readonly feedM: BoundedValue;
  readonly size: WireSize;
}

export interface Feeder {
  readonly path: readonly ElementId[];
  readonly shared: readonly ElementId[];
}

/** Fuse and wire from a feed to a terminal of something added. */
export function layOutFeeder(b: Bench, f: FeederSpec, to: NodeId): Feeder {
  const path: ElementId[] = [];
  let { node, path: shared } = f.origin;
  if (f.feed.source.kind === "pin") {
    path.push(...shared);
    shared = NONE;
  }
  const spec = {
    ratingA: f.fuseA ?? 0,
    resets: f.resets,
    systemV: f.feed.range.highV,
    fromSourceM: f.fuseAtM,
  };
  const { box } = f.origin;
  if (box) {
    const channel = channelNode(b, box, "ch", box.free.shift() ?? box.part.ways + 1);
    const bar = box.bar;
    path.push(
      f.fuseA === null
        ? b.inside(box.unit, "bar", { kind: "strap", from: bar, to: channel, ohm: STRAP_OHM })
        : fuseInside(b, box.unit, "fuse", bar, channel, spec),
    );
    node = channel;
  } else if (f.fuseA !== null) {
    const names = { stub: "stub", fuse: "fuse", role: "feed" } as const;
    const fused = fuseInLine(b, names, node, f.site, f.size, spec);
    path.push(...fused.ids);
    node = fused.node;
  }
  path.push(b.wire("feed", "feed", node, to, f.size, f.feedM));
  return { path, shared };
}

/** Where a supply's feed wire ends, and how it goes on from there to the supply itself. */
export interface Gate {
  readonly entry: NodeId;
  readonly path: readonly ElementId[];
  readonly gate: readonly ElementId[];
}

/** Feed of a relay's coil: behind the fuse that all coils on that wire share, or one of its own. */
function coilFeed(laid: Laid, b: Bench, key: SignalWire, size: WireSize) {
  const common = controlFeedOf(laid, key);
  if (common) {
    const { before, path, node, negative } = common;
    return { ids: [...before, ...path], node, negative };
  }
  const tap = tapOf(laid, b, "tap", key);
  const fuse = fuseInLine(
    b,
    { stub: "coilStub", fuse: "coilFuse", role: "tap" },
    tap.node,
    siteOf(key),
    size,
    {
      ratingA: COIL_FUSE_A,
      resets: false,
      systemV: rangeOfRoot(laid.job, rootOfPin(key)).highV,
      fromSourceM: COIL_FUSE_AT_M,
    },
  );
  return { ids: [...tap.ids, ...fuse.ids], node: fuse.node, negative: tap.negative };
}

/** A relay on the key, or a switch, between a feeder and what it feeds. */
export function layOutGate(
  laid: Laid,
  b: Bench,
  plan: SupplyPlan,
  size: WireSize,
  input: NodeId,
  negative: Negative,
): Gate {
  const { supply, feed, key } = plan;
  const site: Site = { kind: "supply", supplyId: supply.id };
  const coilSize = { gaugeId: COIL_WIRE[laid.job.practices.wireSystem] };
  if (supply.gate === "switch") {
    const knob = switchUnit(
      b,
      "switch",
      { kind: "switch", runId: b.ownerId },
      switchForV(feed?.range.highV ?? 0, plan.fuseA ?? 0),
    );
    const on = b.wire("gated", "feed", knob.out, input, size, AT_HAND_M);
    if (knob.tellTale) toNegative(b, "tellTale", knob.tellTale, negative, coilSize, supply.feedM);
    return { entry: knob.in, path: [knob.id, on], gate: NONE };
  }
  if (supply.gate === "always" || !key) return { entry: input, path: NONE, gate: NONE };
  const { system } = laid.job.vehicle;
  const packV = system.kind === "engine" ? 0 : system.pack.nominalV;
  const names = { unit: "relay", contact: "contact", coil: "coil" };
  const relay = relayUnit(b, names, "relay", site, relayOnWire(key, packV), "86");
  const fed = coilFeed(laid, b, key, coilSize);
  const lead = b.wire("tapWire", "tap", fed.node, relay.plus, coilSize, assumed(0.5, 0.3, 1));
  const ground = toNegative(b, "coilReturn", relay.minus, fed.negative, coilSize, supply.feedM);
  const on = b.wire("gated", "feed", relay.to, input, size, AT_HAND_M);
  return {
    entry: relay.from,
    path: [relay.contact, on],
    gate: [...fed.ids, lead, relay.coil, ...ground],
  };
}

/** A splice behind a terminal that more wires start from than it takes. */
export function outlet(
  b: Bench,
  name: string,
  from: NodeId,
  users: number,
  site: Site,
  size: WireSize,
): { readonly node: NodeId; readonly ids: readonly ElementId[] } {
  if (users <= 2) return { node: from, ids: NONE };
  const splice = b.splice(`${name}Splice`, "splice", site);
  return { node: splice, ids: [b.wire(name, "feed", from, splice, size, OUTLET_M)] };
}
