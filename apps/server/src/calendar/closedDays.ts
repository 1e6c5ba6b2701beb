import ICAL from "ical.js";
import type { ClosedDay } from "@dragonet/core";
import { notValid } from "../http/refusal.ts";

/** Days taken out of one file at most, and how far one that comes again every year is followed. */
const MOST_DAYS = 1000;
const YEARS_AHEAD = 3;
/** Letters of a file: reading it must not keep the server from others. */
const LONGEST_FILE = 500_000;
const MOST_TURNS = 200;

const isoDay = (time: ICAL.Time): string =>
  [
    String(time.year).padStart(4, "0"),
    ...[time.month, time.day].map((n) => String(n).padStart(2, "0")),
  ].join("-");

/** The days that an event lies on, from its first to the one before its end; a moment of a day is that day. */
function daysFrom(start: ICAL.Time, end: ICAL.Time): string[] {
  const days: string[] = [];
  const at = start.clone();
  at.isDate = true;
  do {
    days.push(isoDay(at));
    at.adjust(1, 0, 0, 0);
  } while (at.compare(end) < 0 && days.length < MOST_DAYS);
  return days;
}

/** Moments at which an event begins: once, or by its rule. */
function startsOf(event: ICAL.Event, lastYear: number): ICAL.Time[] {
  if (!event.isRecurring()) return [event.startDate];
  const starts: ICAL.Time[] = [];
  const turns = event.iterator();
  for (let n = 0; n < MOST_TURNS; n += 1) {
    const next = turns.next() as ICAL.Time | null;
    if (!next || next.year > lastYear) break;
    starts.push(next);
  }
  return starts;
}

/** Closed days out of an iCalendar file (RFC 5545): every day of every event in it. Refuses what is none. */
export function closedDaysOf(text: string, today: Date): ClosedDay[] {
  if (text.length > LONGEST_FILE) {
    throw notValid(
      `a calendar of closed days has ${LONGEST_FILE} letters at most; nothing was stored`,
    );
  }
  const lastYear = today.getUTCFullYear() + YEARS_AHEAD;
  try {
    const calendar = new ICAL.Component(ICAL.parse(text) as never);
    const days = calendar.getAllSubcomponents("vevent").flatMap((component) => {
      const event = new ICAL.Event(component);
      const name = (event.summary || "closed").slice(0, 120);
      return startsOf(event, lastYear).flatMap((start) => {
        const end = start.clone();
        end.addDuration(event.duration);
        return daysFrom(start, end).map((day) => ({ day, name }));
      });
    });
    if (days.length === 0) throw new Error("there is no event in it");
    if (days.length > MOST_DAYS) throw new Error(`more than ${MOST_DAYS} days are in it`);
    return days;
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw notValid(`this is no calendar with closed days (iCalendar): ${why}; nothing was stored`);
  }
}
