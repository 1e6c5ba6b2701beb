import fc from "fast-check";
import { analyse, factor, patternOf, refactor, solveWith } from "../src/solve/sparse/index.ts";

/** Gaussian elimination with full row pivoting on a dense matrix: the naive oracle. */
function denseSolve(matrix: readonly (readonly number[])[], b: readonly number[]): number[] {
  const n = b.length;
  const a = matrix.map((row, i) => [...row, b[i]!]);
  for (let k = 0; k < n; k += 1) {
    let best = k;
    for (let i = k + 1; i < n; i += 1) if (Math.abs(a[i]![k]!) > Math.abs(a[best]![k]!)) best = i;
    [a[k], a[best]] = [a[best]!, a[k]!];
    for (let i = k + 1; i < n; i += 1) {
      const f = a[i]![k]! / a[k]![k]!;
      for (let j = k; j <= n; j += 1) a[i]![j]! -= f * a[k]![j]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i -= 1) {
    const rest = a[i]!.slice(i + 1, n).reduce((s, v, j) => s + v * x[i + 1 + j]!, 0);
    x[i] = (a[i]![n]! - rest) / a[i]![i]!;
  }
  return x;
}

interface Sample {
  readonly size: number;
  readonly rows: number[];
  readonly cols: number[];
  readonly values: number[];
  readonly b: number[];
}

/** Sparse and well enough behaved: strong diagonal, a few entries elsewhere. */
const sample = fc.integer({ min: 1, max: 24 }).chain((size) => {
  const index = fc.integer({ min: 0, max: size - 1 });
  const entry = fc.tuple(index, index, fc.double({ min: -1, max: 1, noNaN: true }));
  return fc
    .tuple(
      fc.array(entry, { maxLength: size * 3 }),
      fc.array(fc.double({ min: 2, max: 9, noNaN: true }), { minLength: size, maxLength: size }),
      fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: size, maxLength: size }),
    )
    .map(([entries, diagonal, b]): Sample => ({
      size,
      rows: [...entries.map((e) => e[0]), ...diagonal.map((_, i) => i)],
      cols: [...entries.map((e) => e[1]), ...diagonal.map((_, i) => i)],
      values: [...entries.map((e) => e[2]), ...diagonal.map((d, i) => d * (i % 3 ? 2 : -2))],
      b,
    }));
});

const dense = (s: Sample, values: readonly number[]): number[][] => {
  const a = Array.from({ length: s.size }, () => new Array<number>(s.size).fill(0));
  s.rows.forEach((r, k) => {
    a[r]![s.cols[k]!]! += values[k]!;
  });
  return a;
};

function filled(values: readonly number[], slot: Int32Array, length: number): Float64Array {
  const flat = new Float64Array(length);
  values.forEach((v, k) => {
    flat[slot[k]!]! += v;
  });
  return flat;
}

describe("sparse LU", () => {
  it("agrees with the dense oracle, and refactor with factor", () => {
    fc.assert(
      fc.property(sample, fc.double({ min: 0.5, max: 2, noNaN: true }), (s, scale) => {
        const { pattern, slot } = patternOf(s.size, s.rows, s.cols);
        const w = analyse(pattern);
        const first = filled(s.values, slot, pattern.rowIndex.length);
        expect(factor(w, first).kind).toBe("factored");
        const x = new Float64Array(s.size);
        solveWith(w, Float64Array.from(s.b), x);
        denseSolve(dense(s, s.values), s.b).forEach((v, i) => expect(x[i]).toBeCloseTo(v, 8));

        const other = s.values.map((v, k) => v * (1 + (scale - 1) * ((k % 5) / 5)));
        const again = filled(other, slot, pattern.rowIndex.length);
        if (refactor(w, again).kind !== "factored") factor(w, again);
        solveWith(w, Float64Array.from(s.b), x);
        denseSolve(dense(s, other), s.b).forEach((v, i) => expect(x[i]).toBeCloseTo(v, 7));
      }),
      { seed: 11, numRuns: 300 },
    );
  });

  it("takes a pivot off the diagonal where the diagonal is nothing", () => {
    const { pattern, slot } = patternOf(2, [0, 1, 0, 1], [1, 0, 0, 1]);
    const values = new Float64Array(pattern.rowIndex.length);
    [3, 5, 0, 0].forEach((v, k) => (values[slot[k]!]! += v));
    const w = analyse(pattern);
    const made = factor(w, values);
    expect(made).toMatchObject({ kind: "factored", health: { onDiagonal: false } });
    const x = new Float64Array(2);
    solveWith(w, Float64Array.from([6, 10]), x);
    expect([...x]).toEqual([2, 2]);
  });

  it("says which column is singular, and when kept pivots have gone bad", () => {
    const { pattern, slot } = patternOf(2, [0, 0, 1, 1], [0, 1, 0, 1]);
    const fill = (v: readonly number[]): Float64Array => {
      const values = new Float64Array(pattern.rowIndex.length);
      v.forEach((x, k) => (values[slot[k]!]! += x));
      return values;
    };
    const w = analyse(pattern);
    expect(factor(w, fill([1, 2, 2, 4])).kind).toBe("singular");
    expect(factor(w, fill([1, 0, 1, 1])).kind).toBe("factored");
    expect(refactor(w, fill([0, 1, 1, 1])).kind).toBe("unhealthy");
    expect(factor(w, fill([0, 1, 1, 1])).kind).toBe("factored");
  });

  // Sylvester's law of inertia: pivots of LDLᵀ have the signs of the eigenvalues.
  it("counts negative eigenvalues of a symmetric matrix by its pivots", () => {
    const { pattern, slot } = patternOf(2, [0, 1, 0, 1], [0, 1, 1, 0]);
    const values = new Float64Array(pattern.rowIndex.length);
    // Eigenvalues of [[1, 2], [2, 1]] are 3 and −1.
    [1, 1, 2, 2].forEach((v, k) => (values[slot[k]!]! += v));
    expect(factor(analyse(pattern), values)).toMatchObject({
      health: { negativePivots: 1, onDiagonal: true },
    });
  });
});
