import { partOf, type TerminalList, type ThingSpec } from "../thing.ts";

/** DIN 72552: a change-over contact, of which either the make or the break side is used. */
export const relayTerminals = (normallyClosed: boolean): TerminalList => [
  ["30", "blade"],
  ["87", "blade", normallyClosed ? "not used: the break contact does it" : ""],
  ["87a", "blade", normallyClosed ? "" : "not used: the make contact does it"],
  ["85", "blade"],
  ["86", "blade"],
];

/** A relay in its socket. */
export const relayUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.6,
  fitMin: 5,
  pieces: partOf("contact", "with socket"),
};
