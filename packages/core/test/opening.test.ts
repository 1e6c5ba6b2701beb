/** Which fuse a fault opens, which wire may burn before it, and which controls a circuit feels. */
import {
  allOf,
  asId,
  faults,
  faultsOfElement,
  groupsOf,
  openingTime,
  overheatS,
  partOf,
  prove,
  proveGroup,
  provenJob,
  synthesise,
  weakestPoints,
  type Circuit,
  type Element,
  type ElementId,
  type FuseElement,
  type Job,
  type PinId,
  type CircuitId,
} from "../src/index.ts";
import { FELLRUNNER, manyCircuitJob } from "../src/demo/index.ts";
import { openingIn, overheated } from "../src/proof/opening.ts";
import { gaugeOf } from "../src/wire/index.ts";
import { RUN, SUPPLY, behind, jobWith, keyed } from "./helpers.ts";

const elementsOf = <K extends Element["kind"]>(circuit: Circuit, kind: K) =>
  [...circuit.elements.values()].filter((e): e is Extract<Element, { kind: K }> => e.kind === kind);

const amps = (...list: readonly (readonly [ElementId, number])[]) => new Map(list);

const made = (circuit: Circuit, element: Element): Circuit => ({
  ...circuit,
  elements: new Map([...circuit.elements, [element.id, element]]),
});

describe("the fuse that opens", () => {
  const job = jobWith("pod-18", 2, keyed, {
    feed: { kind: "pin", pinId: asId<PinId>("key-feed") },
    relay: "no",
  });
  const circuit = synthesise(job);
  const [fuse] = elementsOf(circuit, "fuse") as [FuseElement];
  const [tap] = elementsOf(circuit, "tap");
  const { pin } = tap!;

  it("is the run's own by its current, whichever way that goes", () => {
    for (const sign of [1, -1]) {
      const opening = openingIn(circuit, amps([fuse.id, sign * 3 * fuse.ratingA]));
      expect(opening?.fuse).toBe(fuse);
      expect(opening?.pin).toBeNull();
      expect(opening?.opens).toEqual({
        words: `own ${fuse.ratingA} A fuse`,
        currentA: 3 * fuse.ratingA,
        time: openingTime(fuse.ratingA, 3 * fuse.ratingA),
      });
    }
    expect(openingIn(circuit, amps([fuse.id, fuse.ratingA]))).toBeNull();
    expect(openingIn(circuit, amps())).toBeNull();
  });

  it("may be the factory's behind a tap, where that opens for sure before", () => {
    expect(pin.fuseA).toBeGreaterThan(fuse.ratingA);
    const factory = openingIn(circuit, amps([tap!.id, -4 * pin.fuseA]));
    expect(factory).toMatchObject({ fuse: null, pin: { id: "key-feed" } });
    expect(factory?.opens).toEqual({
      words: `factory ${pin.fuseA} A fuse of ${pin.carries}`,
      currentA: 4 * pin.fuseA,
      time: openingTime(pin.fuseA, 4 * pin.fuseA),
    });
    // The same current through both: the smaller one is the quicker.
    const both = openingIn(circuit, amps([tap!.id, 4 * pin.fuseA], [fuse.id, 4 * pin.fuseA]));
    expect(both?.fuse).toBe(fuse);
    const slow = openingIn(circuit, amps([tap!.id, 6 * pin.fuseA], [fuse.id, 1.4 * fuse.ratingA]));
    expect(slow?.fuse).toBeNull();
    // Nobody knows of a factory fuse there: it is none.
    const unknown = made(circuit, { ...tap!, pin: { ...pin, fuseA: 0 } });
    expect(openingIn(unknown, amps([tap!.id, 400]))).toBeNull();
  });

  it("of several of its own is the one that opens first", () => {
    const other: FuseElement = { ...fuse, id: asId<ElementId>("other"), ratingA: 2 };
    const two = made(circuit, other);
    const current = 3 * fuse.ratingA;
    expect(openingIn(two, amps([fuse.id, current], [other.id, current]))?.fuse).toBe(other);
    expect(openingIn(two, amps([fuse.id, current], [other.id, 2.4]))?.fuse).toBe(fuse);
  });

  it("is told as a breaker where it closes again by itself", () => {
    const breaker = made(circuit, { ...fuse, resets: true });
    expect(openingIn(breaker, amps([fuse.id, 100]))?.opens.words).toBe(
      `own ${fuse.ratingA} A breaker, again and again,`,
    );
  });

  it("comes too late for a wire by the wire's adiabatic limit", () => {
    const wire = elementsOf(circuit, "wire").find((w) => w.role !== "factory" && w.harness === "")!;
    const current = amps([wire.id, -200]);
    const limit = overheatS(gaugeOf(wire.gaugeId).areaM2, 10, 200);
    expect(overheated(circuit, job, current, limit * 1.01, 1)).toBe(
      `${wire.gaugeId} wire ${wire.label}`,
    );
    expect(overheated(circuit, job, current, limit * 0.99, 1)).toBeNull();
    expect(overheated(circuit, job, amps(), Infinity, 1)).toBeNull();
    // A quarter of the current for as long as it lasts takes sixteen times as long.
    expect(overheated(circuit, job, current, limit * 15.9, 0.25)).toBeNull();
    expect(overheated(circuit, job, current, limit * 16.1, 0.25)).not.toBeNull();
    const inHarness = made(circuit, { ...wire, harness: "Kit harness" });
    expect(overheated(inHarness, job, current, Infinity, 1)).toBe(`${wire.gaugeId} Kit harness`);
    // Of what the maker laid nothing is said.
    const makers = made(circuit, { ...wire, role: "factory" });
    expect(overheated(makers, job, current, Infinity, 1)).toBeNull();
  });
});

describe("a fault without a steady end", () => {
  it("is told as that, with nothing said of what it does", () => {
    // A joint of two ohms before a relay that holds itself: the horns pull down what pulls it in.
    const job = jobWith("horn-3a", 2, allOf("switch"), { relay: "yes" });
    const circuit = synthesise(job);
    const found = faults(job, circuit)!.filter((f) => f.outcome !== "solved");
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({
      ...{ outcome: "chatters", kind: "badJoint", dark: [], staysOn: [], opens: null },
      ...{ overheats: null, ridesHome: "unknown", lost: [], uncounted: [] },
    });
    expect(weakestPoints(faults(job, circuit)!)[0]).toEqual(found[0]);
  });

  it("stays dark of nothing: a part of a job that is not there has no faults", () => {
    const job = jobWith("pod-18", 1, keyed);
    const circuit = synthesise(job);
    expect(faultsOfElement(job, circuit, circuit.runs[0]!, asId<ElementId>("none"))).toEqual([]);
    expect(faults(job, { ...circuit, runs: [], feeders: [] })).toEqual([]);
    expect(faults(job, circuit, () => false)).toBeNull();
  });
});

describe("groups that are proven by themselves", () => {
  const groupOf = (job: Job) => {
    const circuit = synthesise(job);
    const groups = groupsOf(job, circuit);
    expect(groups).toHaveLength(1);
    return { circuit, group: groups[0]! };
  };

  it("feel what their condition asks, what their wires feel, and the key that both need", () => {
    const { group } = groupOf(jobWith("pod-30", 1, allOf("switch", "high")));
    expect(group.inputs).toEqual(["high", "key"]);
    expect(group.switches).toEqual([RUN]);
    const bare = groupOf(jobWith("pod-30", 1, allOf("brake"))).group;
    expect(bare.inputs).toContain("brake");
    expect(bare.switches).toEqual([]);
    expect(groupOf(jobWith("pod-30", 1, allOf("switch"))).group.inputs).toEqual([]);
  });

  it("feel the master switch of what feeds them, and are not wanted lit without it", () => {
    const job = behind("converter-48-12", "path-red", 2, undefined, { gate: "switch" });
    const { circuit, group } = groupOf(job);
    expect(new Set(group.switches)).toEqual(new Set([RUN, asId<CircuitId>(SUPPLY)]));
    const proof = proveGroup(job, circuit, group);
    expect(proof).toMatchObject({ positions: 4, possible: 4, lamps: 2, differences: [] });
    // One that is always live lights the lamps by their own switch alone.
    const live = behind("converter-48-12", "path-red", 2, undefined, { gate: "always" });
    expect(provenJob(live)).toMatchObject({ positions: 2, differences: [] });
  });

  it("leave out positions that cannot be: high beam with the key off", () => {
    const job = jobWith("pod-30", 1, allOf("switch", "high"));
    // High beam, key and the switch are eight; in two of them high beam burns without the key.
    expect(provenJob(job)).toMatchObject({ positions: 6, possible: 8, lamps: 1 });
    const three = manyCircuitJob(3);
    const proof = prove(three, synthesise(three));
    expect(proof).toMatchObject({ lamps: three.lamps.length, differences: [] });
    expect(proof!.positions).toBe(3 * 4);
    // A circuit that the job has not: nothing is asked of it.
    expect(
      proveGroup({ ...job, runs: [] }, synthesise(job), groupsOf(job, synthesise(job))[0]!),
    ).toMatchObject({ differences: [] });
  });

  it("hold their own elements and those before them, and none of another's", () => {
    const job = manyCircuitJob(3);
    const circuit = synthesise(job);
    const [first] = groupsOf(job, circuit);
    const part = partOf(circuit, first!.runs);
    const id = first!.runs[0]!.runId;
    for (const element of circuit.elements.values()) {
      if (element.runId === id) expect(part.elements.has(element.id)).toBe(true);
      else if (job.runs.some((run) => run.id === element.runId)) {
        expect(part.elements.has(element.id)).toBe(false);
      }
    }
    expect(part.runs).toEqual(first!.runs);
  });

  it("hold what a supply needs besides its path: its negative with it", () => {
    const job = behind("converter-48-12", "path-red", 1);
    const circuit = synthesise(job);
    const part = partOf(circuit, circuit.runs);
    const supplys = [...circuit.elements.values()].filter((e) => e.runId === asId(SUPPLY));
    expect(supplys.length).toBeGreaterThan(2);
    expect(supplys.every((e) => part.elements.has(e.id))).toBe(true);
    expect(partOf(circuit, []).elements.size).toBe(0);
  });

  it("hold what the vehicle has behind the terminals that they hang on", () => {
    const job = jobWith("pod-18", 1, keyed, {}, FELLRUNNER);
    const circuit = synthesise(job);
    const part = partOf(circuit, circuit.runs);
    const factory = (of: Circuit): ElementId[] =>
      [...of.elements.values()].flatMap((e) =>
        e.kind === "wire" && e.role === "factory" ? [e.id] : [],
      );
    expect(factory(part)).toEqual(factory(circuit));
  });
});
