/* oxlint-disable typescript/no-non-null-assertion -- each index is below the size of the matrix that it was counted from */
import { solveWith, type LuWorkspace } from "./lu.ts";

/** Rounds of Hager's method; two or three find the estimate. */
const MOST_ROUNDS = 5;

/** What a vector of growing size and changing signs makes of ‖A⁻¹‖₁: a bound from below. */
function alternating(w: LuWorkspace, y: Float64Array): number {
  const n = y.length;
  const x = y.map((_, i) => (i % 2 === 0 ? 1 : -1) * (1 + i / Math.max(1, n - 1)));
  solveWith(w, x, y);
  return (2 * y.reduce((total, value) => total + Math.abs(value), 0)) / (3 * n);
}

/**
 * Estimates 1 / (‖A‖₁ ‖A⁻¹‖₁) of a symmetric matrix from its factors: W. W. Hager,
 * "Condition Estimates", SIAM J. Sci. Stat. Comput. 5 (1984), with the second start of N. J.
 * Higham, ACM TOMS 14 (1988), which finds what cancels in the first. 1 is perfect, 0 singular.
 */
export function reciprocalCondition(w: LuWorkspace, values: Float64Array): number {
  const { size, colStart } = w.pattern;
  let norm = 0;
  for (let column = 0; column < size; column += 1) {
    let sum = 0;
    for (let k = colStart[column]!; k < colStart[column + 1]!; k += 1) sum += Math.abs(values[k]!);
    norm = Math.max(norm, sum);
  }
  const x = new Float64Array(size).fill(1 / size);
  const y = new Float64Array(size);
  let inverse = 0;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    solveWith(w, x, y);
    const sum = y.reduce((total, value) => total + Math.abs(value), 0);
    inverse = Math.max(inverse, sum);
    const signs = y.map((value) => (value < 0 ? -1 : 1));
    // The matrix is symmetric: its transpose has the same factors.
    solveWith(w, signs, y);
    let at = 0;
    let along = 0;
    for (let i = 0; i < size; i += 1) {
      along += y[i]! * x[i]!;
      if (Math.abs(y[i]!) > Math.abs(y[at]!)) at = i;
    }
    if (Math.abs(y[at]!) <= along) break;
    x.fill(0);
    x[at] = 1;
  }
  inverse = Math.max(inverse, alternating(w, y));
  return norm > 0 && inverse > 0 ? 1 / (norm * inverse) : 0;
}
