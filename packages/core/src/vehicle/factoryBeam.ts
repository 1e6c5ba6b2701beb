import type { BeamKind } from "../job/record/aim.ts";
import type { Photometry } from "../photometry/index.ts";
import type { BoundedValue } from "../quantity/index.ts";

/** The beam of a lamp that the vehicle came with: what added light is held against. */
export interface FactoryBeam {
  readonly id: string;
  /** "headlight, low". */
  readonly name: string;
  readonly beam: BeamKind;
  /** Middle of the lamp above ground, and behind the vehicle's foremost point, m. */
  readonly heightM: BoundedValue;
  readonly backM: BoundedValue;
  /** Right (+) or left (−) of the vehicle's middle, m. */
  readonly rightM: number;
  /** Beam above (+) or below (−) level, degrees. */
  readonly tiltDeg: number;
  readonly photometry: Photometry;
}
