import { partOf, type TerminalList, type ThingSpec } from "../thing.ts";

/** A housing begins with its negative: each of its lights brings a terminal of its own. */
export const LAMP_TERMINALS: TerminalList = [["neg", "own"]];

/** A lamp housing, a horn, a heater: one thing, however many lights are in it. */
export const lampUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.8,
  fitMin: 15,
  pieces: partOf("load"),
};
