import type { DiodeElement } from "../../circuit/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import { branchOf, faultOf, type InsideSpec } from "../inside.ts";
import { RECTIFIER } from "../rectifier.ts";
import { look, mark } from "../symbol.ts";

/** A diode that lets one way of turning a run on not feed back into another. */
export const diode: InsideSpec<DiodeElement> = {
  branches: (e) => [branchOf(e, RECTIFIER, "diode between wires to the coil")],
  moves: false,
  words: () => "diode between wires to the coil",
  name: () => "diode",
  detail: () => "band to the coil",
  choice: null,
  faults: (e) => [faultOf("open", "diode broken", e.id, OPEN_OHM)],
  look: look(1, 60, 22, [mark("M0 11h22M5 5v12l11 -6zM16 5v12")]),
  ratedA: () => null,
};
