import {
  CHOICE_KINDS,
  allOf,
  alternatives,
  ampacityA,
  asId,
  checkedCircuit,
  designPoint,
  dropOf,
  elementOf,
  elementsOf,
  gaugeOf,
  jobSummary,
  measured,
  planJob,
  powerPath,
  lineDiagramSvg,
  synthesise,
  wireResistanceOhm,
  type Circuit,
  type Job,
  type PinId,
  type LaidCircuit,
} from "../src/index.ts";
import { DEMO_SHELF, PORTER, demoJobs, manyCircuitJob } from "../src/demo/index.ts";
import { RUN, edited, jobWith, rulesOf, plannedJobs } from "./helpers.ts";

const keyed = allOf("switch", "key");

/** Every element of a run hangs between its neighbours: no gap, no loose end. */
function expectConnected(circuit: Circuit, run: LaidCircuit): void {
  const follow = (ids: readonly LaidCircuit["out"][number][]): void => {
    ids.slice(1).forEach((id, i) => {
      expect(elementOf(circuit, id).from).toBe(elementOf(circuit, ids[i]!).to);
    });
  };
  if (run.steps > 1) {
    // A string: from the splice through one lamp of each step to the joint.
    const ways = run.branches.map((b) => [...b.out, b.load, ...b.back]);
    const ends = ways.map((way) => elementOf(circuit, way[way.length - 1]!).to);
    const starts = ways.map((way) => elementOf(circuit, way[0]!).from);
    ways.forEach(follow);
    follow([...run.out, ...ways[0]!]);
    follow([...ways[ways.length - 1]!, ...run.back]);
    // Each step begins where the one before it ends, or beside its neighbours in parallel.
    starts.slice(1).forEach((start, i) => expect([starts[i], ends[i]]).toContain(start));
    expect(new Set(starts).size).toBe(run.steps);
    return;
  }
  for (const branch of run.branches) {
    follow([...run.out, ...branch.out, branch.load, ...branch.back, ...run.back]);
  }
  follow(run.coil?.path ?? []);
}

describe("synthesis", () => {
  it("gives a connected circuit with a reason for every choice, on every demo job", () => {
    for (const job of [...plannedJobs(), manyCircuitJob(12)]) {
      const circuit = synthesise(job);
      for (const run of circuit.runs) expectConnected(circuit, run);
      for (const choice of circuit.choices) {
        expect(CHOICE_KINDS).toContain(choice.kind);
        expect(choice.reason.length).toBeGreaterThan(10);
      }
      expect(synthesise(job)).toEqual(circuit);
    }
  });

  it("lets every wire carry what its fuse lets through, unless something is pinned", () => {
    for (const job of plannedJobs()) {
      const circuit = synthesise(job);
      for (const run of circuit.runs) {
        const [fuse] = elementsOf(circuit, run.out, "fuse");
        for (const wire of elementsOf(circuit, powerPath(run), "wire")) {
          const carries = ampacityA(gaugeOf(wire.gaugeId), job.practices);
          expect(carries).toBeGreaterThanOrEqual(fuse?.ratingA ?? 0);
        }
      }
    }
  });

  it("gives every wire a flag of its own, two ends, a colour and a length", () => {
    const job = demoJobs()[0]!;
    const { wires } = planJob(job, "metric");
    expect(new Set(wires.map((w) => w.label)).size).toBe(wires.length);
    for (const wire of wires) {
      expect(wire.lengthM).toBeGreaterThan(0);
      expect([wire.from, wire.to, wire.colour].every((t) => t !== "")).toBe(true);
    }
  });

  it("goes without a relay when the feed itself follows the key", () => {
    const job = jobWith("work-24", 1, keyed, {
      feed: { kind: "pin", pinId: asId<PinId>("acc-plus") },
    });
    const { circuit } = checkedCircuit(job);
    expect(circuit.runs[0]?.coil).toBeNull();
    expect(circuit.choices.find((c) => c.kind === "relay")?.picked).toBe("no relay");
  });

  it("takes only the high-beam wire for “key and high beam”", () => {
    const { circuit } = checkedCircuit(jobWith("pod-30", 2, allOf("switch", "key", "high")));
    expect(circuit.runs[0]?.signals).toEqual(["high"]);
    expect(circuit.gaps).toEqual([]);
  });

  it("says what it cannot build: no wire known, its own switch turned round", () => {
    const hazard = checkedCircuit(jobWith("turn-led", 2, allOf("hazard"))).circuit;
    expect(hazard.gaps.map((g) => g.kind)).toEqual(["tapUnknown"]);
    const both = checkedCircuit(jobWith("turn-led", 2, allOf("brake", "left"))).circuit;
    expect(both.gaps.map((g) => g.kind)).toEqual(["tapUnknown"]);
    const not = { anyOf: [[{ input: "switch", negated: true }]] } as const;
    expect(rulesOf(jobWith("turn-led", 2, not), "stop")).toContain("not-buildable");
    const bare = jobWith("turn-led", 2, allOf("brake", "park"), { relay: "no" });
    expect(rulesOf(bare, "stop")).toContain("not-buildable");
  });

  it("builds “and”, “or” and “not” with interposing relays and diodes", () => {
    const kinds = (job: Job) =>
      [...synthesise(job).elements.values()].map((e) => e.kind).filter((k) => k !== "wire");
    const and = kinds(jobWith("turn-led", 2, allOf("brake", "park")));
    expect(and.filter((k) => k === "coil")).toHaveLength(2);
    const or = {
      anyOf: [[{ input: "park", negated: false }], [{ input: "brake", negated: false }]],
    } as const;
    expect(kinds(jobWith("turn-led", 2, or)).filter((k) => k === "diode")).toHaveLength(2);
    const not = {
      anyOf: [
        [
          { input: "key", negated: false },
          { input: "brake", negated: true },
        ],
      ],
    } as const;
    const contacts = [...synthesise(jobWith("turn-led", 2, not)).elements.values()].filter(
      (e) => e.kind === "contact",
    );
    expect(contacts.map((c) => c.normallyClosed)).toContain(true);
  });

  it("refuses a 12 V lamp straight on a traction pack", () => {
    const job = jobWith("pod-18", 1, allOf("switch"), {}, PORTER);
    const { circuit } = checkedCircuit(job);
    expect(circuit.runs).toHaveLength(1);
    expect(rulesOf(job, "stop")).toContain("lamp-volts");
  });
});

describe("the solved drop of a circuit", () => {
  // By hand, common practice: V = I (R out + R back); a 6 A constant current makes it linear.
  it("agrees with Ohm's law worked by hand on two horns with their own return", () => {
    const job = jobWith("horn-3a", 2, allOf("switch"), {
      relay: "yes",
      return: "wire",
      wire: "2.5 mm²",
      fuse: { kind: "rating", ratingA: 10 },
      fuseAtM: measured(0.15),
      feedM: measured(0.5),
      loadM: measured(2),
      branchM: measured(0.4),
    });
    const free = { ...job.vehicle, places: [], segments: [] };
    const cool = { ...job, vehicle: free, practices: { ...job.practices, ambientC: 20 } };
    const circuit = synthesise(cool);
    const point = designPoint(cool, circuit, { sourceV: 12.7, packV: 0 });
    // Its own 6 A warm the copper by 2.2 K: 22 A at 30 K of room are 32.4 A at 65 K.
    const rise = 65 * (6 / (22 * Math.sqrt(65 / 30))) ** 2;
    expect(rise).toBeCloseTo(2.2, 1);
    const ohmPerM = wireResistanceOhm(gaugeOf("2.5 mm²"), 1, 20 + rise);
    const copper = 6 * (0.15 + 0.5 + 2 + 2.5) * ohmPerM;
    const fixed = 6 * (0.1 / 10 + 0.005);
    const branch = 3 * 0.8 * ohmPerM;
    const run = circuit.runs[0]!;
    const at = point.at.get(run.branches[0]!.load)!;
    // Behind the same fuse the relay's coil takes a seventh of an amp besides: under 2 mV. A lead
    // battery of 14 Ah has 0.24 Ω·Ah ÷ 14 Ah inside.
    const inside = (6 + 1 / 7) * (0.24 / 14);
    expect(at.fromV - at.toV).toBeCloseTo(12.7 - inside - copper - fixed - branch, 2);
    const drop = dropOf(circuit, run, point);
    expect(drop.copper).toBeCloseTo((copper + branch) / 12.7, 4);
    expect(drop.fixedV).toBeCloseTo(fixed, 2);
  });
});

describe("drop", () => {
  it("over the target is found with its numbers, and mended by letting the wire be chosen", () => {
    const job = jobWith("pod-30", 2, keyed, { wire: "22 AWG", loadM: measured(6) });
    const finding = checkedCircuit(job).findings.find((f) => f.rule === "drop-over-target")!;
    expect(finding.severity).toBe("fix");
    expect(finding.figures[0]?.limit).toBe("at most 3 %");
    const mended = edited(job, ...finding.remedies[0]!.edits);
    expect(rulesOf(mended)).not.toContain("drop-over-target");
  });

  it("of a finer target takes a thicker wire", () => {
    const size = (dropTarget: number): number => {
      const job = jobWith("bar-120", 1, keyed, { loadM: measured(3) });
      const strict = { ...job, practices: { ...job.practices, dropTarget } };
      const wire = synthesise(strict).choices.find((c) => c.kind === "wire")!;
      return gaugeOf(wire.picked).areaM2;
    };
    expect(size(0.02)).toBeGreaterThan(size(0.05));
  });
});

describe("alternatives", () => {
  const job = jobWith("bar-40", 1, keyed);

  it("try every pin on the whole job and say what comes of it", () => {
    const list = alternatives(job, RUN, "fuse", DEMO_SHELF);
    const of = (label: string) => list.find((a) => a.label === label)!;
    expect(of("automatic").current).toBe(true);
    expect(of("3 A").severity).toBe("stop");
    expect(of("5 A").severity).toBeNull();
    expect(of("40 A").severity).toBe("stop");
    expect(of("no fuse").severity).toBe("stop");
    expect(of("30 A").consequence).toContain("wire");
  });

  it("offer what the shelf has, and their edits apply", () => {
    for (const kind of CHOICE_KINDS) {
      for (const option of alternatives(job, RUN, kind, DEMO_SHELF)) {
        expect(() => edited(job, ...option.edits)).not.toThrow();
        expect(option.consequence).not.toBe("");
      }
    }
    const switches = alternatives(job, RUN, "switch", DEMO_SHELF).map((a) => a.label);
    expect(switches).toContain("16 A rocker switch");
  });

  it("are none for a run that is not there", () => {
    expect(alternatives(job, asId("gone"), "fuse", [])).toEqual([]);
  });
});

describe("strips", () => {
  it("tell of a run what flows out to its lamps, once for a string", () => {
    const string = jobWith("pod-plain-10", 4, keyed, { arrangement: "series" }, PORTER);
    const strips = [string, ...demoJobs()].flatMap(
      (one) => planJob(one, "metric").strips.engineOff,
    );
    const told = strips.filter(({ steps, out }) => steps > 1 && out.length > 0);
    expect(told.length).toBeGreaterThan(1);
    for (const { name, out, totalA } of told)
      expect([name, totalA]).toEqual([name, expect.closeTo(Math.abs(out.at(-1)!.currentA), 3)]);
  });

  const job = demoJobs()[0]!;
  const strips = planJob(job, "metric").strips.engineOff;

  it("fall in volts from left to right, and back to ground", () => {
    for (const strip of strips) {
      const volts = strip.out.flatMap((p) => [p.fromV, p.toV]);
      expect(volts).toEqual([...volts].sort((a, b) => b - a));
      // The battery sags a little under what is drawn.
      expect(volts[0]).toBe(strip.sourceV);
      expect(strip.sourceV).toBeLessThan(12.7);
      expect(strip.sourceV).toBeGreaterThan(12.4);
      for (const lamp of strip.lamps) expect(lamp.volts).toBeLessThan(strip.sourceV);
    }
  });

  it("print as SVG that holds nothing but drawing, whatever a lamp is called", () => {
    const named: Job = {
      ...job,
      lamps: job.lamps.map((l) => ({ ...l, label: `<script>alert("${l.id}")</script>&` })),
    };
    const [strip] = planJob(named, "metric").strips.engineOff;
    const svg = lineDiagramSvg(strip!, { fontFamily: "sans-serif", ink: "#000" });
    expect(svg).toMatch(/^<svg [^>]*>/);
    expect(svg).not.toContain("<script");
    expect(svg).toContain("&#60;script");
  });

  it("list what to lay out, with wire at its upper length", () => {
    const { materials } = planJob(job, "metric");
    expect(materials.find((part) => part.name === "blade fuse 5 A")?.count).toBe(2);
    expect(materials.find((part) => part.name === "18 W flood pod")?.count).toBe(2);
    expect(materials.filter((part) => part.unit === "m").every((part) => part.count > 0)).toBe(
      true,
    );
  });
});

describe("the board's summary", () => {
  it("tells what blocks each demo job", () => {
    const waiting = plannedJobs().map((job) => jobSummary(job).waiting);
    expect(waiting[0]).toEqual([
      { kind: "part", text: "Grommet, 10 mm hole missing from the kit" },
    ]);
    expect(waiting.flat().filter((w) => w.kind === "stop")).toEqual([]);
  });

  it("adds findings to stop for", () => {
    const job = jobWith("bar-40", 1, keyed, { fuse: { kind: "none" } });
    expect(jobSummary(job).waiting).toEqual([
      { kind: "stop", text: expect.stringContaining("No fuse") as string },
    ]);
  });
});
