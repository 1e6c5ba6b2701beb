import { partOf, type TerminalList, type ThingSpec } from "../thing.ts";

/** DIN 72552. A thermal one lives of the load's own current; what is electronic wants a ground. */
export const flasherTerminals = (grounded: boolean): TerminalList => [
  ["49", "blade"],
  ["49a", "blade", "nothing is fed from it"],
  ...(grounded ? [["31", "blade"] as const] : []),
];

export const flasherUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.8,
  fitMin: 6,
  pieces: partOf("flasher"),
};
