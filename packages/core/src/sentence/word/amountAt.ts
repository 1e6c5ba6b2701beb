import { COUNT_WORDS } from "./lexicon.ts";
import type { Token } from "./token.ts";

/** What a number tells: of what power, volts or current a thing is, or how many of them. */
export interface Amount {
  readonly of: "watts" | "volts" | "amps" | "count";
  readonly value: number;
  readonly length: number;
}

const UNITS: readonly (readonly [RegExp, Amount["of"]])[] = [
  [/^(w|watts?)$/, "watts"],
  [/^(v|volts?)$/, "volts"],
  [/^(a|amps?|amperes?)$/, "amps"],
];

/** Units of what no load is called by: a number before them counts nothing. */
const OTHER_UNIT = /^(mm|cm|m|ah|%)$/;

const TIMES = /^[x×]$/;

/** "two", "a pair of", "40 W", "12 V", "3 A": null where no number stands. */
export function amountAt(tokens: readonly Token[], at: number): Amount | null {
  const word = tokens[at]?.word ?? "";
  const next = tokens[at + 1]?.word ?? "";
  if (/^\d/.test(word)) {
    const value = Number(word);
    const unit = UNITS.find(([pattern]) => pattern.test(next));
    // "2 A" is amps, and "put 2 a side" is none: a unit that is a word of its own is a capital.
    const isUnit = unit && !(next === "a" && tokens[at + 1]?.raw === "a" && isSpaced(tokens, at));
    if (isUnit) return { of: unit[1], value, length: 2 };
    if (!/^\d{1,2}$/.test(word) || OTHER_UNIT.test(next)) return null;
    return { of: "count", value, length: TIMES.test(next) ? 2 : 1 };
  }
  const count = COUNT_WORDS[word];
  return count === undefined ? null : { of: "count", value: count, length: 1 };
}

/** Whether a space stands between a word and the next one. */
const isSpaced = (tokens: readonly Token[], at: number): boolean =>
  (tokens[at]?.end ?? 0) < (tokens[at + 1]?.at ?? 0);
