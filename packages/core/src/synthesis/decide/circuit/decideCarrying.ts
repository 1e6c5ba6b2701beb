import type { KitSwitch, Job, LightingCircuit } from "../../../job/index.ts";
import { decimal } from "../../../quantity/index.ts";
import { kitSwitchOf, vehicleWire, type SignalWire } from "../../pick/signalWire.ts";
import type { CircuitNotes } from "./circuitNotes.ts";
import type { Switching } from "./decideSwitching.ts";
import type { Trigger } from "./decideTrigger.ts";
import { feedPointOf, type FeedPoint } from "../feedPoint.ts";

/** Where a circuit's current comes from in the end. */
export interface Carrying {
  readonly feed: FeedPoint;
  /** Factory wire or switch of the kit that the load itself flows through; null otherwise. */
  readonly feedWire: SignalWire | null;
  /** The switch of the kit among these; null otherwise. */
  readonly kitSwitch: KitSwitch | null;
}

const feedReason = (feed: FeedPoint, direct: SignalWire | null, kit: boolean): string => {
  if (kit) return "Through a control of the kit, which is rated for it.";
  if (direct)
    return `Taken from a factory wire that gives ${decimal(direct.mayGiveA.low)} A at most.`;
  switch (feed.source.kind) {
    case "supply":
      return feed.box
        ? `A channel of its own on ${feed.words}.`
        : `From ${feed.words}, which gives ${decimal(feed.volts)} V.`;
    case "pack":
      return "Across the whole pack, so that every block is drawn down alike.";
    case "block":
      return "From part of the pack: the blocks below the tap are drawn down more than the others.";
    default:
      return "Straight from the battery through a fuse of its own, so no factory fuse carries it.";
  }
};

/** Behind a wire that carries the load: what its switch of the kit hangs on, or the wire itself. */
function feedThrough(
  job: Job,
  through: SignalWire,
  kitSwitch: KitSwitch | null,
  wanted: FeedPoint,
): FeedPoint {
  if (!kitSwitch) return feedPointOf(job, { kind: "pin", pinId: through.id }) ?? wanted;
  return {
    ...(feedPointOf(job, kitSwitch.feed) ?? wanted),
    source: { kind: "control", controlId: kitSwitch.id },
    words: through.words,
    box: null,
  };
}

/**
 * What carries the load: without a relay the trigger's wire has to. People do it, and rules judge
 * it; where that comes from elsewhere than was asked for, it is told.
 */
export function decideCarrying(
  job: Job,
  run: LightingCircuit,
  { wanted, trigger, switching }: { wanted: FeedPoint; trigger: Trigger; switching: Switching },
  { chose, lacks }: CircuitNotes,
): Carrying {
  const tap = trigger.tap?.value ?? null;
  const bare = switching.relay.value ? null : tap;
  const strange = bare && !switching.byKit ? kitSwitchOf(bare) : null;
  if (strange) {
    const own = feedPointOf(job, strange.feed)?.words ?? "another feed";
    lacks(
      "feedNotUsed",
      `${strange.name} is fed from ${own}, not from ${wanted.words}; without a relay its current comes from there`,
    );
  }
  // What nobody has found carries nothing: without a relay the load stays on what was chosen.
  const carries = bare && !switching.grounds && bare.from.kind !== "unfound" ? bare : null;
  const through = trigger.direct?.[0] ?? carries;
  const { source } = wanted;
  const asked = source.kind === "pin" ? vehicleWire(job.vehicle, source.pin) : null;
  const feedWire = through ?? asked;
  const kitSwitch = through && kitSwitchOf(through);
  const feed = through ? feedThrough(job, through, kitSwitch, wanted) : wanted;
  chose("feed", {
    picked: feed.words,
    reason: feedReason(feed, feedWire, kitSwitch !== null),
    pinned: run.feed.kind === "pin",
  });
  return { feed, feedWire, kitSwitch };
}
