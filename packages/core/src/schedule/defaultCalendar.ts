import type { ShopCalendar } from "./plan.ts";

const day = (open: number, close: number) => ({ open: open * 60, close: close * 60 });

/** A shop before it has said anything: one bench, eight hours on workdays, the middle of Europe. */
export const DEFAULT_CALENDAR: ShopCalendar = {
  ...{ zone: "UTC", latitude: 50, longitude: 0 },
  benches: ["Bench 1"],
  week: [day(8, 17), day(8, 17), day(8, 17), day(8, 17), day(8, 17), day(0, 0), day(0, 0)],
  closed: [],
  latest: 21 * 60,
};
