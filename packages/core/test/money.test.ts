/** Money in whole smallest units: against sums by hand, and against exact arithmetic in big integers. */
import fc from "fast-check";
import {
  CURRENCY_CODES,
  minorDigits,
  minorOf,
  moneyText,
  sumMinor,
  timesMinor,
} from "../src/index.ts";

/** A product of decimals in millionths, rounded a half away from zero, by big integers alone. */
function exactly(minor: number, millionths: number): number {
  const product = BigInt(minor) * BigInt(millionths);
  const [size, sign] = product < 0n ? [-product, -1n] : [product, 1n];
  return Number(sign * ((2n * size + 1_000_000n) / 2_000_000n));
}

describe("money", () => {
  it.each([
    // By hand: 19.99 × 3 = 59.97; 0.35 × 6.5 m = 2.275, half up; 7 % of 1.50 = 0.105.
    [1999, 3, 5997],
    [35, 6.5, 228],
    [150, 0.07, 11],
    [-35, 6.5, -228],
    [5800, 79 / 60, 7637],
  ])("%s times %s is %s", (minor, factor, expected) => {
    expect(timesMinor(minor, factor, "EUR")).toBe(expected);
  });

  it("rounds as exact arithmetic does", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e8, max: 1e8 }),
        fc.integer({ min: 0, max: 50_000_000 }),
        (minor, millionths) => {
          expect(timesMinor(minor, millionths / 1e6, "EUR")).toBe(exactly(minor, millionths));
        },
      ),
    );
  });

  it("takes binary dust of a price for what the shelf meant", () => {
    // 1.005 is a little less in binary; the shelf wrote a half.
    expect(minorOf(1.005, "EUR")).toBe(101);
    expect(minorOf(16, "EUR")).toBe(1600);
    expect(minorOf(0.1 + 0.2, "EUR")).toBe(30);
  });

  it("knows currencies without and with three decimals (ISO 4217)", () => {
    expect(minorDigits("JPY")).toBe(0);
    expect(minorDigits("KWD")).toBe(3);
    expect(moneyText(1_234_567, "JPY")).toBe("1\u00a0234\u00a0567 JPY");
    expect(moneyText(1_234_567, "KWD")).toBe("1\u00a0234.567 KWD");
    expect(moneyText(-5, "EUR")).toBe("-0.05 EUR");
    expect(CURRENCY_CODES).toContain("EUR");
    expect(() => moneyText(1, "ABC")).toThrow('invalid currency: "ABC"');
  });

  it("adds without losing a cent", () => {
    expect(sumMinor([1, 2, 3], "EUR")).toBe(6);
    expect(sumMinor([], "EUR")).toBe(0);
  });
});
