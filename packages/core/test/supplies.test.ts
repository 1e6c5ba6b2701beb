/**
 * Converters, boxes, batteries of their own, controls of the kit, strings and two lights in
 * one housing: what is shared before runs part.
 */
import {
  allOf,
  append,
  asId,
  createKitSwitch,
  elementOf,
  elementsOf,
  everythingOn,
  faults,
  packEmptyV,
  packRestV,
  packTopV,
  prove,
  restVolts,
  setKitSwitch,
  setCircuit,
  setSupply,
  solveCircuit,
  synthesise,
  type Job,
  type PackFacts,
  type CircuitId,
} from "../src/index.ts";
import { LITTER, MIDGE, PORTER } from "../src/demo/index.ts";
import { kitByHand, onHub } from "./jobs.ts";
import { behind, edited, findingsOf, jobWith, mend, rulesOf, RUN, SUPPLY } from "./helpers.ts";

const solvedAt = (job: Job, packV: number) => {
  const circuit = synthesise(job);
  const position = everythingOn(job, { ...restVolts(job.vehicle), packV });
  const solved = solveCircuit(circuit, position, 40);
  if (solved.kind !== "solved") throw new Error(solved.kind);
  return { circuit, solved };
};

describe("traction packs", () => {
  const pack = (chemistry: PackFacts["chemistry"], cells: number) => ({ chemistry, cells });
  // Charger voltages by chemistry and cells, handbook values: 4.2 V and 3.65 V a cell.
  it.each([
    ["lithium" as const, 13, 54.6],
    ["lithium" as const, 10, 42],
    ["lithium" as const, 14, 58.8],
    ["lithiumIron" as const, 16, 58.4],
  ])("%s of %i cells is full at %f V", (chemistry, cells, volts) => {
    expect(packTopV(pack(chemistry, cells))).toBeCloseTo(volts, 6);
  });

  it("a full “48 V” pack reads 52 to 58 V, a full “36 V” lithium pack 42 V (common practice)", () => {
    for (const top of [packTopV(pack("leadBlocks", 24)), packTopV(pack("lithium", 13))]) {
      expect(top).toBeGreaterThan(52);
      expect(top).toBeLessThan(58.1);
    }
    expect(packTopV(pack("lithium", 10))).toBeCloseTo(42, 6);
  });

  it("rests between empty and the charger's voltage, and falls as it empties", () => {
    for (const [chemistry, cells] of [
      ["leadBlocks", 24],
      ["lithium", 16],
      ["lithiumIron", 16],
    ] as const) {
      const volts = [0, 0.2, 0.5, 0.8, 1].map((soc) => packRestV(pack(chemistry, cells), soc));
      expect([...volts].sort((a, b) => a - b)).toEqual(volts);
      expect(volts[0]).toBeGreaterThanOrEqual(packEmptyV(pack(chemistry, cells)));
      expect(volts[4]).toBeLessThan(packTopV(pack(chemistry, cells)));
    }
  });

  it("cells that do not add up, and a charger of another pack, are told with both figures", () => {
    const job = jobWith("path-red", 1, allOf("switch"), {}, PORTER);
    const wrong = edited(job, {
      kind: "setOnce",
      entity: "pack",
      field: "cells",
      value: 18,
    });
    const found = findingsOf(wrong).filter((f) => f.rule === "pack-facts");
    expect(found.map((f) => f.title)).toEqual([
      "Cells do not add up to the pack",
      "The charger's voltage does not fit these cells",
    ]);
    expect(found[0]?.figures[0]).toMatchObject({
      value: "36 V",
      limit: expect.stringContaining("48") as string,
    });
  });
});

describe("a converter", () => {
  const job = behind("converter-60-12", "path-red", 6, PORTER, { gate: "switch" });

  it("holds its lamps at 12 V over the whole pack, and takes what they take over its efficiency", () => {
    for (const packV of [42, 50.8, 57.6]) {
      const { circuit, solved } = solvedAt(job, packV);
      const lamps = circuit.runs[0]!.branches.map((b) => solved.point.at.get(b.load)!);
      for (const lamp of lamps) expect(lamp.fromV - lamp.toV).toBeCloseTo(12.1, 0);
      const outW = lamps.reduce((w, l) => w + (l.fromV - l.toV) * l.currentA, 0);
      const inA = solved.result.amps.get(asId("supply.converter.input"))!;
      const share = outW / (packV * inA);
      // Between its figures at a tenth and at full, idle draw and wire losses included.
      expect(share).toBeGreaterThan(0.75);
      expect(share).toBeLessThan(0.91);
    }
  });

  it("is off under its cut-off and beyond its input", () => {
    for (const packV of [20, 90]) {
      const { circuit, solved } = solvedAt(job, packV);
      const lamp = solved.point.at.get(circuit.runs[0]!.branches[0]!.load)!;
      expect(Math.abs(lamp.fromV - lamp.toV)).toBeLessThan(0.1);
    }
  });

  it("gives way under too much, turns itself off, and is named", () => {
    const heavy = behind("converter-60-12", "bar-120", 2, PORTER, { gate: "switch" });
    const { circuit, solved } = solvedAt(heavy, 50.8);
    expect(solved.tripped.map((id) => elementOf(circuit, id).kind)).toEqual(["converter"]);
    expect(rulesOf(heavy, "stop")).toContain("converter-fits");
  });

  it("whose input ends below the charger's voltage is refused with both volts", () => {
    const short = behind("converter-48-12", "path-red", 2, PORTER, { gate: "switch" });
    const [found] = findingsOf(short).filter((f) => f.rule === "converter-fits");
    expect(found).toMatchObject({ severity: "stop" });
    expect(found?.figures[0]).toMatchObject({ value: "52 V", limit: "58 V or more" });
  });

  it("always on is told with its milliamps; a press puts its input on the key", () => {
    const idle = behind("converter-60-12", "path-red", 2);
    expect(rulesOf(idle, "fix")).toContain("converter-fits");
    const mended = mend(idle, "converter-fits");
    expect(mended.supplies[0]?.gate).toBe("key");
    const coils = elementsOf(synthesise(mended), synthesise(mended).feeders[0]!.gate, "coil");
    // The key wire of this cart carries the pack's voltage: the coil is made for it.
    expect(coils.map((c) => c.part.coilV)).toEqual([48]);
    expect(prove(mended, synthesise(mended))?.differences).toEqual([]);
  });
});

describe("series strings", () => {
  // Common practice: three 12 V lamps on 36 V, four on 48 V; five bear a full 60 V pack.
  const string = (count: number, vehicle: typeof PORTER, part = "pod-plain-10"): Job =>
    jobWith(
      part,
      count,
      allOf("switch"),
      { feed: { kind: "pack" }, arrangement: "series" },
      vehicle,
    );
  const perLamp = (job: Job, packV: number): number => {
    const { circuit, solved } = solvedAt(job, packV);
    const at = solved.point.at.get(circuit.runs[0]!.branches[0]!.load)!;
    return at.fromV - at.toV;
  };

  it.each([
    [3, LITTER, 36],
    [4, PORTER, 48],
    [5, MIDGE, 60],
  ])("%i lamps share the pack, near 12 V each at its nominal voltage", (count, vehicle, volts) => {
    expect(perLamp(string(count, vehicle), volts)).toBeCloseTo(volts / count, 0);
    expect(rulesOf(string(count, vehicle), "stop")).toEqual([]);
  });

  it("one lamp too few is refused straight off the charger", () => {
    const found = findingsOf(string(3, PORTER)).filter((f) => f.rule === "lamp-volts");
    expect(found[0]).toMatchObject({ severity: "stop" });
  });

  it("lamps with a driver inside are refused, with the reason", () => {
    const job = string(4, PORTER, "pod-18");
    const [found] = findingsOf(job).filter((f) => f.rule === "not-buildable");
    expect(found?.title).toBe("These lamps do not share a voltage");
    const circuit = synthesise(job);
    const position = everythingOn(job, restVolts(job.vehicle));
    expect(solveCircuit(circuit, position, 40).kind).toBe("unstableShare");
  });

  it("pairs in parallel first halve what each step's voltage hangs on", () => {
    const pairs = edited(string(8, PORTER), setCircuit(RUN, "perStep", 2));
    expect(synthesise(pairs).runs[0]?.steps).toBe(4);
    expect(perLamp(pairs, 48)).toBeCloseTo(12, 0);
  });

  it("one open lamp puts out the string; one shorted lamp overdrives the others", () => {
    const job = string(4, PORTER);
    const results = faults(job, synthesise(job))!;
    const open = results.find((f) => f.kind === "open" && f.elementId === "run-1.load1")!;
    expect(open.dark).toHaveLength(4);
    const shorted = results.find((f) => f.kind === "shorted" && f.elementId === "run-1.load1")!;
    expect(shorted.dark).toEqual(["10 W pod without a driver 1"]);
    // Three lamps share what four did: a little over an amp, which no fuse of the shop's feels.
    expect(shorted.opens).toBeNull();
  });
});

describe("boxes", () => {
  const hub = onHub();

  it("give each run a way with its own fuse, and no wire before it", () => {
    const circuit = synthesise(hub);
    for (const run of circuit.runs) {
      const path = [...run.feedShared, ...run.out].map((id) => elementOf(circuit, id));
      expect(path.filter((e) => e.kind === "fuse")).toHaveLength(2);
      expect(run.out.map((id) => elementOf(circuit, id).kind).slice(0, 2)).toEqual([
        "fuse",
        "contact",
      ]);
    }
  });

  it("are refused more runs, amps on a way, or amps in all than they carry", () => {
    let job = hub;
    for (let i = 0; i < 3; i += 1) {
      const run = { ...job.runs[0]!, id: asId<CircuitId>(`more-${i}`), name: `More ${i}` };
      job = edited(job, append(job, "run", run));
    }
    expect(findingsOf(job).map((f) => f.title)).toContain("More circuits than channels");
  });

  it("a fault before the box takes every run behind it", () => {
    const results = faults(hub, synthesise(hub))!;
    const blown = results.find(
      (f) => f.kind === "fuseBlown" && f.runId === asId<CircuitId>("hub"),
    )!;
    expect(blown.dark).toHaveLength(hub.lamps.length);
    const own = results.find((f) => f.kind === "fuseBlown" && f.runId === asId<CircuitId>("left"))!;
    expect(own.dark).toHaveLength(1);
  });

  it("a ground block's lost wire darkens all that return through it, and only those", () => {
    const results = faults(hub, synthesise(hub))!;
    const lost = results.find((f) => f.elementId === "ground-block.return" && f.kind === "open")!;
    expect(lost.dark).toHaveLength(4);
  });
});

describe("controls of the kit", () => {
  const kit = kitByHand();

  it("work loads they can carry without a relay, each on a pole of its own", () => {
    const circuit = synthesise(kit);
    const left = circuit.runs.find((r) => r.runId === asId<CircuitId>("left"))!;
    expect(left.coil).toBeNull();
    expect(left.ways).toHaveLength(1);
    expect(rulesOf(kit, "stop")).toEqual([]);
  });

  it("never have two of their positions on at once in the proof", () => {
    const proof = prove(kit, synthesise(kit))!;
    expect(proof.differences).toEqual([]);
    expect(proof.positions).toBeLessThan(proof.possible);
  });

  it("let a direct load grow a relay when it is more than they carry", () => {
    let job = jobWith("bar-120", 2, allOf("horn"), {}, LITTER);
    const control = createKitSwitch(asId("horn-button"), "Horn button", ["horn"], LITTER);
    job = edited(job, append(job, "control", control));
    expect(synthesise(job).runs[0]?.coil).not.toBeNull();
    const light = edited(job, setCircuit(RUN, "relay", "no"), setKitSwitch(control.id, "poles", 1));
    expect(synthesise(light).runs[0]?.coil).toBeNull();
  });
});

describe("two lights in one housing", () => {
  const kit = kitByHand();

  it("share one way back, which is laid once", () => {
    const circuit = synthesise(kit);
    const tail = circuit.runs.find((r) => r.runId === asId<CircuitId>("tail"))!;
    const brake = circuit.runs.find((r) => r.runId === asId<CircuitId>("brake"))!;
    expect(tail.back).toEqual(brake.back);
    const load = (run: typeof tail) => elementOf(circuit, run.branches[0]!.load);
    expect(new Set([load(tail).to, load(brake).to]).size).toBe(1);
  });

  it("a lost ground of one darkens both", () => {
    const results = faults(kit, synthesise(kit))!;
    const lost = results.find(
      (f) =>
        f.kind === "open" && f.runId === asId<CircuitId>("brake") && f.elementId === "brake.return",
    )!;
    expect(lost.dark.length).toBeGreaterThanOrEqual(2);
  });
});

describe("a battery of its own", () => {
  it("feeds 12 V lamps whatever the pack does", () => {
    const job = behind("battery-12-18", "path-red", 4);
    for (const packV of [30, 57]) {
      const { circuit, solved } = solvedAt(job, packV);
      const lamp = solved.point.at.get(circuit.runs[0]!.branches[0]!.load)!;
      expect(lamp.fromV - lamp.toV).toBeGreaterThan(12.3);
    }
    expect(rulesOf(job, "stop")).toEqual([]);
  });
});

describe("bad supplies", () => {
  it("that feed themselves, or have no such part, are refused by edits of the document", () => {
    const job = behind("fuse-block-6", "path-red", 1, LITTER);
    const ring = edited(job, setSupply(SUPPLY, "feed", { kind: "supply", supplyId: SUPPLY }));
    expect(rulesOf(ring, "stop")).toContain("not-buildable");
  });
});
