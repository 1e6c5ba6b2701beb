import type { StrapElement } from "../circuit/index.ts";
import { branchOf, resistor, type InsideSpec } from "./inside.ts";
import { look } from "./symbol.ts";

/** A link inside a unit. */
export const strap: InsideSpec<StrapElement> = {
  branches: (e) => [branchOf(e, resistor(e.ohm), "link inside")],
  moves: false,
  words: () => "link inside",
  name: () => "inside",
  detail: () => "",
  choice: null,
  faults: () => [],
  look: look(1, 40, 0, []),
  ratedA: () => null,
};
