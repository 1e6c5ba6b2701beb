/** A design solved near where it was solved already: the same answer as from rest, whatever holds itself. */
import {
  allOf,
  designPoint,
  packRangeV,
  restVolts,
  runningVolts,
  synthesise,
  type DesignPoint,
  type Job,
  type SourceVolts,
} from "../src/index.ts";
import { chanceOf, demoJobs, randomJob } from "../src/demo/index.ts";
import { jobWith } from "./helpers.ts";

/** A sag is settled within 0.1 mV at the post, and what lies behind follows it. */
const SAME_V = 5e-4;

/** What is most unlike between two points of a job, in V; infinite where only one has an answer. */
function unlike(job: Job, a: DesignPoint, b: DesignPoint): number {
  if ((a.solved === null) !== (b.solved === null)) return Infinity;
  let most = 0;
  for (const id of synthesise(job).elements.keys()) {
    const [one, other] = [a.at.get(id), b.at.get(id)];
    if ((one === undefined) !== (other === undefined)) return Infinity;
    if (!one || !other) continue;
    most = Math.max(most, Math.abs(one.fromV - other.fromV), Math.abs(one.toV - other.toV));
  }
  return most;
}

/** Every way that a plan goes on from one point to the next, each beside the same from rest. */
function offs(job: Job): number[] {
  const circuit = synthesise(job);
  const rest = restVolts(job.vehicle);
  const worst = designPoint(job, circuit, rest, "high");
  const { system } = job.vehicle;
  const range = system.kind === "engine" ? null : packRangeV(system.pack);
  const volts: SourceVolts[] = [
    rest,
    runningVolts(job.vehicle),
    ...(range ? [{ ...rest, packV: range.highV }] : []),
    ...(range ? [{ ...rest, packV: range.lowV }] : []),
  ];
  let from = worst;
  return volts.map((at) => {
    const near = designPoint(job, circuit, at, "value", from);
    const cold = designPoint(job, circuit, at);
    from = near;
    return unlike(job, near, cold);
  });
}

describe("a design solved from another point of it", () => {
  it("is as from rest in every job of the demo", () => {
    demoJobs().forEach((job, nth) => {
      expect([nth, offs(job).every((off) => off < SAME_V)]).toEqual([nth, true]);
    });
  });

  it("is as from rest in jobs by chance", () => {
    for (let seed = 1; seed <= 150; seed += 1) {
      const most = Math.max(...offs(randomJob(chanceOf(seed))));
      expect([seed, most < SAME_V]).toEqual([seed, true]);
    }
  });

  it("does not hold a relay that would not have pulled in: 8 V to pull, 1.2 V to hold (ISO 7588-1, m)", () => {
    const job = jobWith("pod-18", 2, allOf("switch"), { relay: "yes" });
    const circuit = synthesise(job);
    const contact = [...circuit.elements.values()].find((e) => e.kind === "contact");
    const full = designPoint(job, circuit, { sourceV: 12.7, packV: 0 });
    expect(full.solved?.closed.has(contact!.id)).toBe(true);
    for (const [sourceV, holds] of [
      [7.2, false],
      [11, true],
    ] as const) {
      const low = designPoint(job, circuit, { sourceV, packV: 0 }, "value", full);
      expect(low.solved?.closed.has(contact!.id)).toBe(holds);
      expect(unlike(job, low, designPoint(job, circuit, { sourceV, packV: 0 }))).toBeLessThan(
        SAME_V,
      );
    }
  });
});
