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
} from "./road/lampInPlace.ts";
export { luxOn, type Plane } from "./road/grid.ts";
export { overlapAt, seeingDistance, spillShare, spreadAt, SEEN_LUX } from "./road/seeing.ts";
export { glareAt, oncomingEyes, type Glare } from "./road/glare.ts";
export { bestAim, roadWorth, type BestAim, type GlareLimit } from "./road/bestAim.ts";
export { lampsOf, type LampsAhead, type PlacedLamp } from "./road/lampsOf.ts";
export { andHigh, staysWhenDipped, withHighOnly } from "./road/dipped.ts";
export { factoryLights, type FactoryLight } from "./road/factoryLights.ts";
export { TOGETHER_RULES, litTogether, type TogetherNote } from "./road/together.ts";
export { wallSvg, type WallSvgOptions } from "./wallSvg.ts";
export { ADJUSTER_WORDS, BEAM_WORDS, undoText } from "./words.ts";
export { AIM_CHECKS, setAim, takeAimError, turnLamp } from "./edits.ts";
