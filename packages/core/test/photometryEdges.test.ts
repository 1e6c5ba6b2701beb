/** Photometric files at their edges: what is just taken, what just not, and what is written out. */
import {
  fitBeam,
  peakCd,
  photometryFault,
  printLdt,
  readIes,
  readLdt,
  type FiveReadings,
  type Photometry,
} from "../src/index.ts";
import { isPhotometry } from "../src/photometry/angles.ts";
import { lambert } from "./lamps.ts";

/** A file of two by two intensities, with what is to be tried in it. */
const ies = (more: {
  words?: string[];
  tilt?: string[];
  head?: string;
  factors?: string;
  candela?: string;
}): string =>
  [
    ...["IESNA:LM-63-2002", ...(more.words ?? [])],
    ...(more.tilt ?? ["TILT=NONE"]),
    more.head ?? "1 1000 1 2 2 1 2 0 0 0",
    more.factors ?? "1 1 18",
    ...["0 90", "0 90"],
    more.candela ?? "100 50 100 50",
  ].join("\n");

const taken = (text: string): Photometry => {
  const read = readIes(text);
  if (!read.ok) throw new Error(`line ${read.line}: ${read.message}`);
  return read.value;
};
const refusal = (text: string): string => {
  const read = readIes(text);
  return read.ok ? "" : `${read.line}: ${read.message}`;
};

describe("LM-63 at its edges", () => {
  it("is measured in feet or metres, and in nothing else", () => {
    expect(taken(ies({ head: "1 1000 1 2 2 1 1 0 0 0" })).candela).toHaveLength(4);
    expect(taken(ies({ head: "1 1000 1 2 2 1 2 0 0 0" })).candela).toHaveLength(4);
    expect(refusal(ies({ head: "1 1000 1 2 2 1 3 0 0 0" }))).toBe(
      "3: units type: 3 must be 1 (feet) or 2 (metres)",
    );
  });

  it("multiplies by its three factors, of which none is below nothing", () => {
    const { candela } = taken(ies({ head: "1 1000 2 2 2 1 2 0 0 0", factors: "0.9 0.5 18" }));
    // 100 × 2 × 0.9 × 0.5
    expect(candela[0]).toBeCloseTo(90, 9);
    expect(taken(ies({ factors: "0 1 18" })).candela).toEqual([0, 0, 0, 0]);
    expect(taken(ies({ factors: "1 0 18" })).candela).toEqual([0, 0, 0, 0]);
    expect(refusal(ies({ factors: "-0.1 1 18" }))).toBe("4: a factor is below 0");
    expect(refusal(ies({ factors: "1 -0.1 18" }))).toBe("4: a factor is below 0");
  });

  it("has lumens of all its lamps, or none where it is absolute", () => {
    expect(taken(ies({ head: "3 1000 1 2 2 1 2 0 0 0" })).lampLumens).toBe(3000);
    expect(taken(ies({ head: "1 -1 1 2 2 1 2 0 0 0" })).lampLumens).toBeNull();
    expect(taken(ies({ head: "1 0 1 2 2 1 2 0 0 0" })).lampLumens).toBe(0);
  });

  it("says its tilt on a line of its own, in any case, and reads what it includes", () => {
    expect(taken(ies({ tilt: ["  tilt=none  "] })).watts).toBe(18);
    const included = ies({ tilt: ["TILT= include", "1", "2", "0 90", "1 0.8"] });
    // The factors of the tilt are read and not applied.
    expect(taken(included).candela).toEqual([100, 50, 100, 50]);
    expect(refusal(ies({ tilt: ["say TILT=NONE"] }))).toBe(
      "1: no line TILT=: this is no LM-63 file",
    );
    expect(refusal(ies({ tilt: ["TILT=lamp.tlt"] }))).toBe(
      "2: TILT=LAMP.TLT: give NONE or INCLUDE, no other file",
    );
  });

  it("is called by its luminaire before its catalogue, by its laboratory before its maker", () => {
    const named = (...words: string[]) => taken(ies({ words }));
    expect(named("[LUMCAT] P-1")).toMatchObject({ name: "P-1", by: "" });
    expect(named("[LUMCAT] P-1", "[LUMINAIRE]  Pod  ")).toMatchObject({ name: "Pod" });
    expect(named("[MANUFAC] Hollin")).toMatchObject({ name: "", by: "Hollin" });
    expect(named("[MANUFAC] Hollin", "[TESTLAB] Beck")).toMatchObject({ by: "Beck" });
    // The first of a kind counts; a line without brackets is none.
    expect(named("[TESTLAB] Beck", "[TESTLAB] Other")).toMatchObject({ by: "Beck" });
    expect(named("TESTLAB Beck")).toMatchObject({ by: "" });
  });

  it.each(["5", "5.", ".5", "+5", "5e1", "5E+1", "5e-1", "0.5e2"])(
    "reads %s as a number",
    (word) => {
      expect(taken(ies({ candela: `100,${word}\t100 50` })).candela[1]).toBe(Number(word));
    },
  );

  it.each(["5e", "e5", ".", "--5", "0x10", "5e1234", "5,5,", "5a", "a5", "1 000x"])(
    "does not read %s as a number, or one too many",
    (word) => {
      expect(refusal(ies({ candela: `100 ${word} 100 50` }))).toMatch(/^7: /);
    },
  );

  it("says which intensity is below nothing", () => {
    expect(refusal(ies({ candela: "100 50 100 -1" }))).toBe("7: candela at 90°: -1 is below 0");
    expect(taken(ies({ candela: "100 50 100 0" })).candela[3]).toBe(0);
  });

  it.each([
    ["number of lamps", "0 1000 1 2 2 1 2 0 0 0", "0 must be a whole number from 1 to 1000"],
    ["number of lamps", "1001 1000 1 2 2 1 2 0 0 0", "1001 must be"],
    ["number of lamps", "1.5 1000 1 2 2 1 2 0 0 0", "1.5 must be"],
    ["number of vertical angles", "1 1000 1 722 2 1 2 0 0 0", "722 must be"],
    ["number of horizontal angles", "1 1000 1 2 0 1 2 0 0 0", "0 must be"],
    ["candela multiplier", "1 1000 -1 2 2 1 2 0 0 0", "-1 is not above 0"],
  ])("refuses a %s that cannot be", (what, head, words) => {
    expect(refusal(ies({ head }))).toMatch(`3: ${what}: ${words}`);
  });

  it("refuses more intensities than anybody measures", () => {
    expect(refusal(ies({ head: "1 1000 1 721 721 1 2 0 0 0" }))).toMatch(
      /^3: 721 by 721 intensities: \d+ at most/,
    );
  });
});

describe("EULUMDAT at its edges", () => {
  const PLANES = 4;
  /** Lines of a file without symmetry: four planes, three angles. */
  const lines = (): string[] => [
    ...["Hollin", "1", "0", String(PLANES), "90", "3", "45", "r", "Pod"],
    ...["", "", "", "0", "0", "0", "0", "0", "0", "0", "0", "0", "100", "100", "1", "0", "1"],
    ...["1", "LED", "2000", "", "", "20"],
    ...Array.from({ length: 10 }, () => "0"),
    ...["0", "90", "180", "270"],
    ...["0", "45", "90"],
    ...Array.from({ length: PLANES }, () => ["100", "80", "0"]).flat(),
  ];
  const FACTOR = 24;
  const C_ANGLES = 43;
  const read = (changed: (l: string[]) => string[]) => readLdt(changed(lines()).join("\n"));
  const refused = (changed: (l: string[]) => string[]): string => {
    const result = read(changed);
    return result.ok ? "" : `${result.line}: ${result.message}`;
  };

  it.each([
    ["1", 1],
    ["1,5", 1.5],
    [".5", 0.5],
    ["+2", 2],
    ["2.", 2],
    ["2e1", 20],
    ["2E-1", 0.2],
  ])("reads %s as a number, a comma as a point", (word, factor) => {
    const result = read((l) => l.with(FACTOR - 1, word));
    // Candela for a thousand lumens, by 2000 lm and the factor.
    expect(result.ok && result.value.candela[0]).toBeCloseTo(100 * 2 * factor, 6);
  });

  it.each(["a1", "1a", "", "1e", "e1", "..5", "1e1234", "0x1", "1 2"])(
    "does not read “%s” as a number",
    (word) => {
      expect(refused((l) => l.with(FACTOR - 1, word))).toBe(
        `${FACTOR}: conversion factor: "${word}" is no number`,
      );
    },
  );

  it("takes no factor and no flux of nothing or less", () => {
    expect(refused((l) => l.with(FACTOR - 1, "0"))).toBe("24: conversion factor: 0 is not above 0");
    expect(refused((l) => l.with(28, "-1"))).toBe("29: total flux: -1 is not above 0");
  });

  it("wants its planes to rise from 0 and to end below 360", () => {
    const planes =
      (...angles: string[]) =>
      (l: string[]) =>
        l.toSpliced(C_ANGLES - 1, 4, ...angles);
    expect(refused(planes("0", "90", "180", "359"))).toBe("");
    for (const angles of [
      ["10", "90", "180", "270"],
      ["0", "90", "90", "270"],
      ["0", "180", "90", "270"],
      ["0", "90", "180", "360"],
    ]) {
      expect(refused(planes(...angles))).toBe("46: C angles must rise from 0 and end below 360");
    }
  });

  it("goes round: its first plane is its last again", () => {
    const result = read((l) => l.with(49, "77"));
    if (!result.ok) throw new Error(result.message);
    expect(result.value.horizontal).toEqual([0, 90, 180, 270, 360]);
    expect(result.value.candela.slice(0, 3)).toEqual(result.value.candela.slice(-3));
    expect(result.value).toMatchObject({ name: "Pod", by: "Hollin", watts: 20, lampLumens: 2000 });
  });

  it.each([
    ["2", "3"],
    ["3", "6"],
    ["4", "6"],
  ])("of symmetry %s does not go with %s planes", (symmetry, planes) => {
    expect(refused((l) => l.with(2, symmetry).with(3, planes))).toBe(
      `4: ${planes} C planes do not go with symmetry ${symmetry}: not divisible`,
    );
  });

  it("says where it ends too early", () => {
    expect(refused((l) => l.slice(0, 10))).toMatch(/^9: the file ends where .* should stand$/);
  });

  it("is refused at once where it is long", () => {
    expect(readLdt("1\n".repeat(600_000))).toMatchObject({ ok: false, line: 1 });
  });

  it("is written with what it says of itself, in lines that no word can break", () => {
    const p = {
      ...lambert(500),
      ...{ type: "C" as const, name: `Pod\n${"x".repeat(100)}`, by: "Beck\tbench", watts: 18 },
    };
    const out = printLdt(p, 1000).split(/\r?\n/);
    expect(out[0]).toBe("Beck bench");
    expect(out[8]).toBe(`Pod ${"x".repeat(74)}`);
    // No symmetry but that of one plane, for a beam that is the same all round.
    expect(out.slice(1, 7)).toEqual(["1", "1", "1", "0", String(p.vertical.length), "0.5"]);
    expect(out.slice(21, 26)).toEqual(["100", "100", "1", "0", "1"]);
    expect(out.slice(26, 32)).toEqual(["-1", "", "1000", "", "", "18"]);
  });

  it("is written plane by plane where it has several", () => {
    const two = {
      ...lambert(500),
      ...{ type: "C" as const, vertical: [0, 90], horizontal: [0, 90, 180, 270, 360] },
      candela: [10, 1, 20, 2, 30, 3, 40, 4, 10, 1],
    };
    const out = printLdt(two, 1000).split(/\r?\n/);
    expect(out.slice(2, 7)).toEqual(["0", "4", "90", "2", "90"]);
    expect(out.slice(42, 46)).toEqual(["0", "90", "180", "270"]);
    expect(out.slice(48, 56).map(Number)).toEqual([10, 1, 20, 2, 30, 3, 40, 4]);
    const back = readLdt(out.join("\n"));
    expect(back.ok && back.value.candela).toEqual(two.candela);
  });
});

describe("five readings at their edges", () => {
  const readings: FiveReadings = {
    ...{ distanceM: 1, centreLux: 80, sideM: 1, heightM: 0.5 },
    ...{ leftLux: 20, rightLux: 30, aboveLux: 10, belowLux: 40 },
  };
  const refused = (change: Partial<FiveReadings>): string => {
    const fit = fitBeam({ ...readings, ...change }, "", "");
    return fit.ok ? "" : `${fit.path}: ${fit.message}`;
  };

  it("are taken from a metre on, and above nothing", () => {
    expect(refused({})).toBe("");
    expect(refused({ distanceM: 0.99 })).toMatch(/^distanceM: at least 1 m/);
    expect(refused({ centreLux: 0 })).toBe("centreLux: must be above 0");
    expect(refused({ sideM: 0 })).toBe("sideM: must be above 0");
    expect(refused({ heightM: 0 })).toBe("heightM: must be above 0");
    expect(refused({ heightM: -1 })).toBe("heightM: must be above 0");
    expect(refused({ aboveLux: -0.1 })).toBe("aboveLux: must be 0 or more");
    expect(refused({ aboveLux: 0 })).toBe("");
    expect(refused({ rightLux: 80 })).toBe("");
    expect(refused({ rightLux: 80.1 })).toMatch(/^rightLux: brighter than the middle/);
  });

  it("say the widest and the narrowest that they can", () => {
    const fit = (leftLux: number) => {
      const made = fitBeam({ ...readings, distanceM: 10, leftLux, rightLux: leftLux }, "", "");
      if (!made.ok) throw new Error(made.message);
      return made.value;
    };
    const lumens = (p: Photometry): number => p.candela.reduce((sum, cd) => sum + cd, 0);
    // Nothing left: as narrow as a thousandth would say, and no narrower.
    expect(lumens(fit(0))).toBeCloseTo(lumens(fit(0.0001)), 6);
    expect(lumens(fit(0.001))).toBeCloseTo(lumens(fit(0)), 6);
    expect(lumens(fit(1))).toBeGreaterThan(1.1 * lumens(fit(0)));
    // Nothing lost: 60°, and no wider.
    expect(lumens(fit(80))).toBeCloseTo(lumens(fit(79.9)), 6);
    expect(lumens(fit(79.9))).toBeGreaterThan(lumens(fit(60)));
    expect(peakCd(fit(0))).toBeCloseTo(8000, 6);
  });
});

describe("something read from elsewhere", () => {
  const right: Photometry = {
    ...{ name: "Pod", by: "", source: "file", type: "C", watts: 18, lampLumens: null },
    ...{ vertical: [0, 90], horizontal: [0], candela: [100, 0] },
  };

  it("is a photometry when every field is one's", () => {
    expect(isPhotometry(right)).toBe(true);
    expect(isPhotometry({ ...right, lampLumens: 900 })).toBe(true);
    for (const [field, value] of Object.entries({
      ...{ name: 7, by: null, source: "hearsay", type: "D", watts: "18", lampLumens: "900" },
      ...{ vertical: ["0"], horizontal: "0", candela: [-1] },
    })) {
      expect([field, isPhotometry({ ...right, [field]: value })]).toEqual([field, false]);
    }
    expect(isPhotometry(null)).toBe(false);
    expect(isPhotometry("Pod")).toBe(false);
    expect(isPhotometry({ ...right, vertical: [-360, 90] })).toBe(true);
    expect(isPhotometry({ ...right, vertical: [-361, 90] })).toBe(false);
  });

  it("has its faults told by place", () => {
    const fault = (change: Partial<Photometry>) => photometryFault({ ...right, ...change });
    const many = Array.from({ length: 722 }, (_, i) => i / 10);
    expect(fault({})).toBeNull();
    expect(fault({ vertical: [] })).toEqual({ path: "vertical", message: "0 angles: 1 to 721" });
    expect(fault({ vertical: many })).toEqual({
      path: "vertical",
      message: "722 angles: 1 to 721",
    });
    expect(fault({ horizontal: [] })).toMatchObject({ path: "horizontal" });
    expect(fault({ candela: [100] })).toEqual({
      path: "candela",
      message: "1 where the angles ask for 2",
    });
  });
});
