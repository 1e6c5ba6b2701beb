/** Signals in time: flashers, modules, scripts, remedies, places. */
import {
  PLACES,
  USUAL_SCRIPT,
  adoptPart,
  allOf,
  applyEdits,
  checkedCircuit,
  createDeviation,
  flashRemedies,
  flashTiming,
  judgeFlash,
  materialsOf,
  measureFlash,
  printScript,
  prove,
  readScript,
  sideFlashes,
  signalsCsv,
  seenByVehicle,
  measured,
  simulateSignals,
  stated,
  synthesise,
  withCauses,
  type FlasherFacts,
  type Job,
  type CircuitId,
  type SignalTrace,
} from "../src/index.ts";
import { DEMO_SHELF, PETREL, demoPart } from "../src/demo/index.ts";
import { kitByHand, flashingBrake } from "./jobs.ts";
import { edited, jobWith, rulesOf } from "./helpers.ts";

const marshal = flashingBrake();

function play(job: Job, text = USUAL_SCRIPT): SignalTrace {
  const script = readScript(job, text);
  if (!script.ok) throw new Error(script.faults.map((f) => `${f.path}: ${f.message}`).join("; "));
  return simulateSignals(job, synthesise(job), script.value);
}

const lampOf = (trace: SignalTrace, runId: string) => trace.lamps.find((l) => l.runId === runId)!;

describe("flashers", () => {
  const base: FlasherFacts = {
    principle: "electronic",
    leastA: 1.1,
    ratedA: 1.6,
    ratePerMin: stated(90),
    onShare: 0.5,
  };

  // Published limits: 60–120 a minute, 30–75 % on: 49 CFR 571.108 and SAE J590, from memory.
  it("keep within 60 to 120 a minute with the load they were made for", () => {
    for (const principle of ["thermal", "electronic", "indifferent", "bus"] as const) {
      const t = flashTiming({ ...base, principle }, 1.6);
      const perMin = 60 / (t.onS + t.offS);
      expect(perMin).toBeGreaterThanOrEqual(60);
      expect(perMin).toBeLessThanOrEqual(120);
      expect(t.onS / (t.onS + t.offS)).toBeCloseTo(0.5, 12);
    }
  });

  it("a thermal one with LED lamps only does not start (common practice)", () => {
    expect(flashTiming({ ...base, principle: "thermal" }, 0.28).flashes).toBe(false);
  });

  it("a bulb-out monitor doubles its rate under its threshold (common practice)", () => {
    const t = flashTiming(base, 0.28);
    expect(60 / (t.onS + t.offS)).toBeCloseTo(180, 9);
    expect(t.why).toContain("0.28 A");
  });

  it("one for any load does not care", () => {
    const any: FlasherFacts = { ...base, principle: "indifferent" };
    expect(flashTiming(any, 0.01)).toEqual(flashTiming(any, 4));
  });
});

describe("the marshal's motorcycle", () => {
  it("shows hyperflash, with the load that is seen", () => {
    const trace = play(marshal);
    const measure = measureFlash(lampOf(trace, "left"))!;
    expect(measure.perMin).toBeCloseTo(170, 3);
    expect(judgeFlash(measure)).toBe("too fast");
    expect(trace.sides[0]?.loadA).toBeCloseTo((2 * 1.8) / 12.7, 1);
  });

  it("is seen by the vehicle as by its flasher, with the bulbs that stay beside what is tapped", () => {
    for (const bulbW of [0, 42]) {
      const turn = { ...marshal.vehicle.turn!, bulbW: measured(bulbW) };
      const job: Job = { ...marshal, vehicle: { ...marshal.vehicle, turn } };
      const circuit = synthesise(job);
      const seen = seenByVehicle(job, circuit).find((s) => s.carries === "left turn")!;
      const [left] = sideFlashes(job, circuit).filter((s) => s.side === "left");
      expect(seen.nowA).toBeCloseTo(left!.loadA - bulbW / 13.5, 6);
      // 42 W of bulbs are no dead bulb, LED lamps alone are one: common practice.
      expect(seen.verdict === "missed").toBe(bulbW === 0);
    }
  });

  it("is told with whether the engine runs: what a driver takes falls as the volts rise", () => {
    const [off] = play(marshal, "0 key on\n0 left on\n5 end\n").sides;
    const [on] = play(marshal, "0 key on\n0 engine on\n0 left on\n5 end\n").sides;
    expect([off!.running, on!.running]).toEqual([false, true]);
    // 12.7 V of a rested battery, about 14.2 V of one that is charged: common practice.
    expect(off!.loadA / on!.loadA).toBeCloseTo(14.2 / 12.7, 1);
  });

  it("is mended three ways, with heat and money, and each is a proper flash", () => {
    const script = readScript(marshal, USUAL_SCRIPT);
    if (!script.ok) throw new Error("script");
    const remedies = flashRemedies(marshal, script.value, DEMO_SHELF);
    expect(remedies.map((r) => r.kind)).toEqual(["asItIs", "flasher", "equaliser", "resistor"]);
    expect(remedies[0]?.verdict).toBe("too fast");
    for (const r of remedies.slice(1)) {
      expect(r.verdict).toBe("a proper flash");
      expect(r.money).toBeGreaterThan(0);
      const made = applyEdits(marshal, r.edits);
      if (!made.ok) throw new Error(made.message);
      const then = measureFlash(lampOf(play(made.job), "left"))!;
      expect(judgeFlash(then)).toBe("");
    }
    // A 6 Ω resistor at 13.5 V takes 2.25 A and 30 W while lit, half of it at the flash's duty.
    const resistor = remedies.find((r) => r.kind === "resistor")!;
    expect(resistor.litW).toBeCloseTo(13.5 ** 2 / 6, 6);
    expect(resistor.litW).toBeCloseTo(30.4, 1);
    expect(resistor.heatW).toBeCloseTo(15.2, 1);
  });

  it("a flasher chosen in the place of the vehicle's own is laid out, paid and still to come", () => {
    const script = readScript(marshal, USUAL_SCRIPT);
    if (!script.ok) throw new Error("script");
    const flasher = flashRemedies(marshal, script.value, DEMO_SHELF).find(
      (r) => r.kind === "flasher",
    )!;
    const made = applyEdits(marshal, flasher.edits);
    if (!made.ok) throw new Error(made.message);
    const line = materialsOf(made.job, synthesise(made.job)).find((m) => m.name === flasher.label);
    expect(line?.count).toBe(1);
    // One that was only looked at is not laid out, though it is among the job's parts.
    const looked = edited(marshal, ...adoptPart(marshal, demoPart("flasher-any-load")));
    const names = materialsOf(looked, synthesise(looked)).map((m) => m.name);
    expect(looked.parts.length).toBe(marshal.parts.length + 1);
    expect(names).not.toContain(flasher.label);
    expect(made.job.kit.at(-1)).toMatchObject({ name: flasher.label, needed: 1, inBox: 0 });
  });

  it("an equaliser wired in left and out right is found by the proof, and mended", () => {
    const script = readScript(marshal, USUAL_SCRIPT);
    if (!script.ok) throw new Error("script");
    const remedy = flashRemedies(marshal, script.value, DEMO_SHELF).find(
      (r) => r.kind === "equaliser",
    )!;
    const fitted = applyEdits(marshal, remedy.edits);
    if (!fitted.ok) throw new Error(fitted.message);
    expect(prove(fitted.job, synthesise(fitted.job))!.differences).toEqual([]);
    const crossed: Job = {
      ...fitted.job,
      deviations: [
        createDeviation("crossed", "lampsSwapped", "left" as CircuitId, {
          otherRunId: "right" as CircuitId,
        }),
      ],
    };
    const { differences } = prove(crossed, synthesise(crossed))!;
    const lit = differences.find((d) => d.inputs.includes("left") && d.runId === "right");
    expect(lit?.words).toContain("turn lamp");
    const named = withCauses(crossed, differences).find((d) => d.cause !== null)?.cause;
    expect(named?.words).toContain("other");
  });

  it("flashes its brake lamp four times and then holds it", () => {
    const brake = lampOf(play(marshal), "brake");
    const changes = brake.steps.filter((s) => s.atS >= 11 && s.atS < 15);
    expect(changes.filter((s) => s.level > 0)).toHaveLength(5);
    // Four flashes of 0.18 s: steady from 11.72 s, off at 15.
    expect(changes[changes.length - 1]!.atS).toBeCloseTo(11 + 4 * 0.18, 9);
    expect(brake.steps.find((s) => s.atS === 15)?.level).toBe(0);
  });

  it("holds steady within the lock-out", () => {
    const trace = play(marshal, "0 key on\n1 brake on\n3 brake off\n4 brake on\n6 brake off\n");
    const second = lampOf(trace, "brake").steps.filter((s) => s.atS >= 4 && s.atS < 6);
    expect(second).toHaveLength(1);
  });
});

describe("a vehicle with a thermal flasher", () => {
  it("flashes with its bulbs, and does not once they are out and an LED is in", () => {
    const thermal = {
      ...PETREL,
      turn: { ...PETREL.turn!, principle: "thermal" as const, leastA: 1.2, bulbW: stated(20) },
    };
    const job = jobWith("turn-led", 1, allOf("left"), { relay: "no" }, thermal);
    expect(measureFlash(play(job, "0 key on\n1 left on\n9 left off\n").lamps[0]!)).not.toBeNull();
    const out = edited(job, {
      kind: "setOnce",
      entity: "turn",
      field: "bulbW",
      value: stated(0, 0, 0),
    });
    const trace = play(out, "0 key on\n1 left on\n9 left off\n");
    expect(trace.sides[0]?.timing.flashes).toBe(false);
    expect(measureFlash(trace.lamps[0]!)).toBeNull();
  });
});

describe("the simulation", () => {
  it("is the same each time, solves each position once, and its CSV has every change", () => {
    const trace = play(marshal);
    expect(play(marshal)).toEqual(trace);
    expect(trace.solved).toBeLessThan(20);
    const lines = signalsCsv(trace).trim().split("\n").length - 1;
    expect(lines).toBe(trace.lamps.reduce((n, l) => n + l.steps.length, 0));
  });

  it("dies with the key where a run hangs on it", () => {
    const job = kitByHand();
    const trace = play(job, "0 key on\n1 brake on\n3 key off\n5 brake off\n");
    const brake = lampOf(trace, "brake");
    expect(brake.steps.find((s) => s.atS === 3)?.level).toBe(0);
  });
});

describe("scripts", () => {
  it.each([
    ["2 left on\n1 left off", "line 2", "comes after"],
    ["1 left on\n2 left on", "line 2", "since line 1"],
    ["1 left off", "line 1", "never on"],
    ["x left on", "line 1", "invalid time"],
    ["1 wheel on", "line 1", "no control"],
    ["1 left maybe", "line 1", "on or off"],
    ["1 speed fast", "line 1", "invalid speed"],
    ["1 left on now", "line 1", "too much"],
    ["9999 left on", "line 1", "0 to 3600"],
  ])("%j is told at its place", (text, path, words) => {
    const script = readScript(marshal, text);
    expect(script.ok).toBe(false);
    if (!script.ok) {
      expect(script.faults[0]?.path).toBe(path);
      expect(script.faults[0]?.message).toContain(words);
    }
  });

  it("come back the same from their print", () => {
    const script = readScript(marshal, `${USUAL_SCRIPT}# a remark\n`);
    if (!script.ok) throw new Error("script");
    const again = readScript(marshal, printScript(script.value));
    expect(again).toEqual(script);
  });
});

describe("places", () => {
  const at = (place: string): Job => ({ ...marshal, practices: { ...marshal.practices, place } });

  it("a stop lamp that flashes is refused in one, asked of the state in another, passed off the road", () => {
    const found = (place: string) =>
      rulesOf(at(place), "stop").includes("place-asks")
        ? "refused"
        : rulesOf(at(place), "fix").includes("place-asks")
          ? "ask"
          : "passed";
    expect(PLACES.map((p) => found(p.id))).toEqual(["refused", "ask", "passed"]);
  });

  it("count what the factory has too, and only when a place is chosen", () => {
    expect(rulesOf(marshal)).not.toContain("place-asks");
    const tails = jobWith("path-red", 3, allOf("park"), {}, PETREL);
    const rear: Job = {
      ...tails,
      lamps: tails.lamps.map((l) => ({ ...l, place: "rear" as const })),
      practices: { ...tails.practices, place: "un" },
    };
    expect(rulesOf(rear, "fix")).toContain("place-asks");
  });
});

describe("the rate of flashing among the findings", () => {
  /** The cart's road kit with another flasher in it. */
  const cartWith = (partId: string): Job => {
    const cart = kitByHand();
    const part = demoPart(partId);
    const flasher = cart.supplies.find(
      (s) => cart.parts.find((p) => p.id === s.partId)?.kind === "flasher",
    )!;
    return {
      ...cart,
      parts: [...cart.parts.filter((p) => p.id !== part.id), part],
      supplies: cart.supplies.map((s) => (s.id === flasher.id ? { ...s, partId: part.id } : s)),
    };
  };
  const found = (job: Job) => checkedCircuit(job).findings.filter((f) => f.rule === "flash-rate");

  it("stops at LED lamps on a thermal flasher, wants mending of hyperflash, passes any load", () => {
    expect(found(cartWith("flasher-any-load"))).toEqual([]);
    const thermal = found(cartWith("flasher-thermal"));
    expect(thermal.map((f) => f.severity)).toEqual(["stop", "stop"]);
    expect(thermal[0]!.title).toBe("Lights and does not flash");
    const double = found(cartWith("flasher-bulb-out"));
    expect(double.map((f) => f.severity)).toEqual(["fix", "fix"]);
    expect(double[0]!.title).toBe("Hyperflash: 170 a minute");
  });

  it("is the judgement of the signals page, load and all", () => {
    for (const part of ["flasher-any-load", "flasher-thermal", "flasher-bulb-out"]) {
      const job = cartWith(part);
      const script = readScript(job, "0 key on\n0 left on\n5 end\n");
      if (!script.ok) throw new Error("script");
      const [played] = simulateSignals(job, synthesise(job), script.value).sides;
      const held = sideFlashes(job, synthesise(job)).find((s) => s.side === "left")!;
      expect(held.timing.flashes).toBe(played!.timing.flashes);
      expect(held.loadA).toBeCloseTo(played!.loadA, 2);
    }
  });

  it("says nothing of a vehicle without turn lamps of the job", () => {
    expect(found(jobWith("pod-18", 1, allOf("high"), {}, PETREL))).toEqual([]);
  });
});
