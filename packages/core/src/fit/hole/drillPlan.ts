import type { Template } from "../../job/index.ts";
import { drillText, sizeText, type UnitSystem } from "../../quantity/index.ts";
import type { PlacedHole } from "./pattern.ts";

/** Pilot and the largest twist drill that a hand drill holds true in sheet, in mm. */
const PILOT_MM = 3;
/** What the arbor of a hole saw wants, in mm. */
const ARBOR_MM = 6;
const MOST_TWIST_MM = 10;
/** Each step widens by no more than this, in mm. */
const STEP_MM = 4;
/** Above this a hole saw, below it a step drill, in mm. */
const MOST_STEP_MM = 25;

/** Drills of a round hole in the order they are taken, in mm: pilot, steps, the size itself. */
export function drillSteps(diameterMm: number): number[] {
  if (diameterMm <= PILOT_MM + 0.5) return [diameterMm];
  const steps = Math.ceil((diameterMm - PILOT_MM) / STEP_MM - 1e-9);
  return [
    PILOT_MM,
    ...Array.from({ length: steps }, (_, i) =>
      i === steps - 1
        ? diameterMm
        : Math.round(2 * (PILOT_MM + ((i + 1) * (diameterMm - PILOT_MM)) / steps)) / 2,
    ),
  ];
}

function roundSteps(diameterMm: number, units: UnitSystem): string[] {
  const drill = (mm: number): string => drillText(mm, units);
  if (diameterMm > MOST_STEP_MM) {
    return [
      `pilot ${drill(PILOT_MM)}, then ${drill(ARBOR_MM)} for the arbor`,
      `hole saw ${drillText(diameterMm, units, "step")}`,
    ];
  }
  const [pilot = diameterMm, ...rest] = drillSteps(diameterMm);
  if (rest.length === 0) return [`drill ${drill(pilot)}`];
  return [
    `pilot ${drill(pilot)}`,
    diameterMm > MOST_TWIST_MM
      ? `step drill up to ${drillText(diameterMm, units, "step")}`
      : `open up: ${rest.map(drill).join(", ")}`,
  ];
}

/**
 * What to do for one hole, in order: mark, look behind, punch, drill, finish; drills in both
 * systems. Common practice of the trade.
 */
export function drillPlan(
  placed: PlacedHole,
  template: Template,
  units: UnitSystem = "metric",
): string[] {
  const { hole, diameterMm, corners } = placed;
  const { material, painted } = template;
  const soft = material === "plastic" || material === "fibreglass";
  const { cut } = hole;
  return [
    `look behind: ${hole.behind === "" ? "nobody has written down what is there" : hole.behind}`,
    painted || soft
      ? "tape over the place against chipping, mark on the tape"
      : "mark with a scriber",
    soft ? "prick the middle, no punch: plastic cracks" : "centre punch",
    ...(cut.kind === "rocker"
      ? [
          `${corners.length} corner holes of ${drillText(diameterMm, units)}`,
          `saw straight between them: ${sizeText(cut.widthMm, cut.heightMm, units)}`,
        ]
      : roundSteps(diameterMm, units)),
    soft
      ? "slow, backed with wood; no force at the break-through"
      : "oil, eyes covered, held at the break-through",
    ...(cut.kind === "tap" ? [`tap ${cut.size}, half a turn back for each turn`] : []),
    "measure the hole rather than trust the bit",
    "deburr both sides",
    ...(material === "steel" ? ["paint the bare rim"] : []),
    ...(hole.forWire ? ["grommet in, then fish the cable through with a leader"] : []),
  ];
}
