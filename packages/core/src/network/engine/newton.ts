import {
  FLOOR_A,
  LARGEST_STEP_V,
  MOST_BISECTIONS,
  MOST_DESCENT,
  MOST_STEPS,
  ROUNDING,
  STEP_V,
} from "../../solve/defaults.ts";
import { factor, solveWith, type LuResult } from "../../solve/sparse/lu.ts";
import { refactor } from "../../solve/sparse/refactor.ts";
import type { Compiled } from "./compile.ts";
import { settleIslands } from "./islands.ts";
import { LAW_WIDTH, POWER, RESISTOR, SOURCE, lawAt, startConductance } from "./law.ts";

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
function stampCurrents(c: Compiled): void {
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

function largestFree(values: Float64Array, size: number): number {
  let most = 0;
  for (let i = 0; i < size; i += 1) {
    const value = Math.abs(values[i]!);
    if (!(value <= most)) most = value;
  }
  return most;
}

/** Sums above this are no rounding, whatever meets at a node, in A. */
const NO_ROUNDING_A = 1e-3;

/** Whether the currents of the last stamp balance as well as numbers can say. */
function atTheFloor(c: Compiled, residualA: number): boolean {
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

export interface NewtonEnd {
  readonly kind: "converged" | "stopped";
  readonly steps: number;
  readonly pivotRatio: number;
  readonly residualA: number;
  /** Whether the point is a minimum of the co-content: "unknown" where pivots do not tell. */
  readonly stable: "yes" | "no" | "unknown";
}

/** The matrix had no factors: the free node whose column failed. */
export interface NoFactors {
  readonly kind: "noFactors";
  readonly column: number;
}

/** Factors with the pivots of an earlier position where they still serve, anew otherwise. */
function factors(c: Compiled): LuResult {
  if (c.factored) {
    const made = refactor(c.workspace, c.values);
    if (made.kind !== "unhealthy") return made;
  }
  const made = factor(c.workspace, c.values);
  c.factored = made.kind === "factored";
  return made;
}

/** Sylvester's law of inertia: pivots on the diagonal of a symmetric matrix have the signs of its eigenvalues. */
const stability = (made: Extract<LuResult, { kind: "factored" }>): NewtonEnd["stable"] =>
  !made.health.onDiagonal ? "unknown" : made.health.negativePivots === 0 ? "yes" : "no";

/** Every load as the resistor it is near its working voltage: where Newton begins. */
export function guess(c: Compiled): NoFactors | null {
  c.volts.fill(0, 0, c.size);
  stamp(c, "start");
  const made = factors(c);
  if (made.kind === "singular") return { kind: "noFactors", column: made.column };
  solveWith(c.workspace, c.residual.subarray(0, c.size), c.step);
  for (let i = 0; i < c.size; i += 1) c.volts[i] = -c.step[i]!;
  return null;
}

/** A last move below this, in V, has left the slopes as they were but for a ten-thousandth. */
const CHORD_V = 1e-3;

/** Whether a load of constant power is within so many volts of where its slope changes sides. */
function nearItsTurn({ bent, codes, from, to, volts, laws }: Compiled, within: number): boolean {
  return bent.some((k) => {
    if (codes[k] !== POWER) return false;
    const v = volts[from[k]!]! - volts[to[k]!]!;
    const [runsFromV, startsAtV] = [laws[k * LAW_WIDTH + 1]!, laws[k * LAW_WIDTH + 2]!];
    return Math.abs(v - runsFromV) < within || Math.abs(v - startsAtV) < within;
  });
}

/** Damped Newton from the voltages at hand: three to six steps for any sound circuit. */
export function newton(c: Compiled): NewtonEnd | NoFactors {
  const free = c.residual.subarray(0, c.size);
  let pivotRatio = 1;
  let stable: NewtonEnd["stable"] = "unknown";
  let moveV = Infinity;
  let isFresh = false;
  for (let steps = 1; steps <= MOST_STEPS; steps += 1) {
    stamp(c, "true");
    const residualA = largestFree(c.residual, c.size);
    const floor = atTheFloor(c, residualA);
    // So near, the factors of the step before are as good, once: what is left is to see that it is near.
    isFresh = !(isFresh && moveV < CHORD_V && !nearItsTurn(c, CHORD_V));
    if (isFresh) {
      const made = factors(c);
      if (made.kind === "singular") return { kind: "noFactors", column: made.column };
      pivotRatio = made.health.pivotRatio;
      stable = stability(made);
    }
    solveWith(c.workspace, free, c.step);
    moveV = largestFree(c.step, c.size);
    if (!Number.isFinite(moveV)) break;
    const damping = moveV > LARGEST_STEP_V ? LARGEST_STEP_V / moveV : 1;
    for (let i = 0; i < c.size; i += 1) c.volts[i]! -= damping * c.step[i]!;
    if (moveV < STEP_V || floor) {
      if (moveV >= STEP_V) settleIslands(c);
      return { kind: "converged", steps, pivotRatio, residualA, stable };
    }
  }
  const residualA = largestFree(c.residual, c.size);
  return { kind: "stopped", steps: MOST_STEPS, pivotRatio, residualA, stable };
}

/** Slope of the co-content along the step, at a share of it from where `spare` holds the start. */
function slopeAt(c: Compiled, share: number): number {
  for (let i = 0; i < c.size; i += 1) c.volts[i] = c.spare[i]! - share * c.step[i]!;
  stampCurrents(c);
  let slope = 0;
  for (let i = 0; i < c.size; i += 1) slope -= c.residual[i]! * c.step[i]!;
  return slope;
}

/**
 * Down the co-content. A network of two-pole branches has one (Millar 1951): the sum over
 * its branches of the integral of current over voltage. Its gradient is what Kirchhoff wants
 * to be zero, and a stable point is a minimum of it. Every step is Newton's where the matrix
 * is positive definite, otherwise one with falling currents taken as resistors, and goes no
 * farther than the co-content falls: so it ends in a minimum also where Newton by itself
 * swings between the two sides of a driver's turn-on.
 */
export function descend(c: Compiled): NewtonEnd | NoFactors {
  const free = c.residual.subarray(0, c.size);
  let pivotRatio = 1;
  for (let steps = 1; steps <= MOST_DESCENT; steps += 1) {
    stamp(c, "true");
    const residualA = largestFree(c.residual, c.size);
    const floor = atTheFloor(c, residualA);
    let made = factors(c);
    const stable = made.kind === "factored" ? stability(made) : "unknown";
    if (stable !== "yes") {
      stamp(c, "rising");
      made = factors(c);
    }
    if (made.kind === "singular") return { kind: "noFactors", column: made.column };
    pivotRatio = made.health.pivotRatio;
    solveWith(c.workspace, free, c.step);
    const moveV = largestFree(c.step, c.size);
    if (!Number.isFinite(moveV)) break;
    if (moveV < STEP_V || floor) {
      for (let i = 0; i < c.size; i += 1) c.volts[i]! -= c.step[i]!;
      if (moveV >= STEP_V) settleIslands(c);
      return { kind: "converged", steps, pivotRatio, residualA, stable };
    }
    c.spare.set(c.volts.subarray(0, c.size));
    let start = 0;
    for (let i = 0; i < c.size; i += 1) start -= c.residual[i]! * c.step[i]!;
    let high = moveV > LARGEST_STEP_V ? LARGEST_STEP_V / moveV : 1;
    let low = 0;
    let share = high;
    for (let n = 0; n < MOST_BISECTIONS; n += 1) {
      const slope = slopeAt(c, share);
      if (slope <= 0 && (share === high || slope >= 0.5 * start)) break;
      if (slope > 0 && slope <= -0.5 * start) break;
      if (slope > 0) high = share;
      else low = share;
      share = (low + high) / 2;
    }
  }
  return {
    kind: "stopped",
    steps: MOST_DESCENT,
    pivotRatio,
    residualA: largestFree(c.residual, c.size),
    stable: "unknown",
  };
}
