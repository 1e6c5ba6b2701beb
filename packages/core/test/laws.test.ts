import fc from "fast-check";
import { branchCurrent, solveNetwork, type BranchModel, type ConverterPart } from "../src/index.ts";
import { demoPart } from "../src/demo/index.ts";
import { LAW_WIDTH, diesFootV, startConductance, writeLaw } from "../src/network/engine/law.ts";
import { efficiencyAt, inputPowerW, stepConverter } from "../src/network/engine/converter.ts";
import { net, node, ohm } from "./net.ts";

/** Current in A and slope in S of a law at a voltage. */
function at(model: BranchModel, volts: number): { amps: number; slope: number } {
  const out = new Float64Array(2);
  branchCurrent(model, volts, out);
  return { amps: out[0]!, slope: out[1]! };
}

const POWER: BranchModel = { kind: "power", powerW: 36, minV: 9 };
const BULB: BranchModel = { kind: "filament", ratedA: 1.75, ratedV: 12, exponent: 0.55 };
const STEADY: BranchModel = { kind: "current", currentA: 3 };
const DIES: BranchModel = { kind: "dies", forwardV: 9, ohm: 6 };
const SOURCE: BranchModel = { kind: "source", volts: 12.6, ohm: 0.05 };
const DIODE: BranchModel = { kind: "diode", saturationA: 1e-9, thermalV: 0.04 };
const LAWS = [ohm(4), POWER, BULB, STEADY, DIES, SOURCE, DIODE];

describe("the law of a branch", () => {
  it("of a resistor and of a source behind one is Ohm's", () => {
    expect(at(ohm(4), 10)).toEqual({ amps: 2.5, slope: 0.25 });
    expect(at(ohm(4), -2)).toEqual({ amps: -0.5, slope: 0.25 });
    expect(at(SOURCE, 12.6).amps).toBe(0);
    expect(at(SOURCE, 12.1).amps).toBeCloseTo(-10, 9);
    expect(at(SOURCE, 13.1)).toMatchObject({ amps: expect.closeTo(10, 9) as number, slope: 20 });
  });

  it("of a driver is constant power from its least volts on, a ramp below, and nothing under that", () => {
    expect(at(POWER, 12)).toEqual({ amps: 3, slope: -0.25 });
    expect(at(POWER, 9)).toEqual({ amps: 4, slope: -36 / 81 });
    expect(at(POWER, 18).amps).toBe(2);
    // Off below nine tenths of what it runs from.
    expect(at(POWER, 8.1).amps).toBeLessThan(1e-4);
    expect(at(POWER, 5).slope).toBeGreaterThan(0);
    expect(at(POWER, 5).amps).toBeGreaterThan(0);
    const half = at(POWER, 8.55);
    expect(half.amps).toBeCloseTo(2, 3);
    expect(half.slope).toBeCloseTo(4 / 0.9, 3);
  });

  it("of a filament is the power of its volts, and a straight line where it is cold", () => {
    expect(at(BULB, 12).amps).toBeCloseTo(1.75, 12);
    expect(at(BULB, 6).amps).toBeCloseTo(1.75 * 0.5 ** 0.55, 12);
    expect(at(BULB, -6).amps).toBeCloseTo(-1.75 * 0.5 ** 0.55, 12);
    expect(at(BULB, 6).slope).toBeCloseTo((0.55 * 1.75 * 0.5 ** 0.55) / 6, 12);
    const cold = (1.75 * 0.01 ** 0.55) / 0.12;
    expect(at(BULB, 0.06)).toEqual({ amps: cold * 0.06, slope: cold });
    expect(at(BULB, -0.06).amps).toBeCloseTo(-cold * 0.06, 12);
    expect(at(BULB, 0).amps).toBe(0);
  });

  it("of a constant current stands still past half a volt, and turns no current round", () => {
    expect(at(STEADY, 12).amps).toBeCloseTo(3, 3);
    expect(at(STEADY, 0.25)).toEqual({ amps: 1.5, slope: 6 });
    expect(at(STEADY, -5).amps).toBeLessThan(0);
    expect(at(STEADY, -5).amps).toBeGreaterThan(-1e-3);
    expect(at(STEADY, 24).amps).toBeGreaterThan(at(STEADY, 12).amps);
  });

  it("of dies and their resistor is what is left over their volts, through zero at none", () => {
    expect(at(DIES, 12).amps).toBeCloseTo(0.5, 3);
    expect(at(DIES, 15).amps).toBeCloseTo(1, 3);
    expect(at(DIES, 5).amps).toBeLessThan(1e-3);
    expect(at(DIES, 0).amps).toBeCloseTo(0, 15);
    expect(at(DIES, 12).slope).toBeCloseTo(1 / 6, 3);
    expect(at(DIES, 4).slope).toBeLessThan(1e-4);
    expect(diesFootV(9)).toBeCloseTo(Math.hypot(9, 0.05) - 9, 15);
  });

  it("of a diode is Shockley's up to its knee, and a line beyond it", () => {
    expect(at(DIODE, 0.5).amps).toBeCloseTo(1e-9 * Math.expm1(0.5 / 0.04), 9);
    expect(at(DIODE, -5).amps).toBeCloseTo(-1e-9, 10);
    const knee = 0.04 * Math.log(1000 / 1e-9);
    expect(at(DIODE, knee).amps).toBeCloseTo(1000, 6);
    expect(at(DIODE, knee + 0.04).amps).toBeCloseTo(2000, 6);
    expect(at(DIODE, knee + 1).slope).toBeCloseTo(25_000, 3);
  });

  it("has the slope that its own current has, at any volts of any kind", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LAWS),
        fc.double({ min: -20, max: 40, noNaN: true }),
        (model, volts) => {
          const h = 1e-6;
          // Where two straight lines meet there are two slopes.
          const corners = [0, 0.12, -0.12, 0.5, 8.1, 9, 0.04 * Math.log(1000 / 1e-9)];
          if (corners.some((c) => Math.abs(volts - c) < 2 * h)) return;
          const [low, high] = [at(model, volts - h).amps, at(model, volts + h).amps];
          const { slope } = at(model, volts);
          expect(Math.abs((high - low) / (2 * h) - slope)).toBeLessThan(
            1e-4 * Math.abs(slope) + 1e-3,
          );
        },
      ),
      { seed: 5, numRuns: 600 },
    );
  });

  it("begins as a resistor near its work, and never as one below zero", () => {
    const start = (model: BranchModel): number => {
      const numbers = new Float64Array(LAW_WIDTH);
      return startConductance(writeLaw(model, numbers, 0), numbers, 0);
    };
    expect(start(ohm(4))).toBe(0.25);
    expect(start(POWER)).toBeCloseTo(36 / 144, 12);
    expect(start({ ...POWER, minV: 24 })).toBeCloseTo(36 / 576, 12);
    expect(start(BULB)).toBeCloseTo(1.75 / 12, 12);
    expect(start(STEADY)).toBeCloseTo(0.25, 12);
    expect(start(DIES)).toBeCloseTo(1 / 24, 12);
    expect(start(SOURCE)).toBeCloseTo(20, 12);
    expect(start(DIODE)).toBe(1e-3);
  });
});

describe("networks of them", () => {
  const volts = (network: ReturnType<typeof net>, n: string): number => {
    const result = solveNetwork(network);
    if (result.kind !== "solved") throw new Error(result.kind);
    return result.volts.get(node(n))!;
  };

  it("a tape behind a wire takes what its line of load says", () => {
    // 12.6 − I (0.4 + 6) = 9: 0.5625 A, less what the knee rounds off.
    const v = volts(
      net({ top: 12.6, ground: 0 }, ["w", "top", "a", ohm(0.4)], ["tape", "a", "ground", DIES]),
      "a",
    );
    expect((12.6 - v) / 0.4).toBeCloseTo(0.5625, 3);
  });

  it("two batteries side by side share by their insides", () => {
    const v = volts(
      net(
        { ground: 0 },
        ["one", "p", "ground", { kind: "source", volts: 12.8, ohm: 0.02 }],
        ["two", "p", "ground", { kind: "source", volts: 12.2, ohm: 0.04 }],
      ),
      "p",
    );
    expect(v).toBeCloseTo((12.8 / 0.02 + 12.2 / 0.04) / (1 / 0.02 + 1 / 0.04), 9);
  });

  it("a part that hangs on leaks alone has the volts that its leaks say", () => {
    // Two open contacts of 10 MΩ and 30 MΩ, with a lamp's wires between them.
    const v = volts(
      net(
        { top: 12, ground: 0 },
        ["open1", "top", "a", ohm(1e7)],
        ["wire", "a", "b", ohm(0.01)],
        ["open2", "b", "ground", ohm(3e7)],
      ),
      "b",
    );
    expect(v).toBeCloseTo(9, 6);
  });

  it("a driver that starves beside one that runs is told as it comes up", () => {
    const result = solveNetwork(
      net(
        { top: 12.6, ground: 0 },
        ["far", "top", "a", ohm(3)],
        ["starved", "a", "ground", { kind: "power", powerW: 30, minV: 9 }],
        ["near", "top", "b", ohm(0.05)],
        ["well", "b", "ground", { kind: "power", powerW: 30, minV: 9 }],
      ),
    );
    if (result.kind !== "solved") throw new Error(result.kind);
    expect(result.volts.get(node("a"))!).toBeLessThan(9);
    expect(result.volts.get(node("b"))!).toBeGreaterThan(12);
    expect(result.health.steps).toBeGreaterThan(1);
    expect(result.health.pivotRatio).toBeGreaterThan(0);
  });
});

describe("a converter", () => {
  const part = demoPart("converter-48-12") as ConverterPart;
  const on = { outV: part.outV.value, inputW: 0 };
  const off = { outV: 0, inputW: 0 };

  it("gives out of what it takes by three points and straight lines between them", () => {
    const p = { ...part, efficiencyTenth: 0.7, efficiencyHalf: 0.9, efficiencyFull: 0.86 };
    expect([0, 0.1, 0.3, 0.5, 0.75, 1, 1.3].map((s) => efficiencyAt(p, s))).toEqual([
      0.7,
      0.7,
      expect.closeTo(0.8, 12),
      expect.closeTo(0.9, 12),
      expect.closeTo(0.88, 12),
      expect.closeTo(0.86, 12),
      expect.closeTo(0.86, 12),
    ]);
    const half = inputPowerW(p, 12, p.outA / 2, 48);
    expect(half).toBeCloseTo((12 * p.outA) / 2 / 0.9 + p.idleA.value * 48, 9);
  });

  it("starts from its lower limit on, runs on down to its cut-off, and stays off above its most", () => {
    const stepped = (was: typeof on, inV: number) => stepConverter(part, was, inV, 1);
    expect(stepped(off, part.inMinV)).toMatchObject({
      state: { outV: part.outV.value },
      settled: false,
    });
    expect(stepped(off, part.inMinV - 0.01)).toEqual({ state: off, settled: true, tripped: false });
    expect(stepped(on, part.cutOffV).state.outV).toBe(part.outV.value);
    expect(stepped(on, part.cutOffV - 0.01)).toEqual({
      state: off,
      settled: false,
      tripped: false,
    });
    expect(stepped(on, part.inMaxV + 0.01).state).toEqual(off);
    expect(stepped(off, 48).state.inputW).toBeCloseTo(part.idleA.value * 48, 12);
  });

  it("is settled when nothing moves any more", () => {
    const first = stepConverter(part, on, 48, 2);
    expect(first.settled).toBe(false);
    expect(stepConverter(part, first.state, 48, 2)).toEqual({ ...first, settled: true });
    expect(stepConverter(part, first.state, 48, 2.5).settled).toBe(false);
  });

  it("gives way over its rating, and turns itself off below half its volts", () => {
    const heavy = stepConverter(part, on, 48, part.outA * 3);
    expect(heavy.state.outV).toBeCloseTo(part.outV.value * 0.7, 9);
    expect(heavy.tripped).toBe(false);
    const again = stepConverter(part, heavy.state, 48, part.outA * 3);
    expect(again).toEqual({ state: off, settled: false, tripped: true });
    expect(stepConverter(part, on, 48, part.outA).state.outV).toBe(part.outV.value);
    // What flows back into it takes no power.
    expect(stepConverter(part, on, 48, -1).state.inputW).toBeCloseTo(part.idleA.value * 48, 9);
  });
});
