/** What a run of figures shares: how fast the machine is today, what is met and what is missed. */
import { Failure } from "./fail.mjs";

/** The loop below on the machine that the figures were set on, quiet, in ms. */
const REFERENCE_MS = 100;

/**
 * A loop of plain arithmetic, best of five: how fast this machine is today. Milliseconds are
 * told as they would be on the reference machine, so that a slow day misses no figure.
 */
function calibrate() {
  const once = () => {
    const began = performance.now();
    let state = 1;
    let sum = 0;
    for (let i = 0; i < 2e7; i += 1) {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      sum += Math.sqrt(state);
    }
    if (!(sum > 0)) throw new Failure("the calibration loop gave nothing");
    return performance.now() - began;
  };
  return Math.min(...Array.from({ length: 5 }, once));
}

let scale = 1;
let missed = 0;

/** Says a figure beside what it may be at most, and remembers whether it is missed. */
export function tell(what, measured, unit, limit) {
  const value = unit === "ms" ? onReference(measured) : measured;
  const ok = value <= limit;
  if (!ok) missed += 1;
  const number = value.toFixed(value < 10 ? 2 : 1);
  process.stdout.write(
    `${ok ? "met   " : "MISSED"} ${what}: ${number} ${unit} (at most ${limit} ${unit})\n`,
  );
}

/** A figure that is a ratio of two times of this run: at least so much. */
export function tellRatio(what, ratio, least) {
  const ok = ratio >= least;
  if (!ok) missed += 1;
  process.stdout.write(
    `${ok ? "met   " : "MISSED"} ${what}: ${ratio.toFixed(1)} times (at least ${least})\n`,
  );
}

/** Milliseconds of what follows count as on the reference machine. */
export function measureMachine() {
  const loopMs = calibrate();
  // What waits for memory gains nothing from faster arithmetic: a fast machine is not held to more.
  scale = Math.max(1, loopMs / REFERENCE_MS);
  process.stdout.write(
    `       calibration loop ${loopMs.toFixed(1)} ms, ${REFERENCE_MS} ms on the reference: milliseconds below are divided by ${scale.toFixed(2)}\n`,
  );
}

/** Milliseconds as they would be on the reference machine. */
export const onReference = (ms) => ms / scale;

/** How many of the figures told so far are missed. */
export const missedFigures = () => missed;
