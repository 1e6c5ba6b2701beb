/** Every law as it is written for SPICE, held against the law as it is solved: ngspice says what flows. */
import fc from "fast-check";
import { spiceDevice } from "../src/format/spice.ts";
import { branchCurrent } from "../src/network/index.ts";
import type { BranchModel } from "../src/network/network.ts";
import { ngspice } from "./ngspice.ts";

interface Tried {
  readonly model: BranchModel;
  /** Volts across it in this network, and those that it was written for; the same as a rule. */
  readonly volts: number;
  readonly writtenFor: number;
}

/** What flows through each, by ngspice: every one alone between a source and ground, its current sensed. */
function spiceA(list: readonly Tried[]): number[] {
  const lines = list.flatMap(({ model, volts, writtenFor }, k) => [
    `Vset${k} s${k} 0 ${volts.toExponential(12)}`,
    `Vsense${k} s${k} a${k} 0`,
    ...spiceDevice({ model }, `_x${k}`, `a${k}`, "0", `inner${k}`, writtenFor),
    `H${k} out${k} 0 Vsense${k} 1`,
    `Rout${k} out${k} 0 1`,
  ]);
  const deck = ["* laws", ".options reltol=1e-9 gmin=1e-18", ...lines, ".op", ".end", ""].join(
    "\n",
  );
  const volts = ngspice(deck);
  return list.map((_, k) => volts.get(`out${k}`) ?? NaN);
}

function solvedA({ model, volts }: Tried): number {
  const out = new Float64Array(2);
  branchCurrent(model, volts, out);
  return out[0]!;
}

function expectSame(list: readonly Tried[], share = 1e-6): void {
  const theirs = spiceA(list);
  list.forEach((tried, k) => {
    const [ours, other] = [solvedA(tried), theirs[k]!];
    const off = Math.abs(ours - other);
    const same = off <= share * Math.abs(ours) + 2e-12;
    expect({ ...tried, ours, other, same }).toMatchObject({ same: true });
  });
}

const at = (model: BranchModel, ...volts: readonly number[]): Tried[] =>
  volts.map((v) => ({ model, volts: v, writtenFor: v }));

const bulb: BranchModel = { kind: "filament", ratedA: 1.75, ratedV: 12, exponent: 0.55 };
const driver: BranchModel = { kind: "power", powerW: 18, minV: 9 };
const horn: BranchModel = { kind: "current", currentA: 3 };
const diode: BranchModel = { kind: "diode", saturationA: 1e-12, thermalV: 0.03 };

describe("a law written for the volts that it was solved at", () => {
  it("is the law there: a bulb cold, at its knee, lit and reversed", () => {
    expectSame(at(bulb, 0, 1e-6, 0.05, 0.1, 0.119, 0.121, 0.14, 1, 12, 14.4, -0.05, -12));
  });

  it("is the law there: a driver off, on its ramp and running", () => {
    expectSame(at(driver, 0, 4, 8.05, 8.2, 8.9, 9, 12, 14.4));
  });

  it("is the law there: a constant current below its volts, above and reversed", () => {
    expectSame(at(horn, -1, 0, 0.2, 0.49, 0.51, 3, 12));
  });

  it("is the law there: a diode blocked, leaking forward and conducting", () => {
    expectSame(at(diode, -66, -1, -0.01, 0, 0.01, 0.2, 0.4));
    // Conducting it is SPICE's own model: its thermal voltage is known to six digits, seen through the exponent.
    expectSame(at(diode, 0.42, 0.6, 0.8), 1e-4);
  });

  it("is the law there for dies, resistors and sources", () => {
    expectSame(at({ kind: "dies", forwardV: 9, ohm: 12 }, 0, 6, 8.9, 9.1, 12));
    expectSame(at({ kind: "resistor", ohm: 4.7 }, -3, 0, 12));
    expectSame(at({ kind: "source", volts: 12, ohm: 0.5 }, 10, 12, 14));
  });

  it("holds a millivolt beside it: slopes are the law's, as far as a line can be", () => {
    const beside = (model: BranchModel, v: number): Tried => ({
      ...{ model, volts: v + 1e-3, writtenFor: v },
    });
    expectSame([beside(bulb, 12), beside(bulb, 0.05), beside(horn, 12), beside(driver, 12)]);
    // Of a diode that leaks, to the second order: half of (1 mV / 30 mV) squared.
    const tried = beside(diode, 0.3);
    const [ours, theirs] = [solvedA(tried), spiceA([tried])[0]!];
    expect(Math.abs(theirs / ours - 1)).toBeLessThan(1e-3);
    expect(Math.abs(theirs / ours - 1)).toBeGreaterThan(0);
  });

  it("is the whole law where nothing was solved: any volts of a bulb, a driver, a horn", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 20, noNaN: true }), (volts) => {
        const list = [bulb, driver, horn].map((model) => ({ model, volts, writtenFor: NaN }));
        expectSame(list);
      }),
      { numRuns: 12, seed: 7 },
    );
  });
});
