import { CHASSIS, GROUND } from "../../../circuit/index.ts";
import type { ElementId, Job, NodeId } from "../../../job/index.ts";
import type { BoundedValue } from "../../../quantity/index.ts";
import type { Bench, WireSize } from "../assembly.ts";
import { CHASSIS_OHM, GROUND_TAIL_M } from "../../defaults.ts";

/** Where a feed's current has to get back to. */
export interface Negative {
  readonly node: NodeId;
  /** What lies between that node and the source itself, as part of every way back. */
  readonly path: readonly ElementId[];
  readonly words: string;
  /** The frame is tied to it, so that a bolt on the frame is a way back. */
  readonly onFrame: boolean;
}

/** Whether this vehicle's own negative lies on its frame: a 12 V battery's does, a pack's floats. */
export const hasFrameReturn = (job: Job): boolean => job.vehicle.system.kind !== "pack";

/** A place on the frame for something to be bolted to, and the way from there. */
export function frameLug(b: Bench, name: string): { node: NodeId; id: ElementId } {
  const unit = CHASSIS;
  if (!b.assembly.units.has(unit)) {
    b.assembly.put(unit, "", {
      ...{ kind: "chassis", name: "frame", site: { kind: "atHand" }, fitted: false },
      terminals: [],
    });
  }
  const lug = b.assembly.claim(`lug_${b.ownerId}_${name}`);
  const node = b.assembly.terminal(unit, lug, "lug");
  const id = b.inside(unit, `${name}Lug`, {
    ...{ kind: "chassis", from: node, to: GROUND, resistanceOhm: CHASSIS_OHM },
  });
  return { node, id };
}

/** A wire from a node to its source's negative: a tail to the frame where that is one, all the way otherwise. */
export function toNegative(
  b: Bench,
  name: string,
  from: NodeId,
  negative: Negative,
  size: WireSize,
  wayM: BoundedValue,
): ElementId[] {
  const role = "group" in size ? "return" : "coilReturn";
  if (!negative.onFrame) {
    return [b.wire(name, role, from, negative.node, size, wayM), ...negative.path];
  }
  const lug = frameLug(b, name);
  return [b.wire(name, role, from, lug.node, size, GROUND_TAIL_M), lug.id];
}
