import { boundsOf, times, type Interval } from "../quantity/index.ts";
import {
  controlPath,
  elementOf,
  elementsOf,
  powerPath,
  type Circuit,
  type LaidCircuit,
} from "../circuit/index.ts";
import type { BoxPart } from "../part/index.ts";
import { asId, type ElementId, type Job, type CircuitId } from "../job/index.ts";
import { standbyOf, loadsOf } from "../synthesis/index.ts";
import { remainingLoads } from "./remainingLoads.ts";

/** Something that draws while the vehicle stands with the key out. */
export interface StandbyItem {
  readonly what: string;
  readonly currentA: Interval;
  /** The run that brought it; null for what the vehicle had already. */
  readonly runId: CircuitId | null;
  /** What of the circuit it flows through that is not solved with it; nothing where the network has it. */
  readonly through: readonly ElementId[];
  /** Minutes without a signal until it draws no more than that; nothing for what does at once. */
  readonly afterMin?: number;
}

/** Whether a run's supply side is live with the key out: nothing before it parts it. */
const alwaysLive = (circuit: Circuit, run: LaidCircuit): boolean => {
  if (run.source.kind === "pin") return run.source.pin.liveWhen === "always";
  const before = run.feedShared.map((id) => elementOf(circuit, id));
  return !before.some((e) => e.kind === "switch" || e.kind === "contact");
};

/** Whether the switch of a run hangs on something that is live with the key out. */
function switchAlwaysLive(circuit: Circuit, run: LaidCircuit): boolean {
  const tap = elementsOf(circuit, run.coil?.lanes[0]?.ids ?? [], "tap")[0];
  return tap ? tap.pin.liveWhen === "always" : alwaysLive(circuit, run);
}

function tellTales(circuit: Circuit, run: LaidCircuit, name: string): StandbyItem[] {
  if (!switchAlwaysLive(circuit, run)) return [];
  const path = [...powerPath(run), ...controlPath(run)];
  return elementsOf(circuit, path, "switch")
    .filter((s) => s.part.tellTale === "always" && s.part.tellTaleA.high > 0)
    .map((s) => ({
      what: `tell-tale of ${s.part.name} (${name})`,
      currentA: boundsOf(s.part.tellTaleA),
      runId: run.runId,
      through: [],
    }));
}

/** Loads that nothing parts from an always-live feed draw what they take when idle. */
function idleLoads(job: Job, circuit: Circuit, run: LaidCircuit): StandbyItem[] {
  const gates = elementsOf(circuit, run.out, "switch").length + (run.coil ? 1 : 0);
  const jobRun = job.runs.find((r) => r.id === run.runId);
  if (gates > 0 || !alwaysLive(circuit, run) || !jobRun) return [];
  const currentA = standbyOf(loadsOf(job, jobRun));
  return currentA.high > 0
    ? [{ what: `${jobRun.name} standing by`, currentA, runId: run.runId, through: [] }]
    : [];
}

/** What a box draws while the vehicle stands: asleep, where it sleeps. */
const standingA = ({ idleA, sleepAfterMin, sleepA }: BoxPart): Interval =>
  boundsOf(sleepAfterMin > 0 ? sleepA : idleA);

/** Hubs that are never parted from the battery draw what they take when idle. */
function idleBoxes(job: Job, circuit: Circuit): StandbyItem[] {
  return job.supplies.flatMap((supply): StandbyItem[] => {
    const part = job.parts.find((p) => p.id === supply.partId);
    const feeder = circuit.feeders.find((t) => t.ownerId === asId<CircuitId>(supply.id));
    if (part?.kind !== "box" || supply.gate !== "always") return [];
    if (feeder?.feedRoot.kind !== "battery") return [];
    const parted = feeder.shared.some((id) => elementOf(circuit, id).kind === "contact");
    const what = `${supply.name} ${part.sleepAfterMin > 0 ? "asleep" : "standing by"}`;
    const currentA = standingA(part);
    const through = feeder.path;
    return parted || currentA.high <= 0
      ? []
      : [{ what, currentA, runId: null, through, afterMin: part.sleepAfterMin }];
  });
}

/** The standby list: what was there, tell-tales left live, loads that are never parted. */
export function standbyItems(job: Job, circuit: Circuit): StandbyItem[] {
  const base = remainingLoads(job)
    .filter((load) => load.parked > 0)
    .map((load) => ({
      what: load.name,
      currentA: times(boundsOf(load.currentA), load.parked),
      runId: null,
      through: [],
    }));
  const added = circuit.runs.flatMap((run) => {
    const name = job.runs.find((r) => r.id === run.runId)?.name ?? run.runId;
    return [...tellTales(circuit, run, name), ...idleLoads(job, circuit, run)];
  });
  return [...base, ...added, ...idleBoxes(job, circuit)];
}
