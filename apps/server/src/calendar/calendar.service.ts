import { Inject, Injectable } from "@nestjs/common";
import { asc, eq, sql } from "drizzle-orm";
import {
  DEFAULT_CALENDAR,
  calendarOf,
  type CalendarFile,
  type PrintedSchedule,
  type ShopCalendar,
} from "@dragonet/core";
import type { BookingRequest, CalendarAnswer, ImportedAnswer } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { booking, job, person, shop } from "../database/schema.ts";
import { gone, notFound, notValid } from "../http/refusal.ts";
import { BoardService } from "../jobs/board.service.ts";
import type { SignedIn } from "../people/access.ts";
import { WorkPool } from "../work/pool.ts";
import { closedDaysOf } from "./closedDays.ts";

const MOST_CLOSED = 1000;
/** As many as the plan is made of: jobs with work left, the first promised first. */
const MOST_BOOKED = 1000;
/** People that the plan is made with, those first who have been there longest. */
const MOST_AT_WORK = 500;

/** Benches, hours, closed days, and what was said about single jobs. */
@Injectable()
export class CalendarService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(BoardService) private readonly board: BoardService,
    @Inject(WorkPool) private readonly pool: WorkPool,
  ) {}

  private async calendar(): Promise<ShopCalendar> {
    const [row] = await this.db.select({ calendar: shop.calendar }).from(shop);
    return row?.calendar ?? DEFAULT_CALENDAR;
  }

  async read(): Promise<CalendarAnswer> {
    const [calendar, people, bookings] = await Promise.all([
      this.calendar(),
      this.db
        .select({ name: person.name })
        .from(person)
        // Written as the index has it.
        .where(sql`active and role <> 'viewer'`)
        .orderBy(asc(person.createdAt), asc(person.name))
        .limit(MOST_AT_WORK),
      this.db
        .select({
          jobId: booking.jobId,
          start: booking.start,
          bench: booking.bench,
          notBefore: booking.notBefore,
        })
        .from(booking)
        .innerJoin(job, eq(booking.jobId, job.id))
        // Where nothing is left to be done a word about when says nothing.
        .where(sql`removed_at is null and is_open`)
        .orderBy(asc(job.boardOrder), asc(job.id))
        .limit(MOST_BOOKED),
    ]);
    return { calendar, people: people.map(({ name }) => name), bookings };
  }

  async setCalendar(calendar: ShopCalendar): Promise<void> {
    await this.db.update(shop).set({ calendar });
  }

  /** Keeps what is said about one job; nothing said is nothing kept. Answers the job's title. */
  async book(
    jobId: string,
    { start, bench, notBefore }: BookingRequest,
    me: SignedIn,
  ): Promise<string> {
    if ((start === "") !== (bench === "")) {
      throw notValid(
        "start and bench: a job stays at a bench from a moment on, or neither is said",
      );
    }
    const [row] = await this.db
      .select({ summary: job.summary, removedAt: job.removedAt })
      .from(job)
      .where(eq(job.id, jobId));
    if (!row) throw notFound("job", jobId);
    if (row.removedAt) throw gone("this job is in the bin: nothing was stored");
    if (start === "" && notBefore === "") {
      await this.db.delete(booking).where(eq(booking.jobId, jobId));
    } else {
      const { benches } = await this.calendar();
      if (bench !== "" && !benches.includes(bench)) {
        throw notValid(`bench: “${bench}” is none of ${benches.join(", ") || "the shop's"}`);
      }
      const said = { start, bench, notBefore, by: me.name, at: new Date() };
      await this.db
        .insert(booking)
        .values({ jobId, ...said })
        .onConflictDoUpdate({ target: booking.jobId, set: said });
    }
    return row.summary.title;
  }

  /** Takes the days of an iCalendar file as closed; those that are known take its name. */
  async close(text: string): Promise<ImportedAnswer> {
    const days = closedDaysOf(text, new Date());
    return this.db.transaction(async (tx) => {
      // Two files at the same moment: neither takes the other's days away.
      const [row] = await tx.select({ calendar: shop.calendar }).from(shop).for("update");
      const calendar = row?.calendar ?? DEFAULT_CALENDAR;
      const closed = new Map(calendar.closed.map((one) => [one.day, one]));
      const before = closed.size;
      for (const one of days) closed.set(one.day, one);
      if (closed.size > MOST_CLOSED) {
        throw notValid(
          `that would make ${closed.size} closed days, ${MOST_CLOSED} at most: nothing was stored`,
        );
      }
      const sorted = [...closed.values()].sort((a, b) => (a.day < b.day ? -1 : 1));
      await tx.update(shop).set({ calendar: { ...calendar, closed: sorted } });
      const added = closed.size - before;
      return { added, changed: new Set(days.map(({ day }) => day)).size - added };
    });
  }

  /** Everything that the plan is made of, from now on. */
  async file(): Promise<CalendarFile> {
    const [answer, jobs] = await Promise.all([this.read(), this.board.open()]);
    return calendarOf(answer, jobs, new Date());
  }

  /** The plan itself, worked out away from the requests. */
  async plan(): Promise<PrintedSchedule> {
    return this.pool.run({ kind: "schedule", file: await this.file() });
  }

  /** The next days as they hang on the shop's wall, PDF. */
  async weekSheet(): Promise<Uint8Array> {
    const [row] = await this.db.select({ name: shop.name }).from(shop);
    const file = await this.file();
    return this.pool.run<"weekSheet">({ kind: "weekSheet", file, shop: row?.name ?? "" });
  }
}
