import type { Circuit } from "../circuit/index.ts";
import type { Job } from "../job/index.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import type { OperatingPoint } from "../solve/operatingPoint.ts";
import type { SourceVolts } from "../source/index.ts";
import { everythingOn } from "./position.ts";
import { solveCircuit } from "./solveCircuit.ts";

/**
 * What a design is judged by: everything on at once, solved. Where that has no answer its
 * points are empty, and the rules and the proof say why.
 */
export function designPoint(
  job: Job,
  circuit: Circuit,
  volts: SourceVolts,
  estimate: Estimate = "value",
): OperatingPoint {
  const celsius = job.practices.ambientC;
  const solved = solveCircuit(circuit, everythingOn(job, volts), celsius, estimate);
  return solved.kind === "solved" ? solved.point : { ...volts, at: new Map() };
}
