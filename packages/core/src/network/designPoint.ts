import { controlPath, powerPath, type Circuit } from "../circuit/index.ts";
import type { ElementId, Job } from "../job/index.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import type { ElementPoint, OperatingPoint } from "../solve/operatingPoint.ts";
import type { SourceVolts } from "../source/index.ts";
import { everythingOn, refusedBy, runOn } from "./position.ts";
import type { CircuitResult, Solved } from "./solveCircuit.ts";
import { solveUnderLoad } from "./underLoad.ts";

/** What a design is judged by, with the solution it was read from. */
export interface DesignPoint extends OperatingPoint {
  /** With everything on; null where that has no answer. */
  readonly solved: Solved | null;
}

const pointsOf = (answer: CircuitResult): ReadonlyMap<ElementId, ElementPoint> =>
  answer.kind === "solved" ? answer.point.at : new Map();

/**
 * What a design is judged by: everything on at once, solved; a run that is on only while
 * something is off, with that off. Where that has no answer its points are empty, and the
 * rules and the proof say why. With `near`, the same circuit at other volts or for another estimate, it is solved from there.
 */
export function designPoint(
  job: Job,
  circuit: Circuit,
  volts: SourceVolts,
  estimate: Estimate = "value",
  near: DesignPoint | null = null,
): DesignPoint {
  const answer = solveUnderLoad(job, circuit, everythingOn(job, volts), estimate, near?.solved);
  const solved = answer.kind === "solved" ? answer : null;
  const base = pointsOf(answer);
  const odd = job.runs.filter((run) => refusedBy(run).length > 0);
  if (odd.length === 0) return { ...volts, at: base, solved };
  const points = new Map(base);
  for (const run of odd) {
    const made = circuit.runs.find((r) => r.runId === run.id);
    if (!made) continue;
    const alone = pointsOf(solveUnderLoad(job, circuit, runOn(job, run, volts), estimate));
    for (const id of [...powerPath(made), ...controlPath(made)]) {
      const point = alone.get(id);
      // What it shares with others is told with everything on.
      if (point && !made.shared.includes(id)) points.set(id, point);
    }
  }
  return { ...volts, at: points, solved };
}
