import { piece, type TerminalList, type ThingSpec } from "../thing.ts";

/** Anode and cathode. */
export const DIODE_TERMINALS: TerminalList = [
  ["a", "own"],
  ["k", "own"],
];

/** A diode in a sleeve, between wires to a coil. */
export const diodeUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.8,
  fitMin: 0,
  pieces: () => [piece("diode 1 A", "between wires to a coil")],
};
