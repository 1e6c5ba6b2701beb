import { NO_PIECES, partOf, type TerminalList, type ThingSpec } from "../thing.ts";

/** A battery of its own, as it is laid out. */
export const BATTERY_TERMINALS: TerminalList = [
  ["pos", "post", "nothing is fed from it"],
  ["neg", "post", "nothing returns to it"],
];

/** The vehicle's own, or one that is added. */
export const batteryUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.3,
  fitMin: 20,
  pieces: partOf("battery"),
};

/** A traction pack: the vehicle's, whatever is taken from it. */
export const packUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.4,
  fitMin: 0,
  pieces: NO_PIECES,
};
