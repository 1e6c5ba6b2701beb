import { LIT_LEVEL, type LoadPart } from "../../part/index.ts";

/** What people say of a load that does nothing, something, or what it should, by what they use. */
export const SENSE_WORDS = {
  eye: ["dark", "dim", "lit"],
  ear: ["silent", "weak", "loud"],
  hand: ["cold", "lukewarm", "warm"],
  plug: ["dead", "low", "live"],
} as const satisfies Readonly<Record<string, readonly [string, string, string]>>;
/** How it is seen that something works: by eye, ear, hand. */
export type Sense = keyof typeof SENSE_WORDS;

const SENSE_OF: Readonly<Record<LoadPart["family"], Sense>> = {
  lamp: "eye",
  horn: "ear",
  heater: "hand",
  resistor: "hand",
  equaliser: "hand",
  outlet: "plug",
};

export const senseOf = ({ family }: LoadPart): Sense => SENSE_OF[family];

/** Shares of full work that the three words stand for. */
export const SEEN_LEVELS = [0, 0.4, 1] as const;
/** From here on it does what it should, as far as a person can tell: as the proof has it. */
const FULL_LEVEL = 0.8;

/** Which of the three words a share of full work is. */
export const seenRank = (level: number): 0 | 1 | 2 =>
  level < LIT_LEVEL ? 0 : level < FULL_LEVEL ? 1 : 2;

/** Just under a level that itself counts upwards. */
const BELOW = 1e-9;

/** From and to which share of full work people say the same word as of this one. */
export function seenBounds(level: number): readonly [number, number] {
  const starts = [0, LIT_LEVEL, FULL_LEVEL, 1 + BELOW];
  const rank = seenRank(level);
  return [starts[rank] ?? 0, (starts[rank + 1] ?? 1) - BELOW];
}

/** What somebody would say that sees, hears or feels so much of full work (0–1). */
export const seenWord = (level: number, sense: Sense): string =>
  SENSE_WORDS[sense][seenRank(level)];

/** The share of full work that a word stands for, whatever it was said of; null for no such word. */
export function seenLevel(word: string): number | null {
  const said = word.toLowerCase();
  for (const words of Object.values(SENSE_WORDS)) {
    const rank = words.findIndex((one) => one === said);
    if (rank >= 0) return SEEN_LEVELS[rank] ?? null;
  }
  return null;
}
