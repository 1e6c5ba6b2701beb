import { NO_PIECES, type TerminalList, type ThingSpec } from "../thing.ts";

/** The frame, with its lugs. */
export const chassisUnit: ThingSpec = {
  onePlace: true,
  reachMin: 0.6,
  fitMin: 0,
  pieces: NO_PIECES,
};

export const GROUND_BLOCK_TERMINALS: TerminalList = [["j", "block"]];

/** A block that negatives meet at. */
export const groundBlockUnit: ThingSpec = {
  onePlace: true,
  reachMin: 0.5,
  fitMin: 6,
  pieces: NO_PIECES,
};
