import { interval, type Interval } from "./interval.ts";

/**
 * Where a number came from. `sister` was measured on other machines of the model, `stated` is the
 * maker's paper, `assumed` nobody has looked yet.
 */
export const PROVENANCES = ["measured", "sister", "stated", "assumed"] as const;
/** Where a value comes from. */
export type Provenance = (typeof PROVENANCES)[number];

/** One electrical fact about a vehicle or a part, with bounds and provenance. SI units. */
export interface BoundedValue {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly provenance: Provenance;
}

/**
 * Half-width of the bounds offered when only a value is typed, as a share of it.
 * Common practice: a clamp meter is good for about 2 %, maker's paper or another machine of the model for 10 %,
 * and a guess from a similar machine for 25 %.
 */
export const DEFAULT_SPREAD: Readonly<Record<Provenance, number>> = {
  measured: 0.02,
  sister: 0.1,
  stated: 0.1,
  assumed: 0.25,
};

const round = (x: number): number => Number(x.toPrecision(6));

/**
 * A value with its bounds; without them the usual ones of its provenance. Throws RangeError
 * where they do not hold it.
 */
export function boundedValue(
  value: number,
  provenance: Provenance,
  low?: number,
  high?: number,
): BoundedValue {
  const spread = Math.abs(value) * DEFAULT_SPREAD[provenance];
  return {
    value,
    low: low ?? round(value - spread),
    high: high ?? round(value + spread),
    provenance,
  };
}

/** A value that somebody measured. */
export const measured = (value: number, low?: number, high?: number): BoundedValue =>
  boundedValue(value, "measured", low, high);
/** A value that its maker states. */
export const stated = (value: number, low?: number, high?: number): BoundedValue =>
  boundedValue(value, "stated", low, high);
/** A value that nobody has told: usual, and wide. */
export const assumed = (value: number, low?: number, high?: number): BoundedValue =>
  boundedValue(value, "assumed", low, high);

/** A value's bounds with its best estimate between them. */
export const boundsOf = (fact: BoundedValue): Interval => interval(fact.low, fact.value, fact.high);

/** The same fact if it were measured and found to be its best estimate. */
export const settled = (fact: BoundedValue): BoundedValue => boundedValue(fact.value, "measured");

/** Recognises a fact by its shape, in data whose type is not known any more. */
export const isBoundedValue = (value: unknown): value is BoundedValue =>
  typeof value === "object" &&
  value !== null &&
  "provenance" in value &&
  "low" in value &&
  "high" in value;

/** A value within bounds: the lower at 0, the best estimate at 0.5, the upper at 1. */
export const settledAt = (
  { low, value, high }: Omit<BoundedValue, "provenance">,
  at: number,
): number => (at < 0.5 ? low + (value - low) * 2 * at : value + (high - value) * (2 * at - 1));
