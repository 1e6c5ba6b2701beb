import { DAY_MIN, dayOf, type ShopCalendar, type ShopTime } from "@dragonet/core";

/** A row of days side by side, each from its shop's first hour to the last that anybody is there. */
export class TimeAxis {
  private readonly low: number;
  private readonly high: number;

  constructor(
    readonly first: ShopTime,
    readonly days: number,
    { week, latest }: Pick<ShopCalendar, "week" | "latest">,
  ) {
    const open = week.filter((day) => day.close > day.open);
    this.low = Math.min(...open.map((day) => day.open), 9 * 60);
    this.high = Math.max(...open.map((day) => day.close), latest, this.low + 60);
  }

  /** Where a moment is, as a share of the whole row; before and after it at its ends. */
  shareOf(at: ShopTime): number {
    const day = (dayOf(at) - this.first) / DAY_MIN;
    const minute = Math.min(Math.max(at - dayOf(at), this.low), this.high);
    const share = (day + (minute - this.low) / (this.high - this.low)) / this.days;
    return Math.min(1, Math.max(0, share));
  }

  /** The moment at a share of the row, to the next half hour. */
  momentAt(share: number): ShopTime {
    const along = Math.min(Math.max(share, 0), 0.999) * this.days;
    const day = Math.floor(along);
    const minute = this.low + (along - day) * (this.high - this.low);
    return this.first + day * DAY_MIN + Math.round(minute / 30) * 30;
  }

  /** The beginnings of its days. */
  all(): ShopTime[] {
    return Array.from({ length: this.days }, (_, i) => this.first + i * DAY_MIN);
  }
}
