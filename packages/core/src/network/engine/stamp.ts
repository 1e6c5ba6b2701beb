/* oxlint-disable typescript/no-non-null-assertion -- each index comes from the compiled network, whose lists are of one length */
import { FLOOR_A, NO_ROUNDING_A, ROUNDING } from "../../solve/defaults.ts";
import type { Compiled } from "./compile.ts";
import { LAW_WIDTH, RESISTOR, SOURCE, lawAt, startConductance } from "./law.ts";

const scratch = new Float64Array(2);

/**
 * How a branch enters the matrix: by its derivative; by a conductance that is never below
 * zero (a falling current counts as the resistor it is at this voltage); or as the resistor
 * it is near its working voltage.
 */
type Slope = "true" | "rising" | "start";

/** Adds a branch's conductance, in S, to its four places in a matrix. */
function put(c: Compiled, matrix: Float64Array, k: number, conductance: number): void {
  const { from, to, slots, size } = c;
  const isFree = from[k]! < size;
  const isFreeToo = to[k]! < size;
  if (isFree) matrix[slots[4 * k]!]! += conductance;
  if (isFreeToo) matrix[slots[4 * k + 1]!]! += conductance;
  if (isFree && isFreeToo) {
    matrix[slots[4 * k + 2]!]! -= conductance;
    matrix[slots[4 * k + 3]!]! -= conductance;
  }
}

/** Parts resistors, which most branches are, from what bends, and puts them into the matrix once. */
export function partLaws(c: Compiled): void {
  const { codes, laws, plain, base, chains, ohms } = c;
  const single = codes.length - chains.length;
  chains.forEach(({ members }, i) => {
    let ohm = 0;
    for (const k of members) ohm += ohms[k]!;
    codes[single + i] = RESISTOR;
    laws[(single + i) * LAW_WIDTH] = 1 / ohm;
  });
  const bent: number[] = [];
  base.fill(0);
  for (let k = 0; k < codes.length; k += 1) {
    plain[k] = 0;
    if (codes[k] !== RESISTOR) bent.push(k);
    else {
      plain[k] = laws[k * LAW_WIDTH]!;
      put(c, base, k, plain[k]!);
    }
  }
  c.bent = bent;
  c.stale = false;
}

/** Stamps currents into the residual and conductances into the matrix at the present voltages. */
export function stamp(c: Compiled, slope: Slope): void {
  if (c.stale) partLaws(c);
  const { from, to, codes, laws, plain, bent, volts, values, base, residual, slopes } = c;
  values.set(base);
  residual.fill(0);
  for (let k = 0; k < plain.length; k += 1) {
    const a = from[k]!;
    const b = to[k]!;
    const amps = plain[k]! * (volts[a]! - volts[b]!);
    residual[a]! += amps;
    residual[b]! -= amps;
  }
  for (const k of bent) {
    const a = from[k]!;
    const b = to[k]!;
    const v = volts[a]! - volts[b]!;
    lawAt(codes[k]!, laws, k * LAW_WIDTH, v, scratch);
    let amps = scratch[0]!;
    let conductance = scratch[1]!;
    if (slope === "start") {
      conductance = startConductance(codes[k]!, laws, k * LAW_WIDTH);
      // A source keeps its own line; everything else is a resistor through zero.
      if (codes[k] !== SOURCE) amps = conductance * v;
    } else if (slope === "rising" && conductance < 0) {
      conductance = amps / v;
    }
    slopes[k] = conductance;
    residual[a]! += amps;
    residual[b]! -= amps;
    put(c, values, k, conductance);
  }
}

/** Only the currents, for a look along a line. */
export function stampCurrents(c: Compiled): void {
  const { from, to, codes, laws, volts, residual } = c;
  residual.fill(0);
  for (let k = 0; k < from.length; k += 1) {
    const a = from[k]!;
    const b = to[k]!;
    lawAt(codes[k]!, laws, k * LAW_WIDTH, volts[a]! - volts[b]!, scratch);
    residual[a]! += scratch[0]!;
    residual[b]! -= scratch[0]!;
  }
}

/** The largest of the first `size` values, whatever their signs; no number where one is none. */
export function largestFree(values: Float64Array, size: number): number {
  let most = 0;
  for (let i = 0; i < size; i += 1) {
    const value = Math.abs(values[i]!);
    if (!(value <= most)) most = value;
  }
  return most;
}

/** Whether the currents of the last stamp balance as well as numbers can say. */
export function atTheFloor(c: Compiled, residualA: number): boolean {
  if (residualA > NO_ROUNDING_A) return false;
  const { from, to, codes, plain, slopes, volts, residual, noise, size } = c;
  noise.fill(FLOOR_A);
  for (let k = 0; k < plain.length; k += 1) {
    const a = from[k]!;
    const b = to[k]!;
    const conductance = codes[k] === RESISTOR ? plain[k]! : Math.abs(slopes[k]!);
    const rounding = ROUNDING * conductance * Math.max(Math.abs(volts[a]!), Math.abs(volts[b]!));
    noise[a]! += rounding;
    noise[b]! += rounding;
  }
  for (let i = 0; i < size; i += 1) if (Math.abs(residual[i]!) > noise[i]!) return false;
  return true;
}
