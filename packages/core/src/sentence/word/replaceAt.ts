import { ARTICLES } from "./feedAt.ts";
import { COUNT_WORDS, KIND_WORDS } from "./lexicon.ts";
import { sortAt } from "./shelfMatch.ts";
import { longest, type Token } from "./token.ts";

/** Words that say of what is planned that it comes in the place of a factory lamp. */
const INSTEAD: readonly (readonly [string, true])[] = [
  ["in place of", true],
  ["instead of", true],
  ["in the place of", true],
  ["replacing", true],
  ["to replace", true],
  ["as replacement for", true],
  ["for the factory", true],
  ["for the old", true],
];

/** Words that begin with what goes: "replace the bulbs with LED turn lamps". */
const SWAP: readonly (readonly [string, true])[] = [
  ["replace", true],
  ["replaces", true],
  ["swap", true],
  ["exchange", true],
  ["change", true],
];

const OLD = /^(old|factory|stock|original|present|existing|standard|blown|dead|broken|dim)$/;
const ONES = /^(one|ones|bulb|bulbs|lamps?|lights?)$/;
const COMES = /^(with|by|for|to)$/;

/** That something goes: in how many words it was said, and whether what comes is still to be said. */
export interface SaidReplace {
  readonly length: number;
  /** The lamp that comes stands behind these words, not before them. */
  readonly comesAfter: boolean;
  /** Sorts of what goes: what comes does its work. */
  readonly gone: readonly string[];
  /** How many go, and from which end, where that is said: as many come, at the same. */
  readonly count: number | null;
  readonly place: "front" | "rear" | null;
}

/** The words that name a lamp that goes: "the old halogen turn bulbs". */
function oldAt(tokens: readonly Token[], from: number) {
  const word = (at: number): string => tokens[at]?.word ?? "";
  let at = from;
  let count: number | null = null;
  // "both", "all four", "the two old ones": as many come as go.
  for (; at < tokens.length; at += 1) {
    const said = ARTICLES.has(word(at)) ? undefined : COUNT_WORDS[word(at)];
    if (said !== undefined) count = said;
    else if (!ARTICLES.has(word(at)) && !OLD.test(word(at)) && word(at) !== "all") break;
  }
  while (KIND_WORDS.includes(word(at)) && (sortAt(tokens, at + 1) ?? ONES.test(word(at + 1)))) {
    at += 1;
  }
  // "left and right turn bulbs", "front turn lamps"
  let place: "front" | "rear" | null = null;
  for (; /^(left|right|front|rear|and)$/.test(word(at)); at += 1) {
    const end = word(at);
    if (end === "front" || end === "rear") place = end;
  }
  const gone: string[] = [];
  for (let sort = sortAt(tokens, at); sort; sort = sortAt(tokens, at)) {
    gone.push(sort.meaning.sort);
    at += sort.length;
  }
  while (ONES.test(word(at))) at += 1;
  return { end: at, gone: gone.filter((sort) => sort !== "lamp" && sort !== "bulb"), count, place };
}

/**
 * "in place of the bulbs", "instead of the old ones", "replace the tail lamp with": null where
 * nothing is said to go.
 */
export function replaceAt(
  tokens: readonly Token[],
  at: number,
  hasCurrent: boolean,
): SaidReplace | null {
  const instead = hasCurrent ? longest(tokens, at, INSTEAD) : null;
  if (instead) {
    // "for the old" has its adjective in it already.
    const { end, ...old } = oldAt(tokens, at + instead.length);
    return { length: end - at, comesAfter: false, ...old };
  }
  const swap = longest(tokens, at, SWAP);
  if (!swap) return null;
  const { end: last, ...old } = oldAt(tokens, at + swap.length);
  // "replace the bulbs on the quad with": the vehicle is out of the sentence by now, a pause is left.
  let end = last;
  while (tokens[end]?.word === ",") end += 1;
  const named = end > at + swap.length && COMES.test(tokens[end]?.word ?? "");
  // "replace the turn lamps": they are what comes, too.
  return named
    ? { length: end + 1 - at, comesAfter: true, ...old }
    : { length: swap.length, comesAfter: true, gone: [], count: null, place: null };
}
