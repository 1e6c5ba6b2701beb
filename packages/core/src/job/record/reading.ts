import type { Mend } from "./mend.ts";

/**
 * What was read at a step of the test script, or why it was left out. The newest of a step
 * counts; earlier ones stay, for comparison.
 */
export interface Reading {
  readonly id: string;
  /** The step's probe: what is measured, in which position of the controls. */
  readonly step: string;
  /** V, A, Ω, or the share of full brightness that was seen; null where the step was waived. */
  readonly value: number | null;
  /** From and to what was expected then, in the same unit; null where nothing was. */
  readonly low: number | null;
  readonly high: number | null;
  /** Why it was waived, or a remark. */
  readonly note: string;
  readonly by: string;
  /** Moment, ISO 8601. */
  readonly at: string;
}

/** What a step was last read as on an earlier day than its newest reading; null where never. */
export function earlierReading(readings: readonly Reading[], step: string): Reading | null {
  const taken = readings.filter((r) => r.step === step && r.value !== null);
  const day = (r: Reading): string => r.at.slice(0, 10);
  const newest = taken.reduce((last, r) => (day(r) > last ? day(r) : last), "");
  const before = taken.filter((r) => day(r) < newest).sort((a, b) => (a.at < b.at ? 1 : -1));
  return before[0] ?? null;
}

/** Whether it lies outside what was expected when it was taken. */
export const isOff = ({ value, low, high }: Reading): boolean =>
  value !== null && ((low !== null && value < low) || (high !== null && value > high));

/** The newest reading of every step. */
export function latestReadings(readings: readonly Reading[]): ReadonlyMap<string, Reading> {
  const latest = new Map<string, Reading>();
  for (const reading of readings) {
    const before = latest.get(reading.step);
    if (!before || before.at <= reading.at) latest.set(reading.step, reading);
  }
  return latest;
}

interface Tested {
  readonly readings: readonly Reading[];
  readonly mends: readonly Mend[];
}

/** Whether something was mended since that makes a reading one of how it was. */
const isOfBefore = ({ step, at }: Reading, mends: readonly Mend[]): boolean =>
  mends.some((mend) => mend.when >= at && mend.again.includes(step));

/** The newest reading of every step that still tells how the vehicle is: none of before a mend. */
export function standingReadings({ readings, mends }: Tested): ReadonlyMap<string, Reading> {
  const latest = latestReadings(readings);
  if (mends.length === 0) return latest;
  return new Map([...latest].filter(([, reading]) => !isOfBefore(reading, mends)));
}

/** Steps that were read once, and have to be read again since something was mended. */
export function toReadAgain({ readings, mends }: Tested): string[] {
  return [...latestReadings(readings).values()]
    .filter((reading) => isOfBefore(reading, mends))
    .map(({ step }) => step);
}
