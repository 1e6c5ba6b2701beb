/** The week on the shop's wall: every stretch of the plan stands on its day, in open hours, once. */
import {
  CALENDAR_FORMAT,
  planCalendar,
  printShopTime,
  weekSheetOf,
  type CalendarFile,
  type JobInFile,
  type WorkLeft,
} from "../src/index.ts";
import { NOW, WORKDAYS, people, shopOf } from "./shopDays.ts";

const work = (of: Partial<WorkLeft>): WorkLeft => ({
  ...{ fitMin: 0, cureH: 0, closeMin: 0, aimMin: 0, handOverMin: 0 },
  ...of,
});
const one = (id: string, of: Partial<WorkLeft>, more: Partial<JobInFile> = {}): JobInFile => ({
  ...{ id, title: id, promised: "", work: work(of), bench: "", notBefore: "", provided: [] },
  pin: null,
  ...more,
});
const fileOf = (jobs: JobInFile[], more: Partial<CalendarFile["calendar"]> = {}): CalendarFile => ({
  ...{ format: CALENDAR_FORMAT, now: printShopTime(NOW), people: people(1), jobs },
  calendar: shopOf(1, { week: WORKDAYS, ...more }),
});
const sheetOf = (file: CalendarFile, most?: number) => weekSheetOf(planCalendar(file), file, most);

describe("the week's sheet", () => {
  it("has the next open days, and a long stretch on each of its own", () => {
    const sheet = sheetOf(fileOf([one("Long", { fitMin: 900 })]));
    expect(sheet.days).toEqual([
      ...["2026-11-30", "2026-12-01", "2026-12-02", "2026-12-03", "2026-12-04"],
    ]);
    const [bench] = sheet.rows;
    expect(bench!.name).toBe("Bench 1");
    expect(bench!.days.map((lines) => lines.map(({ time }) => time))).toEqual([
      ...[["08:00–17:00"], ["08:00–14:00"], [], [], []],
    ]);
    expect(bench!.days[0]![0]).toMatchObject({ title: "Long", what: "Fit, P1" });
  });

  it("leaves out days that the shop is closed on", () => {
    const closed = [{ day: "2026-12-01", name: "fair" }];
    const sheet = sheetOf(fileOf([one("Long", { fitMin: 900 })], { closed }), 3);
    expect(sheet.days).toEqual(["2026-11-30", "2026-12-02", "2026-12-03"]);
    expect(sheet.rows[0]!.days.map((lines) => lines.length)).toEqual([1, 1, 0]);
  });

  it("tells what wants the wall after dusk, and what is handed over", () => {
    const sheet = sheetOf(
      fileOf([one("Glued", { fitMin: 60, cureH: 24, closeMin: 30, aimMin: 30, handOverMin: 15 })]),
    );
    const names = sheet.rows.map(({ name }) => name);
    expect(names).toEqual(["Bench 1", "At the wall, dark", "Handing over"]);
    const all = sheet.rows.flatMap(({ days }) => days.flat());
    expect(all.filter(({ what }) => what.startsWith("Stays"))).toEqual([]);
    const [aim] = sheet.rows[1]!.days.flat();
    expect(Number(aim!.time.slice(0, 2))).toBeGreaterThanOrEqual(16);
    expect(sheet.rows[2]!.days.flat()).toHaveLength(1);
  });

  it("tells what only stays at the bench on a day without a time", () => {
    const sheet = sheetOf(fileOf([one("Glued", { fitMin: 60, cureH: 60, closeMin: 30 })]));
    const [first, second, third, fourth] = sheet.rows[0]!.days;
    expect(first).toMatchObject([{ time: "08:00–09:00", what: "Fit, P1" }]);
    expect(second).toEqual([{ time: "", title: "Glued", what: "Stays at the bench" }]);
    expect(third).toEqual(second);
    expect(fourth).toMatchObject([{ time: "08:00–08:30" }]);
  });

  it("tells a hand-over with the bench where that is on one day, and by itself where it is not", () => {
    const sheet = sheetOf(fileOf([one("Quick", { fitMin: 60, handOverMin: 15 })]));
    expect(sheet.rows).toHaveLength(1);
    expect(sheet.rows[0]!.days[0]).toEqual([
      { time: "08:00–09:00", title: "Quick", what: "Fit, P1, out 09:15" },
    ]);
  });

  it("has every bench, busy or not, and rows of nothing else that is empty", () => {
    const file = { ...fileOf([]), calendar: shopOf(2, { week: WORKDAYS }) };
    expect(sheetOf(file).rows.map(({ name }) => name)).toEqual(["Bench 1", "Bench 2"]);
  });

  it("says what is promised in these days, what will be late, what waits, and who is away", () => {
    const away = [
      { who: "P1", from: "2026-12-03", to: "2026-12-03" },
      { who: "P2", from: "2026-12-05", to: "2026-12-09" },
      { who: "P3", from: "2026-11-01", to: "2026-11-29" },
    ];
    const sheet = sheetOf(
      fileOf(
        [
          one("Early", { fitMin: 60 }, { promised: "2026-12-02", provided: ["part: relay"] }),
          one("Late", { fitMin: 3000 }, { promised: "2026-12-01" }),
          one("Far", { fitMin: 60 }, { promised: "2026-12-24" }),
        ],
        { away },
      ),
    );
    expect(sheet.promised).toEqual(
      expect.arrayContaining(["2026-12-02: Early", "2026-12-01: Late"]),
    );
    expect(sheet.promised).toHaveLength(2);
    expect(sheet.late).toHaveLength(1);
    expect(sheet.late[0]).toMatch(/^Late: promised 2026-12-01, done 2026-12-/);
    expect(sheet.waits).toEqual(["Early: part: relay"]);
    expect(sheet.away).toEqual(["P1, 2026-12-03"]);
  });

  it("of a shop that is never open has no day", () => {
    const week = WORKDAYS.map(() => ({ open: 0, close: 0 }));
    expect(sheetOf(fileOf([], { week }))).toMatchObject({ days: [], promised: [], away: [] });
  });
});
