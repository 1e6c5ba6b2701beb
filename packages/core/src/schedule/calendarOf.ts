import type { JobSummary } from "../plan/summary.ts";
import { CALENDAR_FORMAT, type CalendarFile, type JobInFile } from "./calendarFile.ts";
import type { ShopCalendar } from "./plan.ts";
import { printShopTime, shopTimeOf } from "./time/shopTime.ts";

/** What somebody said about one job: "" where nothing was. */
export interface Booking {
  readonly jobId: string;
  readonly start: string;
  readonly bench: string;
  readonly notBefore: string;
}

/** What a shop's benches are planned with. */
export interface ShopBookings {
  readonly calendar: ShopCalendar;
  readonly people: readonly string[];
  readonly bookings: readonly Booking[];
}

type Listed = Pick<
  JobSummary,
  "title" | "customer" | "model" | "machine" | "promised" | "bench" | "waiting" | "work" | "curing"
> & { readonly id: string };

/** Reasons that somebody or something outside has to end; the rest is work like any other. */
const OUTSIDE: ReadonlySet<string> = new Set(["part", "customer", "other"]);

const hasWork = ({ work }: Listed): boolean =>
  work.fitMin + work.cureH + work.closeMin + work.aimMin + work.handOverMin > 0;

/** The latest of the day that a job is said to wait for and of what still cures on it. */
function notBeforeOf(job: Listed, booked: Booking | undefined, zone: string): string {
  const cured = job.curing.map(({ handleAt }) =>
    printShopTime(shopTimeOf(new Date(handleAt), zone)),
  );
  const said = booked?.notBefore ? [`${booked.notBefore}T00:00`] : [];
  return [...cured, ...said].sort().at(-1) ?? "";
}

/** The jobs of a board, what was said about them and the shop, as what a plan is made of. */
export function calendarOf(
  { calendar, people, bookings }: ShopBookings,
  jobs: readonly Listed[],
  now: Date,
): CalendarFile {
  const booked = new Map(bookings.map((booking) => [booking.jobId, booking]));
  return {
    format: CALENDAR_FORMAT,
    now: printShopTime(shopTimeOf(now, calendar.zone)),
    calendar,
    people,
    jobs: jobs.filter(hasWork).map((job): JobInFile => {
      const its = booked.get(job.id);
      const waits = job.waiting.filter(({ kind }) => OUTSIDE.has(kind)).map(({ text }) => text);
      return {
        id: job.id,
        title: [job.title, [job.model, job.machine].filter((w) => w !== "").join(", ")].join(": "),
        promised: job.promised,
        work: job.work,
        bench: calendar.benches.includes(job.bench) ? job.bench : "",
        notBefore: notBeforeOf(job, its, calendar.zone),
        // What has its day is waited for; the rest is taken to be there.
        provided: its?.notBefore ? [] : waits,
        pin: its && its.start !== "" ? { start: its.start, bench: its.bench } : null,
      };
    }),
  };
}
