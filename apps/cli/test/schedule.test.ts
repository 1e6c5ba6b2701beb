/** `dragonet schedule`: a shop's calendar file planned, and refused with every place where it is none. */
import {
  DEFAULT_CALENDAR,
  createJob,
  type CalendarFile,
  type PrintedSchedule,
} from "@dragonet/core";
import { FELLRUNNER } from "@dragonet/core/demo";
import { call } from "./call.ts";

const job = (id: string, fitMin: number, more: object = {}) => ({
  ...{ id, title: `Job ${id}`, promised: "", bench: "", notBefore: "", provided: [], pin: null },
  work: { fitMin, cureH: 0, closeMin: 0, aimMin: 0, handOverMin: 0 },
  ...more,
});
const file = (...jobs: object[]): CalendarFile => ({
  ...{ format: "dragonet-calendar/1", now: "2026-11-30T08:00", calendar: DEFAULT_CALENDAR },
  ...{ people: ["Ann"], jobs: jobs as unknown as CalendarFile["jobs"] },
});
const plan = (text: object | string, ...more: string[]) =>
  call(createJob("", "", FELLRUNNER), ["schedule", "shop.json", ...more], {
    "shop.json": typeof text === "string" ? text : JSON.stringify(text),
  });

describe("the plan of the benches", () => {
  it("is told by the clock of the shop, with what could not be done before", async () => {
    const { code, out } = await plan(file(job("a", 240), job("b", 600)));
    expect(code).toBe(0);
    // Nine hours a day: four of one, and five of the other, are Monday.
    expect(out).toContain("All done 2026-12-01 13:00; no plan could before 2026-12-01 13:00");
    expect(out).toContain("Fit: Bench 1, Ann");
  });

  it("is JSON where it is asked for", async () => {
    const { code, out } = await plan(file(job("a", 60, { provided: ["a lamp"] })), "--json");
    expect(code).toBe(0);
    const { jobs, end } = JSON.parse(out) as PrintedSchedule;
    expect(end).toBe("2026-11-30T09:00");
    expect(jobs[0]).toMatchObject({ id: "a", provided: ["a lamp"], lateMin: 0, end });
  });

  it("ends with 1 where something will be late, or cannot be planned", async () => {
    const late = await plan(file(job("a", 3000, { promised: "2026-11-30" })));
    expect([late.code, late.out.includes("LATE by")]).toEqual([1, true]);
    const nobody = await plan({ ...file(job("a", 60)), people: [] });
    expect([nobody.code, nobody.out]).toEqual([
      1,
      "Not planned: Job a: there is nobody who works\n",
    ]);
  });

  it("refuses with 2 and every place what is no calendar", async () => {
    const faults = async (text: object | string): Promise<string> => {
      const { code, err } = await plan(text);
      expect(code).toBe(2);
      return err;
    };
    expect(await faults("{")).toContain("shop.json: not JSON");
    expect(await faults("[]")).toContain("needs an object");
    expect(await faults({ ...file(), now: "today" })).toContain("now: invalid value");
    expect(await faults(file(job("a", -1)))).toContain("jobs[0].work.fitMin");
    expect(await faults(file(job("a", 1), job("a", 1)))).toContain("jobs[1].id: a is there twice");
    expect(await faults(file(job("a", 1, { pin: { start: "x", bench: "B" } })))).toContain(
      "jobs[0].pin.start",
    );
  });
});
