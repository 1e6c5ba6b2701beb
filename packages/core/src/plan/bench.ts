import type { Circuit } from "../circuit/index.ts";
import { INPUTS, ownerName, type Input, type Job, type CircuitId } from "../job/index.ts";
import { solveUnderLoad, type Position, type SolveHealth } from "../network/index.ts";
import { groupsOf } from "../proof/index.ts";
import type { UnitSystem } from "../quantity/index.ts";
import { restVolts, runningVolts, type SourceVolts } from "../source/index.ts";
import {
  lineDiagramsOf,
  feederDiagramsOf,
  type LineDiagram,
  type FeederDiagram,
} from "../lineDiagram/index.ts";

/** The strips of a circuit as solved in one position of the controls. */
export type BenchView =
  | {
      readonly kind: "solved";
      readonly strips: readonly LineDiagram[];
      readonly feeders: readonly FeederDiagram[];
      readonly health: SolveHealth;
      /** Supplies that turned themselves off under their load. */
      readonly overloaded: readonly string[];
    }
  | { readonly kind: "trouble"; readonly words: string };

/** Controls that something on this job feels: what stands above the strips. */
export interface BenchControls {
  readonly inputs: readonly Input[];
  readonly switches: readonly CircuitId[];
}

/** What can be pressed on the bench: inputs that something hears, own switches, and plugs. */
export function controlsOf(job: Job, circuit: Circuit): BenchControls {
  const groups = groupsOf(job, circuit);
  const felt = new Set<Input>(groups.flatMap((g) => g.inputs));
  if (job.vehicle.system.kind === "engine") felt.add("engine");
  if (felt.size > 0) felt.add("key");
  return {
    inputs: INPUTS.filter((input) => felt.has(input)),
    switches: [...new Set(groups.flatMap((g) => g.switches))],
  };
}

/** Volts at the posts: charging while the engine runs, otherwise at rest at a state of charge (0–1). */
export const postsVolts = (job: Job, inputs: ReadonlySet<Input>, charge = 1): SourceVolts =>
  inputs.has("engine") ? runningVolts(job.vehicle, charge) : restVolts(job.vehicle, charge);

/** Whether the charge of battery or pack is felt: an engine that runs holds its own battery up. */
export const feelsCharge = ({ vehicle }: Job, inputs: ReadonlySet<Input>): boolean =>
  vehicle.system.kind !== "engine" || !inputs.has("engine");

/** The controls as they are, and how full battery and pack are (0–1; full where it is not said). */
export type BenchSetting = Pick<Position, "inputs" | "switches"> & { readonly charge?: number };

/** What lights, how brightly, and where volts fall, with the controls as they are. */
export function benchAt(
  job: Job,
  circuit: Circuit,
  { inputs, switches, charge }: BenchSetting,
  units: UnitSystem,
): BenchView {
  const position = { inputs, switches, ...postsVolts(job, inputs, charge) };
  const solved = solveUnderLoad(job, circuit, position);
  switch (solved.kind) {
    case "solved":
      return {
        kind: "solved",
        strips: lineDiagramsOf(job, circuit, solved.point, units),
        feeders: feederDiagramsOf(job, circuit, solved.point, units),
        health: solved.result.health,
        overloaded: solved.tripped.map((id) => {
          const element = circuit.elements.get(id);
          return element ? ownerName(job, element.runId) : id;
        }),
      };
    case "chatters":
      return { kind: "trouble", words: "A relay pulls in and lets go without end." };
    case "singular":
      return {
        kind: "trouble",
        words: `Nothing ties this to ground: ${solved.floating.join(", ")}.`,
      };
    case "notConverged":
      return { kind: "trouble", words: `No steady state was found near ${solved.worst}.` };
    case "unstableShare":
      return {
        kind: "trouble",
        words: `Lamps with a driver inside do not share a voltage: ${solved.loads.join(", ")}.`,
      };
  }
}
