import { endWords, wiresOf, type ChassisElement, type Circuit } from "../../circuit/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import { branchOf, estimateOf, faultOf, resistor, type InsideSpec } from "../inside.ts";
import { look, mark } from "../symbol.ts";

/** What is grounded at a lug, by the other end of the wire that ends there. */
function groundedAt(e: ChassisElement, circuit: Pick<Circuit, "units" | "elements">): string {
  const wire = wiresOf(circuit).find(({ from, to }) => from === e.from || to === e.from);
  return wire ? ` of ${endWords(circuit, wire.from === e.from ? wire.to : wire.from)}` : "";
}

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
  faults: (e, circuit) => [
    faultOf("groundLost", `ground${groundedAt(e, circuit)} lost`, e.id, OPEN_OHM),
  ],
  look: look(1, 60, 20, [mark("M0 11h6M6 3v16M11 6v10M16 9v4")], "left"),
  ratedA: () => null,
};
