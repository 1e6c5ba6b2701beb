import {
  DAY_MIN,
  readShopTime,
  type DayHours,
  type DaysOff,
  type ShopCalendar,
} from "@dragonet/core";

export const clockText = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;

/** "8:00", "17.30" as minutes of the day; null for what is no time of it. */
export function readClock(text: string): number | null {
  const [, hours, minutes] = /^\s*(\d{1,2})[:.](\d{2})\s*$/.exec(text) ?? [];
  const at = Number(hours) * 60 + Number(minutes);
  return Number(minutes) < 60 && at <= DAY_MIN ? at : null;
}

/** "08:00–17:00" as minutes of the day; "" is closed; null for what is neither. */
export function readHours(text: string): DayHours | null {
  if (text.trim() === "") return { open: 0, close: 0 };
  const [from = "", to = "", ...more] = text.split(/-|–|to/);
  const [open, close] = [readClock(from), readClock(to)];
  if (open === null || close === null || more.length > 0) return null;
  return open < close ? { open, close } : null;
}

export const hoursText = ({ open, close }: DayHours): string =>
  close <= open ? "" : `${clockText(open)}–${clockText(close)}`;

/** "2026-12-25 Christmas", a line a day; the first line that is none is told by its number. */
export function readClosed(text: string): ShopCalendar["closed"] | string {
  const days: { day: string; name: string }[] = [];
  for (const [i, line] of text.split("\n").entries()) {
    if (line.trim() === "") continue;
    const [day = "", ...name] = line.trim().split(/\s+/);
    if (day.length !== 10 || readShopTime(day) === null) {
      return `line ${i + 1}: write a day as 2026-12-25, and its name`;
    }
    days.push({ day, name: name.join(" ") });
  }
  return days;
}

const DAYS_OFF = /^(\S.*?)\s+(\d{4}-\d{2}-\d{2})(?:\s+(?:to\s+)?(\d{4}-\d{2}-\d{2}))?$/;

/**
 * "Pim Okkerse 2026-12-21 to 2026-12-28", a line a stretch; a day by itself is that day. The first line that
 * is none, or of nobody who works here, is told by its number.
 */
export function readAway(text: string, people: readonly string[]): readonly DaysOff[] | string {
  const away: DaysOff[] = [];
  for (const [i, line] of text.split("\n").entries()) {
    if (line.trim() === "") continue;
    const [, who = "", from = "", to = from] = DAYS_OFF.exec(line.trim()) ?? [];
    const days = [from, to].every((day) => readShopTime(day) !== null);
    if (!days || to < from) {
      return `line ${i + 1}: write a name and a day, or two, as ${people[0] ?? "Name"} 2026-12-21 to 2026-12-28`;
    }
    const known = people.find((name) => name.toLowerCase() === who.toLowerCase());
    if (known === undefined) return `line ${i + 1}: nobody here is called ${who}`;
    away.push({ who: known, from, to });
  }
  return away;
}

export const awayText = ({ who, from, to }: DaysOff): string =>
  from === to ? `${who} ${from}` : `${who} ${from} to ${to}`;

/** "54.6, -2.7" as degrees north and east; null for what is no place. */
export function readPlace(text: string): { latitude: number; longitude: number } | null {
  const [, north, east] = /^\s*(-?\d+(?:\.\d+)?)\s*,\s*(-?\d+(?:\.\d+)?)\s*$/.exec(text) ?? [];
  if (north === undefined || east === undefined) return null;
  return { latitude: Number(north), longitude: Number(east) };
}
