import { ampacityA, gaugeOf, type AmpacityConditions } from "../wire/index.ts";
import type { WireElement } from "./element.ts";

/**
 * What a wire may carry for long where it lies, in A: by the surroundings of the practices, and
 * by the bundle of its route where that holds more wires than the practices say.
 */
export const carriesA = (
  wire: Pick<WireElement, "gaugeId" | "bundle">,
  at: AmpacityConditions,
): number =>
  ampacityA(gaugeOf(wire.gaugeId), {
    ambientC: at.ambientC,
    insulationC: at.insulationC,
    bundledWires: Math.max(at.bundledWires, wire.bundle),
  });
