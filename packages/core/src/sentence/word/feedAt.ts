import type { Vehicle } from "../../vehicle/index.ts";
import type { SaidFeed } from "../said.ts";
import { isNear, longest, tokensOf, type Token } from "./token.ts";

/** Words before a thing that say nothing of it. */
export const ARTICLES: ReadonlySet<string> = new Set([
  "the",
  "its",
  "their",
  "his",
  "her",
  "a",
  "an",
]);

/** "from the battery", "off the accessory outlet", "through a converter"; null where no feed is said. */
export function feedAt(
  tokens: readonly Token[],
  from: number,
  vehicle: Vehicle | null,
): { readonly meaning: SaidFeed; readonly length: number } | null {
  const word = (at: number): string => tokens[at]?.word ?? "";
  if (!/^(from|off|through|via)$/.test(word(from))) return null;
  let at = from + 1;
  if (/^(of|from)$/.test(word(at))) at += 1;
  while (ARTICLES.has(word(at)) || word(at) === "whole") at += 1;
  const plain = (["battery", "pack", "converter"] as const).find((w) => isNear(word(at), w));
  if (plain) return { meaning: { kind: plain }, length: at + 1 - from };
  const pins = vehicle?.pins.filter((pin) => pin.liveWhen !== "ground") ?? [];
  const wires = pins.map(({ carries, id }) => {
    const words = tokensOf(carries).map((t) => t.word);
    return [words.join(" "), id] as const;
  });
  const found = longest(tokens, at, wires);
  if (!found) return null;
  return { meaning: { kind: "pin", pinId: found.meaning }, length: at + found.length - from };
}
