/** What is read and how it is said: the simulated meter line by line, impossible readings, and words of places. */
import {
  ScpiMeter,
  TestBench,
  allOf,
  expectedText,
  readReadingsCsv,
  scriptOf,
  simulatedReading,
  type ElementId,
  type Job,
  type Probe,
  type ProbeAt,
  type CircuitId,
} from "../src/index.ts";
import { jobWith } from "./helpers.ts";
import { isFault, pods, probesIn } from "./testing.ts";

const bench = new TestBench(pods());
const [group] = bench.groups;
const probes = probesIn(group!);
const oneOf = (kind: ProbeAt["kind"]): Probe => probes.find((probe) => probe.at.kind === kind)!;

describe("the simulated meter", () => {
  const meter = (): ScpiMeter => new ScpiMeter(bench, null);

  it("begins with no step, no error, and says what it is", () => {
    const fresh = meter();
    expect(fresh.ask("SYSTEM:ERROR?")).toBe('0,"No error"');
    expect(fresh.ask("READ?")).toBe("9.91E+37");
    expect(fresh.ask("*idn?")).toContain("no real instrument");
  });

  it("forgets its step by *RST, and its errors by *CLS", () => {
    const one = meter();
    const { id } = oneOf("volts");
    one.ask(`route:close '${id}'`);
    expect(Number(one.ask("read?"))).toBe(simulatedReading(null, oneOf("volts"))!.value);
    expect(one.ask("*RST")).toBeNull();
    expect(one.ask("read?")).toBe("9.91E+37");
    expect(one.ask("*CLS")).toBeNull();
    expect(one.ask("SYST:ERR?")).toBe('0,"No error"');
  });

  it("keeps twenty errors and no more, the first of them first", () => {
    const one = meter();
    one.ask("ROUT:CLOS nowhere");
    for (let i = 0; i < 40; i += 1) one.ask("NONSENSE");
    expect(one.ask("SYST:ERR?")).toMatch(/^-224/);
    for (let i = 0; i < 19; i += 1) expect(one.ask("SYST:ERR?")).toMatch(/^-113/);
    expect(one.ask("SYST:ERR?")).toBe('0,"No error"');
  });

  it("measures what a header asks for and nothing else, in volts, amperes and ohms", () => {
    const headers: readonly (readonly [string, ProbeAt["kind"]])[] = [
      ["MEAS:VOLT?", "volts"],
      ["measure:voltage:dc?", "volts"],
      ["MEAS:CURR:DC?", "amps"],
      ["MEAS:CURR?", "milliamps"],
      ["MEAS:RES?", "ohms"],
      ["MEASURE:LIGHT?", "look"],
    ];
    for (const [header, kind] of headers) {
      const probe = oneOf(kind);
      const shown = simulatedReading(null, probe)!.value;
      const unit = kind === "milliamps" ? 1000 : 1;
      expect(Number(meter().ask(`${header} "${probe.id}"`))).toBe(shown / unit);
      // Of another kind of step it reads nothing.
      const other = oneOf(kind === "volts" ? "ohms" : "volts");
      expect(meter().ask(`${header} "${other.id}"`)).toBe("9.91E+37");
    }
    expect(meter().ask("MEAS:VOLTS?")).toBe("9.91E+37");
    expect(meter().ask("MEAS:VOLT")).toBeNull();
  });

  it("shows one of three words of a lamp, and an open way as it is", () => {
    const looks = probes.filter((probe) => probe.at.kind === "look");
    for (const probe of looks) {
      expect([0, 0.4, 1]).toContain(simulatedReading(null, probe)!.value);
    }
    const lit = looks.map((probe) => simulatedReading(null, probe)!.value);
    expect(new Set(lit)).toEqual(new Set([0, 1]));
    const open = group!.suspects.filter(isFault).find((fault) => fault.fault === "open")!;
    const ohms = probes.filter((probe) => probe.at.kind === "ohms");
    const read = ohms.map((probe) => simulatedReading(open, probe)?.value ?? 0);
    expect(Math.max(...read)).toBeGreaterThanOrEqual(1e4);
    for (const value of read) expect(value).toBeGreaterThanOrEqual(0);
  });
});

describe("a reading that cannot be", () => {
  const said = (kind: ProbeAt["kind"], value: number): string | null =>
    bench.impossible({ step: oneOf(kind).id, value });

  it("is told with what to look at", () => {
    expect(bench.impossible({ step: "volts|nowhere", value: 1 })).toBe(
      "there is no such step in this job",
    );
    expect(said("volts", Infinity)).toBe("Infinity is no reading");
    expect(said("look", -0.1)).toMatch(/nothing, something or all/);
    expect(said("look", 1.1)).toMatch(/nothing, something or all/);
    expect(said("ohms", -0.1)).toMatch(/is something live/);
    expect(said("amps", -3)).toMatch(/the other way round/);
    expect(said("amps", 5000)).toBe("5000 A: is it in mA?");
    expect(said("milliamps", -500)).toMatch(/tips the wrong way round/);
    expect(said("milliamps", 1e6)).toMatch(/Is it in µA/);
    expect(said("volts", 400)).toMatch(/nothing here gives more than/);
    const live = probes.find(
      (probe) => probe.at.kind === "volts" && probe.bench.sound(probe).value > 10,
    )!;
    const { value } = live.bench.sound(live);
    expect(bench.impossible({ step: live.id, value: -value })).toMatch(/tips the wrong way round/);
    expect(bench.impossible({ step: live.id, value })).toBeNull();
  });

  it("is none where it can be, at its edges too", () => {
    for (const [kind, values] of [
      ["look", [0, 0.4, 1]],
      ["ohms", [0, 0.3, 1e7]],
      ["amps", [0, -0.01, 12]],
      ["milliamps", [0, 2]],
      ["volts", [0, 12.6]],
    ] as const) {
      for (const value of values)
        expect([kind, value, said(kind, value)]).toEqual([kind, value, null]);
    }
  });
});

describe("what is expected, in words", () => {
  it("is a word for the eye, ohms with their unit, and a figure of two places for the rest", () => {
    for (const step of scriptOf(group!).steps) {
      const text = expectedText(step);
      const { kind } = step.probe.at;
      if (kind === "look") expect(["dark", "dim", "lit"]).toContain(text);
      else if (kind === "ohms") expect(text).toMatch(/^(OL|[\d.]+)/);
      else expect(Number(text)).toBeCloseTo(step.expected.value, 2);
    }
  });

  it("is read back in the units that people write, or refused", () => {
    const of = (step: string, reading: string): unknown => {
      const read = readReadingsCsv(`step,reading\n${step},"${reading}"\n`);
      return read.ok ? read.value[0]?.value : read.faults[0]?.message;
    };
    expect(of("volts|a", "12,4 V")).toBe(12.4);
    expect(of("volts|a", "350 mV")).toBeCloseTo(0.35, 9);
    expect(of("amps|a", "500 mA")).toBeCloseTo(0.5, 9);
    expect(of("milliamps|a", "0.02 A")).toBeCloseTo(20, 9);
    expect(of("milliamps|a", "20")).toBe(20);
    expect(of("volts|a", "3 A")).toContain('invalid unit: "A"');
    expect(of("amps|a", "much")).toContain("invalid reading");
    expect(of("look|a", "Lit")).toBe(1);
    expect(of("look|a", "blue")).toContain("invalid reading");
    expect(of("ohms|a", "wet")).toContain("invalid reading");
  });
});

describe("places in words", () => {
  /** Two circuits of the same lamps, so that names stand twice. */
  const twice = (): Job => {
    const job = jobWith("pod-18", 2, allOf("key", "switch"));
    const [run] = job.runs;
    const second = { ...run!, id: "run-2" as CircuitId, name: "Rear" };
    return {
      ...job,
      runs: [run!, second],
      lamps: [
        ...job.lamps,
        ...job.lamps.map((lamp, i) => ({
          ...lamp,
          id: `rear-${i}` as typeof lamp.id,
          runId: second.id,
        })),
      ],
    };
  };

  it("say whose it is where a name stands twice, and not where it stands once", () => {
    const [one] = pods().runs;
    const single = probesIn(new TestBench(pods()).groups[0]!).map(({ words }) => words);
    const both = new TestBench(twice()).groups
      .flatMap((g) => probesIn(g))
      .map(({ words }) => words);
    const [name] = single.filter((words) => words.endsWith(" fuse out against battery −"));
    expect(name).toBeDefined();
    // Each of two is told by its circuit, and neither without one.
    const its = both.filter((words) => words.endsWith(" out against battery −"));
    for (const owner of [one!.name, "Rear"]) {
      expect(its).toContain(name!.replace(" fuse out", ` fuse of ${owner} out`));
    }
    expect(its).not.toContain(name);
    // Lamps of one name are told by their circuit.
    expect(both.some((words) => /, Rear/.test(words))).toBe(true);
    expect(single.some((words) => words.includes(`, ${one!.name}`))).toBe(false);
  });

  it("say where a clamp goes and where a meter takes a fuse's place", () => {
    const words = probes.map((probe) => probe.words);
    expect(words.some((text) => /^current of .+, at its .*fuse/.test(text))).toBe(true);
    expect(
      words.some((text) =>
        /^standby of .+ in place of its .*fuse.*, largest range first$/.test(text),
      ),
    ).toBe(true);
    expect(words.some((text) => text.includes("battery −"))).toBe(true);
  });
});

describe("what is pulled or parted", () => {
  it("is each fuse and plug by its words, and what is measured then is found again", () => {
    const [first] = bench.partable(group!);
    expect(first!.words).toMatch(/ fuse of .+ pulled$/);
    const [run] = group!.runs;
    const state = run!.probes.find((probe) => probe.at.kind === "volts")!.state;
    const parted = bench.probesParted(group!, run!.runId, state, first!.id);
    expect(parted.length).toBeGreaterThan(0);
    for (const probe of parted) {
      expect(probe.state.words).toContain(first!.words);
      expect(bench.find(probe.id)?.probe).toBe(probe);
    }
    // Of what is not there nothing is measured.
    expect(bench.probesParted(group!, "nobody" as CircuitId, state, first!.id)).toEqual([]);
    expect(bench.probesParted(group!, run!.runId, state, "nothing" as ElementId)).toEqual([]);
  });
});
