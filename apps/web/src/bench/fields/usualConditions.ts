import { allOf, conditionText, type Condition } from "@dragonet/core";

/** What most circuits wait for, as people say it: common practice. */
const USUAL: readonly (readonly [words: string, condition: Condition])[] = [
  ["own switch with the key", allOf("switch", "key")],
  ["own switch alone", allOf("switch")],
  ["key on", allOf("key")],
  ["low beam", allOf("low")],
  ["high beam", allOf("high")],
  ["brake", allOf("brake")],
  ["left turn", allOf("left")],
  ["right turn", allOf("right")],
  ["reverse", allOf("reverse")],
  ["horn button", allOf("horn")],
  ["always on", allOf()],
];

const sameAs = (a: Condition, b: Condition): boolean => conditionText(a) === conditionText(b);

/** The usual conditions as whole sentences, the one that stands marked. */
export const usualConditions = (now: Condition) =>
  USUAL.map(([words, condition]) => ({ words, condition, current: sameAs(condition, now) }));
