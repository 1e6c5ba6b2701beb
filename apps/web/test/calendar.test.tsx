/** The plan of the benches on the page: told, dragged, said and taken back, and the shop's hours. */
import { DEFAULT_CALENDAR, allOf, type PrintedSchedule, type ShopCalendar } from "@dragonet/core";
import { FELLRUNNER } from "@dragonet/core/demo";
import type { BookingRequest } from "@dragonet/contract";
import { fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { jobWith } from "../../../packages/core/test/helpers.ts";
import {
  awayText,
  readAway,
  readClock,
  readClosed,
  readHours,
  readPlace,
} from "../src/calendar/hours/readHours.ts";
import { PlanList } from "../src/calendar/PlanList.tsx";
import { TimeAxis } from "../src/calendar/timeline/timeAxis.ts";
import { lateText } from "../src/calendar/words.ts";
import { choose, closePages, open } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

const NOW = new Date("2026-11-30T08:00:00Z");

beforeEach(() => void jest.spyOn(Date, "now").mockReturnValue(NOW.getTime()));
afterEach(async () => {
  jest.restoreAllMocks();
  await closePages();
});

const CALENDAR: ShopCalendar = { ...DEFAULT_CALENDAR, benches: ["Bench 1", "Bench 2"] };

/** A shop whose server keeps what is said about jobs, with some jobs on the quad. */
function shopWith(...cards: { title: string; promised?: string }[]): {
  shop: Shop;
  said: Map<string, BookingRequest>;
} {
  const said = new Map<string, BookingRequest>();
  const shop = new Shop().withVehicles(FELLRUNNER);
  cards.forEach((card, i) => {
    // Enough of them that their time is wide enough to be pressed.
    const job = jobWith("pod-18", 8, allOf("key", "switch"));
    shop.withJob(`job-${i}`, { ...job, card: { ...job.card, ...card, stage: "circuit" } });
  });
  shop.answers("GET calendar", () => ({
    status: 200,
    body: {
      ...{ calendar: CALENDAR, people: ["Ansa Tordoff"] },
      bookings: [...said].map(([jobId, booking]) => ({ ...booking, jobId })),
    },
  }));
  cards.forEach((_, i) => {
    shop.answers(`PUT calendar/bookings/job-${i}`, (booking: BookingRequest) => {
      said.set(`job-${i}`, booking);
      return { status: 204 };
    });
  });
  return { shop, said };
}
const planOf = () => screen.findByRole("group", { name: "Plan of the benches" });
const list = () => screen.findByRole("list", { name: "Jobs by when they are done" });

describe("the plan in words", () => {
  const JOB = {
    ...{ end: "2026-12-01T12:00", slots: [], promised: "", lateMin: 0, amiss: [], provided: [] },
  };
  const plan = (jobs: number, unplanned: number) =>
    ({
      ...{ end: null, bound: null },
      jobs: Array.from({ length: jobs }, (_, n) => ({ ...JOB, id: `j${n}`, title: `Job ${n}` })),
      unplanned: Array.from({ length: unplanned }, (_, n) => ({
        ...{ id: `u${n}`, title: `Left ${n}`, why: "nobody can" },
      })),
    }) as unknown as PrintedSchedule;
  const shown = (made: PrintedSchedule) => (
    <MemoryRouter>
      <PlanList plan={made} onOpen={() => {}} />
    </MemoryRouter>
  );
  const titles = () =>
    screen.getAllByRole("listitem").map((row) => /^(Job|Left) \d+/.exec(row.textContent)?.[0]);

  it("stands in the document fifty jobs at a time, what could not be planned at its end", () => {
    const { rerender } = render(shown(plan(98, 5)));
    const next = () => fireEvent.click(screen.getByRole("button", { name: "Next ones" }));
    expect(titles()).toHaveLength(50);
    expect(screen.getByRole("status")).toHaveTextContent("1 to 50 of 103");
    next();
    expect(titles()).toHaveLength(50);
    expect(titles().slice(-3)).toEqual(["Job 97", "Left 0", "Left 1"]);
    expect(screen.getByRole("button", { name: "Job 50" })).toHaveFocus();
    next();
    expect(titles()).toEqual(["Left 2", "Left 3", "Left 4"]);
    expect(screen.getByRole("status")).toHaveTextContent("101 to 103 of 103");
    expect(screen.queryByRole("button", { name: "Next ones" })).toBeNull();
    // Meanwhile much of it was done: what is left is seen from its beginning.
    rerender(shown(plan(60, 0)));
    expect(titles()[0]).toBe("Job 0");
    fireEvent.click(screen.getByRole("button", { name: "Next ones" }));
    fireEvent.click(screen.getByRole("button", { name: "From the first" }));
    expect(titles()[0]).toBe("Job 0");
  });

  it("leads nowhere where all of it is there", () => {
    render(shown(plan(48, 2)));
    expect(titles()).toHaveLength(50);
    expect(screen.queryByRole("navigation")).toBeNull();
  });
});

describe("the calendar", () => {
  it("says what is done when, on which bench, by whom, and that promises are kept", async () => {
    const { shop } = shopWith({ title: "Pods", promised: "2026-12-02" });
    const { user } = await open(shop, "/calendar");
    expect(await screen.findByText("Every promise is kept.")).toBeVisible();
    const bar = within(await planOf()).getByRole("button", { name: /^Pods: .*Fit, Test/ });
    await user.click(bar);
    const dialog = await screen.findByRole("dialog", { name: /^Pods/ });
    expect(within(dialog).getAllByText(/Bench 1, Ansa Tordoff/).length).toBeGreaterThan(0);
    expect(dialog).toHaveTextContent("promised Wed 2 Dec");
    expect(within(dialog).getByRole("link", { name: "Open the job" })).toHaveAttribute(
      "href",
      "/jobs/job-0",
    );
  });

  it("tells what will be late before it is", async () => {
    const { shop } = shopWith({ title: "Pods", promised: "2026-11-20" }, { title: "Bar" });
    await open(shop, "/calendar");
    expect(await screen.findByText("1 job will be later than promised.")).toBeVisible();
    const rows = within(await list()).getAllByRole("listitem");
    expect(rows.filter((row) => / late$/m.test(row.textContent))).toHaveLength(1);
  });

  it("waits for the day that is said, and takes it back by one press", async () => {
    const { shop, said } = shopWith({ title: "Pods" });
    const { user } = await open(shop, "/calendar");
    await user.click(within(await list()).getByRole("button", { name: /^Pods/ }));
    const dialog = await screen.findByRole("dialog");
    fireEvent.change(within(dialog).getByLabelText("Not before"), {
      target: { value: "2026-12-09" },
    });
    await user.click(within(dialog).getByRole("button", { name: "Keep" }));
    await waitFor(async () => expect(await list()).toHaveTextContent("Wed 9 Dec, 08:00"));
    expect(said.get("job-0")).toEqual({ start: "", bench: "", notBefore: "2026-12-09" });
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(said.get("job-0")).toEqual({ start: "", bench: "", notBefore: "" }));
  });

  it("keeps a job where it is put, asks for the moment, and lets it go again", async () => {
    const { shop, said } = shopWith({ title: "Pods" });
    const { user } = await open(shop, "/calendar");
    await user.click(within(await list()).getByRole("button", { name: /^Pods/ }));
    const dialog = await screen.findByRole("dialog");
    await choose(user, within(dialog).getByRole("combobox", { name: "Stays at" }), "Bench 2");
    await user.click(within(dialog).getByRole("button", { name: "Keep" }));
    expect(await within(dialog).findByText("say from when on")).toBeVisible();
    fireEvent.change(within(dialog).getByLabelText("From"), {
      target: { value: "2026-12-01T10:00" },
    });
    await user.click(within(dialog).getByRole("button", { name: "Keep" }));
    await waitFor(() => expect(said.get("job-0")?.start).toBe("2026-12-01T10:00"));
    await waitFor(async () => expect(await list()).toHaveTextContent("Tue 1 Dec, 10:00"));
    await user.click(within(await list()).getByRole("button", { name: /^Pods/ }));
    await user.click(await screen.findByRole("button", { name: "Let it go" }));
    await waitFor(() => expect(said.get("job-0")).toMatchObject({ start: "", bench: "" }));
  });

  it("puts a job where it is dragged to, and takes a press for a press", async () => {
    const { shop, said } = shopWith({ title: "Pods" });
    await open(shop, "/calendar");
    const plan = await planOf();
    const bar = within(plan).getByRole("button", { name: /^Pods.*Fit/ });
    bar.setPointerCapture = () => {};
    // Seven days of a hundred each; rows of 50, one beneath the other.
    const rows = within(plan).getAllByRole("heading", { level: 3 });
    rows.forEach(({ nextElementSibling }, i) => {
      nextElementSibling!.getBoundingClientRect = () => new DOMRect(0, 50 * i, 700, 50);
    });
    bar.getBoundingClientRect = () => new DOMRect(0, 0, 30, 50);
    // Pointers are mice with a name of their own, which the page's document has not.
    const point = (type: string, x: number, y: number): void => {
      fireEvent(bar, new MouseEvent(type, { bubbles: true, clientX: x, clientY: y, button: 0 }));
    };
    point("pointerdown", 2, 10);
    point("pointermove", 4, 11);
    point("pointerup", 4, 11);
    expect(said.size).toBe(0);
    point("pointerdown", 2, 10);
    point("pointermove", 202, 60);
    point("pointerup", 202, 60);
    // The third day's first hour, on the second bench.
    await waitFor(() =>
      expect(said.get("job-0")).toEqual({
        ...{ start: "2026-12-02T08:00", bench: "Bench 2", notBefore: "" },
      }),
    );
    // Escape puts it back.
    said.clear();
    point("pointerdown", 2, 10);
    point("pointermove", 202, 60);
    fireEvent.keyDown(bar, { key: "Escape" });
    point("pointerup", 202, 60);
    expect(said.size).toBe(0);
    // At the wall nothing is put by hand.
    said.clear();
    point("pointerdown", 2, 10);
    point("pointermove", 202, 120);
    point("pointerup", 202, 120);
    expect(said.size).toBe(0);
  });

  it("goes on by weeks, and shows no more to who may only look", async () => {
    const { shop } = shopWith({ title: "Pods" });
    shop.person = { ...ANSA, role: "viewer" };
    const { user } = await open(shop, "/calendar");
    const plan = await planOf();
    expect(within(plan).getByText("Mon 30 Nov")).toBeVisible();
    await user.click(screen.getByRole("button", { name: "A week on" }));
    expect(within(plan).getByText("Mon 7 Dec")).toBeVisible();
    expect(within(plan).queryByRole("button")).toBeNull();
    expect(screen.queryByRole("button", { name: "Hours and benches" })).toBeNull();
    await user.click(within(await list()).getByRole("button", { name: /^Pods/ }));
    const dialog = await screen.findByRole("dialog");
    expect(within(dialog).queryByRole("button", { name: "Keep" })).toBeNull();
  });

  it("is empty in a shop without work, and says when it cannot be planned", async () => {
    const first = await open(shopWith().shop, "/calendar");
    expect(await screen.findByText("Nothing to plan")).toBeVisible();
    first.unmount();
    const { shop } = shopWith({ title: "Pods" });
    shop.answers("GET calendar", () => ({
      status: 503,
      body: { message: "the database is away" },
    }));
    await open(shop, "/calendar");
    expect(await screen.findByText(/the database is away/)).toBeVisible();
  });
});

describe("the shop's hours", () => {
  it("are read with who is away, or refused by the line", () => {
    const people = ["Pim Okkerse", "Ansa"];
    expect(readAway("pim okkerse 2026-12-21 to 2026-12-28\n\nAnsa 2026-12-30", people)).toEqual([
      { who: "Pim Okkerse", from: "2026-12-21", to: "2026-12-28" },
      { who: "Ansa", from: "2026-12-30", to: "2026-12-30" },
    ]);
    const away = { who: "Ansa", from: "2026-12-01", to: "2026-12-03" };
    expect(readAway(awayText(away), people)).toEqual([away]);
    expect(readAway(awayText({ ...away, to: away.from }), people)).toEqual([
      { ...away, to: away.from },
    ]);
    expect(readAway("Ansa 2026-12-01\nWren 2026-12-02", people)).toMatch(/^line 2: nobody here/);
    for (const wrong of ["Ansa", "Ansa soon", "Ansa 2026-12-09 to 2026-12-01", "Ansa 2026-13-01"]) {
      expect(readAway(wrong, people)).toMatch(/^line 1: write a name and a day/);
    }
  });

  it("are read as people write them, or refused", () => {
    expect(readHours("8:00-17.30")).toEqual({ open: 480, close: 1050 });
    expect(readHours("08:00 – 24:00")).toEqual({ open: 480, close: 1440 });
    expect(readHours(" ")).toEqual({ open: 0, close: 0 });
    for (const wrong of ["8", "17:00-8:00", "8:70-9:00", "8:00-25:00", "late"]) {
      expect(readHours(wrong)).toBeNull();
    }
    expect(readClosed("2026-12-25 Christmas\n\n2027-01-01")).toEqual([
      { day: "2026-12-25", name: "Christmas" },
      { day: "2027-01-01", name: "" },
    ]);
    expect(readClosed("2026-12-25 Christmas\nBoxing Day")).toMatch(/^line 2/);
    expect(readClosed("2026-02-30 no such day")).toMatch(/^line 1/);
    expect([readClock("24:00"), readClock("24:01"), readClock("9:60")]).toEqual([1440, null, null]);
    expect(readPlace("-41.3, 174.8")).toEqual({ latitude: -41.3, longitude: 174.8 });
    expect([readPlace("54"), readPlace("north"), readPlace("")]).toEqual([null, null, null]);
  });

  it("are kept as they were written, and a refusal is told with its place", async () => {
    const { shop } = shopWith({ title: "Pods" });
    let refuse = true;
    shop.answers("PUT calendar", () =>
      refuse
        ? { status: 422, body: { message: "zone: no such time zone; nothing was stored" } }
        : { status: 204 },
    );
    const { user } = await open(shop, "/calendar");
    await user.click(await screen.findByRole("button", { name: "Hours and benches" }));
    const dialog = await screen.findByRole("dialog", { name: "Hours and benches" });
    const write = (label: string, value: string): void => {
      fireEvent.change(within(dialog).getByLabelText(label), { target: { value } });
    };
    write("Saturday", "9 to 12");
    expect(await within(dialog).findByText(/write it as 08:00–17:00/)).toBeVisible();
    await waitFor(() =>
      expect(within(dialog).getByRole("button", { name: "Keep" })).toBeDisabled(),
    );
    write("Saturday", "09:00–12:00");
    write("Benches, one a line", "Lift\n\n Yard ");
    write("Place: degrees north, east", "-41.3, 174.8");
    write("Days off, one a line", "Nobody 2026-12-21");
    expect(await within(dialog).findByText(/nobody here is called Nobody/)).toBeVisible();
    write("Days off, one a line", "ansa tordoff 2026-12-21 to 2026-12-22");
    write("Time zone", "Mars/Base");
    await waitFor(() => expect(within(dialog).getByRole("button", { name: "Keep" })).toBeEnabled());
    await user.click(within(dialog).getByRole("button", { name: "Keep" }));
    expect(await within(dialog).findByText(/no such time zone/)).toBeVisible();
    refuse = false;
    write("Time zone", "Pacific/Auckland");
    await user.click(within(dialog).getByRole("button", { name: "Keep" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(shop.sent("PUT", "calendar").at(-1)).toMatchObject({
      ...{ zone: "Pacific/Auckland", latitude: -41.3, longitude: 174.8, latest: 1260 },
      ...{ benches: ["Lift", "Yard"] },
      away: [{ who: "Ansa Tordoff", from: "2026-12-21", to: "2026-12-22" }],
    });
  });

  it("take closed days from a file, and say how many", async () => {
    const { shop } = shopWith({ title: "Pods" });
    shop.answers("POST calendar/closed", () => ({ status: 200, body: { added: 3, changed: 1 } }));
    const { user } = await open(shop, "/calendar");
    const file = new File(["BEGIN:VCALENDAR"], "days.ics", { type: "text/calendar" });
    await user.upload(await screen.findByLabelText("Closed days in"), file);
    expect(await screen.findByText("3 closed days added, 1 known before")).toBeVisible();
    expect(shop.sent("POST", "calendar/closed")).toEqual([{ text: "BEGIN:VCALENDAR" }]);
  });
});

describe("how late", () => {
  it("is told in hours, and from nearly a day on in days", () => {
    expect([20, 300, 1300, 5000].map(lateText)).toEqual(["1 h", "5 h", "1 day", "3 days"]);
  });
});

describe("a row of days", () => {
  it("goes from the first hour to the last, and back to the half hour", () => {
    const monday = Date.parse("2026-11-30T00:00Z") / 60_000;
    const axis = new TimeAxis(monday, 7, { week: DEFAULT_CALENDAR.week, latest: 21 * 60 });
    expect(axis.shareOf(monday + 8 * 60)).toBeCloseTo(0, 9);
    expect(axis.shareOf(monday + 21 * 60)).toBeCloseTo(1 / 7, 9);
    // Nothing is between the evening and the morning.
    expect(axis.shareOf(monday + 1440 + 60)).toBeCloseTo(1 / 7, 9);
    expect([axis.shareOf(monday - 5000), axis.shareOf(monday + 99999)]).toEqual([0, 1]);
    for (const minutes of [480, 510, 1440 + 900, 3 * 1440 + 1230]) {
      expect(axis.momentAt(axis.shareOf(monday + minutes))).toBe(monday + minutes);
    }
  });
});
