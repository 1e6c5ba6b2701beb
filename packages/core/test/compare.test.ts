/** The four ways to feed the same lamps, and what an evening does to a pack. */
import {
  allOf,
  applyEdits,
  asId,
  compareWays,
  packEvening,
  packRestV,
  planJob,
  prove,
  setCircuit,
  synthesise,
  type Job,
  type FeedOption,
  type FeedWay,
} from "../src/index.ts";
import { DEMO_SHELF, MIDGE, PORTER, demoJobs } from "../src/demo/index.ts";
import { jobThat } from "./jobs.ts";
import { RUN, edited, jobWith } from "./helpers.ts";

const porterPack = PORTER.system.kind === "pack" ? PORTER.system.pack : null!;

const lamps = (count: number, part = "pod-plain-10", vehicle = PORTER): Job =>
  jobWith(part, count, allOf("switch"), { feed: { kind: "pack" }, onEngineOff: 1 }, vehicle);

const waysOf = (job: Job): Record<FeedWay, FeedOption> =>
  Object.fromEntries(compareWays(job, RUN, DEMO_SHELF).map((w) => [w.kind, w])) as Record<
    FeedWay,
    FeedOption
  >;

describe("comparing ways", () => {
  const ways = waysOf(lamps(4));

  it("gives four, each with volts over the whole pack from empty to the charger's", () => {
    expect(Object.keys(ways)).toEqual(["converter", "series", "block", "battery"]);
    for (const way of Object.values(ways)) {
      expect(way.refused).toBe("");
      expect(way.points[0]!.packV).toBeCloseTo(42, 6);
      expect(way.points.at(-1)!.packV).toBeCloseTo(58, 6);
    }
  });

  it("a converter and a battery hold their lamps; a string and a tap follow the pack", () => {
    const swing = (w: FeedOption): number => w.points.at(-1)!.highV - w.points[0]!.highV;
    expect(Math.abs(swing(ways.converter))).toBeLessThan(0.1);
    expect(Math.abs(swing(ways.battery))).toBeLessThan(0.01);
    // Four in series on 42 to 58 V: 4 V of swing on each; two 8 V blocks of six likewise.
    expect(swing(ways.series)).toBeCloseTo(4, 0);
    expect(swing(ways.block)).toBeGreaterThan(4);
  });

  it("one dead lamp takes the string with it, and only itself elsewhere", () => {
    expect(ways.series.darkWithOne).toBe(4);
    expect(ways.converter.darkWithOne).toBe(1);
    expect(ways.block.darkWithOne).toBe(1);
  });

  it("only a tap sets the blocks apart; only a battery leaves the pack alone", () => {
    expect(ways.block.evening!.apartAh).toBeGreaterThan(1);
    for (const kind of ["converter", "series", "battery"] as const) {
      expect(ways[kind].evening!.apartAh).toBeLessThan(1e-9);
    }
    expect(ways.battery.evening!.packWh).toBe(0);
  });

  it("a converter costs and loses; a string does neither", () => {
    expect(ways.converter.money).toBeGreaterThan(ways.series.money);
    expect(ways.converter.evening!.lostShare).toBeGreaterThan(0.08);
    expect(ways.series.evening!.lostShare).toBeLessThan(0.05);
  });

  it("choosing one makes the circuit follow, and it proves", () => {
    for (const way of Object.values(ways)) {
      const made = applyEdits(lamps(4), way.edits);
      if (!made.ok) throw new Error(made.message);
      const chosen = waysOf(made.job);
      expect(chosen[way.kind].current).toBe(true);
      expect(prove(made.job, synthesise(made.job))?.differences).toEqual([]);
    }
  });

  it("refuses a string of driven lamps, uneven strings, and packs without blocks, with reasons", () => {
    expect(waysOf(lamps(4, "pod-18")).series.refused).toContain("switching driver");
    expect(waysOf(lamps(5)).series.refused).toContain("do not part into 4");
    expect(waysOf(lamps(5, "pod-plain-10", MIDGE)).block.refused).toContain("no block");
    expect(waysOf(lamps(5, "pod-plain-10", MIDGE)).series.refused).toBe("");
  });

  it("has nothing to compare on an engine vehicle", () => {
    const [quad] = demoJobs() as [Job];
    expect(compareWays(quad, quad.runs[0]!.id, DEMO_SHELF)).toEqual([]);
  });
});

describe("an evening on the pack", () => {
  const tapped = edited(lamps(4), setCircuit(RUN, "feed", { kind: "block", blocks: 2 }));

  it("adds up by hand: four 10 W lamps on two of six blocks for three hours", () => {
    const evening = packEvening(tapped, synthesise(tapped))!;
    // Two full blocks rest at 16.93 V: each lamp of 14.4 Ω takes 1.18 A less what the
    // wires, fuse and switch drop (the string's wire was chosen for 48 V), four of them 4.7 A.
    const volts = packRestV(porterPack, 1) / 3;
    const amps = (4 * volts) / 14.4;
    expect(evening.blocks.slice(0, 2).map((b) => b.lampAh)).toEqual([
      evening.blocks[0]!.lampAh,
      evening.blocks[0]!.lampAh,
    ]);
    expect(evening.blocks[0]!.lampAh).toBeGreaterThan(0.85 * 3 * amps);
    expect(evening.blocks[0]!.lampAh).toBeLessThan(3 * amps);
    expect(evening.blocks[2]!.lampAh).toBe(0);
    expect(evening.packWh).toBeCloseTo(evening.blocks[0]!.lampAh * volts, 6);
  });

  it("tells the tap in volts and in years", () => {
    const evening = packEvening(tapped, synthesise(tapped))!;
    expect(evening.apartV).toBeGreaterThan(0.02);
    expect(evening.blocks[0]!.years).toBeLessThan(0.8 * evening.blocks[5]!.years);
    expect(evening.eveningsToHalf).toBeLessThan(10);
  });

  it("draws nothing parked when the converter's input is switched, and idles when it is not", () => {
    const path = jobThat((job) => job.vehicle.system.kind === "pack" && job.aims.length > 0);
    expect(planJob(path, "metric").budget.evening?.parkedW).toBe(0);
    const always = edited(path, {
      kind: "set",
      entity: "supply",
      id: asId("converter"),
      field: "gate",
      value: "always",
    } as never);
    // 22 mA at 50.8 V, by hand.
    expect(planJob(always, "metric").budget.evening?.parkedW).toBeCloseTo(0.022 * 50.8, 6);
  });
});
