import { terminalNode, type LaidFeeder } from "../../../circuit/index.ts";
import { asId, type Job, type NodeId, type CircuitId } from "../../../job/index.ts";
import { interval, type BoundedValue, type Interval } from "../../../quantity/index.ts";
import { Bench, type Assembly } from "../assembly.ts";
import type { Negative } from "./grounds.ts";
import type { ElementId } from "../../../job/index.ts";
import { GROUND_BLOCK_TERMINALS } from "../../../unit/chassis/unit.ts";

/** One ground block a negative: where ways back meet before one wire takes them on. */
export interface GroundBlock {
  readonly ownerId: CircuitId;
  readonly node: NodeId;
  readonly path: readonly ElementId[];
  drawA: Interval;
}

export type GroundBlocks = Map<NodeId, GroundBlock>;

/**
 * The ground block of a negative, laid out when it is first asked for. Its wire is as long as
 * the way from the source to the first run on it.
 */
export function groundBlockOf(
  a: Assembly,
  blocks: GroundBlocks,
  negative: Negative,
  lengthM: BoundedValue,
): GroundBlock {
  const known = blocks.get(negative.node);
  if (known) return known;
  const nth = blocks.size === 0 ? "" : `-${blocks.size + 1}`;
  const ownerId = asId<CircuitId>(`ground-block${nth}`);
  const b = new Bench(a, ownerId);
  const unit = b.unit("block", {
    ...{ kind: "groundBlock", name: "ground block", site: { kind: "electrics" } },
    terminals: GROUND_BLOCK_TERMINALS,
  });
  const node = terminalNode(unit, "j");
  const size = { group: ownerId };
  const wire = b.wire("return", "return", node, negative.node, size, lengthM);
  const block = { ownerId, node, path: [wire, ...negative.path], drawA: interval(0, 0, 0) };
  blocks.set(negative.node, block);
  return block;
}

/** A ground block as the trunk that runs share. */
export const blockFeeder = (job: Job, block: GroundBlock): LaidFeeder => {
  const source = job.vehicle.system.kind === "pack" ? "pack" : "battery";
  const root =
    source === "pack" ? ({ kind: "pack", share: 1 } as const) : ({ kind: "battery" } as const);
  return {
    ownerId: block.ownerId,
    kind: "groundBlock",
    name: "Ground block",
    source: { kind: source },
    root,
    feedRoot: root,
    shared: [],
    path: block.path,
    gate: [],
    node: block.node,
    drawA: block.drawA,
  };
};
