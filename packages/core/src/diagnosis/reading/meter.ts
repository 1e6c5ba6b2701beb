import type { Evidence } from "../suspect/diagnose.ts";
import { OPEN_WAY_OHM } from "../expect/ohms.ts";
import { SEEN_LEVELS, seenRank } from "./seen.ts";
import type { Probe } from "../expect/probe.ts";
import type { FaultSuspect } from "../suspect/suspects.ts";

/** Share and digits of the stand-in's own accuracy, and what its tips add of resistance, in Ω. */
const SHARE = 0.003;
const DIGITS = { volts: 0.01, amps: 0.02, milliamps: 0.02, ohms: 0.1 } as const;

/** Uniform in −1 … 1 from a seed and a place: the same reading for the same thing, each time. */
function wobble(seed: number, text: string): number {
  let state = seed >>> 0;
  for (const letter of text) state = Math.imul(state ^ (letter.codePointAt(0) ?? 0), 0x01000193);
  state = Math.imul(state ^ (state >>> 15), 0x2c1b3c6d);
  state = Math.imul(state ^ (state >>> 12), 0x297a2d39);
  return ((state ^ (state >>> 15)) >>> 0) / 2 ** 31 - 1;
}

/**
 * What the simulated meter reads on a circuit with a fault hidden in it: the solved value,
 * off by its own accuracy and rounded to its digits. Null where nothing settles. It is a
 * stand-in for a real one, and says so wherever it is offered.
 */
export function simulatedReading(
  fault: FaultSuspect | null,
  probe: Probe,
  seed = 1,
): Evidence | null {
  const value = probe.bench.reads(fault, probe);
  if (value === null) return null;
  if (probe.at.kind === "look") {
    // A person says one of three words, no more.
    return { probe, value: SEEN_LEVELS[seenRank(value)] };
  }
  // An open way is shown as one.
  if (probe.at.kind === "ohms" && value >= OPEN_WAY_OHM) return { probe, value };
  const digits = DIGITS[probe.at.kind];
  const off = wobble(seed, probe.id) * (SHARE * Math.abs(value) + digits);
  const shown = Number((value + off).toFixed(2));
  return { probe, value: probe.at.kind === "ohms" ? Math.max(0, shown) : shown };
}
