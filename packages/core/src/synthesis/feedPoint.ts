import type { Root, Source } from "../circuit/index.ts";
import { rootV } from "../circuit/index.ts";
import type { Feed, Job, NodeId } from "../job/index.ts";
import type { BoxPart } from "../part/index.ts";
import { openCircuitV, restVolts } from "../source/index.ts";
import { BATTERY_PLUS, PACK_PLUS, blockTap } from "./runBuilder.ts";
import { pinText } from "./tap.ts";
import { asId } from "../job/index.ts";

/** Where something is fed from, and what holds the voltage there. */
export interface FeedPoint {
  readonly source: Source;
  readonly root: Root;
  readonly node: NodeId;
  /** Full and at rest, in V. */
  readonly volts: number;
  readonly words: string;
  readonly box: BoxPart | null;
}

/** The node that a supply gives its voltage on. */
export const supplyNode = (supplyId: string): NodeId => asId<NodeId>(`${supplyId}.out`);

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
    node: NodeId,
    words: string,
    box: BoxPart | null = null,
  ): FeedPoint => ({ source, root, node, volts: rootV(root, rest), words, box });
  switch (feed.kind) {
    case "battery":
      return system.kind === "pack"
        ? null
        : at({ kind: "battery" }, { kind: "battery" }, BATTERY_PLUS, "battery +");
    case "pin": {
      const pin = vehicle.pins.find((p) => p.id === feed.pinId);
      if (!pin) return null;
      const pack = pin.supply === "pack";
      const root: Root = pack ? { kind: "pack", share: 1 } : { kind: "battery" };
      const node = pack ? PACK_PLUS : BATTERY_PLUS;
      return at({ kind: "pin", pinId: pin.id, pin }, root, node, pinText(vehicle, pin));
    }
    case "pack":
      return system.kind === "engine"
        ? null
        : at({ kind: "pack" }, { kind: "pack", share: 1 }, PACK_PLUS, "pack +");
    case "block": {
      if (system.kind === "engine") return null;
      const { blocks } = system.pack;
      const words = `tap at ${feed.blocks} of ${blocks} blocks`;
      return at(
        { kind: "block", blocks: feed.blocks },
        { kind: "pack", share: feed.blocks / blocks },
        blockTap(feed.blocks),
        words,
      );
    }
    case "supply": {
      const supply = job.supplies.find((s) => s.id === feed.supplyId);
      const part = supply && job.parts.find((p) => p.id === supply.partId);
      if (!supply || !part) return null;
      const source: Source = { kind: "supply", supplyId: supply.id };
      const node = supplyNode(supply.id);
      if (part.kind === "converter") {
        return at(source, { kind: "fixed", volts: part.outV.value }, node, supply.name);
      }
      if (part.kind === "battery") {
        const volts = openCircuitV(part.chemistry, 1);
        return at(source, { kind: "fixed", volts }, node, supply.name);
      }
      const before = feedPointOf(job, supply.feed, deep + 1);
      if (!before) return null;
      const box = part.kind === "box" ? part : null;
      return at(source, before.root, node, supply.name, box);
    }
  }
}
