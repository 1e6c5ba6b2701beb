/** Vehicles as drawings: to their own measures whatever those are, whole, and nobody's alone. */
import fc from "fast-check";
import {
  TONES,
  VEHICLE_KINDS,
  VEHICLE_KIND_WORDS,
  VIEWS,
  extentOf,
  outerMeasures,
  outlineOf,
  pathData,
  usualSize,
  type Measures,
  type View,
} from "../src/index.ts";

/** Corners of the box that a view has to fill, in m: left, right, low, high. */
function boxOf(view: View, { length, width, height }: Measures): number[] {
  switch (view) {
    case "plan":
      return [0, length, -width / 2, width / 2];
    case "side":
      return [0, length, 0, height];
    case "front":
    case "rear":
      return [-width / 2, width / 2, 0, height];
  }
}

const m = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const measures = fc.record({ length: m(1.2, 4), width: m(0.5, 2), height: m(0.7, 2.2) });
const kind = fc.constantFrom(...VEHICLE_KINDS);
const view = fc.constantFrom(...VIEWS);

describe("the drawing of a vehicle", () => {
  it("fills its own measures, and goes beyond none of them", () => {
    fc.assert(
      fc.property(kind, view, measures, (k, v, size) => {
        const [extent, box] = [extentOf(outlineOf(k, v, size)), boxOf(v, size)];
        for (const [i, edge] of extent.entries()) expect(edge).toBeCloseTo(box[i]!, 6);
      }),
      { numRuns: 400 },
    );
  });

  it("is the same on both sides of the middle, from the front, from behind and from above", () => {
    fc.assert(
      fc.property(kind, fc.constantFrom<View>("front", "rear"), measures, (k, v, size) => {
        const [left, right] = extentOf(outlineOf(k, v, size));
        expect(left).toBeCloseTo(-right, 6);
      }),
    );
  });

  it("stands on round wheels of the size that fits, or on a track", () => {
    for (const k of VEHICLE_KINDS) {
      const size = outerMeasures(usualSize(k));
      const tyres = outlineOf(k, "side", size).filter((s) => s.tone === "tyre");
      expect([k, tyres.length]).toEqual([k, k === "trailer" || k === "snowMachine" ? 1 : 2]);
      for (const tyre of tyres) {
        const [, , low] = extentOf([tyre]);
        expect(low).toBeCloseTo(0, 6);
      }
    }
  });

  it("is another for each kind, in each view", () => {
    const size = { length: 2, width: 1, height: 1.4 };
    for (const v of VIEWS) {
      const all = VEHICLE_KINDS.map((k) => JSON.stringify(outlineOf(k, v, size)));
      expect(new Set(all).size).toBe(VEHICLE_KINDS.length);
    }
  });

  it("uses every tone, and has a word for every kind", () => {
    const used = VEHICLE_KINDS.flatMap((k) =>
      VIEWS.flatMap((v) => outlineOf(k, v, outerMeasures(usualSize(k))).map((s) => s.tone)),
    );
    expect(new Set(used)).toEqual(new Set(TONES));
    const words = Object.values(VEHICLE_KIND_WORDS);
    expect(new Set(words).size).toBe(VEHICLE_KINDS.length);
  });
});

describe("a path of SVG", () => {
  const same = (p: readonly [number, number]): readonly [number, number] => p;

  it("rounds a corner by a quadratic curve that begins and ends as far from it as is asked", () => {
    const square = [
      [0, 0],
      [1, 0],
      [1, 1],
    ] as const;
    const shape = {
      kind: "path",
      tone: "line",
      closed: false,
      roundM: 0.25,
      points: square,
    } as const;
    expect(pathData(shape, same)).toBe("M0 0L0.75 0Q1 0 1 0.25L1 1");
  });

  it("never rounds past the middle of an edge, and closes a closed one", () => {
    const points = [
      [0, 0],
      [2, 0],
      [0, 2],
    ] as const;
    const shape = { kind: "path", tone: "body", closed: true, roundM: 9, points } as const;
    expect(pathData(shape, same)).toBe("M0 1Q0 0 1 0L1 0Q2 0 1 1L1 1Q0 2 0 1Z");
  });

  it("makes a circle of two arcs, in the picture's units", () => {
    const shape = { kind: "round", tone: "tyre", middle: [1, 2], radiusM: 0.5 } as const;
    expect(pathData(shape, ([x, y]) => [x * 10, -y * 10])).toBe(
      "M5 -20A5 5 0 1 0 15 -20A5 5 0 1 0 5 -20Z",
    );
  });
});
