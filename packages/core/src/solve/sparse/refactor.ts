/* oxlint-disable typescript/no-non-null-assertion -- each index comes from the plan of the factorisation */
import { UNHEALTHY_PIVOT_RATIO } from "../defaults.ts";
import type { LuResult, LuWorkspace, RefactorPlan } from "./lu.ts";

function planOf({ pattern, order, rowStep, start, diag, at }: LuWorkspace): RefactorPlan {
  const { size, colStart, rowIndex } = pattern;
  const place = new Int32Array(rowIndex.length);
  const target: number[] = [];
  // Where the entries of the present column lie, by their steps.
  const here = new Int32Array(size);
  for (let step = 0; step < size; step += 1) {
    const column = order[step]!;
    for (let k = start[step]!; k < start[step + 1]!; k += 1) here[at[k]!] = k;
    for (let k = colStart[column]!; k < colStart[column + 1]!; k += 1) {
      place[k] = here[rowStep[rowIndex[k]!]!]!;
    }
    for (let k = start[step]!; k < diag[step]!; k += 1) {
      const done = at[k]!;
      for (let p = diag[done]! + 1; p < start[done + 1]!; p += 1) target.push(here[at[p]!]!);
    }
  }
  return { place, target: Int32Array.from(target) };
}

/**
 * Factors new values with order, pattern and pivots of the last `factor`. Answers
 * "unhealthy" when a kept pivot has become too small: then factor again.
 */
export function refactor(
  w: LuWorkspace,
  values: Float64Array,
): LuResult | { readonly kind: "unhealthy" } {
  const { pattern, order, stepRow, start, diag, at, value } = w;
  const { place, target } = (w.plan ??= planOf(w));
  const { size } = pattern;
  value.fill(0, 0, start[size]);
  for (let k = 0; k < place.length; k += 1) value[place[k]!] = values[k]!;
  let negative = 0;
  let ratio = 1;
  let onDiagonal = true;
  let next = 0;
  for (let step = 0; step < size; step += 1) {
    const pivot = diag[step]!;
    const end = start[step + 1]!;
    for (let k = start[step]!; k < pivot; k += 1) {
      const known = value[k]!;
      const done = at[k]!;
      const last = start[done + 1]!;
      for (let p = diag[done]! + 1; p < last; p += 1) {
        value[target[next]!]! -= value[p]! * known;
        next += 1;
      }
    }
    const p = value[pivot]!;
    const own = Math.abs(p);
    let largest = own;
    for (let k = pivot + 1; k < end; k += 1) {
      const below = value[k]!;
      const magnitude = Math.abs(below);
      if (!(magnitude <= largest)) largest = magnitude;
      value[k] = below / p;
    }
    if (!(own > UNHEALTHY_PIVOT_RATIO * largest)) return { kind: "unhealthy" };
    if (own < ratio * largest) ratio = own / largest;
    if (p < 0) negative += 1;
    if (stepRow[step] !== order[step]) onDiagonal = false;
  }
  return { kind: "factored", health: { pivotRatio: ratio, negativePivots: negative, onDiagonal } };
}
