/** What is measured first, how far a test is, and what holds a vehicle back. */
import {
  TestBench,
  append,
  openCircuitV,
  openGates,
  packRestV,
  printScriptCsv,
  readReadingsCsv,
  stepsOf,
  testBenchOf,
  testReport,
  type Job,
  type Reading,
} from "../src/index.ts";
import { PORTER, demoJobs } from "../src/demo/index.ts";
import { edited, jobWith, plannedJobs } from "./helpers.ts";
import { pods } from "./testing.ts";

let n = 0;
const read = (job: Job, step: string, value: number | null, note = ""): Job => {
  n += 1;
  const at = new Date(Date.UTC(2026, 10, 26, 8, 0, n)).toISOString();
  const reading: Reading = {
    ...{ id: `r-${n}`, step, value, low: null, high: null, note, by: "Pim Okkerse", at },
  };
  return edited(job, append(job, "reading", reading));
};

const AT_REST = "volts|off|battery.pos|0";

describe("what is measured first", () => {
  const bench = new TestBench(pods());

  it("is the battery at rest: from half full to straight off the charger", () => {
    const [step] = bench.first;
    expect(bench.first).toHaveLength(1);
    expect(step!.probe.id).toBe(AT_REST);
    // Lead: 12.2 V about half full, 12.7 V full (handbook values, from memory).
    expect(step!.low).toBeCloseTo(openCircuitV("agm", 0.5), 9);
    expect(step!.low).toBeCloseTo(12.2, 2);
    expect(step!.high).toBeCloseTo(12.7 * 1.03, 2);
  });

  it("is the pack on a cart, by its cells", () => {
    const job = plannedJobs().find((j) => j.vehicle.profileId === PORTER.profileId)!;
    const { system } = job.vehicle;
    if (system.kind !== "pack") throw new Error("the cart has a pack");
    const [step] = new TestBench(job).first;
    expect(step!.probe.words).toMatch(/^pack \+/);
    expect(step!.low).toBeCloseTo(packRestV(system.pack, 0.5), 9);
    expect(step!.high).toBe(system.pack.topOfChargeV.high);
  });

  it("is what everything after it is expected by", () => {
    const weak = read(pods(), AT_REST, 12.3);
    const lamp = (of: TestBench) => {
      const step = of.groups[0]!.runs[0]!.probes.find((p) =>
        /key\+run-1\|lamp_lamp_1\.pos/.test(p.id),
      )!;
      return step.bench.sound(step).value;
    };
    const [full, now] = [lamp(bench), lamp(testBenchOf(weak))];
    expect(full - now).toBeGreaterThan(0.3);
    expect(full - now).toBeLessThan(0.55);
    // A newer reading counts, one that cannot be does not.
    expect(lamp(testBenchOf(read(weak, AT_REST, 12.65)))).toBeGreaterThan(now + 0.3);
    expect(lamp(testBenchOf(read(weak, AT_REST, 900)))).toBeCloseTo(full, 9);
    expect(lamp(testBenchOf(pods(), [{ step: AT_REST, value: 12.3 }]))).toBeCloseTo(now, 9);
  });

  it("is off by what a battery should be, whatever it was measured as", () => {
    const flat = read(pods(), AT_REST, 11.6);
    const report = testReport(flat);
    expect(report.lines[0]).toMatchObject({
      read: "11.6 V",
      off: true,
      expected: "12.2 to 13.1 V",
    });
    expect(testReport(read(pods(), AT_REST, 12.5)).lines[0]).toMatchObject({ off: false });
    const own = testBenchOf(flat);
    expect(own.range(own.first[0]!.probe)).toEqual([
      expect.closeTo(12.2, 2),
      expect.closeTo(13.08, 2),
    ]);
  });

  it("stands before the script once, on the screen as in CSV", () => {
    for (const job of demoJobs().slice(0, 8)) {
      const of = new TestBench(job);
      const ids = stepsOf(of).map(({ probe }) => probe.id);
      expect(new Set(ids).size).toBe(ids.length);
      expect(ids.slice(0, of.first.length)).toEqual(of.first.map(({ probe }) => probe.id));
      // Every way's ohms before any fuse goes in, whatever group it belongs to.
      const dead = stepsOf(of).map(({ probe }) => probe.state.dead);
      expect(dead.lastIndexOf(true)).toBe(of.first.length + dead.filter(Boolean).length - 1);
      const csv = printScriptCsv(stepsOf(of));
      expect(csv.trim().split("\n")).toHaveLength(ids.length + 1);
    }
  });

  it("comes in by CSV like any step", () => {
    const csv = printScriptCsv(bench.first).replace(/,$/m, ",12.4");
    const back = readReadingsCsv(csv.replace(/before panels,\n/, "before panels,12.4\n"));
    expect(back).toEqual({ ok: true, value: [{ step: AT_REST, value: 12.4 }] });
  });
});

describe("how far a test is", () => {
  const job = pods();
  const steps = stepsOf(new TestBench(job));
  const all = (of: Job, most = steps.length): Job =>
    steps.slice(0, most).reduce((j, { probe, expected }) => read(j, probe.id, expected.value), of);

  it("counts what is neither read nor left out", () => {
    expect(testReport(job)).toMatchObject({ total: steps.length, unread: steps.length, off: 0 });
    const some = all(job, 3);
    expect(testReport(some)).toMatchObject({ unread: steps.length - 3, off: 0 });
    const waived = read(some, steps[3]!.probe.id, null, "no clamp at hand");
    const report = testReport(waived);
    expect(report.unread).toBe(steps.length - 4);
    expect(report.lines[3]).toMatchObject({
      ...{ waived: true, read: "no clamp at hand", off: false, by: "Pim Okkerse" },
    });
  });

  it("holds the vehicle back until every step is read or left out with a reason", () => {
    const tested = (of: Job) =>
      openGates(of, [], testReport(of)).find(({ gate }) => gate === "tested")?.text ?? "";
    expect(tested(job)).toBe("not tested on the vehicle");
    expect(tested(all(job, 3))).toBe(
      `${steps.length - 3} of ${steps.length} steps of the test not read`,
    );
    expect(tested(all(job))).toBe("");
    expect(tested(read(all(job, steps.length - 1), steps.at(-1)!.probe.id, null, "dark"))).toBe("");
  });

  it("tells each step with what is expected and what was read", () => {
    const { lines } = testReport(all(job));
    for (const [i, line] of lines.entries()) {
      const { probe } = steps[i]!;
      expect(line).toMatchObject({ words: probe.words, controls: probe.state.words, off: false });
      expect(line.read).toMatch(
        probe.unit === "" ? /^(dark|dim|lit)$/ : new RegExp(` ${probe.unit}$`),
      );
    }
  });

  it("is nothing where there is nothing to test", () => {
    const bare = { ...jobWith("pod-18", 1, { anyOf: [[]] }), runs: [], lamps: [] };
    expect(testReport(bare)).toMatchObject({ total: 0, unread: 0, lines: [] });
  });

  it("of what the demo shop has handed over is whole", () => {
    const done = demoJobs().filter((j) => j.signatures.some(({ gate }) => gate === ""));
    expect(done.length).toBeGreaterThan(0);
    for (const of of done) {
      expect([of.card.title, testReport(of).unread]).toEqual([of.card.title, 0]);
    }
  });
});
