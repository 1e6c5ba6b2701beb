import { GROUND, type BatteryElement } from "../../circuit/index.ts";
import type { BranchModel } from "../../network/network.ts";
import { decimal } from "../../quantity/index.ts";
import { BATTERY_LEAK_OHM, OPEN_OHM } from "../../solve/defaults.ts";
import { batteryOhm, openCircuitV } from "../../source/index.ts";
import { branchOf, faultOf, leakOf, type InsideSpec } from "../inside.ts";
import { look, mark } from "../symbol.ts";

/** A battery of its own. Its negative floats: only a leak gives it a voltage against the vehicle's. */
export const battery: InsideSpec<BatteryElement> = {
  branches: (e) => {
    const ohm = batteryOhm(e.part);
    const volts = -openCircuitV(e.part.chemistry, 1, e.part.cells);
    const leak: BranchModel = { kind: "resistor", ohm: BATTERY_LEAK_OHM };
    return [
      branchOf(e, { kind: "source", volts, ohm }, e.part.name),
      { id: leakOf(e.id), from: e.from, to: GROUND, model: leak, words: `leak of ${e.part.name}` },
    ];
  },
  moves: false,
  words: (e) => e.part.name,
  name: (e) => e.part.name,
  detail: (e) => `${decimal(e.part.capacityAh.value, 0)} Ah`,
  choice: null,
  faults: (e) => [faultOf("deadUnit", `${e.part.name} flat`, e.id, OPEN_OHM)],
  look: look(2, 96, 22, [mark("M0 11h8M14 11h8"), mark("M8 6v10", 3), mark("M14 2v18")]),
  ratedA: () => null,
};
