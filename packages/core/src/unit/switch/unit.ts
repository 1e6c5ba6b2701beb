import { insideOfKind, piece, type TerminalList, type ThingSpec } from "../thing.ts";

/** A switch of its own, with a third terminal where its tell-tale needs a negative. */
export const switchTerminals = (lit: boolean): TerminalList => [
  ["in", "blade"],
  ["out", "blade"],
  ...(lit ? [["neg", "blade"] as const] : []),
];

export const switchUnit: ThingSpec = {
  onePlace: false,
  reachMin: 1.2,
  fitMin: 10,
  pieces: (unit, insides) => [piece(insideOfKind(insides, "switch")?.part.name ?? unit.name)],
};

/** A control of a kit: one thing, however many positions and guests it has. */
export const controlUnit: ThingSpec = { ...switchUnit, reachMin: 1.5, fitMin: 15 };
