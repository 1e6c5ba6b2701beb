/** Learning from time taken: on simulated shops whose true pace is known. */
import fc from "fast-check";
import {
  PLAIN_PACE,
  TASKS,
  append,
  backtest,
  jobSummary,
  paceOf,
  plannedTime,
  synthesise,
  timeRecords,
  type Job,
  type Task,
  type TimeRecord,
} from "../src/index.ts";
import { chanceOf } from "../src/demo/index.ts";
import { edited } from "./helpers.ts";
import { pods } from "./testing.ts";

/** A shop that takes so much longer or shorter by task, with single jobs spread by a logarithm. */
function simulated(
  truth: Partial<Record<Task, number>>,
  jobs: number,
  sigma: number,
  seed: number,
): TimeRecord[] {
  const chance = chanceOf(seed);
  const normal = (): number =>
    Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
  const tasks = Object.keys(truth) as Task[];
  return Array.from({ length: jobs }, () =>
    tasks.map((task): TimeRecord => {
      const plannedMin = 20 + 200 * chance();
      return {
        ...{ task, plannedMin },
        tookMin: plannedMin * (truth[task] ?? 1) * Math.exp(sigma * normal()),
      };
    }),
  ).flat();
}

describe("a shop's pace", () => {
  it("is the trade's while nothing is written down", () => {
    const pace = paceOf([]);
    for (const task of TASKS) {
      expect(pace[task]).toMatchObject({ factor: 1, jobs: 0 });
      expect(pace[task].spread).toBeGreaterThan(1.3);
      expect(pace[task].spread).toBeLessThan(1.4);
    }
  });

  it("comes to the truth with many jobs, task by task", () => {
    const truth = { wire: 1.6, mount: 0.8, test: 1.1 };
    const pace = paceOf(simulated(truth, 400, 0.2, 7));
    for (const [task, factor] of Object.entries(truth)) {
      expect(Math.abs(pace[task as Task].factor / factor - 1)).toBeLessThan(0.05);
    }
    // Four in five of a spread of 0.2 lie within exp(1.2816 · 0.2).
    expect(pace.wire.spread).toBeCloseTo(Math.exp(1.2816 * 0.2), 1);
  });

  it("believes one job little, and a task without any takes the shop's", () => {
    const once = paceOf([{ task: "wire", plannedMin: 60, tookMin: 180 }]);
    // By hand: the shop is 3^(1/4), the task (ln 3 + 3 ln shop) ÷ 4.
    const shop = 3 ** (1 / 4);
    expect(once.mount.factor).toBeCloseTo(shop, 9);
    expect(once.wire.factor).toBeCloseTo(Math.exp((Math.log(3) + 3 * Math.log(shop)) / 4), 9);
  });

  it("says how far single jobs lie by how far they lay of their own kind of work", () => {
    const took = (task: Task, tookMin: number): TimeRecord => ({ task, plannedMin: 60, tookMin });
    const { wire, test } = paceOf([took("wire", 60), took("mount", 120), took("wire", 180)]);
    // By hand: half of ln 3 on either side of the middle, beside three common jobs of 30 % either way.
    const common = Math.log(1.3) / 1.2816;
    const sigma = Math.sqrt((2 * (Math.log(3) / 2) ** 2 + 3 * common ** 2) / 6);
    expect(wire.spread).toBeCloseTo(Math.exp(1.2816 * sigma * Math.sqrt(1 + 1 / 5)), 9);
    expect(test.spread).toBeCloseTo(Math.exp(1.2816 * sigma * Math.sqrt(1 + 1 / 3)), 9);
    expect([wire.jobs, test.jobs]).toEqual([2, 0]);
  });

  it("lies between what the shop does and what the task alone says, whatever was written down", () => {
    const record = fc.record({
      task: fc.constantFrom(...TASKS),
      plannedMin: fc.double({ min: 1, max: 500, noNaN: true }),
      tookMin: fc.double({ min: 0.1, max: 5000, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(record, { minLength: 1, maxLength: 20 }), (records) => {
        const ratios = records.map((r) => r.tookMin / r.plannedMin);
        const [least, most] = [Math.min(1, ...ratios), Math.max(1, ...ratios)];
        for (const task of TASKS) {
          const { factor, spread } = paceOf(records)[task];
          expect(factor).toBeGreaterThanOrEqual(least * (1 - 1e-9));
          expect(factor).toBeLessThanOrEqual(most * (1 + 1e-9));
          expect(spread).toBeGreaterThan(1);
        }
      }),
    );
  });

  it("would have done better than no learning, in shops that are slow or quick, and not much worse in a plain one", () => {
    const errors = (truth: Partial<Record<Task, number>>) => {
      const tried = backtest(simulated(truth, 30, 0.25, 3));
      if (!tried) throw new Error("nothing tried");
      return tried;
    };
    for (const truth of [
      { wire: 1.7, mount: 1.5 },
      { wire: 0.6, mount: 0.7, test: 0.6 },
    ]) {
      const { learnedError, plainError } = errors(truth);
      expect(learnedError).toBeLessThan(0.7 * plainError);
    }
    const plain = errors({ wire: 1, mount: 1 });
    expect(plain.learnedError).toBeLessThan(1.1 * plain.plainError);
    expect(backtest([])).toBeNull();
  });

  it("is tried on each time by those before it alone, of thousands as of few", () => {
    const records = simulated({ wire: 1.7, mount: 1.2, test: 0.8 }, 40, 0.3, 11);
    const off = (said: (record: TimeRecord, nth: number) => number): number => {
      const errors = records.map((r, i) => Math.abs(Math.log(r.tookMin / said(r, i))));
      return Math.exp(errors.reduce((sum, x) => sum + x, 0) / errors.length) - 1;
    };
    const tried = backtest(records);
    expect(tried?.plainError).toBeCloseTo(
      off((r) => r.plannedMin),
      9,
    );
    expect(tried?.learnedError).toBeCloseTo(
      off((r, i) => r.plannedMin * paceOf(records.slice(0, i))[r.task].factor),
      9,
    );
    // A thousand jobs of five kinds of work, as a shop has that writes every time down.
    const many = simulated(
      { wire: 1.5, mount: 1.5, test: 1.5, strip: 1.5, aim: 1.5 },
      4000,
      0.1,
      5,
    );
    expect(backtest(many)?.jobs).toBe(20_000);
    expect(backtest(many)?.plainError).toBeCloseTo(0.5, 1);
    expect(backtest(many)?.learnedError).toBeCloseTo(0.083, 2);
  });

  it("is learned from jobs that were handed over, and from what was both planned and taken", () => {
    const job = pods();
    const worked = (task: Task, minutes: number): Job =>
      edited(
        job,
        append(job, "worked", {
          ...{ id: "w", task, minutes, by: "Pim", at: "2026-11-26T10:00:00Z" },
        }),
      );
    const done = worked("wire", 90);
    const [record] = timeRecords(done, synthesise(done));
    const planned = plannedTime(done, synthesise(done), PLAIN_PACE).find((p) => p.task === "wire");
    expect(record).toEqual({ task: "wire", plannedMin: planned?.minutes.mid, tookMin: 90 });
    expect(timeRecords(worked("strip", 20), synthesise(job))).toEqual([]);
    expect(jobSummary(done).time).toEqual([]);
    const over: Job = { ...done, card: { ...done.card, stage: "handOver" } };
    expect(jobSummary(over).time).toEqual([record]);
  });
});
