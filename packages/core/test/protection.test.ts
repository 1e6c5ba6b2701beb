import fc from "fast-check";
import {
  BLADE_FUSE_RATINGS_A,
  fuseForDraw,
  fuseResistanceOhm,
  fuseUnderCeiling,
  openingTime,
  overheatS,
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

describe("a fuse's time against its load", () => {
  // ISO 8820-3 for blade fuses, as the table has it: a 10 A fuse at shares of its rating.
  it.each([
    [11, 360_000, Infinity],
    [13.5, 0.75, 600],
    [16, 0.25, 50],
    [20, 0.15, 5],
    [35, 0.04, 0.5],
    [60, 0.02, 0.1],
  ])("of 10 A at %s A opens within %s to %s s", (amps, least, most) => {
    const { leastS, mostS } = openingTime(10, amps)!;
    expect(leastS).toBeCloseTo(least, 9);
    if (most === Infinity) expect(mostS).toBe(Infinity);
    else expect(mostS).toBeCloseTo(most, 9);
  });

  it("holds below 110 %, for good", () => {
    expect(openingTime(10, 10.99)).toBeNull();
    expect(openingTime(10, 0)).toBeNull();
    expect(openingTime(10, 11)).not.toBeNull();
  });

  it("lies on a straight line of logarithms between two points of it", () => {
    // Half way by logarithm from 200 % to 350 %: the middle of 0.15 and 0.04 s, and of 5 and 0.5 s.
    const { leastS, mostS } = openingTime(10, 10 * Math.sqrt(2 * 3.5))!;
    expect(leastS).toBeCloseTo(Math.sqrt(0.15 * 0.04), 9);
    expect(mostS).toBeCloseTo(Math.sqrt(5 * 0.5), 9);
    // May hold for ever until the next point says otherwise.
    expect(openingTime(10, 12)?.mostS).toBe(Infinity);
    expect(openingTime(10, 12)?.leastS).toBeLessThan(360_000);
  });

  it("keeps its melting integral beyond the table: ten times the current, a hundredth of the time", () => {
    const [at, beyond] = [openingTime(10, 60)!, openingTime(10, 600)!];
    expect(beyond.leastS).toBeCloseTo(at.leastS / 100, 12);
    expect(beyond.mostS).toBeCloseTo(at.mostS / 100, 12);
  });

  it("is never longer for more current", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 11, max: 900, noNaN: true }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (amps, more) => {
          const [a, b] = [openingTime(10, amps)!, openingTime(10, amps * more)!];
          expect(b.leastS).toBeLessThanOrEqual(a.leastS * (1 + 1e-12));
          expect(b.mostS).toBeLessThanOrEqual(a.mostS * (1 + 1e-12));
          expect(a.leastS).toBeLessThan(a.mostS);
        },
      ),
      { seed: 1, numRuns: 300 },
    );
  });
});

describe("a wire's time against a fault", () => {
  it("is that of the adiabatic equation of IEC 60364-4-43 (from memory): t = (k S / I)²", () => {
    // 1 mm² of copper in PVC, k = 115, at 100 A: 1.3225 s.
    expect(overheatS(1e-6, 20, 100)).toBeCloseTo(1.3225, 9);
    expect(overheatS(2e-6, 20, 100)).toBeCloseTo(4 * 1.3225, 9);
    expect(overheatS(1e-6, 20, 200)).toBeCloseTo(1.3225 / 4, 9);
  });

  it("is for ever at what it carries for good, and not a hair above", () => {
    expect(overheatS(1e-6, 20, 20)).toBe(Infinity);
    expect(overheatS(1e-6, 20, 20.0001)).toBeLessThan(Infinity);
  });
});

describe("the ladder at its rungs", () => {
  it("takes a rung that is met to the hair, by both schools", () => {
    // The next size is above the draw; eight tenths of a rung may be met.
    expect(fuseForDraw(7.5, "nextSize")).toBe(10);
    expect(fuseForDraw(8, "eightyPercent")).toBe(10);
    expect(fuseForDraw(8.01, "eightyPercent")).toBe(15);
  });

  it("begins where a shop's fuses begin", () => {
    expect(fuseForDraw(0.5, "nextSize")).toBe(3);
    expect(fuseForDraw(0.5, "nextSize", 2)).toBe(2);
    expect(fuseForDraw(0.5, "eightyPercent", 1)).toBe(1);
    expect(fuseForDraw(0.5, "nextSize", 7.5)).toBe(7.5);
  });

  it("stays under a ceiling, and may meet it", () => {
    expect(fuseUnderCeiling(10)).toBe(10);
    expect(fuseUnderCeiling(9.99)).toBe(7.5);
    expect(fuseUnderCeiling(0.5)).toBeNull();
  });
});
