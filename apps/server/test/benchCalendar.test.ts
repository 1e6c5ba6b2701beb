/** The plan of the benches as any calendar program reads it. */
import ICAL from "ical.js";
import type { PrintedSchedule } from "@dragonet/core";
import type { JobOnBoardAnswer } from "@dragonet/contract";
import { benchCalendar } from "../src/calendar/benchCalendar.ts";

type Planned = PrintedSchedule["jobs"][number];

const slot = (more: object): Planned["slots"][number] => ({
  ...{ kind: "fit", start: "2026-12-02T08:30", end: "2026-12-02T10:00" },
  ...{ bench: "Bench 1", who: "Pim" },
  ...more,
});

const planned = (more: object): PrintedSchedule =>
  ({
    jobs: [
      {
        ...{ id: "j", title: "Two pods", slots: [slot({})], lateMin: 0, provided: [], amiss: [] },
        ...more,
      },
    ],
  }) as unknown as PrintedSchedule;

const read = (jobs: readonly JobOnBoardAnswer[], plan: PrintedSchedule) =>
  new ICAL.Component(ICAL.parse(benchCalendar(jobs, plan)) as never)
    .getAllSubcomponents("vevent")
    .map((event) => new ICAL.Event(event));

const NO_PLAN = { jobs: [] } as unknown as PrintedSchedule;
const job = (more: object): JobOnBoardAnswer =>
  ({
    ...{ id: "j", title: "Two pods", model: "Petrel", machine: "the red one", customer: "Fen" },
    ...{ promised: "", curing: [] },
    ...more,
  }) as unknown as JobOnBoardAnswer;

describe("a stretch of work in the calendar", () => {
  const first = (more: object) => read([], planned(more))[0]!;

  it("stands where and when it is planned, by the shop's own clocks", () => {
    const event = first({});
    expect(event.summary).toMatch(/: Two pods$/);
    expect(event.startDate.toString()).toBe("2026-12-02T08:30:00");
    expect(event.endDate.toString()).toBe("2026-12-02T10:00:00");
    expect(event.startDate.zone.tzid).toBe("floating");
    expect(event.location).toBe("Bench 1");
    expect(event.description).toBe("Pim");
  });

  it("says what hangs on it: late, if something is there, what is amiss", () => {
    const told = (more: object): string => first(more).description;
    expect(told({ lateMin: 1 })).toBe("Pim; later than promised");
    expect(told({ provided: ["the bar"] })).toBe("Pim; if this is there: the bar");
    expect(told({ amiss: ["no bench"] })).toBe("Pim; no bench");
    expect(told({ lateMin: 5, provided: ["a", "b"], amiss: ["c"] })).toBe(
      "Pim; later than promised; if this is there: a; if this is there: b; c",
    );
  });

  it("names nobody and no bench where none is said", () => {
    const event = first({ slots: [slot({ who: "", bench: "" })] });
    expect([event.description, event.location].filter(Boolean)).toEqual([]);
  });

  it("has an id that stays, for each stretch of a job another", () => {
    const events = read([], planned({ slots: [slot({}), slot({ kind: "close" })] }));
    expect(events.map(({ uid }) => uid)).toEqual(["plan-j-0@dragonet", "plan-j-1@dragonet"]);
  });
});

describe("a job in the calendar", () => {
  it("is there on the day it is promised for, whole", () => {
    const [event, ...others] = read([job({ promised: "2026-12-09" })], NO_PLAN);
    expect(others).toEqual([]);
    expect(event!.startDate.toString()).toBe("2026-12-09");
    expect(event!.summary).toMatch(/^Promised: .*Petrel/);
    expect(event!.description).toBe("Two pods");
  });

  it("stays on the bench until its adhesive may be handled", () => {
    const curing = [
      { what: "strip", handleAt: "2026-12-03T14:20:00Z", curedAt: "2026-12-04T14:20:00Z" },
    ];
    const [event] = read([job({ curing })], NO_PLAN);
    expect(event!.startDate.toJSDate().toISOString()).toBe("2026-12-03T14:20:00.000Z");
    expect(event!.description).toContain("2026-12-04T14:20:00Z");
    expect(event!.uid).toBe("curing-j-0@dragonet");
  });

  it("is not there without a promise, and no events are a calendar as well", () => {
    expect(read([job({})], NO_PLAN)).toEqual([]);
    expect(benchCalendar([], NO_PLAN)).toMatch(/^BEGIN:VCALENDAR\r\n[\s\S]*END:VCALENDAR\r\n$/);
  });
});
