import { DAY_MIN, readShopTime } from "../src/index.ts";

export const at = (text: string): number => readShopTime(text)!;
/** A Monday. */
export const NOW = at("2026-11-30T08:00");
export const ALWAYS = Array.from({ length: 7 }, () => ({ open: 0, close: DAY_MIN }));
export const WORKDAYS = [0, 1, 2, 3, 4, 5, 6].map((day) =>
  day < 5 ? { open: 8 * 60, close: 17 * 60 } : { open: 0, close: 0 },
);
