import type { JobToPlan, Pin, Schedule, ShopCalendar, SlotKind } from "./plan.ts";
import { schedule } from "./schedule.ts";
import { printShopTime, readShopTime } from "./time/shopTime.ts";

/** Format of calendar files. */
export const CALENDAR_FORMAT = "dragonet-calendar/1";

/** A job of a calendar as it stands in a file: moments as the shop's clocks show them, "2026-12-02T08:30". */
export interface JobInFile extends Omit<JobToPlan, "notBefore" | "pin"> {
  readonly notBefore: string;
  readonly pin: { readonly start: string; readonly bench: string } | null;
}

/** Everything that a plan is made of, as an open file. */
export interface CalendarFile {
  readonly format: typeof CALENDAR_FORMAT;
  /** From when on it is planned. */
  readonly now: string;
  readonly calendar: ShopCalendar;
  readonly people: readonly string[];
  readonly jobs: readonly JobInFile[];
}

/** A plan with its moments in letters. */
export interface PrintedSchedule {
  readonly end: string | null;
  readonly bound: string | null;
  readonly jobs: readonly {
    readonly id: string;
    readonly title: string;
    readonly end: string;
    readonly promised: string;
    readonly lateMin: number;
    readonly provided: readonly string[];
    readonly amiss: readonly string[];
    readonly slots: readonly {
      readonly kind: SlotKind;
      readonly start: string;
      readonly end: string;
      readonly bench: string;
      readonly who: string;
    }[];
  }[];
  readonly unplanned: readonly {
    readonly id: string;
    readonly title: string;
    readonly why: string;
  }[];
}

const pinOf = (pin: JobInFile["pin"]): Pin | null => {
  const start = pin ? readShopTime(pin.start) : null;
  return pin && start !== null ? { start, bench: pin.bench } : null;
};

/** A job of a file as the scheduler takes it. */
export const jobToPlan = (job: JobInFile): JobToPlan => ({
  ...job,
  notBefore: readShopTime(job.notBefore),
  pin: pinOf(job.pin),
});

const printMoment = (at: number | null): string | null => (at === null ? null : printShopTime(at));

/** A plan in letters, its jobs by when they are done. */
export function printSchedule(plan: Schedule, jobs: readonly JobInFile[]): PrintedSchedule {
  const known = new Map(jobs.map((job) => [job.id, job]));
  return {
    end: printMoment(plan.end),
    bound: printMoment(plan.bound),
    jobs: [...plan.jobs]
      .sort((a, b) => a.end - b.end || (a.id < b.id ? -1 : 1))
      .map(({ id, slots, end, lateMin, amiss }) => ({
        id,
        title: known.get(id)?.title ?? "",
        end: printShopTime(end),
        promised: known.get(id)?.promised ?? "",
        lateMin: Math.round(lateMin),
        provided: known.get(id)?.provided ?? [],
        amiss,
        slots: slots.map((slot) => ({
          ...slot,
          start: printShopTime(slot.start),
          end: printShopTime(slot.end),
        })),
      })),
    unplanned: plan.unplanned.map(({ id, why }) => ({
      ...{ id, title: known.get(id)?.title ?? "", why },
    })),
  };
}

/** Plans what a file holds. */
export const planCalendar = ({ calendar, people, jobs, now }: CalendarFile): PrintedSchedule =>
  printSchedule(schedule(calendar, people, jobs.map(jobToPlan), readShopTime(now) ?? 0), jobs);
