import { splitNode, type ConnectorElement, type LoadElement } from "../circuit/index.ts";
import type { BranchModel } from "../network/network.ts";
import { FILAMENT_CURRENT_EXPONENT, stripOhm, type LoadSpec } from "../part/index.ts";
import { decimal } from "../quantity/index.ts";
import { OPEN_OHM } from "../solve/defaults.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import {
  BAD_JOINT_OHM,
  OPEN,
  SHORT_OHM,
  branchOf,
  estimateOf,
  faultOf,
  resistor,
  type InsideSpec,
} from "./spec.ts";
import { look, mark, ring } from "./symbol.ts";

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

/** One pole of a plug in a lamp's leads. */
export const connector: InsideSpec<ConnectorElement> = {
  branches: (e, o) => [branchOf(e, resistor(e.part.contactOhm[estimateOf(o)]), e.part.name)],
  moves: false,
  words: (e) => e.part.name,
  name: (e) => e.part.name,
  detail: (e) => `rated ${decimal(e.part.ratingA)} A`,
  choice: "plug",
  faults: (e, { units }) => {
    const plug = (e.unit === "" ? undefined : units.get(e.unit))?.name ?? "plug";
    const contact = splitNode(e.from).terminal.replace(/^\D+/, "");
    return [
      faultOf("open", `${plug}, contact ${contact}, apart`, e.id, OPEN_OHM),
      faultOf(
        "badJoint",
        `${plug}, contact ${contact}, of ${BAD_JOINT_OHM} Ω`,
        e.id,
        BAD_JOINT_OHM,
      ),
    ];
  },
  look: look(2, 76, 26, [mark("M0 11h8M17 11h9M14 5.5H8v11h6"), mark("M11 8h7v6h-7z", 0)]),
  ratedA: (e) => e.part.ratingA,
};
