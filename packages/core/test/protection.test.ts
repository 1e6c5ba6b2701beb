import fc from "fast-check";
import {
  BLADE_FUSE_RATINGS_A,
  fuseForDraw,
  fuseResistanceOhm,
  fuseUnderCeiling,
} from "../src/index.ts";

describe("fuse ladder", () => {
  it("is the blade ladder of ISO 8820-3", () => {
    expect(BLADE_FUSE_RATINGS_A).toEqual([1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40]);
  });

  // Worked by hand from the two schools: common practice.
  it.each([
    [6, "nextSize", 7.5],
    [6, "eightyPercent", 7.5],
    [6.5, "nextSize", 7.5],
    [6.5, "eightyPercent", 10],
    [5, "nextSize", 7.5],
    [4, "eightyPercent", 5],
    [39, "nextSize", 40],
    [39, "eightyPercent", null],
    [41, "nextSize", null],
  ] as const)("%s A by the %s school takes %s A", (draw, school, rating) => {
    expect(fuseForDraw(draw, school)).toBe(rating);
  });

  it("never lets a school pick below the draw, and 80 % never below the other", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 31, noNaN: true }), (draw) => {
        const next = fuseForDraw(draw, "nextSize")!;
        const eighty = fuseForDraw(draw, "eightyPercent")!;
        expect(next).toBeGreaterThan(draw);
        expect(eighty).toBeGreaterThanOrEqual(next);
        expect(draw / eighty).toBeLessThanOrEqual(0.8 + 1e-9);
      }),
      { seed: 1, numRuns: 300 },
    );
  });

  it("finds the largest fuse under a ceiling", () => {
    expect(fuseUnderCeiling(11)).toBe(10);
    expect(fuseUnderCeiling(7.5)).toBe(7.5);
    expect(fuseUnderCeiling(0.5)).toBeNull();
  });

  it("drops 0.1 V at its rating, whatever the rating (common practice)", () => {
    for (const rating of BLADE_FUSE_RATINGS_A) {
      expect(fuseResistanceOhm(rating) * rating).toBeCloseTo(0.1, 12);
    }
  });
});
