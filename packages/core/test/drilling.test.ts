import {
  BOLTS,
  asId,
  boltOf,
  clearanceMm,
  drillPlan,
  mirrored,
  patternOf,
  synthesise,
  toolsOf,
  type Drive,
  type Hole,
  type HoleCut,
  type HoleId,
  type HolePlacing,
  type Job,
  type Landmark,
  type Template,
} from "../src/index.ts";
import { FELLRUNNER, PORTER } from "../src/demo/index.ts";
import { onVehicle, oneRun } from "./helpers.ts";

const panel: Template = {
  ...{ id: asId("panel"), name: "Panel", where: "front, outside up" },
  ...{ widthMm: 400, heightMm: 200, material: "steel", thicknessMm: 1.5, painted: true },
};

const mark = (id: string, rightMm: number, downMm: number): Landmark => ({
  ...{ id: asId(id), templateId: panel.id, name: `mark ${id}`, rightMm, downMm },
});

const hole = (by: HolePlacing, cut: HoleCut, more: Partial<Hole> = {}): Hole => ({
  ...{ id: asId<HoleId>("h"), templateId: panel.id, name: "Hole", by, cut },
  ...{ behind: "", forWire: false },
  ...more,
});

const middle: HolePlacing = { kind: "edge", edge: "top", inMm: 100, alongMm: 200 };
const round = (diameterMm: number): HoleCut => ({ kind: "round", diameterMm });

const job = (holes: readonly Hole[], template = panel): Job => ({
  ...onVehicle(FELLRUNNER),
  templates: [template],
  landmarks: [mark("a", 100, 50), mark("b", 300, 50)],
  holes,
});

const placed = (by: HolePlacing, cut: HoleCut = round(6)) => patternOf(job([hole(by, cut)]), panel);

const planned = (cut: HoleCut, template = panel, more: Partial<Hole> = {}): string[] =>
  drillPlan(patternOf(job([hole(middle, cut, more)], template), template).holes[0]!, template);

describe("bolts and their holes", () => {
  // ASME B18.2.8, close, normal and loose, in inches: from memory.
  it.each([
    ["#10-24", 0.206, 0.221, 0.238],
    ["1/4-20", 0.266, 0.281, 0.297],
    ["5/16-18", 0.328, 0.344, 0.359],
    ["3/8-16", 0.391, 0.406, 0.422],
    ["1/2-13", 0.531, 0.562, 0.609],
  ])("%s as ASME B18.2.8 has it", (size, close, medium, free) => {
    const bolt = boltOf(size)!;
    const inches = (["close", "medium", "free"] as const).map(
      (fit) => clearanceMm(bolt, fit) / 25.4,
    );
    [close, medium, free].forEach((inch, i) => expect(inches[i]).toBeCloseTo(inch, 3));
  });

  // ISO 273, fine, medium and coarse, in mm: from memory.
  it.each([
    ["M3", 3.2, 3.4, 3.6],
    ["M4", 4.3, 4.5, 4.8],
    ["M5", 5.3, 5.5, 5.8],
    ["M6", 6.4, 6.6, 7],
    ["M8", 8.4, 9, 10],
    ["M10", 10.5, 11, 12],
    ["M12", 13, 13.5, 14.5],
  ])("%s as ISO 273 has it", (size, fine, medium, coarse) => {
    const bolt = boltOf(size)!;
    expect((["close", "medium", "free"] as const).map((fit) => clearanceMm(bolt, fit))).toEqual([
      fine,
      medium,
      coarse,
    ]);
    expect(clearanceMm(bolt, "shop")).toBe(medium);
  });

  it("are wider the freer they fit, and no bolt is found of a size that none has", () => {
    for (const bolt of BOLTS) {
      expect(bolt.nominalMm).toBeLessThan(bolt.closeMm);
      expect(bolt.closeMm).toBeLessThan(bolt.mediumMm);
      expect(bolt.mediumMm).toBeLessThan(bolt.freeMm);
      expect(bolt.tapMm).toBeLessThan(bolt.nominalMm);
      expect(clearanceMm(bolt, "shop")).toBeGreaterThan(bolt.nominalMm);
    }
    expect(boltOf("M7")).toBeNull();
  });
});

describe("whoever measures in inches", () => {
  it("has the middle of a hole, what is wrong with it and its drills in inches", () => {
    const between: HolePlacing = {
      ...{ kind: "between", fromId: asId("a"), toId: asId("b"), share: 0.5, downMm: 25.4 },
    };
    const made = job([hole(between, round(9.525))]);
    const pattern = patternOf(made, panel, "us");
    expect(pattern.holes[0]!.found).toBe(
      "7 7/8 in between mark a and mark b: 3 15/16 in from each, then 1 in down",
    );
    expect(drillPlan(pattern.holes[0]!, panel, "us")).toContain("pilot 1/8 in (3 mm)");
    const off = job([hole({ kind: "edge", edge: "left", inMm: 2, alongMm: 50 }, round(9.525))]);
    expect(patternOf(off, panel, "us").faults[0]!.words).toMatch(/^off the panel: 1\/16 in right/);
  });
});

describe("the middle of a hole", () => {
  const between = (share: number, downMm: number): HolePlacing => ({
    ...{ kind: "between", fromId: asId("a"), toId: asId("b"), share, downMm },
  });

  it("lies between two marks, at a share of the distance and so far down", () => {
    expect(placed(between(0.5, 0)).holes[0]).toMatchObject({
      ...{ xMm: 200, yMm: 50 },
      found: "200 mm between mark a and mark b: 100 mm from each",
    });
    expect(placed(between(0.25, 40)).holes[0]).toMatchObject({
      ...{ xMm: 150, yMm: 90 },
      found: "50 mm from mark a towards mark b (200 mm apart), then 40 mm down",
    });
    expect(placed(between(0.75, -10)).holes[0]).toMatchObject({
      ...{ xMm: 250, yMm: 40 },
      found: "150 mm from mark a towards mark b (200 mm apart), then 10 mm up",
    });
  });

  it("lies so far from one mark", () => {
    const from = (rightMm: number, downMm: number): HolePlacing => ({
      ...{ kind: "from", landmarkId: asId("a"), rightMm, downMm },
    });
    expect(placed(from(30, 20)).holes[0]).toMatchObject({
      ...{ xMm: 130, yMm: 70 },
      found: "from mark a: 30 mm right, 20 mm down",
    });
    expect(placed(from(-30.5, -20)).holes[0]).toMatchObject({
      ...{ xMm: 69.5, yMm: 30 },
      found: "from mark a: 30.5 mm left, 20 mm up",
    });
  });

  it.each([
    ["left", 60, 120, "its top end"],
    ["right", 340, 120, "its top end"],
    ["top", 120, 60, "its left end"],
    ["bottom", 120, 140, "its left end"],
  ] as const)("lies in from the %s edge", (edge, xMm, yMm, end) => {
    const [at] = placed({ kind: "edge", edge, inMm: 60, alongMm: 120 }).holes;
    expect(at).toMatchObject({ xMm, yMm });
    expect(at!.found).toBe(`60 mm in from the ${edge} edge, 120 mm along it from ${end}`);
  });

  it("is told where it leans on nothing, or is of a size that no table has", () => {
    const none = placed({ kind: "from", landmarkId: asId("z"), rightMm: 0, downMm: 0 });
    expect(none.holes).toEqual([]);
    expect(none.faults).toMatchObject([
      { severe: true, words: "leans on something that is not on this panel" },
    ]);
    for (const cut of [
      { kind: "bolt", size: "M7", fit: "close" },
      { kind: "tap", size: "M7" },
      round(0),
    ] as const) {
      expect(placed(middle, cut).faults).toMatchObject([
        { severe: true, words: "of a size that no table has" },
      ]);
    }
  });

  it("keeps half a hole of material to the edge", () => {
    const at = (alongMm: number) =>
      placed({ kind: "edge", edge: "top", inMm: 100, alongMm }, round(20)).faults;
    expect(at(20)).toEqual([]);
    expect(at(19)).toMatchObject([
      { severe: false, words: "9 mm to the edge of the panel (leave 10 mm or more)" },
    ]);
    expect(at(10)).toMatchObject([{ severe: false }]);
    expect(at(9)).toMatchObject([
      {
        severe: true,
        words: "off the panel: 9 mm right, 100 mm down (panel 400 × 200 mm)",
      },
    ]);
    expect(at(380)).toEqual([]);
    expect(at(381)).toHaveLength(1);
  });

  it("has four corners where a window is cut, and on the other side's panel the other way round", () => {
    const pattern = placed(middle, { kind: "rocker", widthMm: 40, heightMm: 20, cornerMm: 2 });
    const [cut] = pattern.holes;
    expect(cut).toMatchObject({ diameterMm: 4, xMm: 200, yMm: 100 });
    expect(cut!.corners).toEqual([
      [182, 92],
      [218, 92],
      [218, 108],
      [182, 108],
    ]);
    const other = mirrored(placed({ kind: "from", landmarkId: asId("a"), rightMm: 0, downMm: 0 }));
    expect(other.holes[0]).toMatchObject({ xMm: 300, yMm: 50 });
    expect(other.landmarks.map((l) => l.rightMm)).toEqual([300, 100]);
  });
});

describe("what is done for a hole", () => {
  it("in painted steel: taped, punched, opened up, deburred, painted", () => {
    expect(planned(round(9))).toEqual([
      "look behind: nobody has written down what is there",
      "tape over the place against chipping, mark on the tape",
      "centre punch",
      "pilot 3 mm (1/8 in)",
      "open up: 6 mm (15/64 in), 9 mm (23/64 in)",
      "oil, eyes covered, held at the break-through",
      "measure the hole rather than trust the bit",
      "deburr both sides",
      "paint the bare rim",
    ]);
  });

  it("in bare aluminium: a scriber, no paint", () => {
    const bare = { ...panel, material: "aluminium" as const, painted: false };
    const steps = planned(round(3), bare, { behind: "the loom" });
    expect(steps).toContain("look behind: the loom");
    expect(steps).toContain("mark with a scriber");
    expect(steps).toContain("drill 3 mm (1/8 in)");
    expect(steps.at(-1)).toBe("deburr both sides");
  });

  it("in plastic: tape, no punch, slow and backed", () => {
    for (const material of ["plastic", "fibreglass"] as const) {
      const steps = planned(round(20), { ...panel, material, painted: false });
      expect(steps[1]).toContain("tape over");
      expect(steps).toContain("prick the middle, no punch: plastic cracks");
      expect(steps).toContain("slow, backed with wood; no force at the break-through");
      expect(steps).toContain("step drill up to 20 mm (13/16 in)");
    }
  });

  it("above 25 mm is a hole saw on an arbor, above 10 mm a step drill", () => {
    expect(planned(round(26))).toContain("hole saw 26 mm (1 in)");
    expect(planned(round(26))).toContain("pilot 3 mm (1/8 in), then 6 mm (15/64 in) for the arbor");
    expect(planned(round(25))).toContain("step drill up to 25 mm (1 in)");
    expect(planned(round(10))).toContain("open up: 6.5 mm (1/4 in), 10 mm (25/64 in)");
    expect(planned(round(10.5))).toContain("step drill up to 10.5 mm (7/16 in)");
  });

  it("for a thread is tapped, for a wire has its grommet, for a rocker is sawn between corners", () => {
    expect(planned({ kind: "tap", size: "M6" })).toContain(
      "tap M6, half a turn back for each turn",
    );
    expect(planned({ kind: "tap", size: "M6" })).toContain("open up: 5 mm (13/64 in)");
    expect(planned(round(8), panel, { forWire: true }).at(-1)).toBe(
      "grommet in, then fish the cable through with a leader",
    );
    const window = planned({ kind: "rocker", widthMm: 37, heightMm: 21, cornerMm: 2 });
    expect(window).toContain("4 corner holes of 4 mm (5/32 in)");
    expect(window).toContain("saw straight between them: 37 × 21 mm");
  });
});

describe("tools to lay out", () => {
  const names = (of: Job) => toolsOf(of, synthesise(of)).map((t) => t.name);

  it("are those that the job asks for, and no others", () => {
    const bare = onVehicle(FELLRUNNER);
    expect(names(bare)).toEqual([
      "multimeter",
      "clamp meter, direct current",
      "stands or lift, wheel chocks",
    ]);
    const run = oneRun("bar-40");
    expect(names(run)).toEqual(expect.arrayContaining(["side cutters, wire stripper", "heat gun"]));
    expect(names(onVehicle(PORTER))).toContain("insulated tools, gloves rated for the pack");
    expect(names(run)).not.toContain("insulated tools, gloves rated for the pack");
  });

  it("for holes go to the widest of them", () => {
    const holes = (...mm: number[]) =>
      names(job(mm.map((d, i) => hole(middle, round(d), { id: asId(`h${i}`) }))));
    expect(holes(6, 9)).toEqual(
      expect.arrayContaining(["centre punch, pilot bit 3 mm (1/8 in)", "bits to 9 mm (23/64 in)"]),
    );
    expect(holes(6, 12.5)).toContain("step drill to 12.5 mm (1/2 in)");
    expect(holes(6)).toContain("deburring tool, safety glasses");
    expect(holes()).not.toContain("deburring tool, safety glasses");
    const one = toolsOf(job([hole(middle, round(6))]), synthesise(job([])));
    expect(one.find((t) => t.name === "bits to 6 mm (15/64 in)")?.why).toBe("1 hole");
  });

  it("for what is stuck on, mounted or undone", () => {
    const bare = onVehicle(FELLRUNNER);
    const bonds = [
      {
        ...{ id: asId<never>("b"), what: "strip", adhesive: "foamTape" as const, surfaceC: 20 },
        ...{ cleaned: false, dryFitted: false, marked: false, pressedAt: "" },
      },
    ];
    expect(names({ ...bare, bonds })).toContain("alcohol, lint-free cloth, surface thermometer");
    const fastener = {
      ...{ id: asId<never>("f"), stepId: asId<never>("s"), size: "M6", lengthMm: 0, count: 2 },
      ...{ where: "", spots: [], torqueNm: 0, locker: "none" as const, back: 0 },
    };
    const turned = (...fasteners: (typeof fastener & { readonly drive: Drive })[]) => {
      const before = new Set(names(bare));
      return names({ ...bare, fasteners }).filter((name) => !before.has(name));
    };
    const by = (drive: Drive, size = "M6") => ({ ...fastener, drive, size });
    expect(turned(by("hex"), by("hex"))).toEqual(["socket or spanner for M6"]);
    expect(turned(by("hex"), by("hex", "M8"))).toHaveLength(2);
    expect(turned(by("hex", ""))).toEqual(["socket or spanner for hex heads"]);
    expect(turned(by("socket"))).toEqual(["hex key for M6"]);
    expect(turned(by("cross"), by("cross", "M5"))).toEqual(["cross-head driver"]);
    expect(turned(by("slot"))).toEqual(["slot-head driver"]);
    expect(turned(by("sixLobe", "T25"))).toEqual(["star bit T25 (six-lobe)"]);
    expect(turned(by("push"))).toEqual(["trim clip tool"]);
    expect(turned(by("hand"))).toEqual([]);
  });
});
