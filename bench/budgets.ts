import {
  asId,
  compareWays,
  rideSamples,
  seeded,
  simulateRide,
  synthesise,
  workedQuote,
  type Job,
  type CircuitId,
} from "@dragonet/core";
import { DEMO_SHELF, demoJobs, manyCircuitJob } from "@dragonet/core/demo";

export interface BudgetBench {
  /** A ride of two hours, in ms. */
  readonly rideMs: number;
  /** Two hundred samples of it within its bounds, in ms. */
  readonly boundsMs: number;
  /** The four ways of the shuttle cart's path lights, in ms. */
  readonly compareMs: number;
  /** The quote of the largest example with its circuit worked out anew, in ms. */
  readonly quoteMs: number;
}

const SAMPLES = 200;

function time(times: number, work: () => void): number {
  work();
  const began = performance.now();
  for (let i = 0; i < times; i += 1) work();
  return (performance.now() - began) / times;
}

const titled = (title: string): Job => demoJobs().find((job) => job.card.title === title)!;

/** Rides and the comparison of ways, on the demo shop's jobs. */
export function benchBudgets(): BudgetBench {
  const [quad] = demoJobs() as [Job];
  const { system } = quad.vehicle;
  if (system.kind !== "engine") throw new Error("the first demo job has no engine");
  const leg = {
    id: "leg",
    name: "town",
    minutes: 120,
    rpm: 3000,
    brake: 0.2,
    turn: 0.1,
    starts: 1,
    extraA: 0,
  };
  const job: Job = { ...quad, ride: [leg] };
  const circuit = synthesise(job);
  const { charging, battery } = system;
  const rideMs = time(20, () => void simulateRide(job, circuit, charging, battery, 0.9));
  const boundsMs = time(
    2,
    () => void rideSamples(job, circuit, charging, battery, 0.9, seeded(1), SAMPLES),
  );
  const path = titled("Dim red path lights");
  const compareMs = time(5, () => void compareWays(path, asId<CircuitId>("path"), DEMO_SHELF));
  const large = manyCircuitJob(13);
  // Each a document of its own, so that nothing of it is worked out yet.
  const quoteMs = time(40, () => void workedQuote(structuredClone(large), DEMO_SHELF));
  return { rideMs, boundsMs, compareMs, quoteMs };
}
