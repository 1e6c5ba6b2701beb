import type { BeamKind } from "../../job/index.ts";
import type { Photometry } from "../../photometry/index.ts";
import { measured } from "../../quantity/index.ts";
import type { FactoryBeam } from "../../vehicle/index.ts";

const tidy = (m: number): number => Math.round(100 * m) / 100;

/** A headlight that a demo vehicle came with, by where it sits: up, back and right, m. */
export const headlight = (
  which: string,
  beam: BeamKind,
  [up, back, right]: readonly [number, number, number],
  photometry: Photometry,
  tiltDeg: number,
): FactoryBeam => ({
  ...{ id: `headlight-${which}`, name: `headlight, ${which}`, beam, photometry, tiltDeg },
  ...{ heightM: measured(up, tidy(up - 0.02), tidy(up + 0.02)), backM: measured(back, back, back) },
  rightM: right,
});
