import {
  BOLTS,
  PAPERS,
  asId,
  boltOf,
  clearanceMm,
  drawingSvg,
  drillPlan,
  drillSteps,
  integrityFaults,
  mirrored,
  patternOf,
  planJob,
  removeHole,
  removeLandmark,
  setIn,
  shopHoleMm,
  templateDrawing,
  tilesOf,
  OVERLAP_MM,
  PAGE_FOOT_MM,
  PAGE_MARGIN_MM,
  type HoleId,
  type Job,
  type LandmarkId,
} from "../src/index.ts";
import { withLedger, kitByHand } from "./jobs.ts";
import { edited } from "./helpers.ts";

const tourer = (): Job => withLedger();

const shuttle = (): Job => kitByHand();

const onlyPattern = (job: Job, id: string) =>
  patternOf(
    job,
    job.templates.find((t) => t.id === id)!,
  );

describe("holes for bolts", () => {
  // ISO 273 medium row and ASME B18.2.8 normal row, from memory.
  it.each([
    ["M5", 5.5],
    ["M6", 6.6],
    ["M8", 9],
    ["M10", 11],
  ])("%s clears %d mm in the medium row of ISO 273", (size, mm) => {
    expect(clearanceMm(boltOf(size)!, "medium")).toBe(mm);
  });

  it("a 5/16 in bolt wants a 3/8 in hole (common practice)", () => {
    expect(shopHoleMm(boltOf("5/16-18")!)).toBeCloseTo((3 / 8) * 25.4, 9);
    expect(clearanceMm(boltOf("1/4-20")!, "shop")).toBeCloseTo((5 / 16) * 25.4, 9);
  });

  it("tap drills are the diameter less the pitch, to a tenth or two (the usual rule)", () => {
    for (const bolt of BOLTS) {
      expect(Math.abs(bolt.tapMm - (bolt.nominalMm - bolt.pitchMm))).toBeLessThan(0.25);
      expect(bolt.closeMm).toBeGreaterThan(bolt.nominalMm);
      expect(bolt.closeMm).toBeLessThan(bolt.mediumMm);
      expect(bolt.mediumMm).toBeLessThan(bolt.freeMm);
    }
  });

  it("are opened up from a pilot by steps, each wider than the last", () => {
    expect(drillSteps(3)).toEqual([3]);
    for (const mm of [4.5, 6.6, 9.5, 13]) {
      const steps = drillSteps(mm);
      expect(steps[0]).toBe(3);
      expect(steps.at(-1)).toBe(mm);
      steps.slice(1).forEach((s, i) => {
        expect(s).toBeGreaterThan(steps[i]!);
        expect(s - steps[i]!).toBeLessThanOrEqual(4.5);
      });
    }
  });
});

describe("a pattern from landmarks", () => {
  it("178 mm between references puts the hole at 89 mm (common practice)", () => {
    const pattern = onlyPattern(tourer(), "lid");
    const cable = pattern.holes.find((h) => h.hole.id === "cable")!;
    const left = pattern.landmarks.find((l) => l.id === "boss-left")!;
    expect(cable.xMm - left.rightMm).toBe(89);
    expect(cable.found).toBe(
      "178 mm between left reflector boss and right reflector boss: 89 mm from each, then 22 mm down",
    );
  });

  it("mirrors a hole about the middle of the panel, and a whole panel for the other side", () => {
    const pattern = onlyPattern(tourer(), "lid");
    const at = (id: string) => pattern.holes.find((h) => h.hole.id === id)!.xMm;
    expect(at("stud-left") + at("stud-right")).toBe(pattern.template.widthMm);
    const other = mirrored(pattern);
    expect(other.holes.map((h) => h.xMm)).toEqual(
      pattern.holes.map((h) => pattern.template.widthMm - h.xMm),
    );
    expect(mirrored(other)).toEqual(pattern);
  });

  it("measures from any edge", () => {
    const job = tourer();
    const at = (edge: "left" | "right" | "top" | "bottom") => {
      const moved = edited(
        job,
        setIn("hole", "cable", "by", { kind: "edge", edge, inMm: 30, alongMm: 50 }),
      );
      const hole = onlyPattern(moved, "lid").holes.find((h) => h.hole.id === "cable")!;
      return [hole.xMm, hole.yMm];
    };
    expect(at("left")).toEqual([30, 50]);
    expect(at("right")).toEqual([390, 50]);
    expect(at("top")).toEqual([50, 30]);
    expect(at("bottom")).toEqual([50, 150]);
  });

  it("cuts a rocker's window after four corner holes", () => {
    const [rocker] = onlyPattern(shuttle(), "dash").holes;
    expect(rocker!.corners).toEqual([
      [73.5, 28.5],
      [90.5, 28.5],
      [90.5, 61.5],
      [73.5, 61.5],
    ]);
    const plan = drillPlan(rocker!, shuttle().templates[1]!).join("\n");
    expect(plan).toMatch(/4 corner holes of 4 mm/);
    expect(plan).toMatch(/saw straight between them: 21 × 37 mm/);
    expect(plan).toMatch(/no punch: plastic cracks/);
  });

  it("tells a hole off its panel, and one too near the edge, at the hole", () => {
    const off = edited(
      tourer(),
      setIn("hole", "cable", "by", { kind: "edge", edge: "left", inMm: 3, alongMm: 60 }),
    );
    const [fault] = onlyPattern(off, "lid").faults;
    expect(fault).toMatchObject({ severe: true });
    expect(fault!.words).toMatch(/off the panel: 3 mm right, 60 mm down \(panel 420 × 180 mm\)/);
    expect(planJob(off, "metric").findings.find((f) => f.rule === "holes-on-panel")).toMatchObject({
      severity: "stop",
    });
    const near = edited(
      tourer(),
      setIn("hole", "cable", "by", { kind: "edge", edge: "left", inMm: 8, alongMm: 60 }),
    );
    expect(onlyPattern(near, "lid").faults[0]).toMatchObject({ severe: false });
  });

  it("refuses a hole that leans on a landmark of another panel, and mirrors in a circle", () => {
    const job = shuttle();
    const wrong = edited(
      job,
      setIn("hole", "hazard", "by", {
        kind: "from",
        landmarkId: asId<LandmarkId>("seam-top"),
        rightMm: 1,
        downMm: 1,
      }),
    );
    expect(integrityFaults(wrong)).toEqual([
      {
        path: "holes[2].by.landmarkId",
        message: expect.stringMatching(/no landmark on this/) as string,
      },
    ]);
    const round = edited(
      tourer(),
      setIn("hole", "stud-left", "by", { kind: "mirror", holeId: asId<HoleId>("stud-right") }),
    );
    expect(integrityFaults(round)[0]!.message).toMatch(/mirrors go round in a circle/);
  });

  it("loses what was measured from a landmark with it, and mirrors with their hole", () => {
    const job = tourer();
    expect(removeHole(job, asId<HoleId>("stud-left"))).toHaveLength(2);
    const gone = edited(job, ...removeLandmark(job, "boss-left"));
    expect(gone.holes).toEqual([]);
    expect(integrityFaults(gone)).toEqual([]);
  });
});

describe("a template at 1:1", () => {
  const drawing = templateDrawing(onlyPattern(tourer(), "lid"), "Trunk lid");

  it("has its holes at their places and a bar of 100 mm", () => {
    const circles = drawing.items.flatMap((i) =>
      i.kind === "circle" && i.layer === "CUT" ? [i] : [],
    );
    expect(circles.map((c) => [c.x - 8, c.y - 8, c.r])).toEqual([
      [210, 82, 5],
      [145, 82, 2.75],
      [275, 82, 2.75],
    ]);
    const bar = drawing.items.find((i) => i.kind === "line" && i.layer === "SCALE")!;
    expect(bar.kind === "line" && bar.x2 - bar.x1).toBe(100);
  });

  it("is SVG in mm, its size and its view box alike", () => {
    const svg = drawingSvg(drawing);
    expect(svg).toContain(`width="${drawing.widthMm}mm"`);
    expect(svg).toContain(`viewBox="0 0 ${drawing.widthMm} ${drawing.heightMm}"`);
    const hostile = templateDrawing(onlyPattern(tourer(), "lid"), "<script>&");
    expect(drawingSvg(hostile)).not.toContain("<script>");
  });

  it.each(["a4", "letter"] as const)(
    "is tiled over %s pages that overlap and cover it all",
    (paper) => {
      const tiles = tilesOf(drawing, paper);
      expect(tiles.length).toBeGreaterThan(1);
      const [first] = tiles;
      expect(first!.widthMm).toBe(PAPERS[paper].widthMm - 2 * PAGE_MARGIN_MM);
      expect(first!.heightMm).toBe(PAPERS[paper].heightMm - 2 * PAGE_MARGIN_MM - PAGE_FOOT_MM);
      const columns = [...new Set(tiles.map((t) => t.fromXMm))];
      columns.slice(1).forEach((x, i) => {
        expect(columns[i]! + first!.widthMm - x).toBeCloseTo(OVERLAP_MM, 9);
      });
      expect(columns.at(-1)! + first!.widthMm).toBeGreaterThanOrEqual(drawing.widthMm);
      const rows = [...new Set(tiles.map((t) => t.fromYMm))];
      expect(rows.at(-1)! + first!.heightMm).toBeGreaterThanOrEqual(drawing.heightMm);
    },
  );
});
