import { LIMIT_SHARE, type ConverterPart } from "../../part/index.ts";
import type { ConverterState } from "../options.ts";

/** Below this share of its voltage a converter that gives way turns itself off. */
const TRIP_SHARE = 0.5;

/** Share of the input that comes out, at a share of the rated output: straight lines between three points. */
export function efficiencyAt(part: ConverterPart, share: number): number {
  const { efficiencyTenth: a, efficiencyHalf: b, efficiencyFull: c } = part;
  if (share <= 0.1) return a;
  if (share <= 0.5) return a + ((b - a) * (share - 0.1)) / 0.4;
  return b + ((c - b) * (Math.min(1, share) - 0.5)) / 0.5;
}

/** Input power in W for an output in V and A, what it takes when idle included. */
export const inputPowerW = (part: ConverterPart, outV: number, outA: number, inV: number): number =>
  (outV * outA) / efficiencyAt(part, outA / part.outA) + part.idleA.value * inV;

export interface ConverterStep {
  readonly state: ConverterState;
  readonly settled: boolean;
  /** Gave way until it turned itself off. */
  readonly tripped: boolean;
}

/**
 * The next state of a converter for the voltages and current of a round: on above its lower
 * limit, off under its cut-off or above what it bears, giving way over its rating.
 */
export function stepConverter(
  part: ConverterPart,
  was: ConverterState,
  inV: number,
  outA: number,
): ConverterStep {
  const off: ConverterState = { outV: 0, inputW: 0 };
  const on = was.outV > 0;
  const may = inV <= part.inMaxV && (on ? inV >= part.cutOffV : inV >= part.inMinV);
  if (!may) return { state: off, settled: !on, tripped: false };
  if (!on) {
    const state = { outV: part.outV.value, inputW: part.idleA.value * inV };
    return { state, settled: false, tripped: false };
  }
  const limitA = part.outA * LIMIT_SHARE;
  let { outV } = was;
  if (outA > limitA * 1.001) outV *= Math.max(0.7, limitA / outA);
  if (outV < part.outV.value * TRIP_SHARE) return { state: off, settled: false, tripped: true };
  const inputW = inputPowerW(part, outV, Math.max(0, outA), inV);
  const settled = Math.abs(inputW - was.inputW) <= 1e-7 * Math.max(1, inputW) && outV === was.outV;
  return { state: { outV, inputW }, settled, tripped: false };
}
