/** The shop's own clock: moments in minutes, zones, open hours over weekends and closed days. */
import fc from "fast-check";
import {
  Hours,
  isZone,
  printDay,
  printShopTime,
  readShopTime,
  shopTimeOf,
  weekdayOf,
} from "../src/index.ts";
import { NOW, WORKDAYS, at } from "./shopDays.ts";

describe("the shop's own clock", () => {
  it("is minutes, and reads back what it prints", () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e6, max: 5e7 }), (minutes) => {
        expect(readShopTime(printShopTime(minutes))).toBe(minutes);
        expect(printShopTime(minutes).slice(0, 10)).toBe(printDay(minutes));
      }),
    );
    for (const wrong of ["", "2026-13-01", "2026-02-30", "tomorrow", "2026-12-01 08:00"]) {
      expect(readShopTime(wrong)).toBeNull();
    }
  });

  it("knows Monday, and what a zone's clocks show", () => {
    expect(weekdayOf(at("2026-11-30"))).toBe(0);
    expect(weekdayOf(at("2026-11-29T23:59"))).toBe(6);
    // Central European Time is an hour ahead of UTC in winter, two in summer.
    const shown = (iso: string): string =>
      printShopTime(shopTimeOf(new Date(iso), "Europe/Berlin"));
    expect(shown("2026-12-31T23:30:00Z")).toBe("2027-01-01T00:30");
    expect(shown("2026-07-01T10:00:00Z")).toBe("2026-07-01T12:00");
    expect([isZone("Europe/Berlin"), isZone("Mars/Base"), isZone("")]).toEqual([
      true,
      false,
      false,
    ]);
  });

  it("counts open minutes, over closed days and weekends", () => {
    const hours = new Hours(WORKDAYS, [{ day: "2026-12-01", name: "stocktaking" }]);
    expect(printShopTime(hours.next(at("2026-11-30T18:00"))!)).toBe("2026-12-02T08:00");
    // Friday afternoon, an hour left: two more on Monday.
    expect(printShopTime(hours.after(at("2026-12-04T16:00"), 180)!)).toBe("2026-12-07T10:00");
    expect(hours.between(at("2026-11-30T12:00"), at("2026-12-02T09:00"))).toBe(5 * 60 + 60);
    const never = new Hours(
      WORKDAYS.map(() => ({ open: 0, close: 0 })),
      [],
    );
    expect([never.next(NOW), never.after(NOW, 1)]).toEqual([null, null]);
  });
});
