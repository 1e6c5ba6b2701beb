import { rootV, type Root, type Source } from "../../circuit/index.ts";
import { boxOf, type Feed, type Job } from "../../job/index.ts";
import type { BoxPart } from "../../part/index.ts";
import { openCircuitV, restVolts } from "../../source/index.ts";
import { rangeOfPart, rangeOfRoot, type VoltRange } from "../draw/rangeOf.ts";
import { rootOfPin } from "../pick/pinOrigin.ts";
import { pinText } from "../pick/signalWire.ts";

/** Where something is fed from, and what holds the voltage there. */
export interface FeedPoint {
  readonly source: Source;
  readonly root: Root;
  /** Full and at rest, in V. */
  readonly volts: number;
  /** In use: what a fuse is chosen for. */
  readonly range: VoltRange;
  readonly words: string;
  readonly box: BoxPart | null;
}

/** What holds the voltage behind a feed; null where this vehicle has no such source. */
export function feedPointOf(job: Job, feed: Feed, deep = 0): FeedPoint | null {
  // Supplies that feed each other in a ring have no source.
  if (deep > job.supplies.length) return null;
  const { vehicle } = job;
  const { system } = vehicle;
  const rest = restVolts(vehicle);
  const at = (
    source: Source,
    root: Root,
    words: string,
    box: BoxPart | null = null,
    range: VoltRange = rangeOfRoot(job, root),
  ): FeedPoint => ({ source, root, volts: rootV(root, rest), range, words, box });
  switch (feed.kind) {
    case "battery":
      return system.kind === "pack"
        ? null
        : at({ kind: "battery" }, { kind: "battery" }, "battery +");
    case "pin": {
      const pin = vehicle.pins.find((p) => p.id === feed.pinId);
      if (!pin) return null;
      const pack = pin.supply === "pack";
      // A pin of a source that this vehicle has not got feeds nothing.
      if (pack ? system.kind === "engine" : pin.supply === "battery" && system.kind === "pack") {
        return null;
      }
      // A wire that is tied to the negative gives nothing.
      if (pin.switches === "ground") return null;
      return at({ kind: "pin", pinId: pin.id, pin }, rootOfPin(pin), pinText(vehicle, pin));
    }
    case "pack":
      return system.kind === "engine"
        ? null
        : at({ kind: "pack" }, { kind: "pack", share: 1 }, "pack +");
    case "block": {
      if (system.kind === "engine") return null;
      const { blocks } = system.pack;
      if (feed.blocks < 1 || feed.blocks > blocks) return null;
      const words = `tap at ${feed.blocks} of ${blocks} blocks`;
      return at(
        { kind: "block", blocks: feed.blocks },
        { kind: "pack", share: feed.blocks / blocks },
        words,
      );
    }
    case "supply": {
      const supply = job.supplies.find((s) => s.id === feed.supplyId);
      const part = supply && job.parts.find((p) => p.id === supply.partId);
      if (!supply || !part) return null;
      const source: Source = { kind: "supply", supplyId: supply.id };
      if (part.kind === "converter") {
        const root = { kind: "fixed" as const, volts: part.outV.value };
        return at(source, root, supply.name, null, rangeOfPart(part) ?? undefined);
      }
      if (part.kind === "battery") {
        const volts = openCircuitV(part.chemistry, 1, part.cells);
        const root = { kind: "fixed" as const, volts };
        return at(source, root, supply.name, null, rangeOfPart(part) ?? undefined);
      }
      // Circuits go through a plug-in module; it has nothing of its own to give.
      if (part.kind === "box" && part.form === "plugIn") return null;
      const before = feedPointOf(job, supply.feed, deep + 1);
      if (!before) return null;
      return at(source, before.root, supply.name, boxOf(job, supply.id), before.range);
    }
  }
}
