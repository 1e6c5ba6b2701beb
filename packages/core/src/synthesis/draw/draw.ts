import { boundsOf, interval, sum, times, type Interval } from "../../quantity/index.ts";
import { designVoltageV, loadCurrentA, type LoadPart, type LoadSpec } from "../../part/index.ts";
import {
  onceOfPair,
  type Job,
  type Lamp,
  type LightingCircuit,
  type CircuitId,
} from "../../job/index.ts";
import type { FittedLoad } from "../decide/plan.ts";
import type { VoltRange } from "./rangeOf.ts";

/** Design current of one load in A with its bounds: amps on the box. */
export function designCurrentA(spec: LoadSpec, feedV: number): Interval {
  if (spec.kind === "constantCurrent") return boundsOf(spec.currentA);
  const volts = designVoltageV(spec, feedV);
  return interval(
    loadCurrentA(spec, volts, "low"),
    loadCurrentA(spec, volts, "value"),
    loadCurrentA(spec, volts, "high"),
  );
}

/** Lamps of a run with their parts, in the order of the job. */
export function loadsOf(job: Job, run: LightingCircuit): readonly FittedLoad[] {
  return sortedLoads(job.lamps, job.parts).get(run.id) ?? NONE;
}

type ByRun = ReadonlyMap<CircuitId, readonly FittedLoad[]>;
const NONE: readonly FittedLoad[] = [];

/** Loads sorted by run once for all who ask: lists of a document are never changed in place. */
const sortedLoads = onceOfPair((lamps: Job["lamps"], parts: Job["parts"]): ByRun => {
  const byRun = new Map<CircuitId, FittedLoad[]>();
  for (const lamp of lamps) {
    const part = parts.find((p) => p.id === lamp.partId);
    if (part?.kind !== "load") continue;
    const load = { lamp, part: fitted(part, lamp) };
    const others = byRun.get(lamp.runId);
    if (others) others.push(load);
    else byRun.set(lamp.runId, [load]);
  }
  return byRun;
});

/** The part as this lamp uses it: its dim light, or so much of it as was cut. */
function fitted(part: LoadPart, lamp: Lamp): LoadPart {
  const more = part.lights.find((light) => light.name === lamp.light);
  if (more) return { ...part, load: more.load, light: more.light };
  const load = lamp.light === "dim" && part.dim ? part.dim : part.load;
  return load.kind === "ledStrip" && lamp.lengthM > 0
    ? { ...part, load: { ...load, lengthM: lamp.lengthM } }
    : load === part.load
      ? part
      : { ...part, load };
}

/**
 * The most that a run draws in A: its upper bounds at whatever volts in use give most. A bulb, a
 * heater, a horn take most while the battery is charged; a driver that holds its power takes most
 * when volts are low.
 */
export function mostDrawA(
  run: LightingCircuit,
  loads: readonly FittedLoad[],
  range: VoltRange,
): number {
  const share = stepsOf(run, loads);
  const most = loads.map(({ part: { load } }) =>
    loadCurrentA(
      load,
      (load.kind === "drivenLed" ? Math.max(range.lowV, load.minV * share) : range.highV) / share,
      "high",
    ),
  );
  const side = run.arrangement === "series" ? Math.max(1, run.perStep) : most.length;
  return most.slice(0, side).reduce((sum, amps) => sum + amps, 0);
}

/** Draw of a run at its feed: all lamps side by side, or what flows through a series string. */
export function drawOf(
  run: LightingCircuit,
  loads: readonly FittedLoad[],
  feedV: number,
): Interval {
  const all = loads.map(({ part }) => designCurrentA(part.load, feedV));
  return run.arrangement === "series" ? sum(all.slice(0, Math.max(1, run.perStep))) : sum(all);
}

/** Steps of a series string; 1 where lamps are side by side. */
export const stepsOf = (run: LightingCircuit, loads: readonly FittedLoad[]): number =>
  run.arrangement === "series"
    ? Math.max(1, Math.ceil(loads.length / Math.max(1, run.perStep)))
    : 1;

/** Current in A that the loads take while they have feed and are not asked to work. */
export const standbyOf = (loads: readonly FittedLoad[]): Interval =>
  sum(loads.map(({ part }) => times(boundsOf(part.standbyA), 1)));
