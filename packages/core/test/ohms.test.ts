/** Ohms of each way while nothing is live. */
import {
  OPEN_WAY_OHM,
  TestBench,
  allOf,
  boundsText,
  networkOf,
  ohmText,
  printScriptCsv,
  printSpice,
  readOhms,
  readReadingsCsv,
  scriptOf,
  simulatedReading,
  solveCircuitWith,
  spiceNames,
  stepsOf,
  synthesise,
  type FaultSuspect,
  type Job,
  type Network,
  type Probe,
} from "../src/index.ts";
import { underOhmMeter } from "../src/diagnosis/expect/ohms.ts";
import { demoPart } from "../src/demo/index.ts";
import { kitByHand } from "./jobs.ts";
import { jobWith, plannedJobs } from "./helpers.ts";
import { ngspice } from "./ngspice.ts";
import { isFault, pods, probesIn } from "./testing.ts";

const bulb = (): Job => jobWith("tail-bulb-21-5", 1, allOf("switch"));

const atBench = (job: Job) => {
  const bench = new TestBench(job);
  const group = bench.groups[0]!;
  const probes = probesIn(group).filter((p) => p.at.kind === "ohms");
  const fault = (kind: FaultSuspect["fault"], id: string): FaultSuspect =>
    group.suspects.filter(isFault).find((f) => f.fault === kind && f.elementIds[0] === id)!;
  return { bench, group, probes, fault };
};

const reads = (probe: Probe, fault: FaultSuspect | null = null): number =>
  probe.bench.reads(fault, probe)!;

describe("ohms behind a fuse", () => {
  it("are a cold filament's where a bulb hangs there: a part of what it has hot", () => {
    const { probes } = atBench(bulb());
    expect(probes).toHaveLength(1);
    // 21 W at 12 V is 6.9 Ω hot; cold a filament has a tenth to a seventh (common practice).
    const hot = 12 ** 2 / 21;
    expect(reads(probes[0]!)).toBeGreaterThan(hot / 12);
    expect(reads(probes[0]!)).toBeLessThan(hot / 5);
  });

  it("are open where a lamp has a driver or a relay lies between, and a coil's where it hangs there", () => {
    const { probes } = atBench(pods());
    const [main, coil] = probes as [Probe, Probe];
    expect(reads(main)).toBe(OPEN_WAY_OHM);
    const part = demoPart("relay-30");
    if (part.kind !== "relay") throw new Error("a relay");
    expect(reads(coil)).toBeGreaterThan(0.9 * part.coilOhm.low);
    expect(reads(coil)).toBeLessThan(1.1 * part.coilOhm.high + 1);
  });

  it("show a wire that touches the frame, a broken one and a bad joint, before anything burns", () => {
    const { probes, fault } = atBench(bulb());
    const [probe] = probes as [Probe];
    expect(reads(probe, fault("chafed", "run-1.load"))).toBeLessThan(0.1);
    expect(reads(probe, fault("open", "run-1.load"))).toBe(OPEN_WAY_OHM);
    const joint = reads(probe, fault("badJoint", "run-1.load")) - reads(probe);
    expect(joint).toBeCloseTo(2, 1);
    // What is before the fuse is not in the way.
    expect(reads(probe, fault("open", "run-1.stub"))).toBeCloseTo(reads(probe), 9);
  });

  it("are what ngspice finds on the same network without its sources", () => {
    const { group, bench, fault } = atBench(bulb());
    for (const wrong of [null, fault("badJoint", "run-1.load"), fault("badJoint", "run-1.back1")]) {
      const [probe] = probesIn(group).filter((p) => p.at.kind === "ohms") as [Probe];
      const { at, state } = probe;
      if (at.kind !== "ohms") throw new Error("ohms");
      const solved = solveCircuitWith(bench.circuit, { position: state.position, celsius: 40 });
      if (solved.kind !== "solved") throw new Error(solved.kind);
      const plain = networkOf(bench.circuit, solved.options);
      const open = new Map([
        ...state.parted.map((id) => [id, 1e9] as const),
        ...(wrong?.changes ?? []).flatMap(({ ohms }) => ohms),
      ]);
      const changed: Network = {
        ...plain,
        branches: plain.branches.map((b) => {
          const ohm = open.get(b.id);
          return ohm === undefined ? b : { ...b, model: { kind: "resistor", ohm } };
        }),
      };
      const network = underOhmMeter(changed, at.node, at.against);
      const names = spiceNames(network);
      const volts = ngspice(printSpice(network, "ohms")).get(names.get(at.node)!)!;
      expect(reads(probe, wrong)).toBeCloseTo((1000 * volts) / (0.5 - volts), 1);
    }
  });

  it("come first in every script, once for each fuse, and never with anything live", () => {
    for (const job of [pods(), bulb(), ...plannedJobs().slice(0, 6)]) {
      for (const group of new TestBench(job).groups) {
        const { steps } = scriptOf(group);
        const kinds = steps.map(({ probe }) => probe.at.kind === "ohms");
        expect(kinds.lastIndexOf(true)).toBe(kinds.filter((is) => is).length - 1);
        for (const { probe } of steps) expect(probe.state.dead).toBe(probe.at.kind === "ohms");
      }
    }
  });

  it("are measured once for each fuse, however many circuits hang on it", () => {
    const kit = kitByHand();
    const dead = stepsOf(new TestBench(kit)).filter(({ probe }) => probe.state.dead);
    const nodes = dead.map(({ probe }) => (probe.at.kind === "ohms" ? probe.at.node : ""));
    expect(new Set(nodes).size).toBe(nodes.length);
    const fuses = [...synthesise(kit).elements.values()].filter((e) => e.kind === "fuse");
    expect(nodes.length).toBeGreaterThan(5);
    expect(nodes.length).toBeLessThanOrEqual(fuses.length);
  });

  it("leave other faults as likely as they were, and tell a short from all others", () => {
    const { bench, probes, fault } = atBench(bulb());
    const short = fault("chafed", "run-1.load");
    const reading = simulatedReading(short, probes[0]!)!;
    const [found] = bench.diagnose([{ step: probes[0]!.id, value: reading.value }]).groups;
    const top = found!.diagnosis.ranked.slice(0, 4).map(({ suspect }) => suspect.id);
    expect(top.every((id) => /chafed|shorted/.test(id))).toBe(true);
  });
});

describe("an ohms reading", () => {
  it("is typed with or without its unit, and OL is an open way", () => {
    expect(["0.4", "0,4 Ω", "88 ohm", "1.2k", "2 kΩ", "OL", " ol "].map(readOhms)).toEqual([
      ...[0.4, 0.4, 88, 1200, 2000, OPEN_WAY_OHM, OPEN_WAY_OHM],
    ]);
    expect(["", "open", "-3", "12 V", "1e3"].map(readOhms)).toEqual([null, null, null, null, null]);
    // Whatever is above what the meter shows is an open way.
    expect(readOhms("3 M")).toBe(OPEN_WAY_OHM);
  });

  it("is told as a meter has it", () => {
    expect([0.44, 88.09, 250.4, 4999, 5000, OPEN_WAY_OHM].map(ohmText)).toEqual([
      ...["0.4", "88.1", "250", "4999", "OL", "OL"],
    ]);
  });

  it("has bounds in words", () => {
    const texts = stepsOf(new TestBench(pods())).map(boundsText);
    expect(texts).toContain("more than 5 kΩ, or OL");
    expect(texts.some((text) => /^\d+(\.\d)? to \d+(\.\d)? Ω$/.test(text))).toBe(true);
  });

  it("has bounds in words that a small reading can be judged by", () => {
    const probe = { at: { kind: "volts" }, unit: "V" } as Probe;
    const text = (low: number, high: number): string =>
      boundsText({ probe, low, high, expected: { value: (low + high) / 2, sigma: 1 } });
    expect(text(12.44, 12.86)).toBe("12.4 to 12.9 V");
    expect(text(-0.03, 0.03)).toBe("0 V, at most 0.03");
    expect(text(0, 1.96)).toBe("0 V, at most 2");
    expect(text(-0.5, 2)).toBe("−0.5 to 2 V");
    expect(text(0.418, 0.474)).toBe("0.42 to 0.47 V");
  });

  it("goes out and comes back by CSV", () => {
    const bench = new TestBench(pods());
    const [first, second] = scriptOf(bench.groups[0]!).steps;
    const csv = printScriptCsv([first!, second!]);
    expect(csv.split("\n")[1]).toContain(",OL,");
    const [head, a, b] = csv.trim().split("\n");
    const filled = [head, `${a}OL`, `${b}88.2 Ω`].join("\n");
    expect(readReadingsCsv(filled)).toEqual({
      ok: true,
      value: [
        { step: first!.probe.id, value: OPEN_WAY_OHM },
        { step: second!.probe.id, value: 88.2 },
      ],
    });
    const wrong = readReadingsCsv([head, `${a}12 V`].join("\n"));
    expect(wrong).toMatchObject({ ok: false, faults: [{ line: 2 }] });
  });

  it("below nothing is asked about", () => {
    const { bench, probes } = atBench(bulb());
    expect(bench.impossible({ step: probes[0]!.id, value: -2 })).toMatch(/something live/);
    expect(bench.impossible({ step: probes[0]!.id, value: 0.8 })).toBeNull();
  });
});
