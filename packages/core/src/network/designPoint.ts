import { elementOf, type Circuit } from "../circuit/index.ts";
import type { Job } from "../job/index.ts";
import { seriesOperatingPoint } from "../solve/series.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import type { OperatingPoint } from "../solve/operatingPoint.ts";
import type { SourceVolts } from "../source/index.ts";
import { everythingOn } from "./position.ts";
import { solveCircuit } from "./solveCircuit.ts";

/** Whether runs stand by themselves, so that series arithmetic is exact for them. */
function standsAlone(circuit: Circuit): boolean {
  if (circuit.trunks.length > 0) return false;
  return circuit.runs.every(
    (run) =>
      run.steps === 1 &&
      run.ways.length === 0 &&
      run.branches.every((branch) => {
        const load = elementOf(circuit, branch.load);
        const own = branch.back.every((id) => elementOf(circuit, id).runId === run.runId);
        return own && load.kind === "load" && !load.part.caseGround;
      }),
  );
}

/**
 * What a design is judged by: everything on at once. Series arithmetic where runs share
 * nothing, the network otherwise; a network that has no answer is left to the rules and the
 * proof, and judged run by run.
 */
export function designPoint(
  job: Job,
  circuit: Circuit,
  volts: SourceVolts,
  estimate: Estimate = "value",
): OperatingPoint {
  const celsius = job.practices.ambientC;
  if (!standsAlone(circuit)) {
    const solved = solveCircuit(circuit, everythingOn(job, volts), celsius, estimate);
    if (solved.kind === "solved") return solved.point;
  }
  return seriesOperatingPoint(circuit, volts, celsius, estimate);
}
