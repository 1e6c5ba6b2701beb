import type { CoilLane, Site } from "../../circuit/index.ts";
import { asId, channelOf, type ElementId, type NodeId, programOf } from "../../job/index.ts";
import type { BoundedValue } from "../../quantity/index.ts";
import type { Bench, WireSize } from "./assembly.ts";
import { STRAP_OHM } from "../defaults.ts";
import { addFacts } from "../decide/facts.ts";
import { toNegative } from "./piece/grounds.ts";
import { boardByGround } from "../pick/coilsOn.ts";
import { fuseInLine, fuseInside, relayUnit, switchUnit } from "./piece/inline.ts";
import type { CoilEnds } from "./layOutControlPath.ts";
import {
  boxNegative,
  channelNode,
  tapOf,
  type BoxUnit,
  type Laid,
  type Origin,
} from "./from/origin.ts";
import type { CircuitPlan } from "../decide/plan.ts";
import { allPlugged, isPlugged, layOutThrough } from "./from/plugged.ts";

/** One run while it is laid out. */
export interface CircuitContext {
  readonly laid: Laid;
  readonly b: Bench;
  readonly plan: CircuitPlan;
  readonly origin: Origin;
  readonly size: WireSize;
  /** From relay, switch or channel to where its wires part. */
  readonly loadM: BoundedValue;
  readonly coilSize: WireSize;
}

/** From the source to the splice where lamps part. */
export interface Out {
  readonly path: readonly ElementId[];
  readonly shared: readonly ElementId[];
  readonly splice: NodeId;
  /** Behind the fuse, where a coil may hang. */
  readonly fusedNode: NodeId;
  readonly ways: readonly CoilLane[];
  /** Where the plug of a factory lamp is fed from; null where nothing goes into one. */
  readonly plug: NodeId | null;
  /** What a module on the way senses its input by. */
  readonly sense: readonly ElementId[];
  /** Coil of its relay or of its channel; null where nothing is worked by a coil. */
  readonly coilEnds: CoilEnds | null;
  /** Where the lamps' ways back go when a channel switches their ground; null otherwise. */
  readonly switchedGround: { readonly node: NodeId; readonly ids: readonly ElementId[] } | null;
}

interface Fed {
  readonly path: readonly ElementId[];
  readonly sense: readonly ElementId[];
  readonly shared: readonly ElementId[];
  readonly node: NodeId;
  /** Where plugs of the factory's are fed from: before the fuse. */
  readonly plug: NodeId;
}

const spliceOf = ({ b, plan }: CircuitContext): NodeId =>
  b.splice("splice", "splice", { kind: "splice", runId: plan.run.id, end: "" });

const fuseSpec = (plan: CircuitPlan) => ({
  ratingA: plan.fuseA ?? 0,
  resets: plan.run.fuse.kind === "breaker",
  systemV: plan.feed.range.highV,
  fromSourceM: plan.run.fuseAtM,
});

/** Where a run's current is taken, and so its fuse sits: at the factory wire that carries it, too. */
const feedSite = ({ run, feed }: CircuitPlan): Site => ({
  kind: "source",
  feed: feed.source.kind === "pin" ? { kind: "pin", pinId: feed.source.pinId } : run.feed,
});

/**
 * From the source to behind the run's own fuse, where it has one. A module sits at the factory's
 * plug, before anything of this job; so do lamps that go into such plugs.
 */
function layOutFeed(c: CircuitContext): Fed {
  const { b, plan, origin, laid, size } = c;
  const path: ElementId[] = [];
  let [node, shared] = [origin.node, origin.path];
  if (plan.feedWire) {
    const tap = tapOf(laid, b, "source", plan.feedWire);
    path.push(...tap.ids);
    shared = tap.path;
    node = tap.node;
  }
  const through = layOutThrough(laid, b, plan, node);
  const sense = through ? [...path, ...through.sense] : [];
  if (through) {
    path.push(...through.path);
    node = through.node;
  }
  const plug = node;
  if (plan.fuseA !== null) {
    const fused = fuseInLine(
      b,
      { stub: "stub", fuse: "fuse", role: "feed" },
      node,
      feedSite(plan),
      size,
      fuseSpec(plan),
    );
    path.push(...fused.ids);
    node = fused.node;
  }
  return { path, shared, node, plug, sense };
}

/** From a box's bar to behind the fuse of a channel. */
function layOutChannelFuse(c: CircuitContext, box: BoxUnit, to: NodeId): ElementId {
  const { b, plan } = c;
  const bar = box.bar;
  return plan.fuseA === null
    ? b.inside(box.unit, "bar", { kind: "strap", from: bar, to, ohm: STRAP_OHM })
    : fuseInside(b, box.unit, "fuse", bar, to, fuseSpec(plan));
}

const boxCoil = (
  { b, plan }: CircuitContext,
  box: BoxUnit,
  plus: NodeId,
  minus: NodeId,
): ElementId =>
  b.inside(box.unit, "coil", {
    ...{ kind: "coil", from: plus, to: minus, part: plan.relayPart, plusTerminal: "86" },
  });

const boxContact = (
  { laid, b, plan }: CircuitContext,
  box: BoxUnit,
  from: NodeId,
  to: NodeId,
  coilId: ElementId,
): ElementId =>
  b.inside(box.unit, "contact", {
    ...{ kind: "contact", from, to, part: plan.relayPart, coilId, normallyClosed: false },
    ...{ inBox: plan.box?.name ?? "", program: programOf(laid.job, plan.run) },
  });

/** A channel that is worked by its input: it switches the lamps' positive, or their ground. */
function layOutChannel(c: CircuitContext, box: BoxUnit, channel: number): Out {
  const { b, plan, origin, size } = c;
  const fused = asId<NodeId>(`${box.unit}.ch${channel}_fused`);
  const fuse = layOutChannelFuse(c, box, fused);
  const input = channelNode(b, box, "in", channel);
  const negative = boxNegative(box);
  const lengthM = addFacts(plan.run.feedM, c.loadM);
  // A switch for its input hangs on the bar, behind a fuse of its own: the channel's is inside.
  const base = {
    ...{ shared: origin.path, fusedNode: box.bar, ways: [], plug: null, sense: [] },
  };
  if (plan.box?.switches === "ground") {
    const plus = b.assembly.terminal(box.unit, `pos${channel}`, "blade");
    const strap = { kind: "strap", from: fused, to: plus, ohm: STRAP_OHM } as const;
    const bar = b.inside(box.unit, "toLamps", strap);
    const splice = spliceOf(c);
    const load = b.wire("load", "load", plus, splice, size, lengthM);
    const back = channelNode(b, box, "ch", channel);
    const coil = boxCoil(c, box, input, negative);
    const contact = boxContact(c, box, back, negative, coil);
    return {
      ...{ ...base, path: [fuse, bar, load], splice },
      coilEnds: { coil, plus: input, minus: null, jumper: null },
      switchedGround: { node: back, ids: [contact] },
    };
  }
  const to = channelNode(b, box, "ch", channel);
  // A board's coil may be worked by its ground: its positive is then strapped to the bar.
  const byGround = boardByGround(plan);
  const minus = byGround ? channelNode(b, box, "ret", channel) : negative;
  const jumper = byGround
    ? b.inside(box.unit, "jumper", {
        ...{ kind: "strap", from: box.bar, to: input, ohm: STRAP_OHM },
      })
    : null;
  if (byGround)
    b.assembly.terminal(box.unit, `in${channel}`, "blade", "strapped to the bar inside");
  const coil = boxCoil(c, box, input, minus);
  const contact = boxContact(c, box, fused, to, coil);
  const splice = spliceOf(c);
  const load = b.wire("load", "load", to, splice, size, lengthM);
  return {
    ...{ ...base, path: [fuse, contact, load], splice, switchedGround: null },
    coilEnds: { coil, plus: input, minus: byGround ? minus : null, jumper },
  };
}

/** Behind the fuse: through a relay, through its own switch, or straight on. */
function layOutBehindFuse(
  c: CircuitContext,
  { path, shared, node, plug: before, sense }: Fed,
): Out {
  const { b, plan, size, laid, origin } = c;
  const { run } = plan;
  const plug = plan.loads.some((load) => isPlugged(plan, load)) ? before : null;
  const base = { ...{ shared, fusedNode: node, ways: [], switchedGround: null, plug, sense } };
  if (plan.useRelay) {
    const relay = relayUnit(
      b,
      { unit: "relay", contact: "contact", coil: "coil" },
      "relay",
      { kind: "relay", runId: run.id },
      plan.relayPart,
      plan.plusTerminal,
    );
    const feed = b.wire("feed", "feed", node, relay.from, size, run.feedM);
    const splice = spliceOf(c);
    const load = b.wire("load", "load", relay.to, splice, size, c.loadM);
    return {
      ...{ ...base, path: [...path, feed, relay.contact, load], splice },
      coilEnds: { coil: relay.coil, plus: relay.plus, minus: relay.minus, jumper: null },
    };
  }
  if (plan.ownSwitch) {
    const site = { kind: "switch", runId: run.id } as const;
    const knob = switchUnit(b, "switch", site, plan.switchPart);
    const feed = b.wire("feed", "feed", node, knob.in, size, addFacts(run.feedM, run.controlM));
    if (knob.tellTale) {
      const { negative } = origin;
      toNegative(b, "tellTale", knob.tellTale, negative, c.coilSize, run.controlM);
    }
    const splice = spliceOf(c);
    const load = b.wire("load", "load", knob.out, splice, size, addFacts(c.loadM, run.controlM));
    return { ...base, path: [...path, feed, knob.id, load], splice, coilEnds: null };
  }
  // Nothing but plugs: no splice, and no wire to one.
  if (allPlugged(plan)) return { ...base, path, splice: node, coilEnds: null };
  const splice = spliceOf(c);
  const lengthM = addFacts(run.feedM, c.loadM);
  const feed = b.wire("feed", "load", node, splice, size, lengthM);
  const earlier = new Set(shared);
  const ways = (plan.direct ?? []).slice(1).map((pin, i): CoilLane => {
    const tap = tapOf(laid, b, `or${i + 2}`, pin);
    tap.path.forEach((id) => earlier.add(id));
    const wire = b.wire(`orWire${i + 2}`, "load", tap.node, splice, size, lengthM);
    return { label: "or", ids: [...tap.ids, wire] };
  });
  return { ...base, shared: [...earlier], path: [...path, feed], splice, ways, coilEnds: null };
}

/** From the source to the splice, by whatever the run is fed from and turned on with. */
export function layOutOut(c: CircuitContext): Out {
  const { plan, origin, laid, b } = c;
  const { box } = origin;
  const { source } = plan.feed;
  if (!box || source.kind !== "supply") return layOutBehindFuse(c, layOutFeed(c));
  const channel = channelOf(laid.job, plan.run);
  if (plan.box && plan.box.form !== "fuseBlock" && plan.useRelay) {
    return layOutChannel(c, box, channel);
  }
  const to = channelNode(b, box, "ch", channel);
  const fuse = layOutChannelFuse(c, box, to);
  return layOutBehindFuse(c, { path: [fuse], shared: origin.path, node: to, plug: to, sense: [] });
}
