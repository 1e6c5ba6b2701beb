import { dropOf, type Drop } from "../src/index.ts";
import { reciprocalCondition } from "../src/solve/sparse/condition.ts";
import {
  analyse,
  factor,
  patternOf,
  refactor,
  solveWith,
  type LuWorkspace,
} from "../src/solve/sparse/index.ts";
import { minimumDegree } from "../src/solve/sparse/ordering.ts";

type Entry = readonly [row: number, column: number, value: number];

/** A matrix by its entries: its pattern, and its values in the order of that. */
function made(size: number, entries: readonly Entry[]) {
  const { pattern, slot } = patternOf(
    size,
    entries.map(([r]) => r),
    entries.map(([, c]) => c),
  );
  const values = (of: readonly number[]): Float64Array => {
    const flat = new Float64Array(pattern.rowIndex.length);
    of.forEach((v, k) => (flat[slot[k]!]! += v));
    return flat;
  };
  return { pattern, values, own: values(entries.map(([, , v]) => v)) };
}

/** A x: what x was solved for, multiplied back. */
function times(size: number, entries: readonly Entry[], x: Float64Array): number[] {
  const out = new Array<number>(size).fill(0);
  for (const [r, c, v] of entries) out[r]! += v * x[c]!;
  return out;
}

const close = (got: readonly number[], wanted: readonly number[]) =>
  wanted.forEach((v, i) => expect(got[i]).toBeCloseTo(v, 9));

/** A hub that every other node hangs on; the hub is node `hub`. */
const star = (size: number, hub: number): Entry[] =>
  Array.from({ length: size }, (_, i): Entry[] =>
    i === hub
      ? [[i, i, 2 * size]]
      : [
          [i, i, 3],
          [i, hub, 1],
          [hub, i, 1.5],
        ],
  ).flat();

const ladder = (size: number): Entry[] =>
  Array.from({ length: size }, (_, i): Entry[] =>
    i === 0
      ? [[0, 0, 4]]
      : [
          [i, i, 4 + i],
          [i, i - 1, -1],
          [i - 1, i, -2],
        ],
  ).flat();

/** Entries of L, its ones left out. */
const belowPivots = ({ pattern, start, diag }: LuWorkspace): number =>
  Array.from(diag, (pivot, step) => start[step + 1]! - pivot - 1)
    .slice(0, pattern.size)
    .reduce((sum, n) => sum + n, 0);

describe("the order of elimination", () => {
  it("takes a hub last, whichever number it has, and every column once", () => {
    for (const hub of [0, 4, 8]) {
      const order = [...minimumDegree(made(9, star(9, hub)).pattern)];
      expect(order.indexOf(hub)).toBeGreaterThanOrEqual(7);
      expect([...order].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    }
  });

  it("goes along a ladder from its ends, with no fill at all", () => {
    const { pattern, own } = made(30, ladder(30));
    const w = analyse(pattern);
    factor(w, own);
    // One entry below each pivot but the last, and one above each but the first.
    expect(belowPivots(w)).toBe(29);
    expect(w.start[30]).toBe(29 + 30 + 29);
  });

  it("makes neighbours of what was taken neighbours of each other: a ring fills by one a step", () => {
    const ring = [...ladder(12), [0, 11, -1], [11, 0, -1]] as Entry[];
    const { pattern, own } = made(12, ring);
    const w = analyse(pattern);
    factor(w, own);
    expect(belowPivots(w)).toBe(21);
  });
});

describe("factors", () => {
  it("grow into the room that they need, where an order fills everything", () => {
    const entries = star(60, 0);
    const { pattern, own } = made(60, entries);
    const first = Int32Array.from({ length: 60 }, (_, i) => i);
    const w = analyse(pattern, first);
    const room = w.at.length;
    expect(factor(w, own)).toMatchObject({ kind: "factored" });
    expect(belowPivots(w)).toBe((60 * 59) / 2);
    expect(w.at.length).toBeGreaterThan(room);
    expect(w.value.length).toBe(w.at.length);
    const b = Float64Array.from({ length: 60 }, (_, i) => i - 20);
    const x = new Float64Array(60);
    solveWith(w, b, x);
    close(times(60, entries, x), [...b]);
  });

  it("of new values keep their pivots, and solve as if they were made anew", () => {
    for (const entries of [ladder(15), star(15, 3)]) {
      const { pattern, values, own } = made(15, entries);
      const w = analyse(pattern);
      const [was] = [factor(w, own)];
      for (const scale of [1, 0.7, 1.9]) {
        const changed = entries.map(([r, c, v], k): Entry => [r, c, v * (k % 2 ? 1 : scale)]);
        const again = refactor(w, values(changed.map(([, , v]) => v)));
        expect(again.kind).toBe("factored");
        const x = Float64Array.from({ length: 15 }, (_, i) => 1 + (i % 4));
        const b = [...x];
        // The answer may take the place of what it is asked for.
        solveWith(w, x, x);
        close(times(15, changed, x), b);
      }
      expect(refactor(w, own)).toEqual(was);
    }
  });

  it("tell how healthy they are: the smallest pivot of its column, signs, and the diagonal", () => {
    const two = (a: number, b: number, c: number, d: number) =>
      made(2, [
        [0, 0, a],
        [0, 1, b],
        [1, 0, c],
        [1, 1, d],
      ]);
    const natural = Int32Array.from([0, 1]);
    const weak = two(0.2, 0, 1, -3);
    const w = analyse(weak.pattern, natural);
    expect(factor(w, weak.own)).toEqual({
      kind: "factored",
      health: { pivotRatio: 0.2, negativePivots: 1, onDiagonal: true },
    });
    expect(refactor(w, weak.own)).toEqual(factor(w, weak.own));
    const crossed = two(0, 2, -1, 0);
    const v = analyse(crossed.pattern, natural);
    expect(factor(v, crossed.own)).toEqual({
      kind: "factored",
      health: { pivotRatio: 1, negativePivots: 1, onDiagonal: false },
    });
    expect(refactor(v, crossed.own)).toEqual(factor(v, crossed.own));
  });

  it("name the column that has no pivot, by nothing or by what is no number", () => {
    const { pattern, values, own } = made(3, [
      [0, 0, 1],
      [1, 1, 0],
      [2, 2, 5],
    ]);
    const w = analyse(pattern);
    expect(factor(w, own)).toEqual({ kind: "singular", column: 1 });
    expect(factor(w, values([1, 2, NaN]))).toMatchObject({ kind: "singular" });
    expect(factor(w, values([1, 2, Infinity]))).toEqual({ kind: "singular", column: 2 });
    expect(factor(w, values([1, 2, 5])).kind).toBe("factored");
    expect(refactor(w, values([1, 0, 5]))).toEqual({ kind: "unhealthy" });
  });
});

describe("an estimate of the condition", () => {
  const estimated = (size: number, entries: readonly Entry[]): number => {
    const { pattern, own } = made(size, entries);
    const w = analyse(pattern);
    factor(w, own);
    return reciprocalCondition(w, own);
  };

  it("is one of the unit matrix, and the ratio of its ends of a diagonal one", () => {
    expect(
      estimated(3, [
        [0, 0, 1],
        [1, 1, 1],
        [2, 2, 1],
      ]),
    ).toBeCloseTo(1, 12);
    expect(
      estimated(3, [
        [0, 0, 4],
        [1, 1, -100],
        [2, 2, 1],
      ]),
    ).toBeCloseTo(0.01, 12);
  });

  it("is a third of [2 1; 1 2], by hand", () => {
    const value = estimated(2, [
      [0, 0, 2],
      [0, 1, 1],
      [1, 0, 1],
      [1, 1, 2],
    ]);
    expect(value).toBeCloseTo(1 / 3, 12);
  });

  // Condition of Hilbert's matrix of 4 in the 1-norm, 28 375: N. J. Higham, Accuracy and
  // Stability of Numerical Algorithms (2002), from memory.
  it("of Hilbert's matrix of four is that of the handbook", () => {
    const hilbert = Array.from({ length: 16 }, (_, k): Entry => {
      const [i, j] = [Math.floor(k / 4), k % 4];
      return [i, j, 1 / (i + j + 1)];
    });
    expect(1 / estimated(4, hilbert)).toBeCloseTo(28_375, 0);
  });

  it("is nothing of a matrix of nothing", () => {
    const { pattern, own } = made(1, [[0, 0, 0]]);
    expect(reciprocalCondition(analyse(pattern), own)).toBe(0);
  });
});

describe("what a run's worst lamp loses", () => {
  const kinds: Readonly<Record<string, string>> = {
    ...{ before: "wire", converter: "converter", after: "wire", fuse: "fuse", back: "wire" },
    ...{ near: "wire", far: "wire", plug: "connector", load: "load" },
  };
  const elements = new Map(Object.entries(kinds).map(([id, kind]) => [id, { id, kind }]));
  const volts: Readonly<Record<string, number>> = {
    ...{ before: 5, converter: 3, after: 0.1, fuse: 0.05, back: -0.2, near: 0.02, far: 0.3 },
    plug: 0.04,
  };
  const at = new Map(Object.entries(volts).map(([id, v]) => [id, { fromV: 1 + v, toV: 1 }]));
  const drop = (run: object, sourceV = 10): Drop =>
    dropOf(
      { elements } as never,
      {
        ...{ root: { kind: "battery" }, steps: 1, feedShared: [], out: [], back: [], branches: [] },
        ...run,
      } as never,
      { sourceV, packV: 40, at } as never,
    );
  const branch = (...out: string[]) => ({ out, back: [], load: "load" });

  it("is in copper and in what no copper buys back, of the worst branch", () => {
    const run = {
      out: ["after", "fuse"],
      back: ["back"],
      branches: [branch("near"), branch("far", "plug")],
    };
    const { copper, fixedV } = drop(run);
    expect(copper).toBeCloseTo((0.1 + 0.2 + 0.3) / 10, 12);
    expect(fixedV).toBeCloseTo(0.05 + 0.04, 12);
    expect(drop({ ...run, branches: [...run.branches].reverse() }).copper).toBeCloseTo(copper, 12);
    expect(drop({ ...run, root: { kind: "pack", share: 0.5 } }).copper).toBeCloseTo(0.6 / 20, 12);
    expect(drop({ ...run, root: { kind: "fixed", volts: 5 } }).copper).toBeCloseTo(0.6 / 5, 12);
  });

  it("begins behind a converter: what lies before it costs no lamp a volt", () => {
    const shared = { feedShared: ["before", "converter", "after"], branches: [branch("near")] };
    expect(drop(shared).copper).toBeCloseTo(0.12 / 10, 12);
    expect(drop({ ...shared, feedShared: ["before", "after"] }).copper).toBeCloseTo(0.512, 12);
  });

  it("adds up along a string", () => {
    const { copper, fixedV } = drop({
      steps: 3,
      branches: [branch("near"), branch("far", "plug")],
    });
    expect(copper).toBeCloseTo((3 * 0.32) / 2 / 10, 12);
    expect(fixedV).toBeCloseTo((3 * 0.04) / 2, 12);
  });

  it("is nothing without a lamp or a source, and of what nothing is known", () => {
    expect(drop({ out: ["after"] })).toEqual({ copper: 0, fixedV: 0 });
    expect(drop({ out: ["after"], branches: [branch("near")] }, 0)).toEqual({
      copper: 0,
      fixedV: 0,
    });
    expect(drop({ out: ["gone", "load"], branches: [branch("load")] })).toEqual({
      copper: 0,
      fixedV: 0,
    });
  });
});
