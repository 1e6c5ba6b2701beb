import type { CalendarFile, PrintedSchedule } from "./calendarFile.ts";
import { Hours } from "./time/hours.ts";
import { SLOT_WORDS } from "./plan.ts";
import {
  DAY_MIN,
  dayOf,
  printDay,
  printShopTime,
  readShopTime,
  type ShopTime,
} from "./time/shopTime.ts";

/** What is done to a job on one day in one place. */
export interface WeekLine {
  /** "08:00–11:30"; of what stays at the bench "". */
  readonly time: string;
  readonly title: string;
  /** "Fit, Pim Okkerse". */
  readonly what: string;
}

/** One row of the week: a bench, the wall, or what is handed over. */
export interface WeekRow {
  readonly name: string;
  /** Lines of each day. */
  readonly days: readonly (readonly WeekLine[])[];
}

/** The week as it hangs on the shop's wall. */
export interface WeekSheet {
  /** ISO dates, the first that the shop is open on first. */
  readonly days: readonly string[];
  readonly rows: readonly WeekRow[];
  /** Promises of these days, and those that will not be kept. */
  readonly promised: readonly string[];
  readonly late: readonly string[];
  /** What jobs of these days wait for, and who is away. */
  readonly waits: readonly string[];
  readonly away: readonly string[];
}

const WALL = "At the wall, dark";
const NO_BENCH = "Handing over";

const clock = (at: ShopTime): string => printShopTime(at).slice(11);

type Planned = PrintedSchedule["jobs"][number];
type PlannedSlot = Planned["slots"][number];

/** Which row a stretch stands in. */
const rowOf = ({ kind, bench }: PlannedSlot): string =>
  bench !== "" ? bench : kind === "aim" ? WALL : NO_BENCH;

/** A stretch as far as it lies on one day: what reaches over a night begins and ends with the shop. */
function onDay({ kind, start, end, who }: PlannedSlot, day: ShopTime, hours: Hours) {
  const [from, to] = [readShopTime(start) ?? 0, readShopTime(end) ?? 0];
  if (to <= day || from >= day + DAY_MIN) return [];
  const open = kind === "aim" ? null : hours.of(day);
  const first = Math.max(from, open ? day + open.open : day);
  const last = Math.min(to, open ? day + open.close : day + DAY_MIN);
  return last <= first && kind !== "cure" ? [] : [{ kind, who, first, last }];
}

const words = (list: readonly string[]): string =>
  [...new Set(list)].filter((text) => text !== "").join(", ");

/** All that is done to a job in one row on one day, as one line; null where that is nothing. */
function lineOf({ title, slots }: Planned, row: string, day: ShopTime, hours: Hours) {
  const ends = slots.filter(({ end }) => end.startsWith(printDay(day)));
  const atBench = ends.some(({ bench }) => bench !== "");
  // What goes out on the day of its bench is told there.
  if (row === NO_BENCH && atBench) return null;
  const parts = slots.filter((slot) => rowOf(slot) === row).flatMap((s) => onDay(s, day, hours));
  if (parts.length === 0) return null;
  const worked = parts.filter(({ kind }) => kind !== "cure");
  const some = worked.length > 0 ? worked : parts;
  const first = Math.min(...some.map((part) => part.first));
  const last = Math.max(...some.map((part) => part.last));
  const handed = ends.find(({ kind }) => kind === "handOver");
  const out = handed && row !== NO_BENCH && row !== WALL ? `out ${handed.end.slice(11)}` : "";
  const what = [...some.map(({ kind }) => SLOT_WORDS[kind]), ...some.map(({ who }) => who), out];
  const time = worked.length === 0 ? "" : `${clock(first)}–${clock(last)}`;
  return { at: first, line: { title, time, what: words(what) } };
}

/**
 * The next days that a shop is open on, benches and the wall by day, from a plan and what it was made of.
 *
 * @param most days at most
 */
export function weekSheetOf(
  plan: PrintedSchedule,
  { calendar, now }: Pick<CalendarFile, "calendar" | "now">,
  most = 5,
): WeekSheet {
  const hours = new Hours(calendar.week, calendar.closed);
  const days: ShopTime[] = [];
  for (let at = hours.next(readShopTime(now) ?? 0); at !== null && days.length < most;) {
    days.push(dayOf(at));
    at = hours.next(dayOf(at) + DAY_MIN);
  }
  const lines = (name: string, day: ShopTime): WeekLine[] =>
    plan.jobs
      .flatMap((job) => lineOf(job, name, day, hours) ?? [])
      .sort((a, b) => a.at - b.at)
      .map(({ line }) => line);
  const rows = [...calendar.benches, WALL, NO_BENCH].map((name) => ({
    name,
    days: days.map((day) => lines(name, day)),
  }));
  const dates = days.map(printDay);
  const [first = "", last = ""] = [dates[0], dates.at(-1)];
  const within = (day: string): boolean => day !== "" && day >= first && day <= last;
  const begun = plan.jobs.filter(({ slots }) =>
    slots.some(({ start, end }) => start.slice(0, 10) <= last && end.slice(0, 10) >= first),
  );
  return {
    days: dates,
    rows: rows.filter(
      ({ name, days: of }) => calendar.benches.includes(name) || of.some((d) => d.length > 0),
    ),
    promised: plan.jobs.flatMap(({ title, promised }) =>
      within(promised) ? [`${promised}: ${title}`] : [],
    ),
    late: plan.jobs.flatMap(({ title, lateMin, promised, end }) =>
      lateMin > 0 && promised <= last
        ? [`${title}: promised ${promised}, done ${end.replace("T", " ")}`]
        : [],
    ),
    waits: begun.flatMap(({ title, provided }) =>
      provided.length > 0 ? [`${title}: ${provided.join(", ")}`] : [],
    ),
    away: (calendar.away ?? []).flatMap(({ who, from, to }) =>
      from <= last && to >= first ? [`${who}, ${from === to ? from : `${from} to ${to}`}`] : [],
    ),
  };
}
