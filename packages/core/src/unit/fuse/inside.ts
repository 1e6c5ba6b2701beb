import type { FuseElement } from "../../circuit/index.ts";
import { fuseResistanceOhm } from "../../protection/index.ts";
import { decimal, lengthText } from "../../quantity/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import { branchOf, faultOf, resistor, type InsideSpec } from "../inside.ts";
import { look, mark } from "../symbol.ts";

const nameOf = (e: FuseElement): string =>
  `${decimal(e.ratingA)} A ${e.resets ? "breaker" : "fuse"}`;

/** A fuse in its holder or in a box, or a breaker that closes again by itself. */
export const fuse: InsideSpec<FuseElement> = {
  branches: (e) => [branchOf(e, resistor(fuseResistanceOhm(e.ratingA)), nameOf(e))],
  moves: false,
  words: nameOf,
  name: nameOf,
  detail: (e, units) => `after ${lengthText(e.fromSourceM.value, units)}`,
  choice: "fuse",
  faults: (e) => [faultOf("fuseBlown", `${decimal(e.ratingA)} A fuse blown`, e.id, OPEN_OHM)],
  look: look(2, 70, 34, [mark("M0 11h34", 1), mark("M3 5.5h28v11h-28z")]),
  ratedA: () => null,
};
