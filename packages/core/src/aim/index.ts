export { AIM_RULES, aimRule, type AimRule } from "./aimRules.ts";
export { aimOf, noseRiseDeg, pctOfTilt, tiltOfPct, wallMarks, type WallMark } from "./marks.ts";
export { correctionOf, isOnMark, pairsApart, type Correction, type PairApart } from "./correct.ts";
export {
  candelaTowards,
  luxAt,
  luxOfAll,
  type LampInPlace,
  type Point,
  type Surface,
} from "./lampInPlace.ts";
export { luxOn, type Plane } from "./grid.ts";
export { overlapAt, seeingDistance, spillShare, spreadAt, SEEN_LUX } from "./seeing.ts";
export { DIPPED_GLARE_CD, glareAt, oncomingEyes, type Glare } from "./glare.ts";
export { bestAim, roadWorth, type BestAim, type GlareLimit } from "./bestAim.ts";
export { lampsOf, type PlacedLamp } from "./lampsOf.ts";
export { andHigh, staysWhenDipped, withHighOnly } from "./dipped.ts";
export { AIM_CHECKS, setAim, takeAimError } from "./edits.ts";
