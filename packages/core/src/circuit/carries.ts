import { ampacityA, gaugeOf, type AmpacityConditions } from "../wire/index.ts";
import type { WireElement } from "./element.ts";

/**
 * What a current warms a wire over its surroundings, in K: heat made goes with its square, and
 * at what it may carry for long it is as warm as its insulation may be.
 */
export function riseC(
  wire: Pick<WireElement, "gaugeId" | "bundle">,
  at: AmpacityConditions,
  currentA: number,
): number {
  const carries = carriesA(wire, at);
  const room = Math.max(0, at.insulationC - at.ambientC);
  return carries > 0 ? room * Math.min(1, (currentA / carries) ** 2) : 0;
}

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
