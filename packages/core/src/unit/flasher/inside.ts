import type { FlasherElement } from "../../circuit/index.ts";
import { decimal } from "../../quantity/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import { OPEN, branchOf, faultOf, resistor, type InsideSpec } from "../inside.ts";
import { boxLook } from "../symbol.ts";

/** A flasher's closed contact with its heater or shunt, in Ω: assumed. */
const FLASHER_OHM = 0.02;

/** What makes lamps flash. */
export const flasher: InsideSpec<FlasherElement> = {
  branches: (e, o) => [
    branchOf(e, o.position.phase === "off" ? OPEN : resistor(FLASHER_OHM), e.part.name),
  ],
  moves: true,
  words: (e) => e.part.name,
  name: (e) => e.part.name,
  detail: (e) => `${decimal(e.part.ratePerMin.value, 0)} a minute`,
  choice: null,
  faults: (e) => [faultOf("deadUnit", `${e.part.name} stuck open`, e.id, OPEN_OHM)],
  look: boxLook(2, 96, [3, 16], "M6 14h5V8h6v6h6V8h5"),
  ratedA: (e) => e.part.contactA,
};
