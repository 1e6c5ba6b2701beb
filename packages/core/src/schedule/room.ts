/* oxlint-disable typescript/no-non-null-assertion -- each index is bounded by the loop around it */
import type { Hours } from "./time/hours.ts";
import type { ShopTime } from "./time/shopTime.ts";

/** A stretch that something is taken for. */
export interface Taken {
  start: ShopTime;
  end: ShopTime;
}

/**
 * What one bench, person or wall is taken for, in order of time. Stretches that nothing could be done between are
 * one, so that a full week is looked past in a step.
 */
export class Room {
  private readonly taken: Taken[] = [];

  constructor(
    readonly name: string,
    /** The first moment from one on at which it could be used. */
    private readonly next: (at: ShopTime) => ShopTime,
  ) {}

  /** Whether it is free all through a stretch; one of no length is free anywhere. */
  isFree(start: ShopTime, end: ShopTime): boolean {
    return this.clash(start, end) === null;
  }

  /** When what is in the way of a stretch is over; null for nothing. */
  clash(start: ShopTime, end: ShopTime): ShopTime | null {
    const other = this.taken[this.firstAfter(start)];
    return other && other.start < end && start < end ? other.end : null;
  }

  /**
   * The first stretch from a moment on that is free for so many open minutes; null where the shop does not open
   * often enough.
   */
  fit(ready: ShopTime, minutes: number, hours: Hours): Taken | null {
    let start = hours.next(ready);
    for (let i = this.firstAfter(ready); start !== null; i += 1) {
      const other = this.taken[i];
      // A gap that is shorter by the clock is too short by its open hours.
      if (!other || other.start - start >= minutes) {
        const end = hours.after(start, minutes);
        if (end === null) return null;
        if (!other || end <= other.start) return { start, end };
      }
      if (other.end > start) start = hours.next(other.end);
    }
    return null;
  }

  take(start: ShopTime, end: ShopTime): void {
    if (end <= start) return;
    const { taken } = this;
    let at = taken.length;
    while (at > 0 && taken[at - 1]!.start > start) at -= 1;
    taken.splice(at, 0, { start, end });
    this.join(at);
    if (at > 0) this.join(at - 1);
  }

  /** Makes one of a stretch and those after it that begin before it could be used again. */
  private join(at: number): void {
    const { taken } = this;
    const one = taken[at]!;
    while (at + 1 < taken.length && taken[at + 1]!.start <= this.next(one.end)) {
      one.end = Math.max(one.end, taken[at + 1]!.end);
      taken.splice(at + 1, 1);
    }
  }

  /** The first of what is taken that reaches past a moment. */
  private firstAfter(at: ShopTime): number {
    let [low, high] = [0, this.taken.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.taken[middle]!.end > at) high = middle;
      else low = middle + 1;
    }
    return low;
  }
}
