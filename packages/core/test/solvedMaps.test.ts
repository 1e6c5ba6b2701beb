import {
  allOf,
  asId,
  designPoint,
  restVolts,
  solveCircuit,
  solveNetwork,
  synthesise,
  everythingOn,
  type Condition,
  type ElementId,
  type Job,
  type CircuitId,
} from "../src/index.ts";
import { refusedBy, runOn } from "../src/network/position.ts";
import { FELLRUNNER } from "../src/demo/index.ts";
import { RUN, edited, jobWith, keyed } from "./helpers.ts";
import { net, node, ohm } from "./net.ts";

/** Everything that a map can be asked, the same by every way of asking. */
function alike<K, V>(map: ReadonlyMap<K, V>, missing: K): void {
  const entries = [...map];
  expect(map.size).toBe(entries.length);
  expect([...map.entries()]).toEqual(entries);
  expect([...map.keys()]).toEqual(entries.map(([key]) => key));
  expect([...map.values()]).toEqual(entries.map(([, value]) => value));
  const each: [K, V][] = [];
  map.forEach((value, key, whole) => {
    expect(whole).toBe(map);
    each.push([key, value]);
  });
  expect(each).toEqual(entries);
  for (const [key, value] of entries) {
    expect(map.has(key)).toBe(true);
    expect(map.get(key)).toEqual(value);
  }
  expect(map.has(missing)).toBe(false);
  expect(map.get(missing)).toBeUndefined();
}

describe("what was solved", () => {
  it("is read as maps of volts and amps", () => {
    const solved = solveNetwork(
      net({ top: 12, ground: 0 }, ["r1", "top", "a", ohm(2)], ["r2", "a", "ground", ohm(4)]),
    );
    if (solved.kind !== "solved") throw new Error(solved.kind);
    expect(new Map(solved.volts).get(node("a"))).toBeCloseTo(8, 12);
    expect([...solved.amps].map(([id, amps]) => [id, Number(amps.toFixed(9))])).toEqual([
      ["r1", 2],
      ["r2", 2],
    ]);
    alike(solved.volts, node("nowhere"));
    alike(solved.amps, asId<ElementId>("nothing"));
  });

  it("of a circuit is read as points of its elements, from where to where", () => {
    const job = jobWith("bar-40", 1, keyed);
    const circuit = synthesise(job);
    const solved = solveCircuit(circuit, everythingOn(job, restVolts(job.vehicle)), 40);
    if (solved.kind !== "solved") throw new Error(solved.kind);
    const { at } = solved.point;
    alike(at, asId<ElementId>("nothing"));
    expect(at.size).toBe(circuit.elements.size);
    for (const [id, { from, to }] of circuit.elements) {
      const point = at.get(id)!;
      expect(point.fromV).toBe(solved.result.volts.get(from) ?? 0);
      expect(point.toV).toBe(solved.result.volts.get(to) ?? 0);
      expect(point.currentA).toBe(solved.result.amps.get(id) ?? 0);
    }
  });

  it("says which relays have pulled in, and its network as it was", () => {
    const job = jobWith("bar-40", 1, keyed, { relay: "yes" });
    const circuit = synthesise(job);
    const on = solveCircuit(circuit, everythingOn(job, restVolts(job.vehicle)), 40);
    const off = solveCircuit(
      circuit,
      { inputs: new Set(), switches: new Set(), ...restVolts(job.vehicle) },
      40,
    );
    if (on.kind !== "solved" || off.kind !== "solved") throw new Error("not solved");
    expect(on.closed.size).toBe(1);
    expect(off.closed.size).toBe(0);
    expect(on.tripped).toEqual([]);
    const again = solveNetwork(on.network);
    if (again.kind !== "solved") throw new Error(again.kind);
    for (const [id, amps] of again.amps) expect(on.result.amps.get(id)).toBeCloseTo(amps, 9);
  });
});

describe("what a design is judged by", () => {
  /** Two circuits of which the second is on only while the first's signal is off. */
  function pair(second: Condition): Job {
    const job = jobWith("pod-18", 1, allOf("key"), {}, FELLRUNNER);
    const other = {
      ...job.runs[0]!,
      id: asId<CircuitId>("other"),
      name: "Other",
      condition: second,
    };
    const lamp = { ...job.lamps[0]!, id: asId<never>("other-lamp"), runId: other.id };
    return edited({ ...job, runs: [...job.runs, other], lamps: [...job.lamps, lamp] });
  }
  const notBrake: Condition = {
    anyOf: [
      [
        { input: "key", negated: false },
        { input: "brake", negated: true },
      ],
    ],
  };
  const amps = (job: Job, runId: CircuitId): number => {
    const circuit = synthesise(job);
    const point = designPoint(job, circuit, restVolts(job.vehicle));
    const run = circuit.runs.find((r) => r.runId === runId)!;
    return point.at.get(run.branches[0]!.load)!.currentA;
  };

  it("is everything on at once", () => {
    const job = pair(allOf("key"));
    expect(job.runs.map(refusedBy)).toEqual([[], []]);
    expect(amps(job, RUN)).toBeGreaterThan(1);
    expect(amps(job, asId<CircuitId>("other"))).toBeGreaterThan(1);
    const on = everythingOn(job, restVolts(job.vehicle));
    expect(on.inputs.has("brake")).toBe(true);
    expect(on.inputs.has("switch")).toBe(false);
    expect(on.switches).toEqual(new Set(job.runs.map((run) => run.id)));
  });

  it("but for what a circuit refuses: that is judged with it off", () => {
    const job = pair(notBrake);
    const other = job.runs[1]!;
    expect(refusedBy(other)).toEqual(["brake"]);
    const alone = runOn(job, other, restVolts(job.vehicle));
    expect(alone.inputs.has("brake")).toBe(false);
    expect(alone.inputs.has("key")).toBe(true);
    expect(amps(job, RUN)).toBeGreaterThan(1);
  });
});
