import type { Span } from "./aboutJob.ts";
import type { SentenceWorld } from "./said.ts";
import { KNOWN_WORDS } from "./word/lexicon.ts";
import { matches, tokensOf, type Token } from "./word/token.ts";

const JOINS: ReadonlySet<string> = new Set(["of", "the", "and", "&", "de", "van", "von"]);

const isCapital = (token: Token | undefined): boolean =>
  token !== undefined && /^\p{Lu}/u.test(token.raw);

/** Words that may stand before and within what people are called by: "the ranger at Low Mill". */
const BEFORE_NAME: ReadonlySet<string> = new Set([
  "the",
  "a",
  "my",
  "our",
  "his",
  "her",
  "their",
  "old",
  "young",
]);
const WITHIN_NAME: ReadonlySet<string> = new Set(["at", "of", "from", "in", "near", "up"]);
/** So many small words at most stand before the first capital. */
const MOST_BEFORE = 4;

/** Where a name ends that begins at a token; the same token where none does. */
function nameEnd(tokens: readonly Token[], from: number, isTaken: (at: number) => boolean): number {
  let at = from;
  const goesOn = (): boolean => {
    const word = tokens[at]?.word ?? "";
    if (at >= tokens.length || isTaken(at) || !/^\p{L}/u.test(word)) return false;
    return BEFORE_NAME.has(word) || WITHIN_NAME.has(word) || !KNOWN_WORDS.has(word);
  };
  if (BEFORE_NAME.has(tokens[at]?.word ?? "") && !isCapital(tokens[at])) {
    while (!isCapital(tokens[at]) && at - from < MOST_BEFORE && goesOn()) at += 1;
  }
  const first = at;
  while (at < tokens.length && !isTaken(at)) {
    const word = tokens[at]?.word ?? "";
    const joins = JOINS.has(word) || (at > first && WITHIN_NAME.has(word));
    if (!isCapital(tokens[at]) && !(joins && isCapital(tokens[at + 1]))) break;
    at += 1;
  }
  // "for LED pods": what has a meaning here alone is nobody's name.
  const named = tokens
    .slice(first, at)
    .some((token) => isCapital(token) && !KNOWN_WORDS.has(token.word));
  return named ? at : from;
}

/** Words with capitals between two pauses, that mean nothing else: "bar, Scar Top Farm, 2 Dec". */
function nameBetween(
  tokens: readonly Token[],
  isTaken: (at: number) => boolean,
): { readonly at: number; readonly end: number } | null {
  const isPause = (at: number): boolean =>
    at < 0 || at >= tokens.length || isTaken(at) || /^[,;]$/.test(tokens[at]?.word ?? "");
  for (let at = 0; at < tokens.length; at += 1) {
    if (!isPause(at - 1) || isPause(at)) continue;
    let end = at;
    while (!isPause(end)) end += 1;
    const words = tokens.slice(at, end);
    const isName = words.every((t) => isCapital(t) || JOINS.has(t.word));
    const odd = words.filter((t) => isCapital(t) && !KNOWN_WORDS.has(t.word)).length;
    if (at > 0 && words.length > 1 && isName && odd > 1) return { at, end };
  }
  return null;
}

/** Whom it is for: a name that the shop knows, or words with capitals behind "for". */
export function customerIn(
  text: string,
  tokens: readonly Token[],
  { customers }: SentenceWorld,
  isTaken: (at: number) => boolean,
): Span<string> | null {
  const known = customers
    .filter((name) => name !== "")
    .map((name) => ({ name, words: tokensOf(name).map((t) => t.word) }))
    .sort((a, b) => b.words.length - a.words.length);
  for (const { name, words } of known) {
    const at = tokens.findIndex((_, i) => !isTaken(i) && matches(tokens, i, words) > 0);
    if (at < 0) continue;
    const begin = tokens[at - 1]?.word === "for" ? at - 1 : at;
    return { meaning: name, at: begin, end: at + words.length };
  }
  for (let i = 0; i + 1 < tokens.length; i += 1) {
    if (!/^(for|customer)$/.test(tokens[i]?.word ?? "") || isTaken(i)) continue;
    const end = nameEnd(tokens, i + 1, isTaken);
    const [first, last] = [tokens[i + 1], tokens[end - 1]];
    if (end > i + 1 && first && last) {
      return { meaning: text.slice(first.at, last.end), at: i, end };
    }
  }
  const between = nameBetween(tokens, isTaken);
  const [first, last] = between ? [tokens[between.at], tokens[between.end - 1]] : [];
  if (!between || !first || !last) return null;
  return { meaning: text.slice(first.at, last.end), ...between };
}
