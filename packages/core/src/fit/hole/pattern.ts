import type { Hole, HoleCut, HolePlacing, Job, Landmark, Template } from "../../job/index.ts";
import { fineText, sizeText, type UnitSystem } from "../../quantity/index.ts";
import { boltOf, clearanceMm } from "./bolts.ts";

/** A hole where it is to be, from the panel's top left corner. */
export interface PlacedHole {
  readonly hole: Hole;
  readonly xMm: number;
  readonly yMm: number;
  /** Diameter of a round hole in mm; of the corner holes for a rocker's cut-out. */
  readonly diameterMm: number;
  /** Corner middles of a cut-out, to be drilled first; empty for a round hole. */
  readonly corners: readonly (readonly [number, number])[];
  /** How to find it with a tape, in words. */
  readonly found: string;
}

/** Something wrong with a hole, told at the hole. */
export interface HoleFault {
  readonly hole: Hole;
  readonly words: string;
  /** Off the panel, or merely too near its edge. */
  readonly severe: boolean;
}

/** A template with its holes placed, and what is amiss with them. */
export interface Pattern {
  readonly template: Template;
  readonly landmarks: readonly Landmark[];
  readonly holes: readonly PlacedHole[];
  readonly faults: readonly HoleFault[];
}

/** Least material between a hole's rim and an edge, in hole diameters: common practice. */
const LEAST_RIM = 0.5;

/** Diameter of a cut in mm: the hole itself, or the corner holes of a cut-out. */
export function cutMm(cut: HoleCut): number {
  switch (cut.kind) {
    case "round":
      return cut.diameterMm;
    case "bolt": {
      const bolt = boltOf(cut.size);
      return bolt ? clearanceMm(bolt, cut.fit) : 0;
    }
    case "tap":
      return boltOf(cut.size)?.tapMm ?? 0;
    case "rocker":
      return 2 * cut.cornerMm;
  }
}

interface Point {
  readonly xMm: number;
  readonly yMm: number;
  readonly found: string;
}

function fromEdge(
  by: HolePlacing & { kind: "edge" },
  template: Template,
  units: UnitSystem,
): Point {
  const { widthMm, heightMm } = template;
  const upright = by.edge === "left" || by.edge === "right";
  const found = `${fineText(by.inMm, units)} in from the ${by.edge} edge, ${fineText(by.alongMm, units)} along it from its ${upright ? "top" : "left"} end`;
  switch (by.edge) {
    case "left":
      return { xMm: by.inMm, yMm: by.alongMm, found };
    case "right":
      return { xMm: widthMm - by.inMm, yMm: by.alongMm, found };
    case "top":
      return { xMm: by.alongMm, yMm: by.inMm, found };
    case "bottom":
      return { xMm: by.alongMm, yMm: heightMm - by.inMm, found };
  }
}

function placeOf(
  hole: Hole,
  template: Template,
  landmarks: ReadonlyMap<string, Landmark>,
  holes: ReadonlyMap<string, Hole>,
  units: UnitSystem,
  depth = 0,
): Point | null {
  const { by } = hole;
  switch (by.kind) {
    case "between": {
      const [a, b] = [landmarks.get(by.fromId), landmarks.get(by.toId)];
      if (!a || !b) return null;
      const apart = Math.hypot(b.rightMm - a.rightMm, b.downMm - a.downMm);
      const share =
        by.share === 0.5
          ? `${fineText(apart, units)} between ${a.name} and ${b.name}: ${fineText(apart / 2, units)} from each`
          : `${fineText(apart * by.share, units)} from ${a.name} towards ${b.name} (${fineText(apart, units)} apart)`;
      return {
        xMm: a.rightMm + by.share * (b.rightMm - a.rightMm),
        yMm: a.downMm + by.share * (b.downMm - a.downMm) + by.downMm,
        found: by.downMm === 0 ? share : `${share}, then ${downText(by.downMm, units)}`,
      };
    }
    case "from": {
      const a = landmarks.get(by.landmarkId);
      if (!a) return null;
      const sideways = by.rightMm < 0 ? "left" : "right";
      return {
        xMm: a.rightMm + by.rightMm,
        yMm: a.downMm + by.downMm,
        found: `from ${a.name}: ${fineText(Math.abs(by.rightMm), units)} ${sideways}, ${downText(by.downMm, units)}`,
      };
    }
    case "edge":
      return fromEdge(by, template, units);
    case "mirror": {
      const other = holes.get(by.holeId);
      if (!other || depth > holes.size) return null;
      const point = placeOf(other, template, landmarks, holes, units, depth + 1);
      return (
        point && {
          xMm: template.widthMm - point.xMm,
          yMm: point.yMm,
          found: `mirror of ${other.name} about the panel's middle`,
        }
      );
    }
  }
}

const downText = (downMm: number, units: UnitSystem): string =>
  `${fineText(Math.abs(downMm), units)} ${downMm < 0 ? "up" : "down"}`;

function cornersOf(cut: HoleCut, { xMm, yMm }: Point): [number, number][] {
  if (cut.kind !== "rocker") return [];
  const [w, h] = [cut.widthMm / 2 - cut.cornerMm, cut.heightMm / 2 - cut.cornerMm];
  return [
    [xMm - w, yMm - h],
    [xMm + w, yMm - h],
    [xMm + w, yMm + h],
    [xMm - w, yMm + h],
  ];
}

function faultOf(
  hole: Hole,
  point: Point,
  template: Template,
  units: UnitSystem,
): HoleFault | null {
  const { cut } = hole;
  const size = cutMm(cut);
  const [w, h] = cut.kind === "rocker" ? [cut.widthMm / 2, cut.heightMm / 2] : [size / 2, size / 2];
  const least = Math.min(
    point.xMm - w,
    template.widthMm - point.xMm - w,
    point.yMm - h,
    template.heightMm - point.yMm - h,
  );
  const at = `${fineText(point.xMm, units)} right, ${fineText(point.yMm, units)} down`;
  if (least < 0) {
    return {
      hole,
      severe: true,
      words: `off the panel: ${at} (panel ${sizeText(template.widthMm, template.heightMm, units)})`,
    };
  }
  const wanted = LEAST_RIM * size;
  return least < wanted
    ? {
        hole,
        severe: false,
        words: `${fineText(least, units)} to the edge of the panel (leave ${fineText(wanted, units)} or more)`,
      }
    : null;
}

/** Every hole of a template where its landmarks put it, with what is wrong with it, in a reader's units. */
export function patternOf(job: Job, template: Template, units: UnitSystem = "metric"): Pattern {
  const landmarks = job.landmarks.filter((l) => l.templateId === template.id);
  const own = job.holes.filter((h) => h.templateId === template.id);
  const marks = new Map<string, Landmark>(landmarks.map((l) => [l.id, l]));
  const byId = new Map<string, Hole>(own.map((h) => [h.id, h]));
  const holes: PlacedHole[] = [];
  const faults: HoleFault[] = [];
  for (const hole of own) {
    const point = placeOf(hole, template, marks, byId, units);
    if (!point) {
      faults.push({ hole, severe: true, words: "leans on something that is not on this panel" });
      continue;
    }
    const diameterMm = cutMm(hole.cut);
    if (diameterMm <= 0) {
      faults.push({ hole, severe: true, words: "of a size that no table has" });
      continue;
    }
    holes.push({ hole, ...point, diameterMm, corners: cornersOf(hole.cut, point) });
    const fault = faultOf(hole, point, template, units);
    if (fault) faults.push(fault);
  }
  return { template, landmarks, holes, faults };
}

/** The other side's panel: everything about the upright middle line. */
export function mirrored(pattern: Pattern): Pattern {
  const { widthMm } = pattern.template;
  return {
    ...pattern,
    landmarks: pattern.landmarks.map((l) => ({ ...l, rightMm: widthMm - l.rightMm })),
    holes: pattern.holes.map((h) => ({
      ...h,
      xMm: widthMm - h.xMm,
      corners: h.corners.map(([x, y]) => [widthMm - x, y] as const),
    })),
  };
}
