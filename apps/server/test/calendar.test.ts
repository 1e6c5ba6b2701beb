/** The plan of the benches over the API: what it is made of, what is refused, and iCalendar both ways. */
import ICAL from "ical.js";
import type { Agent } from "supertest";
import { planCalendar, readShopTime, type CalendarFile, type ShopCalendar } from "@dragonet/core";
import { readCalendarFile, type CalendarAnswer } from "@dragonet/contract";
import { bytesOf } from "./bytesOf.ts";
import { readPdf } from "./readPdf.ts";
import { Shop } from "./shop.ts";

describe("the calendar of a shop", () => {
  let shop: Shop;
  let ansa: Agent;
  let pim: Agent;
  let jobId: string;

  const read = async (): Promise<CalendarAnswer> =>
    (await pim.get("/api/calendar").expect(200)).body;
  const file = async (): Promise<CalendarFile> => {
    const { text } = await pim.get("/api/calendar/file").expect(200);
    const checked = readCalendarFile(text);
    if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
    return checked.value;
  };
  const book = (said: object, id = jobId, who = pim) =>
    who.put(`/api/calendar/bookings/${id}`).send({ start: "", bench: "", notBefore: "", ...said });
  const keep = async (change: Partial<ShopCalendar> | object) =>
    ansa.put("/api/calendar").send({ ...(await read()).calendar, ...change });

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    [ansa, pim] = [await shop.person("ansa"), await shop.person("pim")];
    // One that still has work at a bench: what is done there is what is pinned.
    jobId = (await file()).jobs.find(({ work }) => work.fitMin > 0)!.id;
  });
  afterAll(() => shop.close());

  it("is of all that may change jobs, and of every job with work left", async () => {
    const { people, bookings } = await read();
    expect(people).toEqual(["Ansa Tordoff", "Pim Okkerse"]);
    expect(bookings).toEqual([]);
    const { body: jobs } = await pim.get("/api/jobs").expect(200);
    const planned = planCalendar(await file());
    expect(planned.unplanned).toEqual([]);
    const busy = jobs.filter(({ work }: { work: object }) =>
      Object.values(work).some((n) => n > 0),
    );
    expect(planned.jobs.map(({ id }) => id).sort()).toEqual(
      busy.map(({ id }: { id: string }) => id).sort(),
    );
  });

  it("keeps where a job was put and what day it waits for, and forgets it again", async () => {
    const start = "2027-03-01T09:00";
    await book({ start, bench: "Bench 2" }).expect(204);
    expect((await read()).bookings).toEqual([{ jobId, start, bench: "Bench 2", notBefore: "" }]);
    const planned = planCalendar(await file()).jobs.find(({ id }) => id === jobId)!;
    expect(planned.slots[0]).toMatchObject({ start, bench: "Bench 2" });
    await book({ notBefore: "2027-02-01" }).expect(204);
    const waiting = planCalendar(await file()).jobs.find(({ id }) => id === jobId)!;
    expect(waiting.slots[0]!.start >= "2027-02-01").toBe(true);
    await book({}).expect(204);
    expect((await read()).bookings).toEqual([]);
  });

  it("hangs on the wall as one landscape sheet that tells who does what when", async () => {
    const away = [{ who: "Ansa Tordoff", from: "2026-01-01", to: "2099-12-31" }];
    expect((await keep({ away })).status).toBe(204);
    const pages = readPdf(await bytesOf(pim, "/api/calendar/week.pdf"));
    await keep({ away: [] });
    expect(pages).toHaveLength(1);
    const { width, height, text } = pages[0]!;
    expect(width).toBeGreaterThan(height);
    const planned = planCalendar(await file());
    const [first] = planned.jobs.toSorted((a, b) =>
      a.slots[0]!.start < b.slots[0]!.start ? -1 : 1,
    );
    const shown = text.replaceAll(/\s+/g, " ");
    expect(shown).toContain("Bench 1");
    expect(shown).toContain(first!.title.split(" ")[0]);
    expect(shown).toContain("Pim Okkerse");
    expect(shown).toContain("Ansa Tordoff, 2026-01-01 to 2099-12-31");
    expect(shown).not.toMatch(/, Ansa Tordoff/);
  });

  it("refuses by field what is no day, moment or bench, and keeps nothing of it", async () => {
    const refusals: [object, string][] = [
      [{ start: "tomorrow", bench: "Bench 1" }, "start"],
      [{ start: "2026-02-30T08:00", bench: "Bench 1" }, "start"],
      [{ start: "2026-12-01T08:00" }, "start and bench"],
      [{ bench: "Bench 1" }, "start and bench"],
      [{ start: "2026-12-01T08:00", bench: "Bench 9" }, "Bench 9"],
      [{ notBefore: "soon" }, "notBefore"],
    ];
    for (const [said, place] of refusals) {
      const { body } = await book(said).expect(422);
      expect(JSON.stringify(body)).toContain(place);
    }
    await book({ notBefore: "2027-01-01" }, "00000000-0000-4000-8000-000000000000").expect(404);
    expect((await read()).bookings).toEqual([]);
  });

  it("takes hours, benches and place from the owner alone, and no nonsense", async () => {
    const { calendar } = await read();
    await pim.put("/api/calendar").send(calendar).expect(403);
    for (const [change, place] of [
      [{ zone: "Mars/Base" }, "zone"],
      [{ latitude: 91 }, "latitude"],
      [{ benches: ["A", "A"] }, "benches"],
      [{ benches: [" "] }, "benches"],
      [{ week: calendar.week.slice(1) }, "week"],
      [{ closed: [{ day: "2026-13-01", name: "" }] }, "closed[0].day"],
      [{ latest: 1500 }, "latest"],
    ] as const) {
      const { status, body } = await keep(change);
      expect([place, status]).toEqual([place, 422]);
      expect(JSON.stringify(body)).toContain(place);
    }
    expect((await read()).calendar).toEqual(calendar);
    await keep({ benches: [...calendar.benches, "Yard"] }).then(({ status }) =>
      expect(status).toBe(204),
    );
    expect((await read()).calendar.benches).toContain("Yard");
  });

  it("takes closed days from any calendar program's file", async () => {
    const event = (...lines: string[]): string =>
      ["BEGIN:VEVENT", "UID:a", "DTSTAMP:20260101T000000Z", ...lines, "END:VEVENT"].join("\r\n");
    const calendarOf = (...events: string[]): string =>
      ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:test", ...events, "END:VCALENDAR", ""].join(
        "\r\n",
      );
    const text = calendarOf(
      event("DTSTART;VALUE=DATE:20270329", "DTEND;VALUE=DATE:20270331", "SUMMARY:Easter"),
      event("DTSTART;VALUE=DATE:20270503", "RRULE:FREQ=YEARLY;COUNT=2", "SUMMARY:Fair"),
      event("DTSTART:20270610T090000", "DTEND:20270610T120000", "SUMMARY:Stocktaking"),
    );
    const { body } = await ansa.post("/api/calendar/closed").send({ text }).expect(200);
    expect(body).toEqual({ added: 5, changed: 0 });
    const closed = new Map((await read()).calendar.closed.map(({ day, name }) => [day, name]));
    expect(closed.get("2027-03-29")).toBe("Easter");
    expect(closed.get("2027-03-30")).toBe("Easter");
    expect(closed.has("2027-03-31")).toBe(false);
    expect([closed.get("2027-05-03"), closed.get("2028-05-03")]).toEqual(["Fair", "Fair"]);
    expect(closed.get("2027-06-10")).toBe("Stocktaking");
    const again = await ansa.post("/api/calendar/closed").send({ text }).expect(200);
    expect(again.body).toEqual({ added: 0, changed: 5 });
    for (const broken of [
      "",
      "BEGIN:VCALENDAR",
      calendarOf(),
      "{}",
      calendarOf(event("SUMMARY:x")),
    ]) {
      const { body: refusal } = await ansa
        .post("/api/calendar/closed")
        .send({ text: broken })
        .expect(422);
      expect(refusal.message).toContain("nothing was stored");
    }
  });

  it("works out anew, at its start, what a summary of an earlier version lacks", async () => {
    const { body: before } = await pim.get("/api/jobs").expect(200);
    await shop.query("update job set summary = summary - 'work' - 'next' - 'mends'");
    await shop.restart();
    const { body: after } = await pim.get("/api/jobs").expect(200);
    expect(after).toEqual(before);
  });

  it("refuses a file that is longer than any year of closed days", async () => {
    const { body } = await ansa
      .post("/api/calendar/closed")
      .send({ text: " ".repeat(500_001) })
      .expect(422);
    expect(body.message).toContain("500000 letters at most");
  });

  it("gives a calendar that another library reads as the plan is", async () => {
    const { text } = await pim.get("/api/calendar/bench.ics").expect(200);
    const events = new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents("vevent")
      .map((component) => new ICAL.Event(component));
    const slots = planCalendar(await file()).jobs.flatMap((job) =>
      job.slots.map((slot) => ({ ...slot, title: job.title })),
    );
    const planned = events.filter(({ uid }) => uid.startsWith("plan-"));
    expect(planned).toHaveLength(slots.length);
    // The plan moves on with the clock: by the minute it was asked in, all stretches are there.
    const told = new Set(planned.map(({ summary, location }) => `${summary} ${location || ""}`));
    for (const { title, bench } of slots) {
      expect([...told].some((line) => line.includes(title) && line.endsWith(` ${bench}`))).toBe(
        true,
      );
    }
    for (const { startDate, endDate } of planned) {
      // No zone: the shop's own clocks.
      expect(startDate.zone.tzid).toBe("floating");
      expect(readShopTime(startDate.toString().slice(0, 16))).toBeLessThan(
        readShopTime(endDate.toString().slice(0, 16))!,
      );
    }
  });

  it("leaves out a job in the bin, and what was said about it comes back with it", async () => {
    await book({ notBefore: "2027-01-04" }).expect(204);
    await ansa.delete(`/api/jobs/${jobId}`).expect(204);
    expect((await read()).bookings).toEqual([]);
    await book({ notBefore: "2027-01-05" }).expect(410);
    await ansa.post(`/api/jobs/${jobId}/take-out`).expect(204);
    expect((await read()).bookings).toHaveLength(1);
  });
});
