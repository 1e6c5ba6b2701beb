/** Coils that one wire works have one fuse at the tap (common practice); other taps, other fuses. */
import {
  allOf,
  append,
  asId,
  createCircuit,
  elementsOf,
  everythingOn,
  faultsOfCircuit,
  faultsOfFeeder,
  groupsOf,
  measured,
  ownerName,
  proveGroup,
  restVolts,
  solveCircuit,
  synthesise,
  feederDiagramsOf,
  type Circuit,
  type ElementId,
  type Feed,
  type Job,
  type CircuitId,
  type SupplyId,
  type WireElement,
} from "../src/index.ts";
import { PETREL, PORTER, manyCircuitJob } from "../src/demo/index.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { edited, findingsOf } from "./helpers.ts";

const from = (id: string): Feed => ({ kind: "supply", supplyId: asId<SupplyId>(id) });

const all = <K extends "fuse" | "coil" | "tap" | "wire">(circuit: Circuit, kind: K) =>
  elementsOf(circuit, [...circuit.elements.keys()], kind);

const coilFuses = (circuit: Circuit): number[] =>
  all(circuit, "fuse")
    .filter(({ id }) => /coilFuse|control-feed/.test(id))
    .map(({ ratingA }) => ratingA);

const feederOf = (circuit: Circuit) => circuit.feeders.find(({ kind }) => kind === "controlFeed")!;

describe("several coils on one wire", () => {
  const job = manyCircuitJob(4);
  const circuit = synthesise(job);
  const feed = feederOf(circuit);

  it("have one fuse between the tap and where they part", () => {
    expect(coilFuses(circuit)).toEqual([2]);
    expect(all(circuit, "coil")).toHaveLength(4);
    const fromTap = all(circuit, "wire").filter(({ from }) => from.startsWith("factory_"));
    expect(fromTap.map(({ role }) => role)).toEqual(["tap"]);
    const fromSplice = all(circuit, "wire").filter(({ from }) => from === feed.node);
    expect(fromSplice.map((w: WireElement) => w.runId)).toEqual(job.runs.map((r) => r.id));
  });

  it("are drawn in the lane of each, from tap to coil", () => {
    for (const run of circuit.runs) {
      const kinds = (run.coil?.path ?? []).map((id) => circuit.elements.get(id)!.kind);
      expect(kinds.indexOf("tap")).toBeLessThan(kinds.indexOf("fuse"));
      expect(kinds.indexOf("fuse")).toBeLessThan(kinds.indexOf("coil"));
    }
  });

  it("are told with their number and what they take together", () => {
    const choice = circuit.choices.find((c) => c.runId === feed.ownerId)!;
    // 4 coils of 80 Ω at 14.4 V.
    expect(choice).toMatchObject({ kind: "fuse", picked: "2 A" });
    expect(choice.reason).toContain("4 coils");
    expect(choice.reason).toContain("0.72 A");
    expect(feed.drawA.high).toBeCloseTo(0.72, 6);
    expect(ownerName(job, feed.ownerId)).toBe("Control feed");
    const solved = solveCircuit(circuit, everythingOn(job, restVolts(job.vehicle)), 20);
    if (solved.kind !== "solved") throw new Error(solved.kind);
    const strip = feederDiagramsOf(job, circuit, solved.point, "metric").find(
      (t) => t.ownerId === feed.ownerId,
    )!;
    expect(strip.runs).toEqual(job.runs.map((r) => r.name));
  });

  it("take a larger fuse where they take more together than 2 A bears", () => {
    // 12 coils of 80 Ω at 14.4 V are 2.16 A: 3 A at 80 %.
    const many = synthesise(manyCircuitJob(12));
    expect(coilFuses(many)).toEqual([3]);
    expect(all(many, "coil")).toHaveLength(12);
  });

  it("leave a coil that is alone on its wire a fuse of its own", () => {
    expect(coilFuses(synthesise(manyCircuitJob(1)))).toEqual([2]);
    expect(feederOf(synthesise(manyCircuitJob(1)))).toBeUndefined();
  });

  it("keep apart what other wires work", () => {
    const key = manyCircuitJob(1);
    const brake = createCircuit(
      asId<CircuitId>("brake"),
      "Brake",
      key.vehicle,
      "rear",
      allOf("brake"),
    );
    const both = synthesise(edited(key, append(key, "run", { ...brake, relay: "yes" })));
    expect(feederOf(both)).toBeUndefined();
    expect(coilFuses(both).length).toBe(all(both, "coil").length);
  });
});

describe("a wire that works several coils", () => {
  const PIN = manyCircuitJob(3).vehicle.pins.find((pin) => pin.liveWhen === "key")!;
  const told = (low: number, value: number, high: number): string[] => {
    const job = manyCircuitJob(3);
    const pins = job.vehicle.pins.map((pin) =>
      pin.id === PIN.id ? { ...pin, mayGiveA: measured(value, low, high) } : pin,
    );
    return findingsOf({ ...job, vehicle: { ...job.vehicle, pins } })
      .filter(({ rule }) => rule === "tap-over-limit")
      .map(({ severity, title, figures }) => `${severity} ${title} ${figures[0]?.value}`);
  };

  it("is told of where it gives enough for each and not for all of them", () => {
    const all = "The trigger wire may not give enough for 3 coils 0.48 A";
    expect(told(0.2, 0.3, 0.4)).toEqual([`fix ${all}`]);
    // Perhaps enough: nobody knows for sure.
    expect(told(0.2, 0.3, 0.5)).toEqual([`note ${all}`]);
    expect(told(0.2, 0.5, 0.8)).toEqual([]);
  });

  it("is told of by each coil where it does not give enough for one", () => {
    expect(told(0.1, 0.12, 0.14)).toHaveLength(3);
  });
});

describe("a supply that the key works, beside a circuit that it works", () => {
  const job = make("cart", "", PORTER, "")
    .supply("conv", "Converter", "converter-60-12", { feed: { kind: "pack" }, gate: "key" })
    .run("pods", "Pods", "front", allOf("switch"), [["pod-18", 1, "front"]], { feed: from("conv") })
    .run("bar", "Bar", "front", allOf("key"), [["bar-120", 1, "front"]], { relay: "yes" }).job;
  const circuit = synthesise(job);
  const supply = circuit.feeders.find(({ kind }) => kind === "supply")!;
  const feed = feederOf(circuit);

  it("shares the fuse of their coils", () => {
    expect(coilFuses(circuit)).toEqual([2]);
    expect(supply.gate.some((id) => feed.path.includes(id))).toBe(true);
  });

  it("goes dark with what else hangs on that fuse, which is tried once", () => {
    const gone = faultsOfFeeder(job, circuit, feed).find(
      (f) => f.elementId === `${feed.ownerId}.fuse` && f.dark.length > 0,
    )!;
    expect(gone.dark).toHaveLength(2);
    const again = faultsOfFeeder(job, circuit, supply).map((f) => f.elementId);
    expect(again.filter((id) => feed.path.includes(id))).toEqual([]);
    expect(again).toContain("conv.coil");
  });
});

describe("the proof of circuits whose coils share a fuse", () => {
  it("goes on circuit by circuit", () => {
    const job = manyCircuitJob(12);
    expect(groupsOf(job, synthesise(job))).toHaveLength(12);
  });

  it("finds the same circuit by circuit as all together", () => {
    const job = manyCircuitJob(4);
    const circuit = synthesise(job);
    const groups = groupsOf(job, circuit);
    const together = {
      runs: circuit.runs,
      inputs: [...new Set(groups.flatMap((g) => [...g.inputs]))],
      switches: groups.flatMap((g) => [...g.switches]),
    };
    expect(proveGroup(job, circuit, together).differences).toEqual([]);
    for (const group of groups) expect(proveGroup(job, circuit, group).differences).toEqual([]);
  });

  it("takes together what hangs where somebody wired otherwise", () => {
    const job = manyCircuitJob(4);
    const feed = feederOf(synthesise(job));
    const wired = (at: string): Job => ({
      ...job,
      deviations: [
        {
          ...{ id: "d", kind: "tied", runId: job.runs[0]!.id, otherRunId: "", gaugeId: "" },
          ...{ wire: "", end: "from", otherWire: "", otherEnd: "from", at, otherAt: "battery.pos" },
        },
      ],
    });
    const groups = (it: Job): number => groupsOf(it, synthesise(it)).length;
    expect(groups(wired(feed.node))).toBe(1);
    expect(groups(wired("run_1_splice.j"))).toBe(4);
  });

  it("tells that a chafed coil wire takes all of them: they hang on one fuse", () => {
    const job = manyCircuitJob(4);
    const circuit = synthesise(job);
    const [first] = circuit.runs;
    const coilWire = `${first!.runId}.coilFeed` as ElementId;
    const chafed = faultsOfCircuit(job, circuit, first!).find(
      (f) => f.kind === "chafed" && f.elementId === coilWire,
    )!;
    expect(chafed.opens?.words).toContain("2 A");
    expect(new Set(chafed.dark).size).toBe(new Set(job.lamps.map((l) => l.label)).size);
  });
});

describe("a contact of the kit's own", () => {
  const job = (poles: number): Job => {
    const lit = { relay: "yes" as const };
    return make("two on one contact", "", PETREL, "")
      .control("stalk", "Stalk", ["park"], { poles })
      .run("a", "A", "front", allOf("park"), [["pod-18", 1, "front"]], lit)
      .run("b", "B", "rear", allOf("park"), [["pod-18", 1, "rear"]], lit).job;
  };
  const parked = (poles: number): Circuit => synthesise(job(poles));

  it("works the coils of several circuits behind one fuse where they share it", () => {
    const circuit = parked(1);
    expect(coilFuses(circuit)).toEqual([2]);
    expect(feederOf(circuit).source).toEqual({ kind: "control", controlId: "stalk" });
    expect(feederOf(circuit).shared).toContain("stalk.park");
  });

  it("has a fuse behind each pole where each circuit has one", () => {
    expect(coilFuses(parked(2))).toEqual([2, 2]);
    expect(feederOf(parked(2))).toBeUndefined();
  });

  it("is open at times: what is behind it is proven together", () => {
    expect(groupsOf(job(1), parked(1))).toHaveLength(1);
  });
});
