import { controlPath, powerPath, type Circuit } from "../circuit/index.ts";
import type { ElementId, Job } from "../job/index.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import type { ElementPoint, OperatingPoint } from "../solve/operatingPoint.ts";
import type { SourceVolts } from "../source/index.ts";
import { everythingOn, refusedBy, runOn, type Position } from "./position.ts";
import { solveUnderLoad } from "./underLoad.ts";

/**
 * What a design is judged by: everything on at once, solved; a run that is on only while
 * something is off, with that off. Where that has no answer its points are empty, and the
 * rules and the proof say why.
 */
export function designPoint(
  job: Job,
  circuit: Circuit,
  volts: SourceVolts,
  estimate: Estimate = "value",
): OperatingPoint {
  const all = everythingOn(job, volts);
  const at = (position: Position): ReadonlyMap<ElementId, ElementPoint> => {
    const solved = solveUnderLoad(job, circuit, position, estimate);
    return solved.kind === "solved" ? solved.point.at : new Map();
  };
  const base = at(all);
  const odd = job.runs.filter((run) => refusedBy(run).length > 0);
  if (odd.length === 0) return { ...volts, at: base };
  const points = new Map(base);
  for (const run of odd) {
    const made = circuit.runs.find((r) => r.runId === run.id);
    if (!made) continue;
    const alone = at(runOn(job, run, volts));
    for (const id of [...powerPath(made), ...controlPath(made)]) {
      const point = alone.get(id);
      // What it shares with others is told with everything on.
      if (point && !made.shared.includes(id)) points.set(id, point);
    }
  }
  return { ...volts, at: points };
}
