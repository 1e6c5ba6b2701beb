/** Ledgers by chance: what comes off goes back, in an order that can be. */
/**
 * Texts and documents by chance: what reads them answers in words and never gives way; what
 * is computed of them keeps its own promises.
 */
import fc from "fast-check";
import {
  asId,
  type FastenerId,
  circleIn,
  createJob,
  notClosed,
  notOffYet,
  reassembly,
  setIn,
  stripOrder,
  timeTaken,
  type Job,
  type StepId,
  type TeardownStep,
} from "../src/index.ts";
import { FELLRUNNER } from "../src/demo/index.ts";
import { edited } from "./helpers.ts";

const RUNS = { seed: 21, numRuns: 300 };

const circleOf = (steps: readonly TeardownStep[]) =>
  circleIn(new Map(steps.map((s) => [s.id as string, s.after])));

/** A ledger by chance: each step after some of those before it, never in a circle. */
const ledger = fc
  .array(
    fc.record({
      after: fc.array(fc.nat(), { maxLength: 3 }),
      state: fc.constantFrom("on", "off", "back"),
      estimateMin: fc.nat(30),
      tookMin: fc.nat(30),
      count: fc.integer({ min: 1, max: 6 }),
      back: fc.nat(6),
    }),
    { minLength: 1, maxLength: 9 },
  )
  .map((steps): Job => {
    const job = createJob("test", "", FELLRUNNER);
    const id = (i: number): StepId => asId<StepId>(`step-${i}`);
    return {
      ...job,
      strip: steps.map((s, i): TeardownStep => ({
        id: id(i),
        name: `panel ${i}`,
        after: i === 0 ? [] : [...new Set(s.after.map((n) => id(n % i)))],
        covers: [],
        catches: "",
        hold: false,
        paint: false,
        forget: "",
        estimateMin: s.estimateMin,
        tookMin: s.tookMin,
        state: s.state,
      })),
      fasteners: steps.map((s, i) => ({
        id: asId<FastenerId>(`bolts-${i}`),
        stepId: id(i),
        drive: "hex",
        size: "M6",
        lengthMm: 20,
        count: s.count,
        where: "",
        spots: Array.from({ length: s.count }, () => ({ x: 0.5, y: 0.5 })),
        torqueNm: 0,
        locker: "none",
        back: Math.min(s.back, s.count),
      })),
    };
  });

describe("a ledger by chance", () => {
  it("comes off in an order in which nothing is in the way, each step once", () => {
    fc.assert(
      fc.property(ledger, (job) => {
        const order = stripOrder(job.strip);
        expect(order).toHaveLength(job.strip.length);
        const off = new Set<StepId>();
        for (const step of order) {
          for (const before of step.after) expect(off.has(before)).toBe(true);
          off.add(step.id);
        }
        expect(circleOf(job.strip)).toBeNull();
      }),
      RUNS,
    );
  });

  it("can be taken off in that order one by one", () => {
    fc.assert(
      fc.property(ledger, (job) => {
        let now: Job = { ...job, strip: job.strip.map((s) => ({ ...s, state: "on" as const })) };
        for (const { id } of stripOrder(now.strip)) {
          const step = now.strip.find((s) => s.id === id)!;
          expect(notOffYet(now, step)).toEqual([]);
          now = edited(now, setIn("stripStep", id, "state", "off"));
        }
        expect(now.strip.every((s) => s.state === "off")).toBe(true);
      }),
      { ...RUNS, numRuns: 100 },
    );
  });

  it("goes back the other way round, and tells every piece that is still out", () => {
    fc.assert(
      fc.property(ledger, (job) => {
        const back = reassembly(job).map((b) => b.step.id);
        expect(back).toEqual(
          stripOrder(job.strip)
            .map((s) => s.id)
            .reverse(),
        );
        const open = notClosed(job);
        const off = job.strip.filter((s) => s.state === "off");
        for (const step of off) expect(open.some((w) => w.startsWith(`${step.name}: `))).toBe(true);
        if (off.length === 0) expect(open).toEqual([]);
      }),
      RUNS,
    );
  });

  it("sums the time of the steps whose time is known, and of no other", () => {
    fc.assert(
      fc.property(ledger, (job) => {
        const known = job.strip.filter((s) => s.tookMin > 0);
        const sum = (pick: (s: TeardownStep) => number): number =>
          known.reduce((n, s) => n + pick(s), 0);
        expect(timeTaken(job)).toEqual({
          tookMin: sum((s) => s.tookMin),
          estimateMin: sum((s) => s.estimateMin),
        });
      }),
      RUNS,
    );
  });

  it("with a step waiting for itself by way of others is a circle that names them", () => {
    fc.assert(
      fc.property(ledger, (job) => {
        if (job.strip.length < 2) return;
        const last = job.strip[job.strip.length - 1]!;
        const chained = job.strip.map((s, i) =>
          i === 0 ? { ...s, after: [last.id] } : { ...s, after: [job.strip[i - 1]!.id] },
        );
        const circle = circleOf(chained);
        expect(circle).not.toBeNull();
        expect(stripOrder(chained)).toHaveLength(0);
      }),
      RUNS,
    );
  });
});
