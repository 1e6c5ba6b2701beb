import type { VehicleKind, VehicleSize } from "../vehicle/index.ts";
import { buggy, cart, sideBySide, utilityCart } from "./carts.ts";
import { eBike, motorcycle, scooter } from "./cycles.ts";
import { mower, trailer, unknown } from "./others.ts";
import { quad, snowMachine, trike } from "./quads.ts";
import { Pen, type Measures, type Outline, type OutlineShape, type View } from "./shape.ts";

export {
  TONES,
  VIEWS,
  extentOf,
  type Measures,
  type OutlineShape,
  type Tone,
  type View,
} from "./shape.ts";
export { pathData } from "./pathData.ts";

const OUTLINES: Readonly<Record<VehicleKind, Outline>> = {
  ...{ quad, sideBySide, buggy, trike, snowMachine },
  ...{ motorcycle, scooter, eBike },
  ...{ cart, utilityCart, mower, trailer },
  other: unknown,
};

/**
 * A vehicle of a kind as it is seen, drawn to its own measures: plain shapes, nobody's design.
 * As long, as wide and as tall as they say, whatever they are.
 */
export const outlineOf = (
  kind: VehicleKind,
  view: View,
  measures: Measures,
): readonly OutlineShape[] => OUTLINES[kind][view](new Pen(view, measures));

/** Measures of a vehicle as its tape has them, or as they are guessed. */
export const outerMeasures = ({ lengthM, widthM, heightM }: VehicleSize): Measures => ({
  length: lengthM.value,
  width: widthM.value,
  height: heightM.value,
});
