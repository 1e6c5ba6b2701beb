/** Light in space against sums of their own, and pictures and words of it at their edges. */
import {
  luxOn,
  luxOfAll,
  intensity,
  spillShare,
  wallSvg,
  withHighOnly,
  allOf,
  type LampInPlace,
  type Plane,
  type WallMark,
} from "../src/index.ts";
import { seenFromLamp } from "../src/aim/road/lampInPlace.ts";
import { bell, lamp } from "./lamps.ts";

const RAD = Math.PI / 180;
const WIDE = bell(1000, 20);
const TURNED = lamp(WIDE, { at: { ahead: 0.4, right: -0.3, up: 0.9 }, tiltDeg: -3, toeDeg: 7 });

describe("light on a plane", () => {
  const ROAD: Plane = {
    ...{ kind: "road", right: [-4, 4], along: [3, 19], atM: 0.1 },
    ...{ columns: 9, rows: 5 },
  };
  const WALL: Plane = {
    ...{ kind: "wall", right: [-3, 3], along: [0, 2.4], atM: 7.62 },
    ...{ columns: 7, rows: 5 },
  };

  /** The same, point by point, each by the laws alone. */
  function pointByPoint(
    plane: Plane,
    lamps: readonly LampInPlace[],
    surface: "upright" | "level" | "facing",
  ): number[] {
    return Array.from({ length: plane.rows * plane.columns }, (_, k) => {
      const [row, column] = [Math.floor(k / plane.columns), k % plane.columns];
      const along = plane.along[0] + (row * (plane.along[1] - plane.along[0])) / (plane.rows - 1);
      const right =
        plane.right[0] + (column * (plane.right[1] - plane.right[0])) / (plane.columns - 1);
      const point =
        plane.kind === "wall"
          ? { ahead: plane.atM, right, up: along }
          : { ahead: along, right, up: plane.atM };
      return luxOfAll(lamps, point, surface);
    });
  }

  it.each([
    ["upright on the road", ROAD, "upright"],
    ["level on the road", ROAD, "level"],
    ["facing on the road", ROAD, "facing"],
    ["upright on the wall", WALL, "upright"],
    ["facing on the wall", WALL, "facing"],
  ] as const)("is what the laws say of each point: %s", (_, plane, surface) => {
    const lamps = [TURNED, lamp(WIDE, { at: { ahead: 0.4, right: 0.3, up: 0.9 }, share: 0.5 })];
    const all = [...luxOn(plane, lamps, surface)];
    const exact = pointByPoint(plane, lamps, surface);
    const most = Math.max(...exact);
    expect(most).toBeGreaterThan(0);
    all.forEach((lux, k) => expect(Math.abs(lux - exact[k]!)).toBeLessThan(0.01 * most));
  });

  it("is none behind a lamp", () => {
    const behind: Plane = { ...ROAD, along: [-9, -1] };
    expect(Math.max(...luxOn(behind, [TURNED]))).toBe(0);
  });
});

describe("a direction as the lamp sees it", () => {
  it("keeps its length, whatever the lamp is turned", () => {
    for (const [tiltDeg, toeDeg] of [
      [0, 0],
      [-30, 0],
      [0, 40],
      [25, -60],
    ] as const) {
      const seen = seenFromLamp({ tiltDeg, toeDeg }, { ahead: 3, right: -1, up: 2 });
      expect(Math.hypot(seen.ahead, seen.right, seen.up)).toBeCloseTo(Math.hypot(3, 1, 2), 12);
    }
  });

  it("is straight ahead where the lamp points", () => {
    const [tilt, toe] = [20 * RAD, 35 * RAD];
    const axis = {
      ahead: Math.cos(tilt) * Math.cos(toe),
      right: Math.cos(tilt) * Math.sin(toe),
      up: Math.sin(tilt),
    };
    const seen = seenFromLamp({ tiltDeg: 20, toeDeg: 35 }, axis);
    expect(seen.ahead).toBeCloseTo(1, 12);
    expect(seen.right).toBeCloseTo(0, 12);
    expect(seen.up).toBeCloseTo(0, 12);
  });
});

describe("light above level", () => {
  /** Summed over directions by itself: intensity times the part of the sphere that each is. */
  function aboveLevel(of: LampInPlace, stepDeg = 1): number {
    let [above, all] = [0, 0];
    for (let v = -90 + stepDeg / 2; v < 90; v += stepDeg) {
      for (let h = -90 + stepDeg / 2; h < 90; h += stepDeg) {
        const [a, b] = [v * RAD, h * RAD];
        const seen = seenFromLamp(of, {
          ahead: Math.cos(a) * Math.cos(b),
          right: Math.cos(a) * Math.sin(b),
          up: Math.sin(a),
        });
        const flux = intensity(of.photometry, seen) * Math.cos(a);
        all += flux;
        if (v > 0) above += flux;
      }
    }
    return above / all;
  }

  it.each([
    [-12, 0],
    [0, 0],
    [6, 10],
    [-4, -35],
  ])(
    "of a lamp tilted by %s° and turned by %s° is what a sum over directions says",
    (tiltDeg, toeDeg) => {
      const one = lamp(WIDE, { tiltDeg, toeDeg });
      expect(spillShare([one])).toBeCloseTo(aboveLevel(one), 2);
    },
  );

  it("is none of nothing, and half of a level beam", () => {
    expect(spillShare([])).toBe(0);
    expect(spillShare([lamp(WIDE)])).toBeCloseTo(0.5, 2);
    expect(spillShare([lamp(bell(1000, 4), { tiltDeg: 15 })])).toBeGreaterThan(0.98);
  });
});

describe("the wall on paper", () => {
  const mark = (markRightM: number, markUpM: number): WallMark =>
    ({ markRightM, markUpM, groundM: null, behind: false }) as WallMark;
  const crosses = (...marks: WallMark[]): [number, number][] =>
    [
      ...wallSvg(marks, { fontFamily: "x", ink: "#000", units: "metric" }).matchAll(
        /<line x1="([\d.-]+)" y1="([\d.-]+)" x2="([\d.-]+)" y2="\2" stroke="#000" stroke-width="1.5"\/>/g,
      ),
    ]
      .slice(1)
      .map(([, x1, y, x2]) => [(Number(x1) + Number(x2)) / 2, Number(y)]);

  it("is as high as its room where its marks stand close", () => {
    // 300 points less 40 under the ground and 16 above, for 1.2 m and 15 % more.
    const scale = (300 - 40 - 16) / (1.2 * 1.15);
    const [[x, y] = [0, 0]] = crosses(mark(0.24, 0.67));
    expect(x).toBeCloseTo(380 + 0.24 * scale, 0);
    expect(y).toBeCloseTo(260 - 0.67 * scale, 0);
  });

  it("is as wide as its room where they stand wide apart", () => {
    const scale = (760 - 2 * 40) / (2 * 3 * 1.15);
    const [[left] = [0], [right, y] = [0, 0]] = crosses(mark(-3, 0.5), mark(2, 0.5));
    expect(left).toBeCloseTo(380 - 3 * scale, 0);
    expect(right).toBeCloseTo(380 + 2 * scale, 0);
    expect(y).toBeCloseTo(260 - 0.5 * scale, 0);
    expect(left).toBeGreaterThan(40);
  });

  it("is as high as its highest mark", () => {
    const scale = (300 - 40 - 16) / (2 * 1.15);
    const [[, y] = [0, 0]] = crosses(mark(0, 2));
    expect(y).toBeCloseTo(260 - 2 * scale, 0);
    expect(y).toBeGreaterThan(16);
  });

  it("has no mark that meets the ground before it, or lies behind", () => {
    expect(crosses({ ...mark(0, 1), groundM: 4 }, { ...mark(0, 1), behind: true })).toEqual([]);
  });
});

describe("what is dipped with the high beam", () => {
  it("asks for it in every way, and is turned on by something", () => {
    expect(withHighOnly(allOf("high", "switch"))).toBe(true);
    expect(withHighOnly(allOf("switch"))).toBe(false);
    expect(withHighOnly({ anyOf: [] })).toBe(false);
    expect(withHighOnly({ anyOf: [[]] })).toBe(false);
    expect(withHighOnly({ anyOf: [[{ input: "high", negated: true }]] })).toBe(false);
    const both = { anyOf: [...allOf("high").anyOf, ...allOf("key").anyOf] };
    expect(withHighOnly(both)).toBe(false);
  });
});
