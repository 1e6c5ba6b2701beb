/** What a shop's jobs say about the shop, and what has to be ordered for them: sums by hand beside each. */
import {
  allOf,
  jobSummary,
  orderList,
  shopFigures,
  type Job,
  type JobSummary,
  type Mend,
  type Part,
} from "../src/index.ts";
import { demoPart } from "../src/demo/index.ts";
import { jobWith } from "./helpers.ts";

const POD = demoPart("pod-18");
const shelf = (stock: number, price = 30): Part[] => [{ ...POD, stock, price }];
let n = 0;
const wants = (count: number, promised = "", name = POD.name) => {
  n += 1;
  return { id: `job-${n}`, title: `J${n}`, promised, needs: [{ name, count, unit: "" as const }] };
};

describe("the order list", () => {
  it("has what open jobs want beyond the shelf, with its cost", () => {
    const [line, ...more] = orderList(shelf(3), [wants(2), wants(4)]);
    expect(more).toEqual([]);
    expect(line).toMatchObject({ wanted: 6, onShelf: 3, short: 3, cost: 90, partId: "pod-18" });
    expect(orderList(shelf(6), [wants(2), wants(4)])).toEqual([]);
  });

  it("gives what there is to the first promise: the order is wanted by the next one", () => {
    const jobs = [wants(2, "2026-12-09"), wants(2, "2026-12-02"), wants(2)];
    const [line] = orderList(shelf(2), jobs);
    expect(line!.by).toBe("2026-12-09");
    expect(line!.jobs.map(({ promised }) => promised)).toEqual(["2026-12-02", "2026-12-09", ""]);
    // With nothing on the shelf the first one waits.
    expect(orderList(shelf(0), jobs)[0]!.by).toBe("2026-12-02");
    expect(orderList(shelf(4), jobs)[0]!.by).toBe("");
  });

  it("puts what is promised first before what is for some day, and knows no price where there is none", () => {
    const lines = orderList(shelf(0, 0), [
      wants(1, "", "Zip ties"),
      wants(1, "2026-12-09", "Lamp b"),
      wants(1, "2026-12-02"),
      wants(1, "2026-12-09", "Lamp a"),
    ]);
    expect(lines.map(({ name }) => name)).toEqual([POD.name, "Lamp a", "Lamp b", "Zip ties"]);
    expect(lines.map(({ cost }) => cost)).toEqual([null, null, null, null]);
    expect(lines[1]).toMatchObject({ partId: null, onShelf: 0, short: 1 });
  });

  it("has again what the shop keeps, whether or not jobs want it", () => {
    const kept = (stock: number, least: number): Part[] => [{ ...POD, stock, least, price: 30 }];
    // 2 + 6 - 5 = 3.
    const [wanted] = orderList(kept(5, 6), [wants(2, "2026-12-02")]);
    expect(wanted).toMatchObject({ wanted: 2, least: 6, short: 3, cost: 90 });
    // The job has what it wants: no promise hangs on it.
    expect(wanted!.by).toBe("");
    const [alone] = orderList(kept(5, 6), []);
    expect(alone).toMatchObject({ name: POD.name, wanted: 0, short: 1, jobs: [], by: "" });
    expect(orderList(kept(6, 6), [])).toEqual([]);
    expect(orderList(shelf(0), [])).toEqual([]);
    const wire = { ...POD, id: "w" as Part["id"], name: "Wire 18 AWG, metre", stock: 4, least: 20 };
    expect(orderList([wire], [])[0]).toMatchObject({ unit: "m", short: 16, partId: "w" });
  });

  it("finds a part by its name whatever its letters, and wire by the metre", () => {
    const wire = { ...POD, id: "w" as Part["id"], name: "Wire 18 AWG, metre", stock: 4, price: 2 };
    const job = {
      ...{ id: "j", title: "J", promised: "" },
      needs: [{ name: "wire 18 AWG", count: 6.5, unit: "m" as const }],
    };
    const [line] = orderList([wire], [job]);
    expect(line).toMatchObject({ unit: "m", short: 2.5, cost: 5, partId: "w" });
  });
});

const listed = (more: Partial<JobSummary>): JobSummary => ({
  ...jobSummary(jobWith("pod-18", 1, allOf("high"))),
  ...{ waiting: [], needs: [], time: [], mends: [] },
  ...more,
});

describe("the figures of a shop", () => {
  it("are hours planned and taken by kind of work, in the order of the work", () => {
    const { hours, backtest } = shopFigures([
      listed({ time: [{ task: "wire", plannedMin: 60, tookMin: 90 }] }),
      listed({
        time: [
          { task: "wire", plannedMin: 30, tookMin: 30 },
          { task: "strip", plannedMin: 12, tookMin: 6 },
        ],
      }),
    ]);
    expect(hours).toEqual([
      { task: "strip", plannedH: 0.2, tookH: 0.1, jobs: 1 },
      { task: "wire", plannedH: 1.5, tookH: 2, jobs: 2 },
    ]);
    expect(backtest?.jobs).toBe(3);
    expect(shopFigures([listed({})])).toEqual({
      ...{ hours: [], backtest: null, waits: [], sells: [], comebacks: [], mends: [] },
    });
  });

  it("count a job once for each kind of thing that it waits for", () => {
    const part = { kind: "part" as const, text: "a lamp" };
    const dark = { kind: "dark" as const, text: "night" };
    const { waits } = shopFigures([
      listed({ waiting: [part, part, dark] }),
      listed({ waiting: [part] }),
    ]);
    expect(waits).toEqual([
      { what: "part", count: 2 },
      { what: "dark", count: 1 },
    ]);
  });

  it("count the pieces of open jobs, and no metres", () => {
    const pods = { name: "Pod", count: 2, unit: "" as const };
    const wire = { name: "wire", count: 9, unit: "m" as const };
    const { sells } = shopFigures([
      listed({ stage: "circuit", needs: [pods, wire] }),
      listed({ stage: "fit", needs: [pods, { ...pods, name: "Bar" }] }),
      listed({ stage: "handOver", needs: [pods] }),
    ]);
    expect(sells).toEqual([
      { what: "Pod", count: 4 },
      { what: "Bar", count: 2 },
    ]);
  });

  it("tell what came back from what was found at the test", () => {
    const job = jobWith("pod-18", 1, allOf("high"));
    const mend = (what: string, when: string): Mend => ({
      ...{
        id: `m-${when}`,
        what,
        done: "",
        at: "",
        partId: "",
        minutes: 5,
        again: [],
        by: "Pim",
        when,
      },
    });
    const over: Job = {
      ...job,
      signatures: [{ id: "s", gate: "", name: "A", reason: "", at: "2026-11-10T12:00:00Z" }],
      mends: [
        mend("ground lost", "2026-11-09T12:00:00Z"),
        mend("fuse blown", "2026-11-20T12:00:00Z"),
        mend("fuse blown", "2026-12-20T12:00:00Z"),
      ],
    };
    const { mends } = jobSummary(over);
    expect(mends.map(({ comeback }) => comeback)).toEqual([false, true, true]);
    const figures = shopFigures([listed({ mends })]);
    expect(figures.comebacks).toEqual([{ what: "fuse blown", count: 2 }]);
    expect(figures.mends).toEqual([{ what: "ground lost", count: 1 }]);
    // Without a hand-over there is nothing to come back from.
    const still = jobSummary({ ...over, signatures: [] }).mends;
    expect(still.some(({ comeback }) => comeback)).toBe(false);
  });
});
