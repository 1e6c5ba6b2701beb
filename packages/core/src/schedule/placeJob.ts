import { itemAt, lastItem } from "../present/index.ts";
import { dusk } from "./time/dusk.ts";
import { Hours } from "./time/hours.ts";
import type { JobToPlan, PlannedJob, ShopCalendar, Slot, UnplannedJob } from "./plan.ts";
import { Room } from "./room.ts";
import { DAY_MIN, dayOf, readShopTime, type ShopTime } from "./time/shopTime.ts";

/** Days on which it is looked for whether it gets dark in time: nobody waits for the autumn. */
const DARK_DAYS = 7;
/** Days on which a free wall is looked for, where it does. */
const MOST_DAYS = 200;
/** Tries for one stretch: behind what is in the way, again and again. */
const MOST_TRIES = 2000;

/** What does not change from one order of jobs to another. */
export class Workshop {
  readonly hours: Hours;

  constructor(
    readonly calendar: ShopCalendar,
    readonly people: readonly string[],
    readonly now: ShopTime,
  ) {
    this.hours = new Hours(calendar.week, calendar.closed);
  }
}

/** A stretch with who does it. */
interface Found {
  readonly start: ShopTime;
  readonly end: ShopTime;
  readonly who: Room;
}

/** Benches, people and the wall as they fill up, job by job. */
export class Filling {
  private readonly benches: readonly Room[];
  private readonly people: readonly Room[];
  /** The same people when the shop is closed: what they do then is aiming. */
  private readonly late: readonly Room[];
  private readonly wall: Room;

  constructor(private readonly shop: Workshop) {
    const open = (at: ShopTime): ShopTime => shop.hours.next(at) ?? Infinity;
    const atOnce = (at: ShopTime): ShopTime => at;
    this.benches = shop.calendar.benches.map((name) => new Room(name, open));
    this.people = shop.people.map((name) => new Room(name, open));
    this.late = shop.people.map((name) => new Room(name, atOnce));
    this.wall = new Room("wall", atOnce);
    for (const { who, from, to } of shop.calendar.away ?? []) {
      const [first, last] = [readShopTime(from), readShopTime(to)];
      if (first === null || last === null) continue;
      for (const room of [...this.people, ...this.late]) {
        if (room.name === who) room.take(first, last + DAY_MIN);
      }
    }
  }

  /** Puts a job where it is done soonest, or where it is pinned. */
  place(job: JobToPlan): PlannedJob | UnplannedJob {
    const ready = Math.max(this.shop.now, job.notBefore ?? 0);
    const amiss: string[] = [];
    const atBench = this.atBench(job, ready, amiss);
    if (typeof atBench === "string") return { id: job.id, why: atBench };
    const after = atBench.at(-1)?.end ?? ready;
    const rest = this.afterBench(job, after, amiss);
    if (typeof rest === "string") return { id: job.id, why: rest };
    const slots = [...atBench, ...rest];
    slots.forEach((slot) => this.take(slot));
    const end = slots.at(-1)?.end ?? ready;
    return { id: job.id, slots, end, lateMin: lateOf(job, end, this.shop.hours), amiss };
  }

  private take({ bench, who, kind, start, end }: Slot): void {
    const i = this.people.findIndex(({ name }) => name === who);
    if (kind === "aim") {
      this.wall.take(start, end);
      this.late[i]?.take(start, end);
    }
    // What is done while it is open is in the way of other work.
    if (kind !== "aim" || this.shop.hours.between(start, end) > 0) this.people[i]?.take(start, end);
    if (bench !== "") this.benches.find(({ name }) => name === bench)?.take(start, end);
  }

  /** The stretches at a bench: the vehicle stays there from the first to the last, its panels are off. */
  private atBench(job: JobToPlan, ready: ShopTime, amiss: string[]): Slot[] | string {
    const { fitMin, closeMin, cureH } = job.work;
    if (fitMin + closeMin + cureH === 0) {
      if (job.pin) amiss.push("it is pinned to a bench, and nothing is left to be done at one");
      return [];
    }
    const { benches } = this;
    if (benches.length === 0) return "there is no bench";
    if (this.people.length === 0) return "there is nobody who works";
    const own = job.pin?.bench ?? job.bench;
    const wanted = benches.filter(({ name }) => name === own);
    if (job.pin) {
      if (wanted.length === 0) return `there is no bench “${job.pin.bench}”`;
      return this.pinned(job, itemAt(wanted, 0), job.pin.start, amiss);
    }
    let best: Slot[] | null = null;
    for (const bench of wanted.length > 0 ? wanted : benches) {
      const block = this.block(job, bench, ready, best?.at(-1)?.end ?? Infinity);
      if (block && (!best || lastItem(block).end < lastItem(best).end)) best = block;
    }
    return best ?? "the shop is not open often enough for it";
  }

  /** Where it was put; what is left of one that was begun goes on from now. */
  private pinned(job: JobToPlan, bench: Room, pin: ShopTime, amiss: string[]): Slot[] | string {
    const start = Math.max(pin, this.shop.now);
    const block = this.blockFrom(job, bench, start);
    if (!block) return "the shop is not open often enough for it";
    const [first, end] = [itemAt(block, 0).start, lastItem(block).end];
    if (!bench.isFree(first, end)) amiss.push(`${bench.name} has another job at that time`);
    if (first > start)
      amiss.push("it begins later than it is pinned: closed then, or nobody is free");
    if (job.notBefore !== null && first < job.notBefore) {
      amiss.push("it is pinned to before its parts come");
    }
    return block;
  }

  /** The first block that a bench has room for, where it ends before another that is known. */
  private block(job: JobToPlan, bench: Room, ready: ShopTime, before: ShopTime): Slot[] | null {
    const { fitMin, closeMin } = job.work;
    // No gap is looked at that is too short for the work alone.
    let gap = bench.fit(ready, fitMin + closeMin, this.shop.hours);
    for (let n = 0; gap !== null && gap.end < before && n < MOST_TRIES; n += 1) {
      const block = this.blockFrom(job, bench, gap.start);
      if (!block) return null;
      const over = bench.clash(itemAt(block, 0).start, lastItem(block).end);
      if (over === null) return block;
      gap = bench.fit(over, fitMin + closeMin, this.shop.hours);
    }
    return null;
  }

  /** Fitting, curing and closing one after the other from a moment on, whatever the bench has. */
  private blockFrom(job: JobToPlan, bench: Room, from: ShopTime): Slot[] | null {
    const { fitMin, cureH, closeMin } = job.work;
    const slots: Slot[] = [];
    const at = { bench: bench.name };
    let end = from;
    if (fitMin > 0) {
      const fit = this.work(from, fitMin);
      if (!fit) return null;
      slots.push({ kind: "fit", start: fit.start, end: fit.end, ...at, who: fit.who.name });
      end = fit.end;
    }
    if (cureH > 0) {
      const cured = end + cureH * 60;
      slots.push({ kind: "cure", start: end, end: cured, ...at, who: "" });
      end = cured;
    }
    if (closeMin > 0) {
      const close = this.work(end, closeMin);
      if (!close) return null;
      // It stands there while it waits for hands.
      if (slots.length > 0 && close.start > end) {
        slots.push({ kind: "cure", start: end, end: close.start, ...at, who: "" });
      }
      slots.push({
        kind: "close",
        start: close.start,
        end: close.end,
        ...at,
        who: close.who.name,
      });
    }
    return slots;
  }

  /** The first stretch of work in open hours for which somebody is free. */
  private work(ready: ShopTime, minutes: number): Found | null {
    let best: Found | null = null;
    for (const who of this.people) {
      const found = who.fit(ready, minutes, this.shop.hours);
      if (found && (!best || found.start < best.start)) best = { ...found, who };
    }
    return best;
  }

  /** The wall, when it is dark, and the hand-over, while it is open. */
  private afterBench(job: JobToPlan, ready: ShopTime, amiss: string[]): Slot[] | string {
    const { aimMin, handOverMin } = job.work;
    if (aimMin + handOverMin > 0 && this.people.length === 0) return "there is nobody who works";
    const slots: Slot[] = [];
    let end = ready;
    if (aimMin > 0) {
      const aim = this.inTheDark(ready, aimMin) ?? this.work(ready, aimMin);
      if (!aim) return "the shop is not open often enough for it";
      if (!this.isDark(aim.start))
        amiss.push("no dark hour while anybody is there: aim it in a hall");
      slots.push({ kind: "aim", start: aim.start, end: aim.end, bench: "", who: aim.who.name });
      end = aim.end;
    }
    if (handOverMin > 0) {
      const last = this.work(end, handOverMin);
      if (!last) return "the shop is not open often enough for it";
      const { start, who } = last;
      slots.push({ kind: "handOver", start, end: last.end, bench: "", who: who.name });
    }
    return slots;
  }

  private isDark(at: ShopTime): boolean {
    const dark = dusk(dayOf(at), this.shop.calendar);
    return dark !== null && at >= dark;
  }

  /** The first stretch between dusk and the hour that people stay to, on a day that the shop is open. */
  private inTheDark(ready: ShopTime, minutes: number): Found | null {
    const { latest } = this.shop.calendar;
    const first = dayOf(ready);
    // Whether there is any is asked of the sun alone: a wall that is taken is waited for.
    let isAny = false;
    for (let n = 0; n < (isAny ? MOST_DAYS : DARK_DAYS); n += 1) {
      const day = first + n * DAY_MIN;
      const dark = this.shop.hours.of(day) && dusk(day, this.shop.calendar);
      if (dark === null || dark + minutes > day + latest) continue;
      isAny = true;
      for (let start = Math.max(ready, dark); start + minutes <= day + latest;) {
        const end = start + minutes;
        let soonest = this.wall.clash(start, end);
        const inHours = this.shop.hours.between(start, end) > 0;
        const overs = this.people.map(
          (person, i) =>
            itemAt(this.late, i).clash(start, end) ?? (inHours ? person.clash(start, end) : null),
        );
        const free = overs.indexOf(null);
        if (free >= 0 && soonest === null) return { start, end, who: itemAt(this.people, free) };
        if (free < 0)
          soonest = Math.max(soonest ?? 0, Math.min(...overs.map((o) => o ?? Infinity)));
        start = soonest ?? day + latest;
      }
    }
    return null;
  }
}

/** Minutes by the clock after the end of the promised day's hours. */
function lateOf(job: JobToPlan, end: ShopTime, hours: Hours): number {
  const day = readShopTime(job.promised);
  if (day === null) return 0;
  const close = day + (hours.of(day)?.close ?? DAY_MIN);
  return Math.max(0, end - close);
}
