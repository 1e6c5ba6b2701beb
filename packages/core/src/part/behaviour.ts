import type { Input } from "../job/condition.ts";

/**
 * What a module's way, or a lamp with electronics inside, does with its feed over time: data,
 * not code. A way that follows its input plainly has all of these at rest.
 */
export interface Behaviour {
  readonly label: string;
  /** From the input coming on to the way coming on, and from it going off to the way going off, in s. */
  readonly delayS: number;
  readonly runOnS: number;
  /** Flashes before it stays on; 0 for none, −1 for as long as it is on. */
  readonly flashes: number;
  readonly onS: number;
  readonly offS: number;
  /** Within this time of its last flashes it comes on steady, in s. */
  readonly lockoutS: number;
  /** Level while on, 0–1, and with any of `boostWith` on. */
  readonly level: number;
  readonly boostLevel: number;
  readonly boostWith: readonly Input[];
  /** Flashes only with any of these on, and is steady otherwise; empty for whenever it is on. */
  readonly flashWith: readonly Input[];
  /** Off while any of these is on, and for so long after, in s. */
  readonly offWith: readonly Input[];
  readonly offHoldS: number;
  /** Each press turns it on or off. */
  readonly latch: boolean;
  /** Speed below which it does not flash, in km/h. */
  readonly flashFromKmh: number;
  /** Time in which it comes up to its level, in s; 0 for at once. */
  readonly softS: number;
  /** Current at which it lets go, in A; 0 where nothing watches. */
  readonly tripA: number;
  /** Tries after it has let go, each after `retryS`; then off until it is asked anew. */
  readonly retries: number;
  readonly retryS: number;
}

/** What a lamp does without a module: it follows its wire. */
export const PLAIN: Behaviour = {
  label: "follows",
  delayS: 0,
  runOnS: 0,
  flashes: 0,
  onS: 0.1,
  offS: 0.1,
  lockoutS: 0,
  level: 1,
  boostLevel: 1,
  boostWith: [],
  flashWith: [],
  offWith: [],
  offHoldS: 0,
  latch: false,
  flashFromKmh: 0,
  softS: 0,
  tripA: 0,
  retries: 0,
  retryS: 1,
};
