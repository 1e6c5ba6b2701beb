import type { SignalWire } from "../../pick/signalWire.ts";
import { boxOf, channelOf, type Job, type LightingCircuit } from "../../../job/index.ts";
import {
  GENERIC_RELAY,
  relayForV,
  switchForV,
  wayRelay,
  type BoxPart,
  type ConnectorPart,
  type RelayPart,
  type SwitchPart,
} from "../../../part/index.ts";
import { carriesA } from "../../../circuit/index.ts";
import { decimal } from "../../../quantity/index.ts";
import type { Decision } from "../decision.ts";
import type { FeedPoint } from "../feedPoint.ts";
import type { PlannedModule, CircuitPlan } from "../plan.ts";
import { rangeOfRoot } from "../../draw/rangeOf.ts";
import { rootOfPin } from "../../pick/pinOrigin.ts";

/** A run's own switch: one nobody has picked bears its feed, and the wire that its relay is worked from. */
export function switchOf(
  job: Job,
  run: LightingCircuit,
  feed: FeedPoint,
  tap: SignalWire | null,
): SwitchPart {
  const part = job.parts.find((p) => p.id === run.switchPartId);
  const tapV = tap ? rangeOfRoot(job, rootOfPin(tap)).highV : 0;
  return part?.kind === "switch" ? part : switchForV(Math.max(feed.range.highV, tapV));
}

export function relayOf(
  job: Job,
  run: LightingCircuit,
  box: BoxPart | null,
  tap: SignalWire | null,
): RelayPart {
  if (box && box.form !== "fuseBlock") return wayRelay(box, channelOf(job, run));
  const part = job.parts.find((p) => p.id === run.relayPartId);
  if (part?.kind === "relay") return part;
  const { system } = job.vehicle;
  return tap?.supply === "pack" && system.kind !== "engine"
    ? relayForV(system.pack.nominalV)
    : GENERIC_RELAY;
}

export function plugOf(job: Job, run: LightingCircuit): ConnectorPart | null {
  const part = job.parts.find((p) => p.id === run.connectorPartId);
  return part?.kind === "connector" ? part : null;
}

export function describeSwitch(
  part: SwitchPart,
  drawA: number,
  useRelay: boolean,
  chosen: boolean,
): Decision<SwitchPart> {
  const carries = useRelay
    ? "It carries the coil only, well under an amp."
    : `It carries the load itself: ${decimal(drawA)} A of its ${decimal(part.contactA)} A.`;
  return {
    value: part,
    picked: part.name,
    reason: chosen ? carries : `No switch picked yet; planned with a plain one. ${carries}`,
    pinned: chosen,
  };
}

/** The plug-in module that a run goes through, with its channel. */
export function moduleOf(job: Job, run: LightingCircuit): PlannedModule | null {
  const supply = job.supplies.find((s) => s.id === run.throughId);
  const part = supply && boxOf(job, supply.id);
  return supply && part?.form === "plugIn" ? { supply, part, channel: channelOf(job, run) } : null;
}

/** What the lamps' own leads and their plug carry, in A: the plan takes them as they come. */
export function behindA(job: Job, run: LightingCircuit, loads: CircuitPlan["loads"]): number {
  const leads = loads.flatMap(({ part }) =>
    part.pigtail === "" ? [] : [carriesA({ gaugeId: part.pigtail, bundle: 1 }, job.practices)],
  );
  return Math.min(...leads, plugOf(job, run)?.ratingA ?? Infinity);
}
