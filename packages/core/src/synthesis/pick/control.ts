import {
  signalsOf,
  type Feed,
  type Job,
  type LightingCircuit,
  type Signal,
} from "../../job/index.ts";

/** How a run is to be turned on, read from its condition. */
export interface Control {
  readonly ownSwitch: boolean;
  /** Signals that the feed does not already follow. */
  readonly signals: readonly Signal[];
}

/**
 * Signals without which a feed is dead: of a factory wire what makes it live, of a fuse block or
 * converter that hangs on one, the same; of what is gated by the key, the key.
 */
export function followedBy(job: Job, feed: Feed, deep = 0): ReadonlySet<string> {
  // Supplies that feed each other in a ring follow nothing.
  if (deep > job.supplies.length) return new Set();
  if (feed.kind === "pin") {
    const pin = job.vehicle.pins.find((p) => p.id === feed.pinId);
    return new Set(pin ? [pin.liveWhen] : []);
  }
  if (feed.kind !== "supply") return new Set();
  const supply = job.supplies.find((s) => s.id === feed.supplyId);
  const part = job.parts.find((p) => p.id === supply?.partId);
  // A battery of its own gives by itself, and a way of a hub is turned on by its own input.
  const passes = part?.kind === "converter" || (part?.kind === "box" && part.form === "fuseBlock");
  if (!supply || !passes) return new Set();
  const before = followedBy(job, supply.feed, deep + 1);
  return supply.gate === "key" ? new Set([...before, "key"]) : before;
}

/**
 * Reads a run's condition against its feed, as far as one relay and one switch go: the
 * first way on. A feed that is itself live with a signal needs no wire for it.
 */
export function controlOf(job: Job, run: LightingCircuit): Control {
  const [group = []] = run.condition.anyOf;
  const follows = followedBy(job, run.feed);
  return {
    ownSwitch: group.some((t) => t.input === "switch"),
    signals: signalsOf(group).filter((input) => !follows.has(input)),
  };
}
