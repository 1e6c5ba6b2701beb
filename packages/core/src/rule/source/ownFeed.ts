import {
  pinFuse,
  pinRelay,
  pinWire,
  setCircuit,
  type Job,
  type LightingCircuit,
} from "../../job/index.ts";
import type { Remedy } from "../finding.ts";

/**
 * The way out of hanging on a factory wire: a feed of its own by what this vehicle has, through a
 * relay. A pack has no 12 V battery: there it is a converter of the job, and none without one.
 */
export function ownFeed(
  job: Job,
  run: LightingCircuit,
  how: "yes" | "auto",
  label?: string,
): Remedy[] {
  const put = (words: string, feed: LightingCircuit["feed"]): Remedy => ({
    label: words,
    edits: [
      setCircuit(run.id, "feed", feed),
      pinRelay(run.id, how),
      // What was pinned for the factory wire is chosen anew for the new feed.
      ...(run.fuse.kind === "auto" ? [] : [pinFuse(run.id, { kind: "auto" })]),
      ...(run.wire === null ? [] : [pinWire(run.id, null)]),
    ],
  });
  if (job.vehicle.system.kind !== "pack") {
    return [put(label ?? "Feed it from the battery through a relay", { kind: "battery" })];
  }
  const converter = job.supplies.find(
    (s) => job.parts.find((p) => p.id === s.partId)?.kind === "converter",
  );
  return converter
    ? [
        put(`Feed it from ${converter.name} through a relay`, {
          kind: "supply",
          supplyId: converter.id,
        }),
      ]
    : [];
}
