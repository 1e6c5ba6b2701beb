import { itemAt } from "../../present/index.ts";
import { DAY_MIN, dayOf, readShopTime, weekdayOf, type ShopTime } from "./shopTime.ts";

/** When a shop is open on one day of the week, minutes of the day; the same for a day that it is not. */
export interface DayHours {
  readonly open: number;
  readonly close: number;
}

/** A day that the shop is closed on, whatever its weekday. */
export interface ClosedDay {
  /** ISO 8601: "2026-12-25". */
  readonly day: string;
  readonly name: string;
}

/** Days looked ahead for one that is open: a shop that is closed for longer plans nothing. */
const MOST_DAYS = 400;

/** Days by which more of the calendar is worked out at a time. */
const DAYS_AT_ONCE = 64;

/** A shop's hours, asked for by moments. What a day is is worked out once. */
export class Hours {
  private readonly closed: ReadonlySet<ShopTime | null>;
  private readonly days = new Map<number, Float64Array>();

  constructor(
    /** Monday first. */
    private readonly week: readonly DayHours[],
    closed: readonly ClosedDay[],
  ) {
    this.closed = new Set(closed.map(({ day }) => readShopTime(day)));
  }

  /** Open minutes of the day of a moment, from midnight of it; null where it is closed. */
  of(at: ShopTime): DayHours | null {
    const hours = this.week[weekdayOf(at)];
    if (!hours || hours.close <= hours.open) return null;
    return this.closed.has(dayOf(at)) ? null : hours;
  }

  /** Days from a block's first on: opening and closing of each, one after the other; the same where it is closed. */
  private blockOf(index: number): Float64Array {
    const known = this.days.get(index);
    if (known) return known;
    const block = new Float64Array(2 * DAYS_AT_ONCE);
    for (let i = 0; i < DAYS_AT_ONCE; i += 1) {
      const day = (index * DAYS_AT_ONCE + i) * DAY_MIN;
      const hours = this.of(day);
      block[2 * i] = day + (hours?.open ?? 0);
      block[2 * i + 1] = day + (hours?.close ?? 0);
    }
    this.days.set(index, block);
    return block;
  }

  private opening(day: number, closing: 0 | 1): ShopTime {
    const index = Math.floor(day / DAYS_AT_ONCE);
    return itemAt(this.blockOf(index), 2 * (day - index * DAYS_AT_ONCE) + closing);
  }

  /** The first moment from one on at which it is open; null where none comes. */
  next(at: ShopTime): ShopTime | null {
    const first = Math.floor(at / DAY_MIN);
    for (let day = first; day < first + MOST_DAYS; day += 1) {
      const start = Math.max(at, this.opening(day, 0));
      if (start < this.opening(day, 1)) return start;
    }
    return null;
  }

  /** When work of so many minutes is done that is begun at a moment: it rests while the shop is closed. */
  after(start: ShopTime, minutes: number): ShopTime | null {
    let left = minutes;
    let at = this.next(start);
    while (at !== null) {
      const end = this.opening(Math.floor(at / DAY_MIN), 1);
      if (left <= end - at) return at + left;
      left -= end - at;
      at = this.next(end);
    }
    return null;
  }

  /** Open minutes between two moments. */
  between(from: ShopTime, to: ShopTime): number {
    let sum = 0;
    for (let day = Math.floor(from / DAY_MIN); day * DAY_MIN < to; day += 1) {
      const [open, close] = [this.opening(day, 0), this.opening(day, 1)];
      sum += Math.max(0, Math.min(to, close) - Math.max(from, open));
    }
    return sum;
  }
}
