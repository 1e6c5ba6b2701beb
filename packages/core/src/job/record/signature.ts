/** What a vehicle is not handed over without, unless somebody signs for it by name. */
export const GATES = ["tested", "readings", "aimed", "stops", "panels"] as const;
/** Something that has to be seen to before a vehicle goes. */
export type Gate = (typeof GATES)[number];

/**
 * Somebody's name under a job: for what is missing at hand-over, with a reason, or, with an
 * empty gate, for the hand-over itself.
 */
export interface Signature {
  readonly id: string;
  readonly gate: Gate | "";
  readonly name: string;
  /** Why it goes out without; "" under the hand-over itself. */
  readonly reason: string;
  /** Moment, ISO 8601. */
  readonly at: string;
}
