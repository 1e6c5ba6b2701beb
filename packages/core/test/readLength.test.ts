/** Lengths as people write them. 1 in = 25.4 mm, 1 ft = 0.3048 m: NIST SP 811, B.8, exact. */
import fc from "fast-check";
import { drillText, fineText, inchField, inchesText, readLength } from "../src/index.ts";

const INCH = 0.0254;

describe("a length that is written", () => {
  it.each([
    ["1.5 in", INCH, 0.0381],
    ["17 1/2", INCH, 0.4445],
    ['18"', INCH, 0.4572],
    ["3' 6\"", INCH, 1.0668],
    ["3 ft 6 1/4 in", INCH, 1.07315],
    ["5/16", INCH, 0.0079375],
    ["1½", INCH, 0.0381],
    ["40 mm", INCH, 0.04],
    ["1,2 m", INCH, 1.2],
    ["12", 0.001, 0.012],
    ["12", 1, 12],
    ["-3/8", INCH, -0.009525],
    ["−40 mm", 0.001, -0.04],
    ["6-1/2 in", 0.001, 0.1651],
    ["25 cm", INCH, 0.25],
    ["2 feet", 1, 0.6096],
  ])("%s, else in %d m, is %d m", (text, usual, metres) => {
    expect(readLength(text, usual)).toBeCloseTo(metres, 9);
  });

  it.each([
    "",
    "  ",
    "twelve",
    "1/0",
    "3 in 2 ft",
    "5 in 5 in",
    "4 x 5",
    "1..5",
    "7 furlongs",
    "-",
  ])("“%s” is none", (text) => {
    expect(readLength(text, INCH)).toBeNull();
  });

  it("reads back what is shown, to half a sixteenth", () => {
    fc.assert(
      fc.property(fc.double({ min: -30, max: 30, noNaN: true }), (metres) => {
        const back = readLength(inchField(metres), INCH);
        expect(back).not.toBeNull();
        expect(Math.abs(back! - metres)).toBeLessThanOrEqual(INCH / 32 + 1e-9);
      }),
    );
  });
});

describe("a length that is shown", () => {
  it("in inches has the fraction that a tape has, in its lowest terms", () => {
    expect([0, 0.0127, 0.4445, 0.0254, -0.0381, 0.0001].map((m) => inchesText(m))).toEqual([
      ...["0", "1/2", "17 1/2", "1", "−1 1/2", "0"],
    ]);
    // Rounded up to a whole inch it has no sixteen sixteenths.
    expect(inchesText(0.9999 * INCH)).toBe("1");
    // 10 mm is no 3/8 in.
    expect([inchField(0.01), inchField(0.009525)]).toEqual(["25/64", "3/8"]);
    expect(inchField(3.048)).toBe("10' 0\"");
    expect(inchField(3.7)).toBe("12' 1 11/16\"");
    expect(inchField(-3.2)).toBe("−10' 6\"");
  });

  it("of a panel follows whoever reads it", () => {
    expect([fineText(89, "metric"), fineText(89, "us")]).toEqual(["89 mm", "3 1/2 in"]);
  });

  // A common practice: a 5/16 in bolt wants a 3/8 in hole.
  it("of a drill is in both, the reader's own first", () => {
    expect(drillText(9.5, "metric")).toBe("9.5 mm (3/8 in)");
    expect(drillText(9.525, "us")).toBe("3/8 in (9.5 mm)");
    expect(drillText(3, "metric")).toBe("3 mm (1/8 in)");
    expect(drillText(6.6, "us")).toBe("17/64 in (6.6 mm)");
    // Step drills and hole saws are coarser.
    expect(drillText(12.5, "metric", "step")).toBe("12.5 mm (1/2 in)");
    expect(drillText(26, "us", "step")).toBe("1 in (26 mm)");
  });
});
