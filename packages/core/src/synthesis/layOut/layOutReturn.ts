import type { ElementId, NodeId } from "../../job/index.ts";
import { plus, type BoundedValue } from "../../quantity/index.ts";
import { addFacts } from "../decide/facts.ts";
import { groundBlockOf, type GroundBlocks } from "./piece/groundBlocks.ts";
import { frameLug } from "./piece/grounds.ts";
import type { End, LampJoint } from "./layOutLamps.ts";
import type { Out, CircuitContext } from "./layOutOut.ts";
import { allPlugged } from "./from/plugged.ts";

/** Where lamps' ways back meet, and what takes them on to the source. */
export interface Back {
  readonly joint: NodeId;
  readonly ids: readonly ElementId[];
}

/** How a run's current gets back: as it is said, or why it cannot. */
export interface ReturnDecision {
  readonly by: "frame" | "wire" | "block" | "channel";
  readonly picked: string;
  readonly reason: string;
  /** What the installer said and cannot be had; "" where it is as said. */
  readonly refused: string;
}

/** Decides the way back: what was asked for, unless nothing would flow. */
export function decideReturn({ plan, origin }: CircuitContext): ReturnDecision {
  const { run } = plan;
  const { negative } = origin;
  if (allPlugged(plan)) {
    return {
      by: "frame",
      picked: "as the factory lamp had it",
      reason: "The ground in the factory's plug, by the vehicle's own loom.",
      refused: "",
    };
  }
  if (plan.box?.switches === "ground" && plan.useRelay) {
    return {
      by: "channel",
      picked: `wire to ${plan.box.name}`,
      reason: `${plan.box.name} switches the lamps' ground: their way back is its channel.`,
      refused:
        run.return === "wire"
          ? ""
          : `${plan.box.name} switches the lamps’ ground, so a lamp that is grounded elsewhere never goes off: a wire to its channel is laid`,
    };
  }
  switch (run.return) {
    case "chassis":
      return negative.onFrame
        ? {
            by: "frame",
            picked: "frame",
            reason: `The frame is tied to ${negative.words}: a lug near the lamps is the way back.`,
            refused: "",
          }
        : {
            by: "wire",
            picked: `wire to ${negative.words}`,
            reason: `${negative.words} is not on the frame: a wire goes all the way back.`,
            refused: `${negative.words} is not on the frame, so nothing would flow back through it: a wire of its own is laid`,
          };
    case "wire":
      return {
        by: "wire",
        picked: `wire to ${negative.words}`,
        reason: "A wire of its own, beside the feed: sure whatever the frame does.",
        refused: "",
      };
    case "block":
      return {
        by: "block",
        picked: "ground block",
        reason: `A wire to the ground block, from there one to ${negative.words} for all.`,
        refused: "",
      };
  }
}

/** From a joint of lamps back to the source. */
export function layOutBack(
  c: CircuitContext,
  out: Out,
  blocks: GroundBlocks,
  by: ReturnDecision["by"],
  name: string,
  end: End | "",
  wayM: BoundedValue,
): Back {
  const { b, plan, size, origin } = c;
  if (by === "frame") {
    const lug = frameLug(b, name);
    return { joint: lug.node, ids: [lug.id] };
  }
  const site = { kind: "splice", runId: plan.run.id, end } as const;
  const joint = b.splice(
    `${name}Joint`,
    end === "" ? "ground splice" : `${end} ground splice`,
    site,
  );
  if (by === "channel" && out.switchedGround) {
    const { node, ids } = out.switchedGround;
    return { joint, ids: [b.wire(name, "load", joint, node, size, wayM), ...ids] };
  }
  if (by === "block") {
    const block = groundBlockOf(b.assembly, blocks, origin.negative, plan.run.feedM);
    block.drawA = plus(block.drawA, plan.drawA);
    const lengthM = end === "" ? plan.run.loadM : wayM;
    return {
      joint,
      ids: [b.wire(name, "return", joint, block.node, size, lengthM), ...block.path],
    };
  }
  const { negative } = origin;
  return {
    joint,
    ids: [b.wire(name, "return", joint, negative.node, size, wayM), ...negative.path],
  };
}

/** One joint at each end of the vehicle where lamps are, a wire each way from the run's splice. */
export function endJoints(
  c: CircuitContext,
  out: Out,
  blocks: GroundBlocks,
  by: ReturnDecision["by"],
  ends: ReadonlySet<End>,
  /** Ends where a lamp has a way back of its own, and not its host's. */
  returning: ReadonlySet<End>,
): ReadonlyMap<End, LampJoint> {
  const { b, plan, size, laid } = c;
  const { reaches } = laid.job.vehicle;
  const joints = new Map<End, LampJoint>();
  for (const end of ends) {
    const wayM = end === "front" ? reaches.frontM : reaches.rearM;
    const site = { kind: "splice", runId: plan.run.id, end } as const;
    const splice = b.splice(`${end}Splice`, `${end} splice`, site);
    const link = b.wire(`to${end}`, "load", out.splice, splice, size, wayM);
    const back = returning.has(end)
      ? layOutBack(c, out, blocks, by, `${end}Return`, end, wayM)
      : { joint: splice, ids: [] };
    joints.set(end, { splice, joint: back.joint, out: [link], back: back.ids });
  }
  return joints;
}

/** The whole way of a run's own return wire. */
export const wayBack = ({ plan }: CircuitContext): BoundedValue =>
  addFacts(plan.run.feedM, plan.run.loadM);
