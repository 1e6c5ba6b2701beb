import { thingOf } from "../../unit/index.ts";
import {
  GROUND,
  PACK,
  splitNode,
  terminalWords,
  unitAt,
  type Circuit,
  type Element,
  type LoadElement,
  type Unit,
} from "../../circuit/index.ts";
import { ownerName, type Job, type NodeId } from "../../job/index.ts";
import { decimal } from "../../quantity/index.ts";

/**
 * What a person is told to put a tip or a clamp to, or to look at: one place and no other,
 * though three fuses of a job may have one name.
 */
export class PlaceWords {
  private readonly units = new Map<string, number>();
  private readonly loads = new Map<string, number>();

  constructor(
    private readonly job: Job,
    private readonly circuit: Circuit,
  ) {
    for (const { name } of circuit.units.values()) count(this.units, name);
    for (const { label } of job.lamps) count(this.loads, label);
  }

  private named(unit: Unit): string {
    const alone = (this.units.get(unit.name) ?? 0) < 2 || unit.ownerId === "";
    return alone ? unit.name : `${unit.name} of ${ownerName(this.job, unit.ownerId)}`;
  }

  /** A terminal, with its unit: "5 A fuse out", "40 W light bar −". */
  terminal(node: NodeId): string {
    if (node === GROUND) return this.circuit.units.has(PACK) ? "pack −" : "battery −";
    const unit = unitAt(this.circuit, node);
    if (!unit) return node;
    if (thingOf(unit).onePlace) return this.named(unit);
    return `${this.named(unit)} ${terminalWords(splitNode(node).terminal)}`;
  }

  /** Where a clamp goes: around the lead of a fuse. */
  current(fuse: Element): string {
    const unit = unitAt(this.circuit, fuse.from);
    const owner = ownerName(this.job, fuse.runId);
    return `current of ${owner}, at its ${unit?.name ?? "fuse"}`;
  }

  /** Where a meter goes into the way: in place of a fuse, and how long to wait for what falls asleep. */
  standby(fuse: Element, waitMin: number): string {
    const unit = unitAt(this.circuit, fuse.from);
    const owner = ownerName(this.job, fuse.runId);
    return `standby of ${owner}, the meter in place of its ${unit?.name ?? "fuse"}, largest range first${waitMin > 0 ? `, read after ${decimal(waitMin)} min: a module has to fall asleep` : ""}`;
  }

  /** A load; of several of one name, with the circuit it is on. */
  load({ label, runId }: LoadElement): string {
    const alone = (this.loads.get(label) ?? 0) < 2;
    return alone ? label : `${label}, ${ownerName(this.job, runId)}`;
  }
}

function count(names: Map<string, number>, name: string): void {
  names.set(name, (names.get(name) ?? 0) + 1);
}
