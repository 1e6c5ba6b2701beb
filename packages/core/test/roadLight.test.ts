import {
  andHigh,
  bestAim,
  conditionText,
  glareAt,
  lampsOf,
  luxAt,
  luxOfAll,
  luxOn,
  oncomingEyes,
  overlapAt,
  seeingDistance,
  spillShare,
  spreadAt,
  staysWhenDipped,
  withHighOnly,
  type Job,
  type Plane,
} from "../src/index.ts";
import { flashingBrake, barAndPods } from "./jobs.ts";
import { bell, lamp } from "./lamps.ts";

describe("light on the road", () => {
  const beam = bell(10_000, 5);

  it("in a grid is what the laws give point by point", () => {
    const lamps = [
      lamp(beam, { tiltDeg: -2, toeDeg: 4 }),
      lamp(bell(2000, 20), { at: { ahead: -0.4, right: -0.3, up: 1.1 }, share: 0.7 }),
    ];
    for (const kind of ["road", "wall"] as const) {
      const plane: Plane = {
        ...{ kind, right: [-6, 6], along: kind === "road" ? [4, 90] : [0, 3] },
        ...{ atM: kind === "road" ? 0.2 : 10, columns: 25, rows: 20 },
      };
      const grid = luxOn(plane, lamps);
      const brightest = Math.max(...grid);
      for (let row = 0; row < plane.rows; row += 1) {
        for (let column = 0; column < plane.columns; column += 1) {
          const along =
            plane.along[0] + (row * (plane.along[1] - plane.along[0])) / (plane.rows - 1);
          const right = -6 + column / 2;
          const point =
            kind === "road" ? { ahead: along, right, up: 0.2 } : { ahead: 10, right, up: along };
          const slow = luxOfAll(lamps, point, "upright");
          const off = Math.abs(grid[row * plane.columns + column]! - slow);
          expect(off).toBeLessThan(0.02 * slow + 0.002 * brightest);
        }
      }
    }
  });

  it("is seen as far as the square of the distance lets it", () => {
    // Straight ahead of a lamp at the height that is looked at: I = E d², so d = √(10 000 / 3).
    const level = lamp(beam, { at: { ahead: 0, right: 0, up: 0.5 } });
    expect(seeingDistance([level])).toBeCloseTo(Math.sqrt(10_000 / 3), 0);
    expect(seeingDistance([level], 1)).toBeCloseTo(100, 0);
    expect(seeingDistance([{ ...level, share: 0.25 }])).toBeCloseTo(Math.sqrt(2500 / 3), 0);
    expect(seeingDistance([])).toBe(0);
  });

  it("spreads, spills and overlaps as beams do", () => {
    const [left, right] = spreadAt([lamp(beam)], 10)!;
    expect(left).toBeCloseTo(-right, 6);
    expect(spillShare([lamp(beam)])).toBeCloseTo(0.5, 2);
    expect(spillShare([lamp(beam, { tiltDeg: -20 })])).toBeLessThan(0.01);
    expect(overlapAt([lamp(beam)], [lamp(beam)])).toBeCloseTo(1, 6);
    expect(overlapAt([lamp(beam, { toeDeg: -30 })], [lamp(beam, { toeDeg: 30 })])).toBeLessThan(
      0.01,
    );
    expect(spreadAt([], 10)).toBeNull();
  });

  it("blinds on the side that one passes on", () => {
    const toRight = lamp(beam, { toeDeg: 6 });
    const [keepsRight] = glareAt([toRight], oncomingEyes("right"));
    const [keepsLeft] = glareAt([toRight], oncomingEyes("left"));
    expect(keepsLeft!.cd).toBeGreaterThan(10 * keepsRight!.cd);
    expect(keepsLeft!.lux).toBeCloseTo(luxAt(toRight, oncomingEyes("left")[0]!, "facing"), 9);
  });
});

describe("the best aim", () => {
  const eyes = oncomingEyes("right");
  const pair = [lamp(bell(8000, 4), { id: "l", at: { ahead: 0, right: -0.3, up: 0.8 } })];
  const both = [...pair, { ...pair[0]!, id: "r", at: { ahead: 0, right: 0.3, up: 0.8 } }];

  it("keeps every eye under the limit, and no aim that does lights the road more", () => {
    const found = bestAim(both, { eyes, cd: 500 })!;
    for (const { cd } of glareAt(found.lamps, eyes)) expect(cd).toBeLessThanOrEqual(500);
    const worse = bestAim(both, { eyes, cd: 250 })!;
    const free = bestAim(both, { eyes, cd: 1e9 })!;
    expect(worse.worth).toBeLessThan(found.worth);
    expect(found.worth).toBeLessThan(free.worth);
    // What holds it down is named; without a limit nothing does.
    expect(found.held).toMatchObject({ eye: { right: -3.5 } });
    expect(free.held).toBeNull();
    // A pair is turned in mirror image.
    const [l, r] = found.lamps;
    expect([l!.tiltDeg, l!.toeDeg]).toEqual([r!.tiltDeg, -r!.toeDeg]);
  });

  it("is none where even the lowest blinds", () => {
    expect(bestAim([lamp(bell(50_000, 30))], { eyes, cd: 100 })).toBeNull();
  });
});

describe("the demo's lamps", () => {
  it("shine by their solved volts", () => {
    const { lamps } = lampsOf(barAndPods());
    expect(lamps.map((l) => l.label)).toHaveLength(3);
    for (const { share } of lamps) expect(share).toBeCloseTo(1, 1);
    const dark = barAndPods();
    const without = { ...dark, parts: dark.parts.map((p) => ({ ...p, photometry: undefined })) };
    expect(lampsOf(without as Job)).toMatchObject({ lamps: [], without: [{}, {}, {}] });
  });

  it("that shine back are no light ahead", () => {
    const quad = barAndPods();
    const turned = {
      ...quad,
      lamps: quad.lamps.map((l) => ({ ...l, place: l.runId === "pods" ? "rear" : l.place })),
    } as Job;
    const { lamps, behind } = lampsOf(turned);
    expect(lamps.map((l) => l.label)).toEqual(["40 W light bar"]);
    expect(behind).toHaveLength(2);
  });

  it("are told apart by what dipping does to them", () => {
    const aux = flashingBrake();
    const stay = staysWhenDipped(aux);
    expect(stay.has("pods" as never)).toBe(false);
    const quad = barAndPods();
    expect(staysWhenDipped(quad).has("bar" as never)).toBe(true);
    const [bar] = quad.runs;
    expect(withHighOnly(bar!.condition)).toBe(false);
    expect(conditionText(andHigh(bar!.condition))).toMatch(/high/);
    expect(withHighOnly(andHigh(bar!.condition))).toBe(true);
    expect(andHigh(andHigh(bar!.condition))).toEqual(andHigh(bar!.condition));
  });
});
