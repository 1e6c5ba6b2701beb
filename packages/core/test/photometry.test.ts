import {
  fitBeam,
  intensity,
  lumensOf,
  luxAt,
  peakCd,
  photometryFault,
  printIes,
  readIes,
  type FiveReadings,
  type LampInPlace,
  type Photometry,
} from "../src/index.ts";
import { lambert } from "./lamps.ts";

const read = (text: string): Photometry => {
  const result = readIes(text);
  if (!result.ok) throw new Error(`line ${result.line}: ${result.message}`);
  return result.value;
};

/** Even 10° steps of a half sphere. */
const TENS = Array.from({ length: 10 }, (_, i) => i * 10);

const inPlace = (photometry: Photometry, more: Partial<LampInPlace> = {}): LampInPlace => ({
  ...{ id: "x", at: { ahead: 0, right: 0, up: 1 }, tiltDeg: 0, toeDeg: 0, photometry, share: 1 },
  ...more,
});

describe("the laws", () => {
  // Inverse square and cosine as any handbook of lighting has them: E = I cos(a) / d².
  it("of the square and of the cosine", () => {
    const lamp = inPlace({ ...lambert(1000), candela: lambert(1).candela.map(() => 1000) });
    expect(luxAt(lamp, { ahead: 10, right: 0, up: 1 }, "upright")).toBeCloseTo(10, 9);
    expect(luxAt(lamp, { ahead: 20, right: 0, up: 1 }, "upright")).toBeCloseTo(2.5, 9);
    // 45° aside on a wall at 10 m: twice the square, and the cosine of 45°.
    expect(luxAt(lamp, { ahead: 10, right: 10, up: 1 }, "upright")).toBeCloseTo(
      1000 / 200 / Math.SQRT2,
      9,
    );
    expect(luxAt(lamp, { ahead: 10, right: 10, up: 1 }, "facing")).toBeCloseTo(5, 9);
    // On the ground 3 m ahead, 4 m under the lamp: d = 5, cosine 4/5.
    const high = inPlace(lamp.photometry, { at: { ahead: 0, right: 0, up: 4 } });
    expect(luxAt(high, { ahead: 3, right: 0, up: 0 }, "level")).toBeCloseTo((1000 / 25) * 0.8, 9);
    expect(luxAt(lamp, { ahead: -5, right: 0, up: 1 }, "facing")).toBe(0);
  });

  it("of Lambert: a glowing disc sends pi times its peak", () => {
    expect(lumensOf(lambert(1000)) / (Math.PI * 1000)).toBeCloseTo(1, 3);
  });

  it("turn a beam by its tilt and its toe", () => {
    const narrow = fitBeam(
      {
        distanceM: 10,
        centreLux: 100,
        sideM: 1,
        heightM: 1,
        leftLux: 1,
        rightLux: 1,
        aboveLux: 1,
        belowLux: 1,
      },
      "n",
      "",
    );
    if (!narrow.ok) throw new Error(narrow.message);
    const at = (tiltDeg: number, toeDeg: number, point: { right: number; up: number }): number =>
      luxAt(inPlace(narrow.value, { tiltDeg, toeDeg }), { ahead: 10, ...point }, "facing");
    const deg = Math.PI / 180;
    expect(at(-2, 0, { right: 0, up: 1 - 10 * Math.tan(2 * deg) })).toBeCloseTo(100, 0);
    expect(at(0, 3, { right: 10 * Math.tan(3 * deg), up: 1 })).toBeCloseTo(100, 0);
    expect(at(0, -3, { right: 10 * Math.tan(3 * deg), up: 1 })).toBeLessThan(10);
    expect(at(5, 0, { right: 0, up: 1 })).toBeLessThan(50);
  });
});

/** The order and words of LM-63's own example of a file; numbers made up for the test. */
const FILE = [
  "IESNA:LM-63-2002",
  "[TEST] 1234",
  "[TESTLAB] Beck bench",
  "[MANUFAC] Hollin",
  "[LUMINAIRE] Pod, flood",
  "TILT=NONE",
  "1 1000 2 5 3 1 2 0.1 0.1 0",
  "1.0 1.0 18",
  "0 22.5 45",
  "67.5 90",
  "0 45 90",
  "400 300 200 100 0",
  "400 280 180 90 0",
  "400 260 160 80 0",
];

describe("LM-63", () => {
  it("is read by its order, whatever its lines", () => {
    const p = read(FILE.join("\r\n"));
    expect(p).toMatchObject({ name: "Pod, flood", by: "Beck bench", type: "C", watts: 18 });
    expect(p.vertical).toEqual([0, 22.5, 45, 67.5, 90]);
    expect(p.candela.slice(5, 10)).toEqual([800, 560, 360, 180, 0]);
    expect(p.lampLumens).toBe(1000);
    expect(
      read(FILE.join("\n").replaceAll(" ", "\n  ").replaceAll("[TEST]\n  ", "[TEST] ")),
    ).toMatchObject({
      candela: p.candela,
    });
  });

  it("mirrors by its last angle", () => {
    const p = read(FILE.join("\n"));
    const at = (turn: number): number => {
      const rad = (turn / 180) * Math.PI;
      return intensity(p, { ahead: 1, right: Math.cos(rad), up: Math.sin(rad) });
    };
    expect(at(0)).toBeCloseTo(400, 6);
    expect(at(90)).toBeCloseTo(320, 6);
    expect(at(45)).toBeCloseTo(360, 6);
    for (const turn of [180, 135, 225, 315])
      expect(at(turn)).toBeCloseTo(turn === 180 ? 400 : 360, 6);
    // From 90 to 270: mirrored about the upright plane.
    const half = read(
      FILE.join("\n")
        .replace("0 45 90", "90 180 270")
        .replace("400 260 160 80 0", "400 200 100 50 0"),
    );
    const upDown = (turn: number): number => {
      const rad = (turn / 180) * Math.PI;
      return intensity(half, { ahead: 1, right: Math.cos(rad), up: Math.sin(rad) });
    };
    expect(upDown(0)).toBeCloseTo(upDown(180), 6);
    expect(upDown(90)).toBeCloseTo(400, 6);
    expect(upDown(270)).toBeCloseTo(200, 6);
  });

  it("knows how types A and B turn", () => {
    // One bright cell at 30° up and 40° aside: where it lies tells the type.
    const table = (type: string): string =>
      [
        ...["IESNA:LM-63-2002", "TILT=NONE", `1 -1 1 7 7 ${type} 2 0 0 0`, "1 1 10"],
        ...["-90 -60 0 30 60 80 90", "-90 -40 0 20 40 60 90"],
        ...Array.from({ length: 7 }, (_, j) => (j === 4 ? "0 0 0 900 0 0 0" : "0 0 0 0 0 0 0")),
      ].join("\n");
    const [up, side] = [(30 * Math.PI) / 180, (40 * Math.PI) / 180];
    const a = {
      ahead: Math.cos(up) * Math.cos(side),
      right: Math.cos(up) * Math.sin(side),
      up: Math.sin(up),
    };
    const b = {
      ahead: Math.cos(side) * Math.cos(up),
      right: Math.sin(side),
      up: Math.cos(side) * Math.sin(up),
    };
    expect(intensity(read(table("3")), a)).toBeCloseTo(900, 6);
    expect(intensity(read(table("2")), b)).toBeCloseTo(900, 6);
    expect(intensity(read(table("3")), b)).toBeLessThan(800);
    expect(read(table("3")).lampLumens).toBeNull();
  });

  it("comes back the same", () => {
    const p = read(FILE.join("\n"));
    const again = read(printIes(p));
    expect(again).toEqual({ ...p, name: "Pod, flood" });
    expect(lumensOf(again)).toBeCloseTo(lumensOf(p), 6);
  });

  // Each broken file with the line that is to be told.
  it.each<[string, number, RegExp, (lines: string[]) => string[]]>([
    ["no tilt", 1, /no line TILT=/, (l) => l.filter((x) => !x.startsWith("TILT"))],
    ["tilt in another file", 6, /NONE or INCLUDE/, (l) => l.with(5, "TILT=lamp.tlt")],
    [
      "text in numbers",
      13,
      /candela at 45°: "bright" is no number/,
      (l) => l.with(12, "400 bright 180 90 0"),
    ],
    [
      "negative candela",
      14,
      /candela at 90°: -260 is below 0/,
      (l) => l.with(13, "400 -260 160 80 0"),
    ],
    ["missing candela", 13, /the file ends where candela at 90°/, (l) => l.slice(0, 13)],
    ["crossed angles", 10, /vertical angles must rise/, (l) => l.with(8, "0 45 22.5")],
    ["a wrong span", 11, /span 0 alone, 0 to 90/, (l) => l.with(10, "0 45 80")],
    ["too many candela", 15, /more than 5 by 3 candela: "7"/, (l) => [...l, "7"]],
    [
      "ten thousand angles",
      7,
      /10000 must be a whole number from 1 to 721/,
      (l) => l.with(6, "1 1000 2 10000 3 1 2 0 0 0"),
    ],
    [
      "an unknown type",
      7,
      /4 must be 1 \(C\), 2 \(B\) or 3 \(A\)/,
      (l) => l.with(6, "1 1000 2 5 3 4 2 0 0 0"),
    ],
    ["a multiplier of nothing", 7, /0 is not above 0/, (l) => l.with(6, "1 1000 0 5 3 1 2 0 0 0")],
    ["numbers past counting", 13, /1e999 is too large/, (l) => l.with(12, "400 1e999 180 90 0")],
  ])("is refused with its line: %s", (_, line, message, broken) => {
    const result = readIes(broken([...FILE]).join("\n"));
    expect(result).toMatchObject({ ok: false, line });
    if (!result.ok) expect(result.message).toMatch(message);
  });

  it("is refused at once where it is long", () => {
    const result = readIes(`TILT=NONE\n${"1 ".repeat(600_000)}`);
    expect(result).toMatchObject({ ok: false, line: 1 });
  });
});

describe("five readings", () => {
  const readings: FiveReadings = {
    ...{ distanceM: 5, centreLux: 80, sideM: 1, heightM: 0.5 },
    ...{ leftLux: 20, rightLux: 30, aboveLux: 10, belowLux: 40 },
  };

  it("give a beam that reads so again", () => {
    const fit = fitBeam(readings, "Pod", "Pim");
    if (!fit.ok) throw new Error(fit.message);
    expect(peakCd(fit.value)).toBeCloseTo(80 * 25, 6);
    const lamp = inPlace(fit.value);
    const at = (right: number, up: number): number =>
      luxAt(lamp, { ahead: 5, right, up: 1 + up }, "upright");
    expect(at(0, 0)).toBeCloseTo(80, 6);
    // Straight lines between the angles of the table lie a little beside the bell.
    for (const [lux, right, up] of [
      [20, -1, 0],
      [30, 1, 0],
      [10, 0, 0.5],
      [40, 0, -0.5],
    ] as const) {
      expect(Math.abs(at(right, up) / lux - 1)).toBeLessThan(0.06);
    }
    expect(fit.value.source).toBe("fiveReadings");
    expect(photometryFault(fit.value)).toBeNull();
  });

  it("are refused by field where they cannot be", () => {
    expect(fitBeam({ ...readings, leftLux: 90 }, "", "")).toMatchObject({
      ok: false,
      path: "leftLux",
    });
    expect(fitBeam({ ...readings, distanceM: 0.2 }, "", "")).toMatchObject({ path: "distanceM" });
    expect(fitBeam({ ...readings, centreLux: 0 }, "", "")).toMatchObject({ path: "centreLux" });
    expect(fitBeam({ ...readings, belowLux: Number.NaN }, "", "")).toMatchObject({
      path: "belowLux",
    });
  });
});

describe("a photometry as a whole", () => {
  it("is held against its own angles", () => {
    const p = lambert(100);
    expect(photometryFault({ ...p, candela: p.candela.slice(1) })).toMatchObject({
      path: "candela",
    });
    expect(photometryFault({ ...p, vertical: TENS.toReversed() })).toMatchObject({
      path: "vertical",
    });
    expect(photometryFault({ ...p, horizontal: [5] })).toMatchObject({ path: "horizontal" });
  });
});
