import { partOf, type TerminalList, type ThingSpec } from "../thing.ts";

export const CONVERTER_TERMINALS: TerminalList = [
  ["in_pos", "screw"],
  ["in_neg", "screw"],
  ["out_pos", "screw", "nothing is fed from it"],
  ["out_neg", "screw", "nothing returns to it"],
];

/** A direct current converter, isolated or not. */
export const converterUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.6,
  fitMin: 15,
  pieces: partOf("converter"),
};
