import { budgetOf, type Budget } from "../budget/index.ts";
import type { Choice, Circuit, SynthesisIssue } from "../circuit/index.ts";
import { onceOfJob, type Job } from "../job/index.ts";
import type { UnitSystem } from "../quantity/index.ts";
import { checkJob, groupFindings, type Finding, type FindingGroup } from "../rule/index.ts";
import { designPoint, type DesignPoint } from "../network/index.ts";
import type { OperatingPoint } from "../solve/index.ts";
import { packRangeV, restVolts, runningVolts } from "../source/index.ts";
import {
  materialsOf,
  lineDiagramsOf,
  feederDiagramsOf,
  type FeederDiagram,
  type InspectorLine,
  harnessWiresOf,
  inspectorLines,
  wireListOf,
  type Material,
  type LineDiagram,
  type WireLine,
} from "../lineDiagram/index.ts";
import { synthesise } from "../synthesis/index.ts";

/** Everything the views show of a job. Derived, never stored. */
export interface JobPlan {
  readonly strips: {
    readonly running: readonly LineDiagram[];
    readonly engineOff: readonly LineDiagram[];
  };
  /** What runs share, everything full and at rest. */
  readonly feeders: readonly FeederDiagram[];
  readonly choices: readonly Choice[];
  readonly gaps: readonly SynthesisIssue[];
  readonly budget: Budget;
  readonly findings: readonly Finding[];
  /** The same by their causes, each with all its places: what lists show. */
  readonly causes: readonly FindingGroup[];
  readonly materials: readonly Material[];
  readonly wires: readonly WireLine[];
  /** Wires of harnesses that come made up. */
  readonly harnessWires: readonly WireLine[];
  /** Every lamp that is added, as an inspector asks of it. */
  readonly inspector: readonly InspectorLine[];
}

/** A job's circuit with its budget and its findings, before anything is solved for show. */
export interface CheckedCircuit {
  readonly circuit: Circuit;
  readonly budget: Budget;
  readonly findings: readonly Finding[];
  /** Everything on, on the battery at rest. */
  readonly engineOff: DesignPoint;
}

/** Synthesis, budget and rules: what a pin's consequences are judged by. */
export const checkedCircuit = onceOfJob((job: Job): CheckedCircuit => {
  const circuit = synthesise(job);
  const budget = budgetOf(job, circuit);
  const rest = restVolts(job.vehicle);
  // First, so that the network is not written for another estimate and back again.
  const worst = designPoint(job, circuit, rest, "high");
  const engineOff = designPoint(job, circuit, rest, "value", worst);
  const { system } = job.vehicle;
  const withPack = (packV: number): OperatingPoint | null =>
    system.kind === "engine"
      ? null
      : designPoint(job, circuit, { ...rest, packV }, "value", engineOff);
  // Behind a converter or a battery of its own no lamp feels what the pack shows.
  const feels = circuit.runs.some((run) => run.root.kind === "pack");
  const range = system.kind === "engine" || !feels ? null : packRangeV(system.pack);
  const top = range && withPack(range.highV);
  const empty = range && withPack(range.lowV);
  const findings = checkJob({ job, circuit, budget, engineOff, worst, top, empty });
  return { circuit, budget, findings, engineOff };
});

/** job → synthesise → solve → check → views, in one direction. */
export function planJob(job: Job, units: UnitSystem): JobPlan {
  const { circuit, budget, findings, engineOff } = checkedCircuit(job);
  const running = designPoint(job, circuit, runningVolts(job.vehicle), "value", engineOff);
  return {
    strips: {
      running: lineDiagramsOf(job, circuit, running, units),
      engineOff: lineDiagramsOf(job, circuit, engineOff, units),
    },
    feeders: feederDiagramsOf(job, circuit, engineOff, units),
    choices: circuit.choices,
    gaps: circuit.gaps,
    budget,
    findings,
    causes: groupFindings(findings),
    materials: materialsOf(job, circuit),
    wires: wireListOf(circuit),
    harnessWires: harnessWiresOf(circuit),
    inspector: inspectorLines(job, circuit),
  };
}
