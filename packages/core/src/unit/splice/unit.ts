import { NO_PIECES, type TerminalList, type ThingSpec } from "../thing.ts";

export const SPLICE_TERMINALS: TerminalList = [["j", "splice"]];

/** Where wires meet. It lies in its sleeve: it is not a place for a tip. */
export const spliceUnit: ThingSpec = {
  onePlace: false,
  reachMin: null,
  fitMin: 0,
  pieces: NO_PIECES,
};
