import type { LoadElement } from "../../circuit/index.ts";
import type { BranchModel } from "../../network/network.ts";
import { FILAMENT_CURRENT_EXPONENT, stripOhm, type LoadSpec } from "../../part/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import type { Estimate } from "../../solve/elementOhm.ts";
import { OPEN, SHORT_OHM, branchOf, estimateOf, faultOf, type InsideSpec } from "../inside.ts";
import { look, ring } from "../symbol.ts";

/** The law of a load within its bounds. */
export function loadModel(spec: LoadSpec, estimate: Estimate): BranchModel {
  switch (spec.kind) {
    case "drivenLed":
      return { kind: "power", powerW: spec.powerW[estimate], minV: spec.minV };
    case "filament":
      return {
        kind: "filament",
        ratedA: spec.powerW[estimate] / spec.ratedV,
        ratedV: spec.ratedV,
        exponent: FILAMENT_CURRENT_EXPONENT,
      };
    case "resistive": {
      const watts = spec.powerW[estimate];
      return watts > 0 ? { kind: "resistor", ohm: spec.ratedV ** 2 / watts } : OPEN;
    }
    case "constantCurrent":
      return { kind: "current", currentA: spec.currentA[estimate] };
    case "ledStrip": {
      const ohm = stripOhm(spec, estimate);
      return Number.isFinite(ohm) ? { kind: "dies", forwardV: spec.forwardV, ohm } : OPEN;
    }
  }
}

/** A light, a horn, a heater: what the rest is there for. */
export const load: InsideSpec<LoadElement> = {
  branches: (e, o) => [branchOf(e, loadModel(e.part.load, estimateOf(o)), e.label)],
  moves: false,
  words: (e) => e.label,
  name: (e) => e.label,
  detail: (e) => e.part.name,
  choice: null,
  faults: (e) => [
    faultOf("open", `${e.label} dead`, e.id, OPEN_OHM),
    faultOf("shorted", `${e.label} shorted inside`, e.id, SHORT_OHM),
  ],
  look: look(2, 120, 20, [ring(10, 11, 9, 1.2)]),
  ratedA: () => null,
};
