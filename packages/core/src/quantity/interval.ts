/**
 * A quantity known within bounds. `mid` is the best estimate, not necessarily the centre.
 * Invariant: low ≤ mid ≤ high, all finite. Units are those of the caller (SI inside core).
 */
export interface Interval {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

/** Bounds with a best estimate between them. Throws RangeError where they are not in order. */
export function interval(low: number, mid: number, high: number): Interval {
  if (!(low <= mid && mid <= high)) {
    throw new RangeError(`invalid interval: ${low} … ${mid} … ${high} (needs low ≤ mid ≤ high)`);
  }
  return { low, mid, high };
}

/** A value without doubt. */
export const exactly = (value: number): Interval => interval(value, value, value);

/** Nothing, for sure. */
export const ZERO: Interval = exactly(0);

/** Sum of two intervals: doubts add up. */
export const plus = (a: Interval, b: Interval): Interval =>
  interval(a.low + b.low, a.mid + b.mid, a.high + b.high);

/** Difference of two intervals: doubts add up. */
export const minus = (a: Interval, b: Interval): Interval =>
  interval(a.low - b.high, a.mid - b.mid, a.high - b.low);

/** An interval by a factor; a negative one turns its bounds round. */
export function times(a: Interval, factor: number): Interval {
  return factor >= 0
    ? interval(a.low * factor, a.mid * factor, a.high * factor)
    : interval(a.high * factor, a.mid * factor, a.low * factor);
}

/** Sum of intervals; of none it is zero. */
export const sum = (parts: readonly Interval[]): Interval => parts.reduce(plus, ZERO);

/** Quotient of two intervals, for a strictly positive divisor. Throws RangeError otherwise. */
export function dividedBy(a: Interval, b: Interval): Interval {
  if (b.low <= 0) throw new RangeError(`invalid divisor: ${b.low} (needs to be above 0)`);
  const corners = [a.low / b.low, a.low / b.high, a.high / b.low, a.high / b.high];
  return interval(Math.min(...corners), a.mid / b.mid, Math.max(...corners));
}

/** The image of an interval under a monotone function (rising or falling). */
export function mapMonotone(a: Interval, f: (x: number) => number): Interval {
  const [p, q, mid] = [f(a.low), f(a.high), f(a.mid)];
  return interval(Math.min(p, q, mid), mid, Math.max(p, q, mid));
}

/** How much an interval leaves open. */
export const width = (a: Interval): number => a.high - a.low;
