import {
  SEEN_LEVELS,
  ScpiMeter,
  TestBench,
  describeEdit,
  isOff,
  jobSummary,
  earlierReading,
  latestReadings,
  printScriptCsv,
  readReadingsCsv,
  scriptOf,
  seenWord,
  simulatedReading,
  type FaultSuspect,
  type Testable,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";
import { isFault, pods, probesIn } from "./testing.ts";

describe("the test script", () => {
  const bench = new TestBench(pods());
  const [group] = bench.groups as [Testable];
  const script = scriptOf(group);

  it("tells with its steps every fault of weight from sound, and none with one step less", () => {
    const faults = group.suspects.filter(isFault).filter((f) => !script.hidden.includes(f));
    const told = (steps: typeof script.steps, fault: FaultSuspect): boolean =>
      steps.some(({ probe, expected }) => {
        const e = probe.bench.expects(fault, probe);
        const moved = Math.abs(e.value - expected.value);
        return Number.isFinite(e.sigma) && moved > 3 * Math.SQRT2 * expected.sigma;
      });
    expect(faults.length).toBe(script.told);
    for (const fault of faults)
      expect({ fault: fault.id, told: told(script.steps, fault) }).toEqual({
        fault: fault.id,
        told: true,
      });
    const meters = script.steps.filter(({ probe }) => probe.at.kind === "volts");
    for (const step of meters) {
      const fewer = script.steps.filter((s) => s !== step);
      expect(faults.every((fault) => told(fewer, fault))).toBe(false);
    }
  });

  it("tells a bad joint too, where it takes volts from a lamp: it is a fault of weight", () => {
    const joints = group.suspects.filter(isFault).filter((f) => f.fault === "badJoint");
    const hidden = joints.filter((f) => script.hidden.includes(f)).map((f) => f.elementIds[0]);
    // 2 Ω before a coil of 90 Ω takes a quarter of a volt from it: nobody sees or measures that.
    for (const id of hidden) expect(id).toMatch(/coil|tapWire/);
    expect(joints.length - hidden.length).toBeGreaterThan(5);
  });

  it("tries nothing on before everything was tried off, and looks at every lamp lit", () => {
    const states = script.steps.map(({ probe }) => probe.state.id);
    expect(states.lastIndexOf("off")).toBeLessThan(
      states.findIndex((id) => /^key\+run-1/.test(id)),
    );
    // Nothing live first of all, each way once; then everything off.
    const dead = script.steps.filter(({ probe }) => probe.state.dead);
    expect(dead.length).toBeGreaterThan(0);
    expect(script.steps.slice(0, dead.length)).toEqual(dead);
    for (const { probe } of dead) expect(probe.at.kind).toBe("ohms");
    const lit = script.steps.filter(
      ({ probe, expected }) =>
        probe.at.kind === "look" && seenWord(expected.value, probe.at.sense) === "lit",
    );
    expect(lit).toHaveLength(2);
  });

  it("says which faults no tip can part, and they read alike", () => {
    expect(script.alike.length).toBeGreaterThan(0);
    for (const [a, b] of script.alike) {
      for (const probe of probesIn(group)) {
        const [x, y] = [probe.bench.expects(a!, probe), probe.bench.expects(b!, probe)];
        if (!Number.isFinite(x.sigma) || !Number.isFinite(y.sigma)) continue;
        expect(Math.abs(x.value - y.value)).toBeLessThanOrEqual(3 * Math.hypot(x.sigma, y.sigma));
      }
    }
  });

  it("goes out as CSV, and comes back with its readings", () => {
    const csv = printScriptCsv(script.steps);
    const lines = csv.trim().split("\n");
    expect(lines).toHaveLength(script.steps.length + 1);
    const filled = lines
      .map((line, i) => {
        if (i === 0) return line;
        const { probe, expected } = script.steps[i - 1]!;
        return (
          line +
          (probe.at.kind === "look"
            ? seenWord(expected.value, probe.at.sense)
            : expected.value.toFixed(2).replace(".", ".") + probe.unit)
        );
      })
      .join("\n");
    const read = readReadingsCsv(filled);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.value.map((r) => r.step)).toEqual(script.steps.map(({ probe }) => probe.id));
    const { groups, faults } = bench.diagnose(read.value);
    expect(faults).toEqual([]);
    expect(groups[0]!.diagnosis.ranked[0]!.suspect.kind).toBe("sound");
  });

  it("refuses readings that are none, each at its line, and reads nothing then", () => {
    const bad = "step,reading\nvolts|off|a|b,twelve\nlook|off|x,bright\nvolts|off|a|b,12 A\n";
    const read = readReadingsCsv(bad);
    expect(read).toEqual({
      ok: false,
      faults: [
        { line: 2, message: 'invalid reading: "twelve" (a number, such as 12.4)' },
        { line: 3, message: 'invalid reading: "bright" (dark, dim, lit)' },
        { line: 4, message: 'invalid unit: "A" (this step is read in V)' },
      ],
    });
    expect(readReadingsCsv("a,b\n1,2\n")).toMatchObject({ ok: false });
    expect(readReadingsCsv('step,reading\nvolts|off|a|b,"12,4 V"\nvolts|off|a|b,300 mV\n')).toEqual(
      {
        ok: true,
        value: [
          { step: "volts|off|a|b", value: 12.4 },
          { step: "volts|off|a|b", value: 0.3 },
        ],
      },
    );
  });
});

describe("a reading that cannot be", () => {
  const bench = new TestBench(pods());
  const probe = probesIn(bench.groups[0]!).find(
    (p) => p.at.kind === "volts" && Math.abs(p.bench.sound(p).value) > 10,
  )!;
  const sound = probe.bench.sound(probe).value;

  it.each([
    [-sound, /wrong way round/],
    [1000 * sound, /mV, or the range/],
    [NaN, /no reading/],
  ])("%d asks about range or polarity", (value, words) => {
    expect(bench.impossible({ step: probe.id, value })).toMatch(words);
  });

  it("is left out with its words, and the others count", () => {
    const { groups, faults } = bench.diagnose([
      { step: probe.id, value: sound },
      { step: "volts|off|nowhere|0", value: 12 },
    ]);
    expect(groups).toHaveLength(1);
    expect(faults).toEqual([
      { step: "volts|off|nowhere|0", message: "there is no such step in this job" },
    ]);
    expect(bench.impossible({ step: probe.id, value: 0.5 * sound })).toBeNull();
  });
});

describe("the simulated meter", () => {
  const bench = new TestBench(pods());
  const [group] = bench.groups as [Testable];
  const fault = group.suspects.filter(isFault).find((f) => f.fault === "fuseBlown")!;
  const probes = probesIn(group).filter((p) => p.at.kind === "volts");

  it("speaks SCPI: who it is, a measurement, a step that is gone to, errors by number", () => {
    const meter = new ScpiMeter(bench, fault);
    // A step that is nowhere reads nothing, and not the one before it.
    meter.ask(`ROUT:CLOS "${bench.groups[0]!.runs[0]!.probes[0]!.id}"`);
    expect(Number(meter.ask("READ?"))).toBeLessThan(1e6);
    meter.ask("ROUT:CLOS nowhere");
    expect(meter.ask("READ?")).toBe("9.91E+37");
    meter.ask("*RST");
    meter.ask("*CLS");
    expect(meter.ask("*IDN?")).toMatch(/simulated meter/);
    const [first] = probes;
    const value = Number(meter.ask(`MEAS:VOLT:DC? "${first!.id}"`));
    expect(value).toBe(simulatedReading(fault, first!)!.value);
    expect(meter.ask(`ROUT:CLOS "${first!.id}"`)).toBeNull();
    expect(Number(meter.ask("READ?"))).toBe(value);
    expect(meter.ask("MEAS:CURR?")).toBe("9.91E+37");
    expect(meter.ask("SYST:ERR?")).toMatch(/^-224/);
    expect(meter.ask("FETCH:NOTHING?")).toBe("9.91E+37");
    expect(meter.ask("SYST:ERR?")).toMatch(/^-113/);
    expect(meter.ask("SYST:ERR?")).toBe('0,"No error"');
    expect(meter.ask("")).toBeNull();
  });

  it("is off by its accuracy at most, and reads the same each time", () => {
    for (const probe of probes) {
      const exact = probe.bench.reads(fault, probe)!;
      const { value } = simulatedReading(fault, probe)!;
      expect(Math.abs(value - exact)).toBeLessThanOrEqual(0.003 * Math.abs(exact) + 0.015);
      expect(simulatedReading(fault, probe)!.value).toBe(value);
    }
    expect([...SEEN_LEVELS]).toEqual([0, 0.4, 1]);
  });
});

describe("readings of the demo shop", () => {
  it("are of steps that its jobs have, and one of them has a fault half found", () => {
    const tested = demoJobs().filter((job) => job.readings.length > 0);
    expect(tested.length).toBeGreaterThan(2);
    const suspects = tested.map((job) => {
      const taken = job.readings.flatMap(({ step, value }) =>
        value === null ? [] : [{ step, value }],
      );
      const { groups, faults } = new TestBench(job).diagnose(taken);
      expect(faults).toEqual([]);
      return groups.map(({ diagnosis }) => diagnosis.ranked[0]!.suspect.kind);
    });
    expect(suspects.flat()).toContain("fault");
    expect(suspects.flat()).toContain("sound");
  });

  it("count by the newest of a step", () => {
    const reading = (at: string, value: number) => ({
      id: at,
      step: "s",
      value,
      low: 1.2,
      high: 2.4,
      note: "",
      by: "",
      at,
    });
    expect([1, 1.2, 2.4, 3].map((v) => isOff(reading("", v)))).toEqual([true, false, false, true]);
    const latest = latestReadings([
      reading("2026-05-02T08:00:00Z", 2),
      reading("2026-05-01T08:00:00Z", 1),
    ]);
    expect(latest.get("s")?.value).toBe(2);
    const visits = [
      reading("2026-05-01T08:00:00Z", 1),
      reading("2026-05-01T09:00:00Z", 1.5),
      reading("2026-11-02T08:00:00Z", 2),
      reading("2026-11-02T08:10:00Z", 3),
    ];
    expect(earlierReading(visits, "s")?.value).toBe(1.5);
    expect(earlierReading(visits.slice(2), "s")).toBeNull();
  });

  it("of the demo shop lie where the script says, but for the horn that is silent", () => {
    const off: string[] = [];
    for (const job of demoJobs().filter((j) => j.readings.length > 0)) {
      const bench = new TestBench(job);
      for (const r of job.readings) {
        const [low, high] = bench.range(bench.find(r.step)!.probe);
        expect([r.low, r.high]).toEqual([low, high].map((v) => expect.closeTo(v, 1)));
      }
      const read = [...latestReadings(job.readings).values()];
      off.push(...read.filter(isOff).map((r) => r.step));
      const waits = jobSummary(job).waiting.map(({ text }) => text);
      expect(waits.includes("1 step of the test off")).toBe(read.some(isOff));
    }
    expect(off).toEqual(["look|key+horns|horns.load2", "volts|high+key+pods|lamp_lamp_3.neg|0"]);
  });

  it("are told in the history by what they say", () => {
    const job = demoJobs().find((j) => j.runs.some((r) => r.id === "horns"))!;
    const horns = job.runs.find((r) => r.id === "horns")!.name;
    const lines = job.readings.map((value) =>
      describeEdit({ kind: "add", entity: "reading", value, at: 0 }, job),
    );
    expect(lines).toContain(`reading 12.6 V (key + ${horns} on)`);
    expect(lines).toContain("reading 0.1 mA (all off)");
    expect(lines).toContain(`reading by eye or ear 0 % (key + ${horns} on)`);
  });
});
