import { setTimeout as sleep } from "node:timers/promises";

/** First and longest pause before something that ended is started again, in ms. */
const FIRST_MS = 500;
const LONGEST_MS = 15_000;
/** What has run so long was well: the next pause is the first again, in ms. */
const WELL_MS = 10_000;

/**
 * Keeps something running: starts it, and again when it ends, with pauses that grow while it
 * ends quickly. `start` answers a promise of its end; `stopping` says that the end is wanted.
 */
export async function keepRunning({ name, start, stopping, say, pause = sleep, now = Date.now }) {
  let pauseMs = FIRST_MS;
  for (;;) {
    const began = now();
    let why;
    try {
      const ended = await start();
      why = await ended;
    } catch (error) {
      why = error instanceof Error ? error.message : String(error);
    }
    if (stopping()) return;
    if (now() - began > WELL_MS) pauseMs = FIRST_MS;
    say(`${name} ended (${why}): starting it again in ${pauseMs / 1000} s.`);
    await pause(pauseMs);
    if (stopping()) return;
    pauseMs = Math.min(LONGEST_MS, pauseMs * 2);
  }
}
