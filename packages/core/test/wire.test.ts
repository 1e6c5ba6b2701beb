import {
  AMPACITY_TABLE,
  ampacityA,
  awgDiameterM,
  carriesA,
  gaugeOf,
  gaugesOf,
  parseWireColour,
  riseC,
  wireResistanceOhm,
} from "../src/index.ts";

const FEET_PER_METRE = 1 / 0.3048;

describe("wire sizes", () => {
  // ASTM B258: gauge 36 is 0.005 in and gauge 0000 (n = −3) is 0.46 in by definition.
  it("meets the two defining diameters of ASTM B258", () => {
    expect(awgDiameterM(36)).toBeCloseTo(0.005 * 0.0254, 9);
    expect(awgDiameterM(-3)).toBeCloseTo(0.46 * 0.0254, 6);
  });

  it("doubles the area every three gauges, near enough (common practice)", () => {
    expect(gaugeOf("12 AWG").areaM2 / gaugeOf("18 AWG").areaM2).toBeCloseTo(4, 1);
  });

  it("names what is valid when a size is unknown", () => {
    expect(() => gaugeOf("17 AWG")).toThrow(/invalid wire size: "17 AWG".*16 AWG/);
  });
});

describe("wire resistance", () => {
  // NEC chapter 9 table 8, stranded uncoated copper at 75 °C, Ω per 1000 ft. From memory.
  it.each([
    ["18 AWG", 7.95],
    ["16 AWG", 4.99],
    ["14 AWG", 3.14],
    ["12 AWG", 1.98],
    ["10 AWG", 1.24],
    ["8 AWG", 0.778],
  ])("%s agrees with NEC table 8 within 2.5 %%", (id, ohmPer1000Ft) => {
    const ohm = wireResistanceOhm(gaugeOf(id), 1000 / FEET_PER_METRE, 75);
    expect(Math.abs(ohm / ohmPer1000Ft - 1)).toBeLessThan(0.025);
  });

  // IEC 60228 class 5, plain copper at 20 °C, maxima in Ω/km. From memory.
  it.each([
    ["0.5 mm²", 39.0],
    ["0.75 mm²", 26.0],
    ["1 mm²", 19.5],
    ["1.5 mm²", 13.3],
    ["2.5 mm²", 7.98],
    ["4 mm²", 4.95],
    ["6 mm²", 3.3],
    ["10 mm²", 1.91],
    ["16 mm²", 1.21],
  ])(
    "%s is taken at the IEC 60228 class 5 maximum, some 12 %% above solid copper",
    (id, maximum) => {
      const gauge = gaugeOf(id);
      const ohm = wireResistanceOhm(gauge, 1000, 20);
      expect(ohm).toBeCloseTo(maximum, 9);
      // A slip in the table would leave the copper that the size has by IEC 60028.
      const solid = (1.7241e-8 * 1000) / gauge.areaM2;
      expect(ohm / solid).toBeGreaterThan(1.1);
      expect(ohm / solid).toBeLessThan(1.16);
    },
  );

  it("0.35 mm² is taken at the maximum of ISO 6722 (from memory)", () => {
    expect(wireResistanceOhm(gaugeOf("0.35 mm²"), 1000, 20)).toBeCloseTo(54.4, 9);
  });

  it("rises by 3.93 % for ten kelvin (IEC 60028)", () => {
    const gauge = gaugeOf("16 AWG");
    const ratio = wireResistanceOhm(gauge, 1, 30) / wireResistanceOhm(gauge, 1, 20);
    expect(ratio).toBeCloseTo(1.0393, 6);
  });
});

describe("ampacity", () => {
  const table = { ambientC: 40, insulationC: 70, bundledWires: 1 };

  it("gives back the published table at its own conditions", () => {
    for (const [area, amps] of AMPACITY_TABLE) {
      const gauge = gaugesOf("metric").find((g) => Math.abs(g.areaM2 * 1e6 - area) < 1e-9);
      if (gauge) expect(ampacityA(gauge, table)).toBeCloseTo(amps, 6);
    }
  });

  it("rises with size and never crosses", () => {
    for (const system of ["awg", "metric"] as const) {
      const amps = gaugesOf(system).map((g) => ampacityA(g, table));
      expect(amps).toEqual([...amps].sort((a, b) => a - b));
    }
  });

  it("falls by the square root in a bundle and in heat, to nothing at the limit", () => {
    const gauge = gaugeOf("2.5 mm²");
    const alone = ampacityA(gauge, table);
    expect(ampacityA(gauge, { ...table, bundledWires: 4 })).toBeCloseTo(alone / 2, 9);
    expect(ampacityA(gauge, { ...table, ambientC: 62.5 })).toBeCloseTo(alone / 2, 9);
    expect(ampacityA(gauge, { ...table, ambientC: 70 })).toBe(0);
    expect(ampacityA(gauge, { ...table, ambientC: 90 })).toBe(0);
  });
});

describe("insulation colours", () => {
  it("reads a base and a stripe, and nothing else", () => {
    expect(parseWireColour("Brown/White")).toEqual({ base: "brown", stripe: "white" });
    expect(parseWireColour("light blue")).toEqual({ base: "light blue", stripe: null });
    expect(parseWireColour("mauve")).toBeNull();
    expect(parseWireColour("red/white/blue")).toBeNull();
    expect(parseWireColour("constructor")).toBeNull();
  });
});

describe("what a current warms a wire", () => {
  const at = { ambientC: 40, insulationC: 85, bundledWires: 1 };
  const wire = { gaugeId: "2.5 mm²", bundle: 1 };

  it("goes with its square, and reaches the insulation's limit at what it may carry", () => {
    const carries = carriesA(wire, at);
    expect(riseC(wire, at, carries)).toBeCloseTo(45, 9);
    expect(riseC(wire, at, carries / 2)).toBeCloseTo(45 / 4, 9);
    expect(riseC(wire, at, 0)).toBe(0);
    // Beyond it something else gives way; no insulation is hotter than that for long.
    expect(riseC(wire, at, 3 * carries)).toBe(45);
  });

  it("is more among other loaded wires, and nothing where there is no room", () => {
    expect(riseC({ ...wire, bundle: 4 }, at, 5)).toBeCloseTo(4 * riseC(wire, at, 5), 9);
    expect(riseC(wire, { ...at, ambientC: 85 }, 5)).toBe(0);
  });
});
