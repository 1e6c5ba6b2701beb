/* oxlint-disable typescript/no-non-null-assertion -- each index comes from the compiled network, and is asked at every step of Newton */
import {
  CHORD_V,
  LARGEST_STEP_V,
  MOST_BISECTIONS,
  MOST_DESCENT,
  MOST_STEPS,
  STEP_V,
} from "../../solve/defaults.ts";
import { factor, solveWith, type LuResult } from "../../solve/sparse/lu.ts";
import { refactor } from "../../solve/sparse/refactor.ts";
import type { Compiled } from "./compile.ts";
import { settleIslands } from "./islands.ts";
import { LAW_WIDTH, POWER } from "./law.ts";
import { atTheFloor, largestFree, stamp, stampCurrents } from "./stamp.ts";

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
