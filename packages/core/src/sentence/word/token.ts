import { distance } from "fastest-levenshtein";
import { KNOWN_WORDS } from "./lexicon.ts";

/** One word of a sentence, and where it stands in it. */
export interface Token {
  /** As it is compared: small letters, without possessive or plural dots. */
  readonly word: string;
  readonly raw: string;
  readonly at: number;
  readonly end: number;
}

const WORD =
  /\d+(?:[.,]\d+)?|x(?=\d)|[\p{L}](?:[\p{L}\p{N}]|[-'’.](?=[\p{L}\p{N}]))*|[,;:()×&+/]/gu;

const normal = (raw: string): string =>
  raw
    .toLowerCase()
    .replace(/['’]s$/u, "")
    .replace(/^(\d+),(\d+)$/, "$1.$2");

/** Words, numbers and the marks between them; "40W" is a number and a word. */
export function tokensOf(text: string): Token[] {
  return [...text.matchAll(WORD)].map((m) => ({
    word: normal(m[0]),
    raw: m[0],
    at: m.index,
    end: m.index + m[0].length,
  }));
}

/** Letters from which a word may be one letter off, and two. */
const [ONE_OFF, TWO_OFF] = [4, 9];

/** Whether a word was meant: as written, in the plural, or with a slip of the finger. */
export function isNear(said: string, meant: string): boolean {
  // The first letter is seldom the wrong one, and tells most words apart.
  if (said[0] !== meant[0]) return false;
  if (said === meant || said === `${meant}s` || `${said}s` === meant) return true;
  // A word that means something of its own is no slip of another.
  if (KNOWN_WORDS.has(said) || /\d/.test(said) || /\d/.test(meant)) return false;
  const shorter = Math.min(said.length, meant.length);
  const allowed = shorter >= TWO_OFF ? 2 : shorter >= ONE_OFF ? 1 : 0;
  if (allowed === 0 || Math.abs(said.length - meant.length) > allowed) return false;
  return distance(said, meant) <= allowed || isSwapped(said, meant);
}

/** Two letters next to each other in the wrong order. */
function isSwapped(said: string, meant: string): boolean {
  if (said.length !== meant.length) return false;
  const i = [...said].findIndex((letter, k) => letter !== meant[k]);
  return (
    said[i] === meant[i + 1] && said[i + 1] === meant[i] && said.slice(i + 2) === meant.slice(i + 2)
  );
}

/** How many tokens from `at` are the words of a phrase; 0 where they are not. */
export function matches(tokens: readonly Token[], at: number, phrase: readonly string[]): number {
  if (at + phrase.length > tokens.length) return 0;
  return phrase.every((word, i) => isNear(tokens[at + i]?.word ?? "", word)) ? phrase.length : 0;
}

type Phrases<T> = readonly (readonly [words: string, meaning: T])[];

/** The words of phrases, taken apart once: a sentence is looked through for all of them at each of its places. */
const apart = new WeakMap<Phrases<unknown>, readonly (readonly string[])[]>();

function wordsOf(phrases: Phrases<unknown>): readonly (readonly string[])[] {
  const known = apart.get(phrases);
  if (known) return known;
  const made = phrases.map(([words]) => words.split(" "));
  apart.set(phrases, made);
  return made;
}

/** The longest of some phrases that stands at a place. */
export function longest<T>(
  tokens: readonly Token[],
  at: number,
  phrases: Phrases<T>,
): { readonly meaning: T; readonly length: number } | null {
  let best: { meaning: T; length: number } | null = null;
  const words = wordsOf(phrases);
  for (const [i, [, meaning]] of phrases.entries()) {
    const length = matches(tokens, at, words[i] ?? []);
    if (length > (best?.length ?? 0)) best = { meaning, length };
  }
  return best;
}
