import type { KitPart, Part } from "../part/index.ts";
import type { Span } from "./aboutJob.ts";
import { matches, tokensOf, type Token } from "./word/token.ts";

/** Where the words for a kit end within its name: "Road kit" of "Road kit for carts, six relays". */
const HEAD = /^(kit|set)$/;
const BEFORE_KIT: ReadonlySet<string> = new Set(
  ["unbox", "fit", "install", "put", "the", "a", "an", "our", "and", "with"].concat(","),
);

/** Names by which kits may be called: the whole of it, and what stands before "kit" where only one is called so. */
function namesOf(kits: readonly KitPart[]) {
  const whole = kits.map((kit) => ({ kit, words: tokensOf(kit.name).map((t) => t.word) }));
  const short = whole.flatMap(({ kit, words }) => {
    const head = words.findIndex((word) => HEAD.test(word));
    return head > 0 ? [{ kit, words: words.slice(0, head + 1) }] : [];
  });
  const called = (words: readonly string[]): number =>
    short.filter((other) => other.words.join(" ") === words.join(" ")).length;
  return [...whole, ...short.filter(({ words }) => called(words) === 1)].sort(
    (a, b) => b.words.length - a.words.length,
  );
}

/** Kits of the shelf that are spoken of, each where it stands. */
export function kitsIn(
  tokens: readonly Token[],
  shelf: readonly Part[],
  isTaken: (at: number) => boolean,
): readonly Span<KitPart>[] {
  const names = namesOf(shelf.flatMap((part) => (part.kind === "kit" ? [part] : [])));
  const found: Span<KitPart>[] = [];
  for (let at = 0; at < tokens.length; at += 1) {
    if (isTaken(at)) continue;
    const name = names.find(({ words }) => matches(tokens, at, words) > 0);
    if (!name) continue;
    let begin = at;
    while (begin > 0 && !isTaken(begin - 1) && BEFORE_KIT.has(tokens[begin - 1]?.word ?? "")) {
      begin -= 1;
    }
    found.push({ meaning: name.kit, at: begin, end: at + name.words.length });
    at += name.words.length - 1;
  }
  return found;
}
