import { wholePath, type Circuit } from "../../circuit/index.ts";
import {
  asId,
  type KitSwitch,
  type Input,
  type Job,
  type PinId,
  type CircuitId,
} from "../../job/index.ts";
import { switchForV, type SwitchPart } from "../../part/index.ts";
import { measured, type BoundedValue } from "../../quantity/index.ts";
import { rangeOfRoot } from "../draw/rangeOf.ts";
import { kitWire, type SignalWire } from "./signalWire.ts";

/** No id of a document has a dot in it, so these cannot be taken for a factory wire's. */
const wireIdOf = (control: KitSwitch, input: Input): PinId =>
  asId<PinId>(`control.${control.id}.${input}`);

/** The most that the feed of a control shows, in V; 0 where that is no more than 12 V. */
function mostV(job: Job, { feed }: KitSwitch): number {
  const { system, pins } = job.vehicle;
  if (system.kind === "engine") return 0;
  const onPack = (share: number): number => rangeOfRoot(job, { kind: "pack", share }).highV;
  if (feed.kind === "pack") return onPack(1);
  if (feed.kind === "block") return onPack(feed.blocks / system.pack.blocks);
  const pin = feed.kind === "pin" ? pins.find((p) => p.id === feed.pinId) : undefined;
  return pin?.supply === "pack" ? onPack(1) : 0;
}

export function controlSwitch(job: Job, control: KitSwitch): SwitchPart {
  const part = job.parts.find((p) => p.id === control.switchPartId);
  return part?.kind === "switch" ? part : switchForV(mostV(job, control));
}

const ratedA = (amps: number): BoundedValue => measured(amps, amps, amps);

/** Contacts of the kit's own switches for a signal. */
export const kitWires = (job: Job, input: Input): SignalWire[] =>
  job.controls
    .filter((control) => control.inputs.includes(input))
    .map((control) => kitWireOf(job, control, input));

/** The contact of one switch of the kit for a signal. */
export const kitWireOf = (job: Job, control: KitSwitch, input: Input): SignalWire =>
  kitWire(wireIdOf(control, input), control, input, ratedA(controlSwitch(job, control).contactA));

/** Runs of a circuit that one position of a control works. */
export function circuitsOnSwitch(circuit: Circuit, control: KitSwitch, input: Input): CircuitId[] {
  return circuit.runs.flatMap((run) =>
    wholePath(run).some((id) => {
      const element = circuit.elements.get(id);
      if (element?.kind !== "switch" || element.input !== input || element.unit === "")
        return false;
      const unit = circuit.units.get(element.unit);
      return unit?.kind === "control" && unit.ownerId === ownerId(control);
    })
      ? [run.runId]
      : [],
  );
}

const ownerId = (control: KitSwitch): CircuitId => asId<CircuitId>(control.id);

/** Whether two or more runs work on fewer poles than they are, so that their feeds meet. */
export const tiesFeeds = (control: KitSwitch, users: number): boolean => control.poles < users;
