import { fitBeam, intensity, lumensOf, peakCd, printLdt, readLdt, toTypeC } from "../src/index.ts";
import { lambert } from "./lamps.ts";

describe("EULUMDAT", () => {
  const asLdt = (
    symmetry: number,
    planes: number,
    held: number,
    of: (j: number, i: number) => string,
  ) => [
    ...[
      "Hollin",
      "1",
      String(symmetry),
      String(planes),
      String(360 / planes),
      "4",
      "30",
      "r",
      "Pod",
    ],
    ...["", "", "", "0", "0", "0", "0", "0", "0", "0", "0", "0", "100", "100", "1", "0", "1"],
    ...["1", "LED", "2000", "", "", "20"],
    ...Array.from({ length: 10 }, () => "0"),
    ...Array.from({ length: planes }, (_, j) => String((j * 360) / planes)),
    ...["0", "30", "60", "90"],
    ...Array.from({ length: held * 4 }, (_, k) => of(Math.floor(k / 4), k % 4)),
  ];
  const flat = (_: number, i: number): string => String([100, 80, 40, 0][i]);

  it("is read in each of its symmetries, in cd for its flux", () => {
    for (const [symmetry, held] of [
      [0, 8],
      [1, 1],
      [2, 5],
      [3, 5],
      [4, 3],
    ] as const) {
      const result = readLdt(asLdt(symmetry, 8, held, flat).join("\r\n"));
      if (!result.ok) throw new Error(`${symmetry}: line ${result.line}: ${result.message}`);
      // 100 cd per 1000 lm of 2000 lm are 200 cd, all round.
      for (const turn of [0, 45, 100, 190, 300]) {
        const rad = (turn * Math.PI) / 180;
        const [s, c] = [Math.sin(Math.PI / 6), Math.cos(Math.PI / 6)];
        const direction = { ahead: c, right: s * Math.cos(rad), up: s * Math.sin(rad) };
        expect(intensity(result.value, direction)).toBeCloseTo(160, 6);
      }
    }
  });

  it("turns symmetry 3 the right way round: what is held from 270 over 0 to 90", () => {
    const result = readLdt(
      asLdt(3, 8, 5, (j, i) => (i === 1 ? String(10 * (j + 1)) : "0")).join("\n"),
    );
    if (!result.ok) throw new Error(result.message);
    const at = (turn: number): number => {
      const rad = (turn * Math.PI) / 180;
      const [s, c] = [Math.sin(Math.PI / 6), Math.cos(Math.PI / 6)];
      return intensity(result.value, { ahead: c, right: s * Math.cos(rad), up: s * Math.sin(rad) });
    };
    // Planes 270, 315, 0, 45, 90 hold 10 to 50 per klm.
    expect([270, 315, 0, 45, 90].map(at).map(Math.round)).toEqual([20, 40, 60, 80, 100]);
    expect(Math.round(at(135))).toBe(80);
    expect(Math.round(at(225))).toBe(40);
  });

  it.each<[string, number, RegExp, (lines: string[]) => string[]]>([
    ["symmetry", 3, /7 must be a whole number from 0 to 4/, (l) => l.with(2, "7")],
    ["text", 55, /intensity: "x" is no number/, (l) => l.with(54, "x")],
    ["negative", 56, /-80 is below 0/, (l) => l.with(55, "-80")],
    ["short", 84, /the file ends where intensity/, (l) => l.slice(0, 84)],
    ["long", 87, /more than 8 by 4/, (l) => [...l, "1"]],
    ["no flux", 29, /total flux: 0 is not above 0/, (l) => l.with(28, "0")],
    ["planes", 4, /10 C planes do not go with symmetry 4/, (l) => l.with(2, "4").with(3, "10")],
  ])("is refused with its line: %s", (_, line, message, broken) => {
    const result = readLdt(broken(asLdt(0, 8, 8, flat)).join("\n"));
    expect(result).toMatchObject({ ok: false, line });
    if (!result.ok) expect(result.message).toMatch(message);
  });

  it("comes back the same", () => {
    const p = { ...lambert(500), type: "C" as const };
    const result = readLdt(printLdt(p, lumensOf(p)));
    if (!result.ok) throw new Error(`line ${result.line}: ${result.message}`);
    expect(result.value.candela.map(Math.round)).toEqual(p.candela.map(Math.round));
    expect(result.value.lampLumens).toBeNull();
  });
});

describe("turned to type C", () => {
  it("is the same beam, and has the same lumens", () => {
    const fit = fitBeam(
      {
        ...{ distanceM: 5, centreLux: 80, sideM: 1, heightM: 0.5 },
        ...{ leftLux: 20, rightLux: 30, aboveLux: 10, belowLux: 40 },
      },
      "Pod",
      "",
    );
    if (!fit.ok) throw new Error(fit.message);
    const turned = toTypeC(fit.value);
    expect(lumensOf(turned) / lumensOf(fit.value)).toBeCloseTo(1, 2);
    for (const [right, up] of [
      [0, 0],
      [0.2, 0.05],
      [-0.3, -0.1],
    ] as const) {
      const direction = { ahead: 1, right, up };
      expect(intensity(turned, direction) / intensity(fit.value, direction)).toBeCloseTo(1, 1);
    }
    const again = readLdt(printLdt(turned, lumensOf(turned)));
    expect(again.ok && peakCd(again.value)).toBeCloseTo(2000, 0);
  });
});
