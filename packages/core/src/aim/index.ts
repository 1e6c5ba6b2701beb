export { AIM_RULES, aimRule, type AimRule } from "./aimRules.ts";
export { aimAt, aimOf, noseRiseDeg, wallMarks, type WallMark } from "./marks.ts";
export { correctionOf, isOnMark, pairsApart, type Correction, type PairApart } from "./correct.ts";
export {
  atWall,
  candelaTowards,
  luxAt,
  luxOfAll,
  type LampInPlace,
  type Point,
  type Surface,
} from "./lampInPlace.ts";
export { luxOn, type Plane } from "./grid.ts";
export { overlapAt, seeingDistance, spillShare, spreadAt, SEEN_LUX } from "./seeing.ts";
export { glareAt, oncomingEyes, type Glare } from "./glare.ts";
export { bestAim, roadWorth, type BestAim, type GlareLimit } from "./bestAim.ts";
export { lampsOf, type LampsAhead, type PlacedLamp } from "./lampsOf.ts";
export { andHigh, staysWhenDipped, withHighOnly } from "./dipped.ts";
export { factoryLights, type FactoryLight } from "./factoryLights.ts";
export { TOGETHER_RULES, litTogether, type TogetherNote } from "./together.ts";
export { wallSvg, type WallSvgOptions } from "./wallSvg.ts";
export { ADJUSTER_WORDS, BEAM_WORDS, undoText } from "./words.ts";
export { AIM_CHECKS, setAim, takeAimError, turnLamp } from "./edits.ts";
