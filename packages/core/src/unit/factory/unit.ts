import { NO_PIECES, type TerminalList, type ThingSpec } from "../thing.ts";

/** A factory wire that is live by itself, and one that is tied to the negative when it is on. */
export const FACTORY_TERMINALS: TerminalList = [
  ["feed", "own"],
  ["out", "tap"],
];
export const GROUND_SWITCHED_TERMINALS: TerminalList = [["out", "tap"]];

/** A circuit of the vehicle's own that something is taken from. */
export const factoryUnit: ThingSpec = {
  onePlace: false,
  reachMin: 1,
  fitMin: 0,
  pieces: NO_PIECES,
};
