import type { Template } from "../../job/index.ts";
import { decimal } from "../../quantity/index.ts";
import type { PlacedHole } from "./pattern.ts";

/** Pilot and the largest twist drill that a hand drill holds true in sheet, in mm. */
const PILOT_MM = 3;
const MOST_TWIST_MM = 10;
/** Each step widens by no more than this, in mm. */
const STEP_MM = 4;
/** Above this a hole saw, below it a step drill, in mm. */
const MOST_STEP_MM = 25;

const mm = (value: number): string => `${decimal(value, 1)} mm`;

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

function roundSteps(diameterMm: number): string[] {
  if (diameterMm > MOST_STEP_MM) {
    return [`pilot ${mm(PILOT_MM)}, then 6 mm for the arbor`, `hole saw ${mm(diameterMm)}`];
  }
  const steps = drillSteps(diameterMm);
  const [pilot, ...rest] = steps;
  if (rest.length === 0) return [`drill ${mm(pilot!)}`];
  return [
    `pilot ${mm(pilot!)}`,
    diameterMm > MOST_TWIST_MM
      ? `step drill up to ${mm(diameterMm)}`
      : `open up: ${rest.map((s) => mm(s)).join(", ")}`,
  ];
}

/**
 * What to do for one hole, in order: mark, look behind, punch, drill, finish. Common
 * practice of the trade.
 */
export function drillPlan(placed: PlacedHole, template: Template): string[] {
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
          `${corners.length} corner holes of ${mm(diameterMm)}`,
          `saw straight between them: ${mm(cut.widthMm)} × ${mm(cut.heightMm)}`,
        ]
      : roundSteps(diameterMm)),
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
