/** What flows with everything off: by a meter in place of a fuse, in milliamps. */
import {
  ScpiMeter,
  TestBench,
  allOf,
  boundsText,
  complaintOf,
  upgradeJob,
  perUnit,
  printScriptCsv,
  readReadingsCsv,
  scriptOf,
  simulatedReading,
  stated,
  stepsOf,
  type BoxPart,
  type FaultSuspect,
  type Job,
  type LoadPart,
  type Probe,
} from "../src/index.ts";
import { demoPart } from "../src/demo/index.ts";
import { jobWith, plannedJobs, switchPart } from "./helpers.ts";
import { isFault, pods, probesIn } from "./testing.ts";

const fuseOf = ({ at }: Probe): string => (at.kind === "milliamps" ? at.elementId : "");

/** A planned job with a hub or module that draws while it stands. */
const demoWithHub = (): Job =>
  plannedJobs().find((job) => {
    const part = job.parts.find((p) => p.kind === "box" && p.idleA.value > 0);
    return job.supplies.some((s) => s.partId === part?.id && s.gate === "always");
  })!;

const at = (job: Job) => {
  const bench = new TestBench(job);
  const group = bench.groups[0]!;
  const milliamps = probesIn(group).filter((p) => p.at.kind === "milliamps");
  return { bench, group, milliamps };
};

describe("standby", () => {
  it("is read in milliamps at every fuse with everything off, and by a clamp in no such position", () => {
    const { group, milliamps } = at(pods());
    expect(milliamps.length).toBeGreaterThan(0);
    expect(new Set(milliamps.map((p) => p.state.id))).toEqual(new Set(["off"]));
    expect(milliamps.every((p) => p.unit === "mA")).toBe(true);
    const clamps = probesIn(group).filter((p) => p.at.kind === "amps");
    expect(clamps.some((p) => p.state.id === "off")).toBe(false);
    expect(clamps.length).toBeGreaterThan(0);
  });

  it("is a step of every script, at the first fuse of each run", () => {
    const { group } = at(pods());
    const { steps } = scriptOf(group);
    expect(steps.filter(({ probe }) => probe.at.kind === "milliamps").length).toBeGreaterThan(0);
  });

  it("is nothing where nothing is fed, within the milliamp that nobody counts", () => {
    const { milliamps } = at(pods());
    for (const probe of milliamps) {
      const { value, sigma } = probe.bench.sound(probe);
      expect(value).toBeCloseTo(0, 1);
      // Three of them are the bounds: ±1.5 mA.
      expect(3 * sigma).toBeCloseTo(1.5, 1);
    }
  });

  it("is told as nothing, and at most what it is judged by", () => {
    const texts = stepsOf(new TestBench(pods()))
      .filter(({ probe }) => probe.at.kind === "milliamps")
      .map(boundsText);
    expect(texts.length).toBeGreaterThan(0);
    expect(new Set(texts)).toEqual(new Set(["0 mA, at most 1.5"]));
  });

  it("shows a contact that is stuck, in milliamps of what it lets through", () => {
    const { group, milliamps } = at(pods());
    const stuck = group.suspects.filter(isFault).find((f) => /stuck|welded/.test(f.words));
    const fault = stuck as FaultSuspect;
    const read = milliamps.map((p) => p.bench.reads(fault, p) ?? 0);
    // Two pods of 18 W at about 12.6 V: 2.9 A, which is 2900 mA.
    expect(Math.max(...read)).toBeGreaterThan(2000);
    expect(Math.max(...read)).toBeLessThan(4000);
    expect(complaintOf(group, fault)).not.toBeNull();
  });

  it("is no more than the lamps themselves where nothing turns them off", () => {
    const part = demoPart("pod-18") as LoadPart;
    const [plain, standing] = [part, { ...part, standbyA: stated(0.012) }].map((p) => {
      const [probe] = at(jobWith(p, 2, { anyOf: [[]] })).milliamps;
      return probe!.bench.sound(probe!).value;
    });
    // Two pods of 18 W at about 12.6 V.
    expect(plain).toBeGreaterThan(2500);
    expect(standing).toBeCloseTo(plain!, 6);
  });

  it("has the tell-tale of a switch that is always lit, once", () => {
    const { milliamps } = at(
      jobWith("pod-18", 2, allOf("switch"), {
        feed: { kind: "battery" },
        switchPartId: switchPart("switch-kit-tell"),
      }),
    );
    const [lit, ...others] = milliamps.map((p) => p.bench.sound(p).value).filter((mA) => mA > 1);
    // Measured at 12 V: 0.2 A; at a rested battery's 12.7 V a little more.
    expect(lit).toBeGreaterThan(195);
    expect(lit).toBeLessThan(225);
    expect(others).toEqual([]);
  });

  it("has what a hub takes that nothing parts, and none of it behind an open way", () => {
    const hub = demoWithHub();
    const { groups } = new TestBench(hub);
    const milliamps = groups.flatMap(probesIn).filter((p) => p.at.kind === "milliamps");
    const part = hub.parts.find((p) => p.kind === "box" && p.idleA.value > 0) as BoxPart;
    const probe = milliamps.find((p) => p.bench.sound(p).value > 1)!;
    expect(probe.bench.sound(probe).value).toBeCloseTo(1000 * part.idleA.value, 0);
    const before = groups
      .flatMap(({ suspects }) => suspects)
      .filter(isFault)
      .find((f) => f.fault === "fuseBlown" && f.elementIds[0] === fuseOf(probe))!;
    expect(probe.bench.reads(before, probe)).toBeCloseTo(0, 0);
  });
});

describe("a reading in milliamps", () => {
  const one = (): { bench: TestBench; probe: Probe } => {
    const { bench, milliamps } = at(pods());
    return { bench, probe: milliamps[0]! };
  };

  it("that cannot be asks about the tips and the range", () => {
    const { bench, probe } = one();
    expect(bench.impossible({ step: probe.id, value: 0.4 })).toBeNull();
    expect(bench.impossible({ step: probe.id, value: -0.4 })).toBeNull();
    expect(bench.impossible({ step: probe.id, value: -3 })).toMatch(/wrong way round/);
    expect(bench.impossible({ step: probe.id, value: 20_000 })).toBeNull();
    expect(bench.impossible({ step: probe.id, value: 20_001 })).toMatch(/µA/);
  });

  it.each([
    ["12,5", 12.5],
    ["12.5 mA", 12.5],
    ["0.0125 A", 12.5],
  ])("comes from a file as %s", (text, value) => {
    const { probe } = one();
    const read = readReadingsCsv(`step,reading\n${probe.id},"${text}"\n`);
    expect(read.ok && read.value).toEqual([{ step: probe.id, value }]);
  });

  it("in another unit is refused at its line", () => {
    const { probe } = one();
    const read = readReadingsCsv(`step,reading\n${probe.id},12 mV\n`);
    expect(read).toEqual({
      ok: false,
      faults: [{ line: 2, message: 'invalid unit: "mV" (this step is read in mA)' }],
    });
  });

  it("stands in the script with its unit", () => {
    const { group } = at(pods());
    const csv = printScriptCsv(scriptOf(group).steps);
    expect(csv).toMatch(/^milliamps\|off\|[^\n]*,mA,/m);
  });

  it("is answered by an instrument in amperes", () => {
    const { bench, group, milliamps } = at(pods());
    const fault = group.suspects.filter(isFault).find((f) => /stuck|welded/.test(f.words))!;
    const probe = milliamps.find((p) => (p.bench.reads(fault, p) ?? 0) > 100)!;
    const meter = new ScpiMeter(bench, fault);
    const shown = simulatedReading(fault, probe)!.value;
    expect(meter.ask(`ROUT:CLOS "${probe.id}"`)).toBeNull();
    expect(Number(meter.ask("READ?"))).toBeCloseTo(shown / 1000, 9);
    expect(Number(meter.ask("MEAS:CURR?"))).toBeCloseTo(shown / 1000, 9);
    // Volts are not read in a way that current goes through.
    expect(meter.ask("MEAS:VOLT?")).toBe("9.91E+37");
    expect(perUnit(probe.id)).toBe(1000);
    expect(perUnit("amps|off|x")).toBe(1);
  });

  it("of a job of before is what the clamp read, a thousand times", () => {
    const reading = { id: "r", note: "", by: "Pim", at: "2026-05-04T08:00:00.000Z" };
    const before = {
      ...pods(),
      format: "dragonet-job/6",
      readings: [
        { ...reading, step: "amps|off|run-1.fuse", value: 0.05, low: -0.07, high: 0.08 },
        { ...reading, step: "amps|off|run-1.fuse", value: null, low: null, high: null },
        { ...reading, step: "amps|key+run-1|run-1.fuse", value: 2.9, low: 2.7, high: 3.1 },
      ],
    };
    expect(upgradeJob(before)).toMatchObject({
      readings: [
        { step: "milliamps|off|run-1.fuse", value: 50, low: -70, high: 80 },
        { step: "milliamps|off|run-1.fuse", value: null },
        { step: "amps|key+run-1|run-1.fuse", value: 2.9 },
      ],
    });
  });
});
