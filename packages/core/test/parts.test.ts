import { designVoltageV, loadCurrentA, stated, type LoadSpec } from "../src/index.ts";

describe("loads", () => {
  const filament: LoadSpec = { kind: "filament", powerW: stated(21), ratedV: 12 };
  const driven: LoadSpec = { kind: "drivenLed", powerW: stated(18), minV: 9, maxV: 32 };

  // IES Lighting Handbook, from memory: I = I0 (V/V0)^0.55.
  it("filament current rises with the 0.55th power of voltage", () => {
    expect(loadCurrentA(filament, 12, "value")).toBeCloseTo(1.75, 9);
    expect(loadCurrentA(filament, 13.5, "value")).toBeCloseTo(1.75 * 1.125 ** 0.55, 9);
  });

  it("a driven lamp holds its power and is off below its limit", () => {
    for (const volts of [9, 12, 14, 30]) {
      expect(loadCurrentA(driven, volts, "value") * volts).toBeCloseTo(18, 9);
    }
    expect(loadCurrentA(driven, 8.9, "value")).toBe(0);
  });

  it("a heater is a resistor, a horn takes what it takes", () => {
    const heater: LoadSpec = { kind: "resistive", powerW: stated(42), ratedV: 12 };
    expect(loadCurrentA(heater, 6, "value")).toBeCloseTo(1.75, 9);
    const horn: LoadSpec = { kind: "constantCurrent", currentA: stated(3) };
    expect(loadCurrentA(horn, 11, "value")).toBe(3);
    expect(loadCurrentA(horn, 0, "value")).toBe(0);
  });

  it("amps on the box are at 12 V for what is given in watts (common practice)", () => {
    expect(designVoltageV(driven, 12.7)).toBe(12);
    expect(designVoltageV({ ...filament, ratedV: 6 }, 12.7)).toBe(6);
  });
});
