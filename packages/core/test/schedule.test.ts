/** The bench calendar: what must hold of every plan. */
import fc from "fast-check";
import {
  DAY_MIN,
  Hours,
  printDay,
  readShopTime,
  schedule,
  type JobToPlan,
  type ShopCalendar,
  type Slot,
} from "../src/index.ts";
import { NOW, WORKDAYS, at, job, people, shopOf, slotsOf } from "./shopDays.ts";

/** The first person is away for two days, the second for one. */
const AWAY = [
  { who: people(2)[0]!, from: "2026-12-03", to: "2026-12-04" },
  { who: people(2)[1]!, from: "2026-12-01", to: "2026-12-01" },
];

describe("days off", () => {
  const work = { fitMin: 120, cureH: 0, closeMin: 0, aimMin: 0, handOverMin: 0 };
  const [who = ""] = people(1);
  const one = job(work);
  const plan = (away: ShopCalendar["away"], n = 1) =>
    slotsOf(schedule({ ...shopOf(1, { week: WORKDAYS }), away }, people(n), [one], NOW));

  it("put work off until somebody is there, the last day among them", () => {
    const [free] = plan([]);
    const day = printDay(free!.start);
    const [after] = plan([{ who, from: day, to: day }]);
    expect(after!.start).toBeGreaterThanOrEqual(readShopTime(day)! + DAY_MIN);
    const [week] = plan([{ who, from: day, to: "2026-12-09" }]);
    expect(printDay(week!.start)).toBe("2026-12-10");
  });

  it("leave it to others who are there, and say nothing of who does not work here", () => {
    const [free] = plan([]);
    const day = printDay(free!.start);
    const [other] = plan([{ who, from: day, to: day }], 2);
    expect(other!.start).toBe(free!.start);
    expect(other!.who).not.toBe(who);
    expect(plan([{ who: "Nobody", from: day, to: day }])).toEqual(plan([]));
    expect(plan(undefined)).toEqual(plan([]));
  });

  it("hold for aiming after hours, too", () => {
    const aim = { ...work, fitMin: 0, aimMin: 30 };
    const at = (away: ShopCalendar["away"]) =>
      slotsOf(schedule({ ...shopOf(1, { week: WORKDAYS }), away }, people(1), [job(aim)], NOW))[0]!;
    const day = printDay(at([]).start);
    expect(printDay(at([{ who, from: day, to: day }]).start)).not.toBe(day);
  });
});

describe("what holds of every plan", () => {
  const works = fc.record({
    fitMin: fc.integer({ min: 0, max: 600 }),
    cureH: fc.constantFrom(0, 0, 2, 24),
    closeMin: fc.integer({ min: 0, max: 120 }),
    aimMin: fc.constantFrom(0, 21, 45),
    handOverMin: fc.constantFrom(0, 15),
  });
  const jobs = fc.array(
    fc.record({
      work: works,
      days: fc.integer({ min: -1, max: 9 }),
      wait: fc.integer({ min: -3, max: 5 }),
    }),
    { minLength: 1, maxLength: 14 },
  );

  it("nobody and nothing is in two places, the shop is open, the sun is down, steps follow each other", () => {
    fc.assert(
      fc.property(
        jobs,
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 3 }),
        (list, b, p) => {
          const calendar = shopOf(b, {
            week: WORKDAYS,
            closed: [{ day: "2026-12-02", name: "fair" }],
            away: AWAY,
          });
          const wanted = list.map(({ work, days, wait }) =>
            job(work, {
              promised: days < 0 ? "" : printDay(NOW + days * DAY_MIN),
              notBefore: wait < 0 ? null : NOW + wait * DAY_MIN,
            }),
          );
          const plan = schedule(calendar, people(p), wanted, NOW);
          expect(plan.unplanned).toEqual([]);
          expect(plan.jobs.map(({ id }) => id).sort()).toEqual(wanted.map(({ id }) => id).sort());
          const hours = new Hours(calendar.week, calendar.closed);
          const all = slotsOf(plan);
          const apart = (list: Slot[]): void => {
            const sorted = list.filter((s) => s.end > s.start).sort((x, y) => x.start - y.start);
            expect(sorted.slice(1).filter((slot, i) => slot.start < sorted[i]!.end)).toEqual([]);
          };
          for (const { who, from, to } of AWAY) {
            const [first, last] = [readShopTime(from)!, readShopTime(to)! + DAY_MIN];
            const theirs = all.filter((s) => s.who === who && s.end > s.start);
            expect(theirs.filter((s) => s.start < last && s.end > first)).toEqual([]);
          }
          for (const name of calendar.benches) apart(all.filter((s) => s.bench === name));
          for (const name of people(p)) {
            const mine = all.filter((s) => s.who === name);
            apart(mine.filter((s) => s.kind === "aim"));
            // Work rests overnight: then its person may be at the wall.
            const meets = (one: Slot, other: Slot): boolean =>
              hours.between(Math.max(one.start, other.start), Math.min(one.end, other.end)) !== 0;
            const meeting = mine.filter((one, i) => mine.slice(i + 1).some((s) => meets(one, s)));
            expect(meeting).toEqual([]);
          }
          apart(all.filter((s) => s.kind === "aim"));
          for (const slot of all) {
            const { work } = wanted.find(({ id }) => id === slot.id)!;
            if (slot.kind === "aim") {
              expect(slot.end - slot.start).toBe(work.aimMin);
              // Early in December it is dark before five here, and before four nowhere in England.
              expect(slot.start % DAY_MIN).toBeGreaterThan(16 * 60);
              expect(slot.end % DAY_MIN).toBeLessThanOrEqual(calendar.latest);
            } else if (slot.kind !== "cure") {
              const minutes = {
                fit: work.fitMin,
                close: work.closeMin,
                handOver: work.handOverMin,
              };
              expect(hours.between(slot.start, slot.end)).toBeCloseTo(minutes[slot.kind], 6);
              expect(hours.next(slot.start)).toBe(slot.start);
            }
          }
          for (const { id, slots, end } of plan.jobs) {
            const one = wanted.find((j) => j.id === id)!;
            slots
              .slice(1)
              .forEach((slot, i) => expect(slot.start).toBeGreaterThanOrEqual(slots[i]!.end));
            for (const slot of slots)
              expect(slot.start).toBeGreaterThanOrEqual(one.notBefore ?? NOW);
            expect(slots.reduce((last, s) => Math.max(last, s.end), 0)).toBeLessThanOrEqual(end);
            // From panels off to panels on it keeps its bench.
            const at = slots.filter(({ bench }) => bench !== "");
            expect(new Set(at.map(({ bench }) => bench)).size).toBeLessThanOrEqual(1);
            at.slice(1).forEach((slot, i) => expect(slot.start).toBe(at[i]!.end));
          }
          expect(plan.end!).toBeGreaterThanOrEqual(plan.bound! - 1e-9);
          // A plan does not change by itself.
          expect(schedule(calendar, people(p), [...wanted].reverse(), NOW)).toEqual(plan);
        },
      ),
      { seed: 11, numRuns: 16 },
    );
  });

  it("what is pinned stays where it is, and others go round it", () => {
    const start = at("2026-12-01T10:00");
    const pinned = job({ fitMin: 240 }, { pin: { start, bench: "Bench 1" } });
    const others = [1, 2, 3, 4].map(() => job({ fitMin: 200 }));
    const calendar = shopOf(1, { week: WORKDAYS });
    const plan = schedule(calendar, people(2), [...others, pinned], NOW);
    const its = plan.jobs.find(({ id }) => id === pinned.id)!;
    expect(its.slots.map((s) => [s.start, s.bench])).toEqual([[start, "Bench 1"]]);
    expect(its.amiss).toEqual([]);
    // Two at one place are both left there, and it is said.
    const second = job({ fitMin: 60 }, { pin: { start, bench: "Bench 1" } });
    const clash = schedule(calendar, people(2), [pinned, second], NOW);
    expect(clash.jobs.flatMap(({ amiss }) => amiss)).toEqual([
      "Bench 1 has another job at that time",
    ]);
    const early = { ...pinned, notBefore: at("2026-12-03") };
    expect(schedule(calendar, people(1), [early], NOW).jobs[0]!.amiss).toEqual([
      "it is pinned to before its parts come",
    ]);
  });

  it("goes on from now with what was pinned before, at its bench", () => {
    const begun = job({ fitMin: 60 }, { pin: { start: NOW - 600, bench: "Bench 2" } });
    const [its] = schedule(shopOf(2), people(1), [begun], NOW).jobs;
    expect(its!.slots.map((s) => [s.start, s.end, s.bench])).toEqual([[NOW, NOW + 60, "Bench 2"]]);
    expect(its!.amiss).toEqual([]);
  });

  it("says that a pin holds nothing any more, where all is done at the bench", () => {
    const done = job({ handOverMin: 15 }, { pin: { start: NOW, bench: "Bench 1" } });
    expect(schedule(shopOf(1), people(1), [done], NOW).jobs[0]!.amiss).toEqual([
      "it is pinned to a bench, and nothing is left to be done at one",
    ]);
  });

  it("says where a pin cannot be kept to the minute", () => {
    const late = "it begins later than it is pinned: closed then, or nobody is free";
    const at = (bench: string): JobToPlan =>
      job({ fitMin: 60 }, { pin: { start: NOW + 60, bench } });
    const [one, two] = schedule(shopOf(2), people(1), [at("Bench 1"), at("Bench 2")], NOW).jobs;
    expect([one!.amiss, two!.amiss]).toEqual([[], [late]]);
    expect(two!.slots[0]!.start).toBe(NOW + 120);
    const night = { start: readShopTime("2026-12-01T03:00")!, bench: "Bench 1" };
    const shut = shopOf(1, { week: WORKDAYS });
    expect(
      schedule(shut, people(1), [job({ fitMin: 60 }, { pin: night })], NOW).jobs[0]!.amiss,
    ).toEqual([late]);
  });

  it("takes two of one name for two pairs of hands, and no more", () => {
    const jobs = [1, 2, 3].map(() => job({ fitMin: 60 }));
    const plan = schedule(shopOf(3), ["Ann", "Ann"], jobs, NOW);
    expect((plan.end! - NOW) / 60).toBe(2);
    expect(new Set(slotsOf(plan).map(({ who }) => who))).toEqual(new Set(["Ann", "Ann (2)"]));
  });

  it("waits for the wall, however many want it in the dark", () => {
    // Four hours of dark an evening at most: thirty lamps of an hour and a half are more than a week of it.
    const lamps = Array.from({ length: 30 }, () => job({ aimMin: 90 }));
    const plan = schedule(shopOf(1, { week: WORKDAYS }), people(2), lamps, NOW);
    expect(plan.jobs.flatMap(({ amiss }) => amiss)).toEqual([]);
    for (const { start, end } of slotsOf(plan)) {
      expect(start % DAY_MIN).toBeGreaterThan(16 * 60);
      expect(end % DAY_MIN).toBeLessThanOrEqual(22 * 60);
    }
    expect(plan.end!).toBeGreaterThanOrEqual(plan.bound!);
  });

  it("stays at the bench that it stands on", () => {
    const here = [
      job({ fitMin: 60 }, { bench: "Bench 2" }),
      job({ fitMin: 60 }, { bench: "Bench 2" }),
    ];
    const plan = schedule(shopOf(3), people(3), here, NOW);
    expect(slotsOf(plan).map(({ bench }) => bench)).toEqual(["Bench 2", "Bench 2"]);
  });

  it("says why a job cannot be put anywhere", () => {
    const one = job({ fitMin: 60 });
    const why = (calendar: ShopCalendar, who: string[], of = one): string =>
      schedule(calendar, who, [of], NOW).unplanned[0]!.why;
    expect(why(shopOf(0), people(1))).toBe("there is no bench");
    expect(why(shopOf(1), [])).toBe("there is nobody who works");
    expect(why(shopOf(1), [], job({ handOverMin: 15 }))).toBe("there is nobody who works");
    const shut = shopOf(1, { week: WORKDAYS.map(() => ({ open: 0, close: 0 })) });
    expect(why(shut, people(1))).toBe("the shop is not open often enough for it");
    const gone = { ...one, pin: { start: NOW, bench: "Bench 9" } };
    expect(why(shopOf(1), people(1), gone)).toBe("there is no bench “Bench 9”");
    expect(schedule(shopOf(1), people(1), [], NOW)).toEqual({
      ...{ jobs: [], unplanned: [], end: null, bound: null },
    });
  });

  it("tells what will be late before it is, in minutes after the promised day's hours", () => {
    const calendar = shopOf(1, { week: WORKDAYS });
    const list = [1, 2, 3].map(() => job({ fitMin: 540 }, { promised: "2026-12-01" }));
    const plan = schedule(calendar, people(1), list, NOW);
    // A day each: the third ends on Wednesday at five, a day after its promise.
    expect(plan.jobs.map(({ lateMin }) => lateMin).sort((a, b) => a - b)).toEqual([0, 0, DAY_MIN]);
  });

  it("does first what is late already, where nothing else gets late by it", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 30, max: 300 }), { minLength: 8, maxLength: 25 }),
        (minutes) => {
          const some = minutes.map((fitMin) => job({ fitMin }, { promised: "2027-03-01" }));
          const late = job({ fitMin: 15 }, { promised: "2026-11-20" });
          const { jobs } = schedule(shopOf(2), people(2), [...some, late], NOW);
          expect(jobs.find(({ id }) => id === late.id)!.slots[0]!.start).toBe(NOW);
        },
      ),
      { seed: 23, numRuns: 20 },
    );
  });

  it("aims in the dark, or says that there is none while anybody is there", () => {
    const lamps = job({ aimMin: 30 });
    const summer = at("2026-06-22T08:00");
    const calendar = shopOf(1, { week: WORKDAYS });
    const plan = schedule(calendar, people(1), [lamps], summer);
    expect(plan.jobs[0]!.amiss).toEqual(["no dark hour while anybody is there: aim it in a hall"]);
    expect(schedule(calendar, people(1), [lamps], NOW).jobs[0]!.amiss).toEqual([]);
  });

  it("fills five benches with two hundred jobs to within a tenth of what any plan needs", () => {
    const list = fc.sample(works, { numRuns: 200, seed: 17 }).map((work) => job(work));
    const free = list.map((one) => ({ ...one, work: { ...one.work, cureH: 0, aimMin: 0 } }));
    const plan = schedule(shopOf(5), people(5), free, NOW);
    expect(plan.jobs).toHaveLength(200);
    expect(plan.end! - NOW).toBeLessThanOrEqual(1.1 * (plan.bound! - NOW));
  });
});
