import { ARTICLES } from "./feedAt.ts";
import { KIND_WORDS } from "./lexicon.ts";
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
}

/** The words that name a lamp that goes: "the old halogen turn bulbs". */
function oldAt(tokens: readonly Token[], from: number) {
  const word = (at: number): string => tokens[at]?.word ?? "";
  let at = from;
  while (ARTICLES.has(word(at)) || OLD.test(word(at))) at += 1;
  while (KIND_WORDS.includes(word(at)) && (sortAt(tokens, at + 1) ?? ONES.test(word(at + 1)))) {
    at += 1;
  }
  // "left and right turn bulbs", "front turn lamps"
  while (/^(left|right|front|rear|and)$/.test(word(at)) && at < tokens.length) at += 1;
  const gone: string[] = [];
  for (let sort = sortAt(tokens, at); sort; sort = sortAt(tokens, at)) {
    gone.push(sort.meaning.sort);
    at += sort.length;
  }
  while (ONES.test(word(at))) at += 1;
  return { end: at, gone: gone.filter((sort) => sort !== "lamp" && sort !== "bulb") };
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
    const { end, gone } = oldAt(tokens, at + instead.length);
    return { length: end - at, comesAfter: false, gone };
  }
  const swap = longest(tokens, at, SWAP);
  if (!swap) return null;
  const { end: last, gone } = oldAt(tokens, at + swap.length);
  // "replace the bulbs on the quad with": the vehicle is out of the sentence by now, a pause is left.
  let end = last;
  while (tokens[end]?.word === ",") end += 1;
  const named = end > at + swap.length && COMES.test(tokens[end]?.word ?? "");
  // "replace the turn lamps": they are what comes, too.
  return named
    ? { length: end + 1 - at, comesAfter: true, gone }
    : { length: swap.length, comesAfter: true, gone: [] };
}
