/** The bench calendar against every plan there is, and a published instance. */
import fc from "fast-check";
import { DAY_MIN, printDay, schedule } from "../src/index.ts";
import { NOW, at, job, people, shopOf } from "./shopDays.ts";

/** The shortest time in which benches do all of some work: every way of dealing it out. */
function shortest(minutes: readonly number[], machines: number): number {
  let best = Infinity;
  const loads = new Array<number>(machines).fill(0);
  const deal = (i: number): void => {
    if (i === minutes.length) {
      best = Math.min(best, Math.max(...loads));
      return;
    }
    for (let m = 0; m < machines; m += 1) {
      loads[m]! += minutes[i]!;
      deal(i + 1);
      loads[m]! -= minutes[i]!;
    }
  };
  deal(0);
  return best;
}

/** Least time that all are late together on one bench: every order. */
function leastLate(jobs: readonly { minutes: number; due: number }[]): number {
  const go = (left: readonly { minutes: number; due: number }[], from: number): number =>
    left.length === 0
      ? 0
      : Math.min(
          ...left.map((one, i) => {
            const end = from + one.minutes;
            const rest = go([...left.slice(0, i), ...left.slice(i + 1)], end);
            return Math.max(0, end - one.due) + rest;
          }),
        );
  return go(jobs, 0);
}

describe("a plan against every plan there is", () => {
  it("ends when the best one does, on two and three benches", () => {
    let best = 0;
    const runs = 40;
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 10, max: 240 }), { minLength: 2, maxLength: 7 }),
        fc.integer({ min: 2, max: 3 }),
        (minutes, machines) => {
          const jobs = minutes.map((fitMin) => job({ fitMin }));
          const plan = schedule(shopOf(machines), people(machines), jobs, NOW);
          const optimum = shortest(minutes, machines);
          const took = plan.end! - NOW;
          expect(took).toBeGreaterThanOrEqual(optimum);
          expect(took).toBeLessThanOrEqual(1.1 * optimum);
          expect(plan.bound! - NOW).toBeLessThanOrEqual(optimum + 1e-9);
          if (took === optimum) best += 1;
        },
      ),
      { seed: 3, numRuns: runs },
    );
    expect(best).toBeGreaterThan(0.9 * runs);
  });

  it("is late no longer than the best one, on one bench with promises", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            minutes: fc.integer({ min: 300, max: 2000 }),
            days: fc.integer({ min: 0, max: 4 }),
          }),
          { minLength: 2, maxLength: 6 },
        ),
        (list) => {
          const start = at("2026-11-30");
          const jobs = list.map(({ minutes, days }) =>
            job({ fitMin: minutes }, { promised: printDay(start + days * DAY_MIN) }),
          );
          const plan = schedule(shopOf(1), people(1), jobs, start);
          const late = plan.jobs.reduce((sum, { lateMin }) => sum + lateMin, 0);
          const optimum = leastLate(
            list.map(({ minutes, days }) => ({ minutes, due: (days + 1) * DAY_MIN })),
          );
          // Of so few every order is tried.
          expect(late).toBe(optimum);
        },
      ),
      { seed: 5, numRuns: 30 },
    );
  });

  it("is better than longest-first on the instance that is longest-first's worst", () => {
    // Graham (1969), Bounds on multiprocessing timing anomalies, from memory: on three machines
    // 5 5 4 4 3 3 3 takes longest-first 11, the best plan 9.
    const jobs = [5, 5, 4, 4, 3, 3, 3].map((hours) => job({ fitMin: hours * 60 }));
    const plan = schedule(shopOf(3), people(3), jobs, NOW);
    expect((plan.end! - NOW) / 60).toBe(9);
    expect((plan.bound! - NOW) / 60).toBe(9);
  });
});
