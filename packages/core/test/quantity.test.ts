import fc from "fast-check";
import {
  boundsOf,
  decimal,
  dividedBy,
  boundedValue,
  interval,
  lengthText,
  minus,
  plus,
  span,
  times,
} from "../src/index.ts";

const anyInterval = fc
  .tuple(...[0, 1, 2].map(() => fc.double({ min: -1e3, max: 1e3, noNaN: true })))
  .map((xs) => [...xs].sort((a, b) => a - b))
  .map(([a, b, c]) => interval(a!, b!, c!));

describe("intervals", () => {
  it("contain the result for every pair of values they contain", () => {
    fc.assert(
      fc.property(
        anyInterval,
        anyInterval,
        fc.double({ min: -5, max: 5, noNaN: true }),
        (a, b, k) => {
          for (const x of [a.low, a.mid, a.high]) {
            for (const y of [b.low, b.mid, b.high]) {
              const [s, d, t] = [plus(a, b), minus(a, b), times(a, k)];
              expect(x + y >= s.low - 1e-9 && x + y <= s.high + 1e-9).toBe(true);
              expect(x - y >= d.low - 1e-9 && x - y <= d.high + 1e-9).toBe(true);
              expect(x * k >= t.low - 1e-9 && x * k <= t.high + 1e-9).toBe(true);
            }
          }
        },
      ),
      { seed: 2, numRuns: 200 },
    );
  });

  it("refuse bounds in the wrong order, with the values", () => {
    expect(() => interval(2, 1, 3)).toThrow("invalid interval: 2 … 1 … 3");
    expect(() => dividedBy(interval(1, 1, 1), interval(0, 1, 2))).toThrow("invalid divisor: 0");
  });
});

describe("facts", () => {
  it("take the width that their provenance deserves", () => {
    expect(boundedValue(10, "measured")).toMatchObject({ low: 9.8, high: 10.2 });
    expect(boundedValue(10, "stated")).toMatchObject({ low: 9, high: 11 });
    expect(boundedValue(10, "assumed")).toMatchObject({ low: 7.5, high: 12.5 });
    expect(boundsOf(boundedValue(10, "stated", 8, 11))).toEqual({ low: 8, mid: 10, high: 11 });
  });
});

describe("numbers for people", () => {
  it("print without needless zeros and with a true minus", () => {
    expect(decimal(7.5)).toBe("7.5");
    expect(decimal(10)).toBe("10");
    expect(decimal(100, 0)).toBe("100");
    expect(decimal(-0.04)).toBe("0");
    expect(decimal(-2.25, 2)).toBe("−2.25");
  });

  it("write bounds out", () => {
    expect(span(interval(3.1, 3.5, 3.9))).toBe("3.1–3.9");
    expect(span(interval(-1.9, -1, -0.4))).toBe("−1.9 to −0.4");
    expect(span(interval(2, 2, 2))).toBe("2");
  });

  it("give lengths in the reader's units", () => {
    expect(lengthText(0.178, "metric")).toBe("178 mm");
    expect(lengthText(1.6, "metric")).toBe("1.6 m");
    expect(lengthText(0.3048, "us")).toBe("1 ft");
    expect(lengthText(0.0254, "us")).toBe("1 in");
  });
});
