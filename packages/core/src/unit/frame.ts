import type { ChassisElement, StrapElement } from "../circuit/index.ts";
import { OPEN_OHM } from "../solve/defaults.ts";
import { branchOf, estimateOf, faultOf, resistor, type InsideSpec } from "./spec.ts";

/** A lug on the frame, and the frame from there to the vehicle's own negative. */
export const chassis: InsideSpec<ChassisElement> = {
  branches: (e, o) => {
    const estimate = estimateOf(o);
    const ohm = e.resistanceOhm[estimate === "value" ? "mid" : estimate];
    return [branchOf(e, resistor(ohm), "the frame")];
  },
  moves: false,
  words: () => "the frame",
  name: () => "chassis",
  detail: () => "frame",
  choice: "return",
  faults: (e) => [faultOf("groundLost", "ground lost", e.id, OPEN_OHM)],
  ratedA: () => null,
};

/** A link inside a unit. */
export const strap: InsideSpec<StrapElement> = {
  branches: (e) => [branchOf(e, resistor(e.ohm), "link inside")],
  moves: false,
  words: () => "link inside",
  name: () => "inside",
  detail: () => "",
  choice: null,
  faults: () => [],
  ratedA: () => null,
};
