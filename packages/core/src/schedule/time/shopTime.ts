/**
 * A moment by the shop's own clocks: minutes since 1970-01-01T00:00 of them. No zone is in it, so that a day is
 * a day; what comes from outside is turned into it once.
 */
export type ShopTime = number;

/** Minutes of a day. */
export const DAY_MIN = 1440;

/** "2026-12-02T08:30" as minutes; null for what is no such moment. */
export function readShopTime(text: string): ShopTime | null {
  if (!/^\d{4}-\d{2}-\d{2}(T\d{2}:\d{2})?$/.test(text)) return null;
  const ms = Date.parse(`${text.length === 10 ? `${text}T00:00` : text}:00Z`);
  if (Number.isNaN(ms) || !new Date(ms).toISOString().startsWith(text)) return null;
  return ms / 60_000;
}

/** Minutes as "2026-12-02T08:30". */
export const printShopTime = (at: ShopTime): string =>
  new Date(Math.round(at) * 60_000).toISOString().slice(0, 16);

/** The day that a moment lies in, as minutes at its beginning. */
export const dayOf = (at: ShopTime): ShopTime => Math.floor(at / DAY_MIN) * DAY_MIN;

/** The day as ISO 8601: "2026-12-02". */
export const printDay = (at: ShopTime): string => printShopTime(at).slice(0, 10);

/** 0 Monday to 6 Sunday: 1970-01-01 was a Thursday. */
export const weekdayOf = (at: ShopTime): number => (Math.floor(at / DAY_MIN) + 3) % 7;

/** What the shop's clocks show at a moment, by the rules of its zone (IANA name). Throws RangeError for no such zone. */
export function shopTimeOf(moment: Date, zone: string): ShopTime {
  const parts = new Intl.DateTimeFormat("en-GB", {
    ...{ timeZone: zone, hourCycle: "h23", year: "numeric", month: "2-digit", day: "2-digit" },
    ...{ hour: "2-digit", minute: "2-digit" },
  }).formatToParts(moment);
  const of = (type: string): string => parts.find((part) => part.type === type)?.value ?? "";
  const text = `${of("year").padStart(4, "0")}-${of("month")}-${of("day")}T${of("hour")}:${of("minute")}`;
  return readShopTime(text) ?? 0;
}

/** Whether a zone is one that clocks can be set by. */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat("en-GB", { timeZone: zone });
    return zone !== "";
  } catch {
    return false;
  }
}
