import {
  assumed,
  chargingOutputA,
  engineOffV,
  measured,
  openCircuitV,
  peukertHours,
  runningV,
  type ChargingFacts,
} from "../src/index.ts";
import { FELLRUNNER, LITTER, PORTER } from "../src/demo/index.ts";

describe("open-circuit voltage", () => {
  // Handbook values for lead at rest, from memory.
  it.each([
    [1, 12.7],
    [0.75, 12.4],
    [0.5, 12.2],
    [0.25, 12.0],
  ])("lead at %s of charge rests at %s V", (soc, volts) => {
    expect(openCircuitV("flooded", soc)).toBeCloseTo(volts, 9);
    expect(openCircuitV("agm", soc)).toBeCloseTo(volts, 9);
  });

  it("is clamped outside 0–1 and rises all the way", () => {
    expect(openCircuitV("gel", 1.4)).toBe(12.7);
    expect(openCircuitV("gel", -1)).toBe(11.8);
    for (const chemistry of ["flooded", "lithiumIron"] as const) {
      const volts = Array.from({ length: 21 }, (_, i) => openCircuitV(chemistry, i / 20));
      expect(volts).toEqual([...volts].sort((a, b) => a - b));
    }
  });
});

describe("Peukert's law", () => {
  // t = H (C / (I H))^k: 100 Ah at 20 h, k 1.2, at 25 A, worked by hand: 20 · 0.2^1.2 = 2.899 h.
  it("agrees with the worked example", () => {
    expect(peukertHours(100, 20, 1.2, 25)).toBeCloseTo(2.899, 3);
  });

  it("gives the rated hours at the rated current", () => {
    expect(peukertHours(14, 10, 1.15, 1.4)).toBeCloseTo(10, 12);
  });

  it("promises no more than the capacity at small currents, and no end at none", () => {
    expect(peukertHours(14, 10, 1.15, 0.2)).toBeCloseTo(70, 9);
    expect(peukertHours(14, 10, 1.15, 0)).toBe(Infinity);
  });
});

describe("charging curve", () => {
  const facts: ChargingFacts = {
    kind: "stator",
    regulatedV: measured(14),
    idleRpm: measured(1000),
    townRpm: measured(2000),
    cruiseRpm: measured(3000),
    points: [
      { id: "a", rpm: 1000, outputA: assumed(5, 4, 6) },
      { id: "b", rpm: 3000, outputA: assumed(15, 13, 16) },
    ],
  };

  it("is linear between points and flat beyond", () => {
    expect(chargingOutputA(facts, assumed(2000, 2000, 2000))).toEqual({
      low: 8.5,
      mid: 10,
      high: 11,
    });
    expect(chargingOutputA(facts, assumed(500, 500, 500)).mid).toBe(5);
    expect(chargingOutputA(facts, assumed(9000, 9000, 9000)).mid).toBe(15);
  });

  it("carries the bounds of the engine speed", () => {
    const wide = chargingOutputA(facts, assumed(2000, 1500, 2500));
    expect(wide.low).toBeCloseTo(6.25, 9);
    expect(wide.high).toBeCloseTo(13.5, 9);
  });
});

describe("terminal voltage", () => {
  it("is known for a 12 V battery only", () => {
    expect(engineOffV(FELLRUNNER)).toBe(12.7);
    expect(runningV(FELLRUNNER)).toBe(14.1);
    expect(engineOffV(PORTER)).toBeNull();
    expect(runningV(LITTER)).toBeNull();
    expect(engineOffV(LITTER)).toBeGreaterThan(13);
  });
});
