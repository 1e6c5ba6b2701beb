import { itemAt, lastItem } from "../present/index.ts";
import type { LampTrace } from "./simulate.ts";

/** Flashes a minute and share of light, as a lamp is judged by. */
export interface FlashMeasure {
  readonly perMin: number;
  readonly onShare: number;
  /** From the first change of the controls that lights it to its first light going out, in s. */
  readonly firstFlashS: number;
  readonly flashes: number;
}

/** Limits a turn signal is held to: 49 CFR 571.108 and SAE J590 (from memory). */
export const FLASH_LIMITS = { leastPerMin: 60, mostPerMin: 120, leastOn: 0.3, mostOn: 0.75 };

/** Breaks longer than this, in s, end one spell of flashing and begin another. */
const SPELL_S = 1.2;

/** Rate and on-share over the longest spell of flashing; null for a lamp that does not flash. */
export function measureFlash(lamp: LampTrace): FlashMeasure | null {
  const rises: number[] = [];
  const falls: number[] = [];
  let was = 0;
  for (const { atS, level } of lamp.steps) {
    if (level > 0 && was === 0) rises.push(atS);
    if (level === 0 && was > 0) falls.push(atS);
    was = level;
  }
  // Spells of rises that follow each other closely.
  let best: number[] = [];
  let spell: number[] = [];
  for (const rise of rises) {
    const last = spell[spell.length - 1];
    if (last !== undefined && rise - last > SPELL_S) spell = [];
    spell = [...spell, rise];
    if (spell.length > best.length) best = spell;
  }
  if (best.length < 3) return null;
  const [first, last] = [itemAt(best, 0), lastItem(best)];
  const period = (last - first) / (best.length - 1);
  const lit = best
    .slice(0, -1)
    .map((rise) => (falls.find((f) => f > rise) ?? rise) - rise)
    .reduce((sum, s) => sum + s, 0);
  return {
    perMin: 60 / period,
    onShare: lit / (last - first),
    firstFlashS: (falls.find((f) => f > first) ?? first) - first,
    flashes: best.length,
  };
}

/** Whether a rate and share are a proper flash; the words say what is amiss. */
export function judgeFlash(measure: FlashMeasure): string {
  const { leastPerMin, mostPerMin, leastOn, mostOn } = FLASH_LIMITS;
  if (measure.perMin > mostPerMin + 1e-6) return "too fast";
  if (measure.perMin < leastPerMin - 1e-6) return "too slow";
  if (measure.onShare > mostOn + 1e-6) return "lit too long";
  return measure.onShare < leastOn - 1e-6 ? "lit too short" : "";
}
