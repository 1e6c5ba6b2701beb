import { minimumDegree } from "./ordering.ts";
import type { Pattern } from "./pattern.ts";
import { PIVOT_TOLERANCE, UNHEALTHY_PIVOT_RATIO } from "../defaults.ts";

/**
 * Sparse LU of a square matrix, in four steps: `analyse` the pattern once, `factor` values
 * choosing pivots, `refactor` new values with the pivots kept, `solve`. Left-looking after
 * Gilbert and Peierls (1988), with threshold pivoting that prefers the diagonal.
 *
 * All arrays are flat and owned by the workspace; factor, refactor and solve allocate
 * nothing once the fill has been seen.
 */
export interface LuWorkspace {
  readonly pattern: Pattern;
  /** Column order. */
  readonly order: Int32Array;
  /** Row r is pivot of step rowStep[r]; −1 while it is none. */
  readonly rowStep: Int32Array;
  /** Row that is pivot of step k. */
  readonly stepRow: Int32Array;
  lStart: Int32Array;
  lIndex: Int32Array;
  lValue: Float64Array;
  uStart: Int32Array;
  /** Steps above the diagonal in each column of U, in an order that can be eliminated. */
  uIndex: Int32Array;
  uValue: Float64Array;
  readonly pivot: Float64Array;
  readonly work: Float64Array;
  readonly mark: Int32Array;
  readonly stack: Int32Array;
  readonly cursor: Int32Array;
  readonly reach: Int32Array;
}

export interface LuHealth {
  /** Smallest pivot over largest entry of its column: a cheap sign of trouble when tiny. */
  readonly pivotRatio: number;
  /** Pivots below zero. For a symmetric matrix factored on its diagonal: negative eigenvalues. */
  readonly negativePivots: number;
  /** Whether every pivot was taken from the diagonal. */
  readonly onDiagonal: boolean;
}

export type LuResult =
  | { readonly kind: "factored"; readonly health: LuHealth }
  /** No pivot left in this column (an index of the matrix). */
  | { readonly kind: "singular"; readonly column: number };

/** The last pattern with its order: faults that touch the frame change no place of the matrix. */
let before: { readonly pattern: Pattern; readonly order: Int32Array } | null = null;

const same = (a: Int32Array, b: Int32Array): boolean =>
  a.length === b.length && a.every((value, i) => value === b[i]);

/** The order in which columns of a pattern are eliminated with little fill. */
export function orderOf(pattern: Pattern): Int32Array {
  const known =
    before !== null &&
    same(before.pattern.colStart, pattern.colStart) &&
    same(before.pattern.rowIndex, pattern.rowIndex)
      ? before
      : { pattern, order: minimumDegree(pattern) };
  before = known;
  return known.order;
}

/** Prepares a workspace for a pattern: order, and room to grow into. */
export function analyse(pattern: Pattern, order = orderOf(pattern)): LuWorkspace {
  const { size, rowIndex } = pattern;
  const room = rowIndex.length * 4 + size;
  return {
    pattern,
    order,
    rowStep: new Int32Array(size).fill(-1),
    stepRow: new Int32Array(size),
    lStart: new Int32Array(size + 1),
    lIndex: new Int32Array(room),
    lValue: new Float64Array(room),
    uStart: new Int32Array(size + 1),
    uIndex: new Int32Array(room),
    uValue: new Float64Array(room),
    pivot: new Float64Array(size),
    work: new Float64Array(size),
    mark: new Int32Array(size).fill(-1),
    stack: new Int32Array(size),
    cursor: new Int32Array(size),
    reach: new Int32Array(size),
  };
}

function makeRoom(w: LuWorkspace, needed: number): void {
  const grown = <T extends Int32Array | Float64Array>(old: T, length: number): T => {
    const next = new (old.constructor as new (n: number) => T)(length);
    next.set(old);
    return next;
  };
  if (w.lIndex.length < needed) {
    const length = Math.max(needed, w.lIndex.length * 2);
    w.lIndex = grown(w.lIndex, length);
    w.lValue = grown(w.lValue, length);
  }
  if (w.uIndex.length < needed) {
    const length = Math.max(needed, w.uIndex.length * 2);
    w.uIndex = grown(w.uIndex, length);
    w.uValue = grown(w.uValue, length);
  }
}

/**
 * Rows reached from a column's own through the columns of L made so far, in `reach` from
 * `top` on, in an order that can be eliminated. Depth first without recursion.
 */
function reachOf(w: LuWorkspace, column: number, step: number): number {
  const { pattern, rowStep, mark, stack, cursor, reach, lStart, lIndex } = w;
  let top = pattern.size;
  for (let k = pattern.colStart[column]!; k < pattern.colStart[column + 1]!; k += 1) {
    const root = pattern.rowIndex[k]!;
    if (mark[root] === step) continue;
    let depth = 0;
    stack[0] = root;
    while (depth >= 0) {
      const row = stack[depth]!;
      const done = rowStep[row]!;
      if (mark[row] !== step) {
        mark[row] = step;
        cursor[depth] = done < 0 ? 0 : lStart[done]!;
      }
      const end = done < 0 ? 0 : lStart[done + 1]!;
      let deeper = -1;
      while (cursor[depth]! < end) {
        const next = lIndex[cursor[depth]!]!;
        cursor[depth]! += 1;
        if (mark[next] !== step) {
          deeper = next;
          break;
        }
      }
      if (deeper >= 0) {
        depth += 1;
        stack[depth] = deeper;
      } else {
        depth -= 1;
        top -= 1;
        reach[top] = row;
      }
    }
  }
  return top;
}

/** Factors values, choosing pivots anew. `values` lie in the order of the pattern. */
export function factor(w: LuWorkspace, values: Float64Array): LuResult {
  const { pattern, order, rowStep, stepRow, work, reach, pivot } = w;
  const { size, colStart, rowIndex } = pattern;
  rowStep.fill(-1);
  w.mark.fill(-1);
  let [lEnd, uEnd, negative] = [0, 0, 0];
  let ratio = 1;
  let onDiagonal = true;
  for (let step = 0; step < size; step += 1) {
    const column = order[step]!;
    makeRoom(w, Math.max(lEnd, uEnd) + size);
    w.lStart[step] = lEnd;
    w.uStart[step] = uEnd;
    const top = reachOf(w, column, step);
    for (let k = top; k < size; k += 1) work[reach[k]!] = 0;
    for (let k = colStart[column]!; k < colStart[column + 1]!; k += 1) {
      work[rowIndex[k]!] = values[k]!;
    }
    let largest = 0;
    let best = -1;
    for (let k = top; k < size; k += 1) {
      const row = reach[k]!;
      const done = rowStep[row]!;
      if (done >= 0) {
        const value = work[row]!;
        w.uIndex[uEnd] = done;
        w.uValue[uEnd] = value;
        uEnd += 1;
        for (let p = w.lStart[done]!; p < w.lStart[done + 1]!; p += 1) {
          work[w.lIndex[p]!]! -= w.lValue[p]! * value;
        }
      }
    }
    for (let k = top; k < size; k += 1) {
      const row = reach[k]!;
      if (rowStep[row]! >= 0) continue;
      const magnitude = Math.abs(work[row]!);
      if (magnitude > largest) {
        largest = magnitude;
        best = row;
      }
    }
    if (best < 0 || !Number.isFinite(largest)) return { kind: "singular", column };
    const ownRow = rowStep[column]! < 0 && w.mark[column] === step;
    if (ownRow && Math.abs(work[column]!) >= PIVOT_TOLERANCE * largest) best = column;
    if (best !== column) onDiagonal = false;
    const p = work[best]!;
    ratio = Math.min(ratio, Math.abs(p) / largest);
    if (p < 0) negative += 1;
    pivot[step] = p;
    rowStep[best] = step;
    stepRow[step] = best;
    for (let k = top; k < size; k += 1) {
      const row = reach[k]!;
      if (rowStep[row]! >= 0) continue;
      w.lIndex[lEnd] = row;
      w.lValue[lEnd] = work[row]! / p;
      lEnd += 1;
    }
    w.lStart[step + 1] = lEnd;
    w.uStart[step + 1] = uEnd;
  }
  return { kind: "factored", health: { pivotRatio: ratio, negativePivots: negative, onDiagonal } };
}

/**
 * Factors new values with order, pattern and pivots of the last `factor`. Answers
 * "unhealthy" when a kept pivot has become too small: then factor again.
 */
export function refactor(
  w: LuWorkspace,
  values: Float64Array,
): LuResult | { readonly kind: "unhealthy" } {
  const { pattern, order, stepRow, work, pivot, lStart, lIndex, lValue, uStart, uIndex, uValue } =
    w;
  const { size, colStart, rowIndex } = pattern;
  let negative = 0;
  let ratio = 1;
  let onDiagonal = true;
  for (let step = 0; step < size; step += 1) {
    const column = order[step]!;
    for (let k = uStart[step]!; k < uStart[step + 1]!; k += 1) work[stepRow[uIndex[k]!]!] = 0;
    for (let k = lStart[step]!; k < lStart[step + 1]!; k += 1) work[lIndex[k]!] = 0;
    work[stepRow[step]!] = 0;
    for (let k = colStart[column]!; k < colStart[column + 1]!; k += 1) {
      work[rowIndex[k]!] = values[k]!;
    }
    for (let k = uStart[step]!; k < uStart[step + 1]!; k += 1) {
      const done = uIndex[k]!;
      const value = work[stepRow[done]!]!;
      uValue[k] = value;
      for (let p = lStart[done]!; p < lStart[done + 1]!; p += 1) {
        work[lIndex[p]!]! -= lValue[p]! * value;
      }
    }
    const p = work[stepRow[step]!]!;
    let largest = Math.abs(p);
    for (let k = lStart[step]!; k < lStart[step + 1]!; k += 1) {
      largest = Math.max(largest, Math.abs(work[lIndex[k]!]!));
    }
    if (!(Math.abs(p) > UNHEALTHY_PIVOT_RATIO * largest) || largest === 0)
      return { kind: "unhealthy" };
    ratio = Math.min(ratio, Math.abs(p) / largest);
    if (p < 0) negative += 1;
    if (stepRow[step] !== column) onDiagonal = false;
    pivot[step] = p;
    for (let k = lStart[step]!; k < lStart[step + 1]!; k += 1) lValue[k] = work[lIndex[k]!]! / p;
  }
  return { kind: "factored", health: { pivotRatio: ratio, negativePivots: negative, onDiagonal } };
}

/** Solves A x = b with the factors at hand; `x` may be `b` itself. */
export function solveWith(w: LuWorkspace, b: Float64Array, x: Float64Array): void {
  const { pattern, order, stepRow, work, pivot, lStart, lIndex, lValue, uStart, uIndex, uValue } =
    w;
  const { size } = pattern;
  work.set(b);
  for (let step = 0; step < size; step += 1) {
    const value = work[stepRow[step]!]!;
    if (value === 0) continue;
    for (let k = lStart[step]!; k < lStart[step + 1]!; k += 1) {
      work[lIndex[k]!]! -= lValue[k]! * value;
    }
  }
  for (let step = size - 1; step >= 0; step -= 1) {
    const value = work[stepRow[step]!]! / pivot[step]!;
    work[stepRow[step]!] = value;
    for (let k = uStart[step]!; k < uStart[step + 1]!; k += 1) {
      work[stepRow[uIndex[k]!]!]! -= uValue[k]! * value;
    }
  }
  for (let step = 0; step < size; step += 1) x[order[step]!] = work[stepRow[step]!]!;
}
