import type { LaidCircuit } from "../circuit/index.ts";
import type { OperatingPoint } from "./operatingPoint.ts";

/** What flows out to a run's lamps, in A: once through a string, whose steps all have it. */
export const toLampsA = (run: LaidCircuit, point: OperatingPoint): number =>
  run.branches.reduce((amps, { load }) => amps + Math.abs(point.at.get(load)?.currentA ?? 0), 0) /
  run.steps;
