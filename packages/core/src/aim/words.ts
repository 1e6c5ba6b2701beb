import type { Adjuster, Aim, AimError, BeamKind } from "../job/index.ts";
import { decimal } from "../quantity/index.ts";
import { correctionOf, isOnMark } from "./correct.ts";

/** What people call a beam, and how a lamp is turned. */
export const BEAM_WORDS: Readonly<Record<BeamKind, string>> = {
  low: "low beam",
  driving: "driving beam",
  fog: "fog beam",
  work: "work light",
};
/** How a lamp is turned, in words. */
export const ADJUSTER_WORDS: Readonly<Record<Adjuster, string>> = {
  screw: "by screws",
  shim: "by a shim",
  pivot: "by its pivot",
};

/** Less than this is no turn of anything, degrees. */
const STILL_DEG = 0.03;

/** Turns of a screw, in hundredths: a screwdriver counts quarters. */
const turnsText = (turns: number, more: string, less: string): string =>
  `${decimal(Math.abs(turns), 2)} turn${Math.abs(turns) === 1 ? "" : "s"} ${turns > 0 ? more : less}`;

/** What brings a beam from where it stood to its mark, in words; "on its mark" where it stands there. */
export function undoText(error: AimError, aim: Aim, footMm: number): string {
  if (isOnMark(error)) return "on its mark";
  const { upDeg, rightDeg, upTurns, rightTurns, shimMm } = correctionOf(error, aim, footMm);
  const up =
    upTurns !== null
      ? turnsText(upTurns, "up", "down")
      : shimMm !== null
        ? `shim of ${decimal(Math.abs(shimMm), 1)} mm under the ${shimMm > 0 ? "front" : "rear"} edge`
        : `${decimal(Math.abs(upDeg), 1)}° ${upDeg > 0 ? "down" : "up"}`;
  const right =
    rightTurns !== null
      ? turnsText(rightTurns, "to the right", "to the left")
      : `turn it ${decimal(Math.abs(rightDeg), 1)}° to the ${rightDeg > 0 ? "left" : "right"}`;
  return [
    ...(Math.abs(upDeg) < STILL_DEG ? [] : [up]),
    ...(Math.abs(rightDeg) < STILL_DEG ? [] : [right]),
  ].join("; ");
}
