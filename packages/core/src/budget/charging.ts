import {
  DEFAULT_SPREAD,
  PROVENANCES,
  boundsOf,
  minus,
  sum,
  times,
  width,
  type Interval,
  type Provenance,
} from "../quantity/index.ts";
import type { Circuit } from "../circuit/index.ts";
import {
  allOf,
  usualShares,
  type Job,
  type LightingCircuit,
  type CircuitId,
} from "../job/index.ts";
import { boostsBraking } from "./levelShare.ts";
import { ratingOf } from "../part/index.ts";
import { chargingOutputA } from "../source/index.ts";
import { loadsOf } from "../synthesis/index.ts";
import { drawsFrom } from "./drawsFrom.ts";
import type { BaseLoad, ChargingFacts } from "../vehicle/index.ts";
import { remainingLoads } from "./remainingLoads.ts";
import { runAmpsOf } from "./runAmps.ts";

/** States in which the engine charges. */
export const RUNNING_STATES = ["idle", "town", "cruise"] as const;
/** One of the states in which the engine charges. */
export type RunningState = (typeof RUNNING_STATES)[number];

/** `unknown`: nothing but defaults is known of what it gives and takes. */
export type Verdict = "carries" | "uncertain" | "short" | "unknown";

/** One line of a budget: what gives or takes how much, and how well that is known. */
export interface BudgetLine {
  readonly what: string;
  readonly kind: "output" | "base" | "run";
  readonly runId: CircuitId | null;
  /** Mean current in A in this state; always counted positive. */
  readonly currentA: Interval;
  readonly provenance: Provenance;
}

/** A fact worth measuring, because a verdict hangs on it. */
export interface ToMeasure {
  readonly what: string;
  /** Width in A that it adds to the bounds of the spare current. */
  readonly widthA: number;
  /** Whether measuring this one alone would settle the verdict, if its estimate is right. */
  readonly settles: boolean;
  readonly how: string;
}

/** What charging gives and what everything takes in one state of the engine. */
export interface ChargingBudget {
  readonly state: RunningState;
  readonly rpm: number;
  readonly lines: readonly BudgetLine[];
  readonly outputA: Interval;
  readonly loadA: Interval;
  readonly spareA: Interval;
  /** What was to spare before anything was added. */
  readonly baseSpareA: Interval;
  readonly verdict: Verdict;
  readonly toMeasure: readonly ToMeasure[];
}

const SPEED_OF = { idle: "idleRpm", town: "townRpm", cruise: "cruiseRpm" } as const;
const SHARE_OF = { idle: "onIdle", town: "onTown", cruise: "onCruise" } as const;

/** What a spare in A says for all that its bounds leave open. */
export const verdictOf = (spareA: Interval): Verdict =>
  spareA.low >= 0 ? "carries" : spareA.high < 0 ? "short" : "uncertain";

/** The least sure of several. */
const worst = (list: readonly Provenance[]): Provenance =>
  PROVENANCES.findLast((one) => list.includes(one)) ?? "measured";

/** Whether a run is a load on the 12 V battery: one that is not built yet counts as if it were. */
export function onBattery(circuit: Circuit, runId: CircuitId): boolean {
  const made = circuit.runs.find((r) => r.runId === runId);
  return !made || drawsFrom(circuit, made) === "battery";
}

function runProvenance(job: Job, run: LightingCircuit): Provenance {
  return worst(loadsOf(job, run).map(({ part }) => ratingOf(part.load).provenance));
}

const baseLine = (load: BaseLoad, share: number): BudgetLine => ({
  what: load.name,
  kind: "base",
  runId: null,
  currentA: times(boundsOf(load.currentA), share),
  provenance: load.currentA.provenance,
});

function howToMeasure(line: BudgetLine, state: RunningState): string {
  if (line.kind === "output") {
    return `Clamp meter on the battery's positive lead at ${state} speed with a known load on.`;
  }
  return "Clamp meter on its feed with only this on, engine running.";
}

function measureList(
  lines: readonly BudgetLine[],
  spareA: Interval,
  state: RunningState,
  known: boolean,
): ToMeasure[] {
  if (!known && verdictOf(spareA) === "short") return [];
  if (known && verdictOf(spareA) !== "uncertain") return [];
  return lines
    .filter((line) => line.provenance !== "measured" && width(line.currentA) > 0)
    .map((line): ToMeasure => {
      const left = line.currentA.mid * DEFAULT_SPREAD.measured;
      const { mid } = line.currentA;
      // The sides of the bound that this line takes from the spare, output and load mirrored.
      const down = line.kind === "output" ? mid - line.currentA.low : line.currentA.high - mid;
      const up = line.kind === "output" ? line.currentA.high - mid : mid - line.currentA.low;
      const settledLow = spareA.low + down - left;
      const settledHigh = spareA.high - up + left;
      return {
        what: line.what,
        widthA: width(line.currentA),
        settles: settledLow >= 0 || settledHigh < 0,
        how: howToMeasure(line, state),
      };
    })
    .sort((a, b) => b.widthA - a.widthA);
}

/** Share of a state's time that a channel is lifted by braking; nothing where that does not lift it. */
const braking = (job: Job, run: LightingCircuit, state: RunningState): number | undefined =>
  boostsBraking(job, run) ? usualShares(allOf("brake"))[SHARE_OF[state]] : undefined;

/** Whether anybody has told or measured anything of what the vehicle gives and takes. */
const isKnown = (charging: ChargingFacts, loads: readonly BaseLoad[]): boolean =>
  [...charging.points.map((p) => p.outputA), ...loads.map((l) => l.currentA)].some(
    (fact) => fact.provenance !== "assumed",
  );

/** Amps to spare in one running state, with bounds carried through and what to measure. */
export function chargingBudget(
  job: Job,
  circuit: Circuit,
  charging: ChargingFacts,
  state: RunningState,
): ChargingBudget {
  const rpm = charging[SPEED_OF[state]];
  const outputA = chargingOutputA(charging, rpm);
  const volts = charging.regulatedV.value;
  const runAmps = runAmpsOf(circuit, job);
  const output: BudgetLine = {
    what: "charging output",
    kind: "output",
    runId: null,
    currentA: outputA,
    provenance: worst([...charging.points.map((p) => p.outputA.provenance), rpm.provenance]),
  };
  const base = remainingLoads(job)
    .filter((load) => load[state] > 0)
    .map((load) => baseLine(load, load[state]));
  const runs = job.runs
    .filter((run) => run[SHARE_OF[state]] > 0 && onBattery(circuit, run.id))
    .map((run): BudgetLine => ({
      what: run.name,
      kind: "run",
      runId: run.id,
      currentA: times(runAmps(run, volts, braking(job, run, state)), run[SHARE_OF[state]]),
      provenance: runProvenance(job, run),
    }))
    .filter((line) => line.currentA.high > 0);
  const baseA = sum(base.map((line) => line.currentA));
  const loadA = sum([baseA, ...runs.map((line) => line.currentA)]);
  const spareA = minus(outputA, loadA);
  const known = isKnown(charging, remainingLoads(job));
  const lines = [output, ...base, ...runs];
  return {
    state,
    rpm: rpm.value,
    lines,
    outputA,
    loadA,
    spareA,
    baseSpareA: minus(outputA, baseA),
    // Defaults may say that it falls short; that it carries they never say.
    verdict: known || verdictOf(spareA) === "short" ? verdictOf(spareA) : "unknown",
    toMeasure: measureList(lines, spareA, state, known),
  };
}
