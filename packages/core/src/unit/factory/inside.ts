import type { TapElement } from "../../circuit/index.ts";
import { isOn, type Input } from "../../job/index.ts";
import type { Position } from "../../network/position.ts";
import type { ConnectorPin } from "../../vehicle/index.ts";
import { OPEN, branchOf, resistor, type InsideSpec } from "../inside.ts";
import { look, mark, ring } from "../symbol.ts";

/** A factory circuit from its feed to its tap, fuse and contacts in it, in Ω: assumed. */
const FACTORY_OHM = 0.005;

/** Whether a factory wire is live in a position. */
function isLive(pin: ConnectorPin, { inputs }: Position): boolean {
  if (pin.liveWhen === "always") return true;
  if (pin.liveWhen === "ground" || pin.liveWhen === "unknown") return false;
  return isOn(pin.liveWhen satisfies Input, inputs);
}

/** A factory wire that a run is fed or triggered from. */
export const tap: InsideSpec<TapElement> = {
  branches: (e, o) => [
    branchOf(e, isLive(e.pin, o.position) ? resistor(FACTORY_OHM) : OPEN, e.pin.carries),
  ],
  moves: true,
  words: (e) => e.pin.carries,
  name: (e) => e.pin.carries,
  detail: (e) => [e.pin.colour, e.pin.certainty].filter((t) => t !== "").join(", "),
  choice: "tap",
  faults: () => [],
  look: look(3, 104, 16, [mark("M8 11h8M8 3v16"), ring(8, 11, 3.5, 0)], "right"),
  ratedA: () => null,
};
