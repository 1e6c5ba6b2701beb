/* oxlint-disable typescript/no-non-null-assertion -- each index comes from the analysed pattern */
import { minimumDegree } from "./ordering.ts";
import type { Pattern } from "./pattern.ts";
import { PIVOT_TOLERANCE } from "../defaults.ts";

/**
 * How values of a known pattern are factored with known pivots: where each value begins, and
 * where each product of an elimination goes, in the order in which they come. Nothing is looked
 * for and nothing is laid out while it runs: a sixth of the time of finding it anew each time.
 */
export interface RefactorPlan {
  /** Where each value of the pattern lies among the factors. */
  readonly place: Int32Array;
  /** For each entry above a pivot in turn, where what the column of L below it takes off is taken off. */
  readonly target: Int32Array;
}

/**
 * Sparse LU of a square matrix, in four steps: `analyse` the pattern once, `factor` values
 * choosing pivots, `refactor` new values with the pivots kept, `solve`. Left-looking after
 * Gilbert and Peierls (1988), with threshold pivoting that prefers the diagonal.
 *
 * All arrays are flat and owned by the workspace; factor, refactor and solve allocate
 * nothing once the fill has been seen. Columns of U, pivots and columns of L lie in one array:
 * column k from `start[k]` on, its pivot at `diag[k]`, what is below the pivot behind it.
 */
export interface LuWorkspace {
  readonly pattern: Pattern;
  /** Column order. */
  readonly order: Int32Array;
  /** Row r is pivot of step rowStep[r]; −1 while it is none. */
  readonly rowStep: Int32Array;
  /** Row that is pivot of step k. */
  readonly stepRow: Int32Array;
  readonly start: Int32Array;
  readonly diag: Int32Array;
  /**
   * Step of each entry's row; above the pivot in an order that can be eliminated. While a matrix is
   * being factored, entries below a pivot have their row itself: its step is not known yet.
   */
  at: Int32Array;
  value: Float64Array;
  /** How new values are factored with the pivots at hand; made when that is first asked for. */
  plan: RefactorPlan | null;
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
  const room = rowIndex.length * 2 + size;
  return {
    pattern,
    order,
    rowStep: new Int32Array(size).fill(-1),
    stepRow: new Int32Array(size),
    start: new Int32Array(size + 1),
    diag: new Int32Array(size),
    at: new Int32Array(room),
    value: new Float64Array(room),
    plan: null,
    work: new Float64Array(size),
    mark: new Int32Array(size).fill(-1),
    stack: new Int32Array(size),
    cursor: new Int32Array(size),
    reach: new Int32Array(size),
  };
}

function makeRoom(w: LuWorkspace, needed: number): void {
  if (w.at.length >= needed) return;
  const length = Math.max(needed, w.at.length * 2);
  const [at, value] = [new Int32Array(length), new Float64Array(length)];
  at.set(w.at);
  value.set(w.value);
  w.at = at;
  w.value = value;
}

/**
 * Rows reached from a column's own through the columns of L made so far, in `reach` from
 * `top` on, in an order that can be eliminated. Depth first without recursion.
 */
function reachOf(w: LuWorkspace, column: number, step: number): number {
  const { pattern, rowStep, mark, stack, cursor, reach, start, diag, at } = w;
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
        cursor[depth] = done < 0 ? 0 : diag[done]! + 1;
      }
      const end = done < 0 ? 0 : start[done + 1]!;
      let deeper = -1;
      while (cursor[depth]! < end) {
        const next = at[cursor[depth]!]!;
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
  const { pattern, order, rowStep, stepRow, start, diag, work, reach } = w;
  const { size, colStart, rowIndex } = pattern;
  rowStep.fill(-1);
  w.mark.fill(-1);
  w.plan = null;
  let [end, negative] = [0, 0];
  let ratio = 1;
  let onDiagonal = true;
  for (let step = 0; step < size; step += 1) {
    const column = order[step]!;
    makeRoom(w, end + size);
    start[step] = end;
    const top = reachOf(w, column, step);
    for (let k = top; k < size; k += 1) work[reach[k]!] = 0;
    for (let k = colStart[column]!; k < colStart[column + 1]!; k += 1) {
      work[rowIndex[k]!] = values[k]!;
    }
    for (let k = top; k < size; k += 1) {
      const row = reach[k]!;
      const done = rowStep[row]!;
      if (done < 0) continue;
      const value = work[row]!;
      w.at[end] = done;
      w.value[end] = value;
      end += 1;
      for (let p = diag[done]! + 1; p < start[done + 1]!; p += 1) {
        work[w.at[p]!]! -= w.value[p]! * value;
      }
    }
    let largest = 0;
    let best = -1;
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
    rowStep[best] = step;
    stepRow[step] = best;
    diag[step] = end;
    w.at[end] = step;
    w.value[end] = p;
    end += 1;
    for (let k = top; k < size; k += 1) {
      const row = reach[k]!;
      if (rowStep[row]! >= 0) continue;
      w.at[end] = row;
      w.value[end] = work[row]! / p;
      end += 1;
    }
    start[step + 1] = end;
  }
  for (let step = 0; step < size; step += 1) {
    for (let k = diag[step]! + 1; k < start[step + 1]!; k += 1) w.at[k] = rowStep[w.at[k]!]!;
  }
  return { kind: "factored", health: { pivotRatio: ratio, negativePivots: negative, onDiagonal } };
}

/** Solves A x = b with the factors at hand; `x` may be `b` itself. */
export function solveWith(w: LuWorkspace, b: Float64Array, x: Float64Array): void {
  const { pattern, order, stepRow, start, diag, at, value, work } = w;
  const { size } = pattern;
  for (let step = 0; step < size; step += 1) work[step] = b[stepRow[step]!]!;
  for (let step = 0; step < size; step += 1) {
    const known = work[step]!;
    if (known === 0) continue;
    const end = start[step + 1]!;
    for (let k = diag[step]! + 1; k < end; k += 1) work[at[k]!]! -= value[k]! * known;
  }
  for (let step = size - 1; step >= 0; step -= 1) {
    const pivot = diag[step]!;
    const known = work[step]! / value[pivot]!;
    work[step] = known;
    for (let k = start[step]!; k < pivot; k += 1) work[at[k]!]! -= value[k]! * known;
  }
  for (let step = 0; step < size; step += 1) x[order[step]!] = work[step]!;
}
