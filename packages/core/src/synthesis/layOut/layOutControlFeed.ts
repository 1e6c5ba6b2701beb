import type { Source, LaidFeeder } from "../../circuit/index.ts";
import { asId, type CircuitId } from "../../job/index.ts";
import { AT_HAND_M, COIL_FUSE_AT_M, COIL_WIRE } from "../defaults.ts";
import { tapOf, type ControlFeed, type Laid } from "./from/origin.ts";
import { rootOfPin } from "../pick/pinOrigin.ts";
import { rangeOfRoot } from "../draw/rangeOf.ts";
import { siteOf, type SignalWire } from "../pick/signalWire.ts";
import { fuseInLine } from "./piece/inline.ts";
import { Bench } from "./assembly.ts";

/**
 * Where the coils that a wire works get their feed, behind the one fuse that they share; laid out
 * when the first of them is. null for a wire that has only one coil on it.
 */
export function controlFeedOf(laid: Laid, wire: SignalWire): ControlFeed | null {
  const made = laid.controlFeeds.get(wire.id);
  if (made) return made;
  const plan = laid.controlFeedPlans.get(wire.id);
  if (!plan) return null;
  const nth = laid.controlFeeds.size === 0 ? "" : `-${laid.controlFeeds.size + 1}`;
  const ownerId = asId<CircuitId>(`control-feed${nth}`);
  const b = new Bench(laid.assembly, ownerId);
  const tap = tapOf(laid, b, "tap", wire);
  const site = siteOf(wire);
  const size = { gaugeId: COIL_WIRE[laid.job.practices.wireSystem] };
  const fuse = fuseInLine(b, { stub: "stub", fuse: "fuse", role: "tap" }, tap.node, site, size, {
    ratingA: plan.fuseA,
    resets: false,
    systemV: rangeOfRoot(laid.job, rootOfPin(wire)).highV,
    fromSourceM: COIL_FUSE_AT_M,
  });
  const node = b.splice("splice", "control feed", site);
  const on = b.wire("feed", "tap", fuse.node, node, size, AT_HAND_M);
  const feed: ControlFeed = {
    ...{ ownerId, plan, node, negative: tap.negative, box: null },
    ...{ shared: tap.path, before: tap.ids, path: [...fuse.ids, on] },
  };
  laid.controlFeeds.set(wire.id, feed);
  return feed;
}

/** A control feed as the trunk that coils share. */
export function controlFeeder(feed: ControlFeed): LaidFeeder {
  const { wire, drawA } = feed.plan;
  const root = rootOfPin(wire);
  const { from } = wire;
  const source: Source =
    from.kind === "kit"
      ? { kind: "control", controlId: from.kitSwitch.id }
      : { kind: "pin", pinId: wire.id, pin: from.pin };
  const shared = [...feed.shared, ...feed.before];
  return {
    ...{ ownerId: feed.ownerId, kind: "controlFeed", source, root, feedRoot: root, gate: [] },
    name: `Control feed, ${wire.name}`,
    ...{ shared, path: feed.path, node: feed.node, drawA },
  };
}
