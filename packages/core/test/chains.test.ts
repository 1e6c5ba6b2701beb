/** Resistors in a row are one to the solver: what it finds is what it finds of each by itself. */
import fc from "fast-check";
import {
  allOf,
  asId,
  compile,
  everythingOn,
  faults,
  hold,
  putLaw,
  solveCircuit,
  solveCompiled,
  solveNetwork,
  synthesise,
  type ElementId,
  type Network,
} from "../src/index.ts";
import { chanceOf, demoJobs, randomNetwork } from "../src/demo/index.ts";
import { chainsOf } from "../src/network/engine/chains.ts";
import { jobWith } from "./helpers.ts";
import { net, node, ohm, solved } from "./net.ts";

const all = (network: Network): Uint8Array =>
  Uint8Array.from(network.branches, ({ model }) => (model.kind === "resistor" ? 1 : 0));

const told = (network: Network) =>
  chainsOf(network, all(network)).map(({ members, along, between, from, to }) => ({
    ...{ members: [...members], along: [...along], between: [...between], ends: [from, to] },
  }));

describe("chains", () => {
  it("go from where a source is to where wires part, whichever way their branches lie", () => {
    const network = net(
      { top: 12, ground: 0 },
      ["wire", "top", "a", ohm(1)],
      ["fuse", "b", "a", ohm(2)],
      ["contact", "b", "c", ohm(3)],
      ["left", "c", "ground", ohm(10)],
      ["right", "ground", "c", ohm(10)],
    );
    const [chain, ...others] = told(network);
    expect(others).toEqual([]);
    const forwards = chain!.members[0] === 0;
    expect(forwards ? chain!.members : chain!.members.toReversed()).toEqual([0, 1, 2]);
    expect(forwards ? chain!.along : chain!.along.toReversed().map((way) => -way)).toEqual([
      1, -1, 1,
    ]);
    expect([...chain!.between].sort()).toEqual(["a", "b"]);
    expect([...chain!.ends].sort()).toEqual(["c", "top"]);
    const compiled = compile(network);
    expect([compiled.size, compiled.from.length]).toEqual([1, 3]);
    // By hand: 12 V over 6 + 5 Ω.
    const result = solved(solveCompiled(compiled));
    expect(result.volts.get(node("a"))).toBeCloseTo(12 - 12 / 11, 12);
    expect(result.volts.get(node("b"))).toBeCloseTo(12 - 36 / 11, 12);
    expect(result.amps.get(asId<ElementId>("wire"))).toBeCloseTo(12 / 11, 12);
    expect(result.amps.get(asId<ElementId>("fuse"))).toBeCloseTo(-12 / 11, 12);
    expect(result.amps.get(asId<ElementId>("right"))).toBeCloseTo(-6 / 11, 12);
  });

  it("end where more than two meet, where a voltage is held, and at what is no resistor", () => {
    const lamp = { kind: "power", powerW: 10, minV: 5 } as const;
    const network = net(
      { top: 12, middle: 6, ground: 0 },
      ["a", "top", "1", ohm(1)],
      ["b", "1", "middle", ohm(1)],
      ["c", "middle", "2", ohm(1)],
      ["d", "2", "3", ohm(1)],
      ["e", "3", "ground", lamp],
    );
    expect(told(network).map(({ members }) => [...members].sort())).toEqual([
      [0, 1],
      [2, 3],
    ]);
    expect(told(network).flatMap(({ between }) => between)).toEqual(["1", "2"]);
  });

  it("that come back to where they began carry nothing, and a ring by itself is floating", () => {
    const loop = net(
      { top: 12, ground: 0 },
      ["up", "top", "a", ohm(1)],
      ["one", "a", "b", ohm(1)],
      ["two", "b", "c", ohm(1)],
      ["three", "c", "a", ohm(1)],
      ["down", "a", "ground", ohm(1)],
    );
    const result = solved(solveNetwork(loop));
    for (const at of ["a", "b", "c"]) expect(result.volts.get(node(at))).toBeCloseTo(6, 12);
    expect(result.amps.get(asId<ElementId>("two"))).toBeCloseTo(0, 12);
    const ring = net(
      { top: 12, ground: 0 },
      ["load", "top", "ground", ohm(1)],
      ["one", "a", "b", ohm(1)],
      ["two", "b", "c", ohm(1)],
      ["three", "c", "a", ohm(1)],
    );
    expect(told(ring)).toHaveLength(1);
    expect(solveNetwork(ring)).toEqual({ kind: "singular", floating: ["one", "two", "three"] });
    const self = net({ top: 1, ground: 0 }, ["s", "x", "x", ohm(1)], ["t", "x", "top", ohm(1)]);
    expect(told(self)).toEqual([]);
  });

  it("of all of a network leave nothing to solve, and what is within them is told all the same", () => {
    const compiled = compile(
      net({ top: 9, ground: 0 }, ["r", "top", "a", ohm(1)], ["s", "a", "ground", ohm(2)]),
    );
    expect(compiled.size).toBe(0);
    const atA = () => solved(solveCompiled(compiled)).volts.get(node("a"));
    expect(atA()).toBeCloseTo(6, 12);
    putLaw(compiled, 1, ohm(8));
    hold(compiled, node("top"), 18);
    expect(atA()).toBeCloseTo(16, 12);
    putLaw(compiled, 1, { kind: "current", currentA: 1 });
    expect(compiled.outgrown).toEqual([1]);
  });

  it("are solved again without a change of what was found before: an answer keeps its own numbers", () => {
    const compiled = compile(
      net(
        { top: 12, ground: 0 },
        ["wire", "top", "a", ohm(1)],
        ["left", "a", "ground", ohm(2)],
        ["right", "a", "ground", ohm(2)],
      ),
    );
    const before = solved(solveCompiled(compiled));
    hold(compiled, node("top"), 6);
    const after = solved(solveCompiled(compiled));
    expect(before.volts.get(node("a"))).toBeCloseTo(6, 12);
    expect(after.volts.get(node("a"))).toBeCloseTo(3, 12);
    expect(before.amps.get(asId<ElementId>("left"))).toBeCloseTo(3, 12);
  });

  it("change nothing of what is found, in networks by chance", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seed) => {
        const network = randomNetwork(chanceOf(seed));
        const joined = solveNetwork(network);
        const apart = solveCompiled(compile(network, new Set(network.branches.keys())));
        expect(joined.kind).toBe(apart.kind);
        if (joined.kind !== "solved" || apart.kind !== "solved") return;
        const meeting = Math.max(...[...apart.amps.values()].map(Math.abs), 1e-6);
        const offV = [...apart.volts].filter(
          ([at, volts]) => !(Math.abs(joined.volts.get(at)! - volts) < 1e-6),
        );
        const offA = network.branches.filter(
          ({ id }) => !(Math.abs(joined.amps.get(id)! - apart.amps.get(id)!) / meeting < 1e-6),
        );
        expect([offV, offA]).toEqual([[], []]);
      }),
      { numRuns: 400 },
    );
  });
});

describe("a branch that outgrows its chain", () => {
  it("goes by itself from then on: a converter that comes on, a fault that makes a lamp a wire", () => {
    const job = demoJobs().find(({ supplies }) => supplies.length > 0)!;
    const circuit = synthesise(job);
    const position = everythingOn(job, { sourceV: 12.7, packV: 48 });
    const first = solveCircuit(circuit, position, 40);
    const again = solveCircuit(circuit, position, 40);
    expect(first.kind).toBe("solved");
    if (first.kind !== "solved" || again.kind !== "solved") return;
    for (const [at, volts] of first.result.volts) expect(again.result.volts.get(at)).toBe(volts);
    // Faults of one shape serve each other: a short is a resistor where a lamp was none.
    const lamps = jobWith("pod-18", 2, allOf("high"));
    const told = faults(lamps, synthesise(lamps))!;
    expect(told.length).toBeGreaterThan(20);
    expect(faults(lamps, synthesise({ ...lamps }))).toEqual(told);
  });
});
