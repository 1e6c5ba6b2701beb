/** Jobs made up for training, of what a shop has. */
import {
  DEFAULT_PRACTICES,
  checkedCircuit,
  conditionText,
  integrityFaults,
  madeJob,
  seeded,
  type Job,
  type MadeFrom,
} from "../src/index.ts";
import { DEMO_VEHICLES, demoShelf } from "../src/demo/index.ts";

const from: MadeFrom = {
  ...{ vehicles: DEMO_VEHICLES, shelf: demoShelf(), practices: DEFAULT_PRACTICES },
};
const made = Array.from({ length: 60 }, (_, i) => madeJob(from, seeded(i + 1))!);

describe("a made-up job", () => {
  it("is sound, and nothing in it is to stop for", () => {
    for (const job of made) {
      expect(integrityFaults(job)).toEqual([]);
      expect(job.runs.length).toBeGreaterThan(0);
      const { findings } = checkedCircuit(job);
      expect(findings.filter((f) => f.severity === "stop")).toEqual([]);
    }
  });

  it("is of one circuit or two, of one lamp or two, on any vehicle", () => {
    const counts = (of: (job: Job) => unknown): number => new Set(made.map(of)).size;
    expect(new Set(made.map((job) => job.runs.length))).toEqual(new Set([1, 2]));
    const lamps = made.flatMap((j) => j.runs.map((r) => j.lamps.filter((l) => l.runId === r.id)));
    expect(new Set(lamps.map((l) => l.length))).toEqual(new Set([1, 2]));
    expect(counts((job) => job.vehicle.profileId)).toBeGreaterThan(2);
    expect(counts((job) => job.runs.map((r) => conditionText(r.condition)).join())).toBeGreaterThan(
      4,
    );
  });

  it("has lamps alone, from the shop's own shelf", () => {
    const shelf = new Map(from.shelf.map((part) => [part.id, part]));
    for (const job of made) {
      for (const lamp of job.lamps) {
        const part = job.parts.find((p) => p.id === lamp.partId)!;
        expect(part).toMatchObject({ kind: "load", family: "lamp" });
        expect([...shelf.values()].some((p) => p.name === part.name)).toBe(true);
      }
    }
  });

  it("feeds lamps of a pack through a converter, and those of a battery without one", () => {
    const fed = (job: Job): boolean =>
      job.supplies.some((s) => job.parts.find((p) => p.id === s.partId)?.kind === "converter");
    const packs = made.filter((job) => job.vehicle.system.kind === "pack");
    expect(packs.length).toBeGreaterThan(0);
    expect(packs.every(fed)).toBe(true);
    const batteries = made.filter((job) => job.vehicle.system.kind === "engine");
    expect(batteries.length).toBeGreaterThan(0);
    expect(batteries.some(fed)).toBe(false);
  });

  it("brake lamps sit behind, and what shines with the high beam in front", () => {
    const places = made.flatMap((job) =>
      job.runs.map((run) => ({
        on: conditionText(run.condition),
        place: job.lamps.find((l) => l.runId === run.id)?.place,
      })),
    );
    const of = (word: RegExp) => new Set(places.filter((p) => word.test(p.on)).map((p) => p.place));
    expect(of(/brake/)).toEqual(new Set(["rear"]));
    expect(of(/high/)).toEqual(new Set(["front"]));
  });

  it("is the same for the same seed, and none where there is nothing to make it of", () => {
    expect(madeJob(from, seeded(5))).toEqual(made[4]);
    expect(madeJob({ ...from, vehicles: [] }, seeded(1))).toBeNull();
    const dark = from.shelf.filter((part) => part.kind !== "load");
    expect(madeJob({ ...from, shelf: dark }, seeded(1))).toBeNull();
  });
});
