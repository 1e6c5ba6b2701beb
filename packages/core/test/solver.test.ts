/** The solver where it is hard: turn-on ramps, falling currents, answers that are not unique. */
import {
  asId,
  branchCurrent,
  compile,
  conditionOf,
  solveCompiled,
  solveNetwork,
} from "../src/index.ts";
import type { BranchModel, ElementId, Network, NodeId } from "../src/index.ts";
import { chanceOf, randomNetwork } from "../src/demo/index.ts";
import { printSpice, spiceNames } from "../src/index.ts";
import { net, node, ohm } from "./net.ts";
import { ngspice } from "./ngspice.ts";

const behind = (powerW: number, minV: number, seriesOhm: number, emf: number): Network =>
  net(
    { top: emf, ground: 0 },
    ["wire", "top", "a", ohm(seriesOhm)],
    ["driver", "a", "ground", { kind: "power", powerW, minV }],
  );

describe("a driver behind too much resistance settles on its turn-on ramp", () => {
  // By hand: where the load line (E − V) / R meets the ramp from 8.1 V to P / 9 V.
  const cases: readonly (readonly [number, number, number, number])[] = [
    [40, 1.2, 8.764, 28.7],
    [18, 2.5, 8.802, 13.7],
    [120, 0.4, 8.764, 86.1],
  ];
  it.each(cases)("%s W behind %s Ω at 12.7 V: %s V", (powerW, seriesOhm, volts, watts) => {
    const result = solveNetwork(behind(powerW, 9, seriesOhm, 12.7));
    if (result.kind !== "solved") throw new Error(result.kind);
    const v = result.volts.get(node("a"))!;
    expect(v).toBeCloseTo(volts, 2);
    expect(v * result.amps.get(asId<ElementId>("driver"))!).toBeCloseTo(watts, 0);
    expect(result.health.backwardError).toBeLessThan(1e-6);
    // On the ramp: below what it runs from, and above where it is off.
    expect(v).toBeGreaterThan(8.1);
    expect(v).toBeLessThan(9);
  });

  it("just what can be given is given: E² / 4R is the most", () => {
    const most = 12.7 ** 2 / (4 * 0.8);
    const result = solveNetwork(behind(most * 0.999, 3, 0.8, 12.7));
    if (result.kind !== "solved") throw new Error(result.kind);
    expect(result.volts.get(node("a"))!).toBeGreaterThan(12.7 / 2);
    const over = solveNetwork(behind(most * 1.01, 3, 0.8, 12.7));
    if (over.kind !== "solved") throw new Error(over.kind);
    expect(over.volts.get(node("a"))!).toBeLessThan(3);
  });
});

describe("constant-current loads", () => {
  it("two unequal ones in series have one answer: the smaller decides", () => {
    const result = solveNetwork(
      net(
        { top: 12, ground: 0 },
        ["small", "top", "m", { kind: "current", currentA: 0.3 }],
        ["large", "m", "ground", { kind: "current", currentA: 0.5 }],
      ),
    );
    if (result.kind !== "solved") throw new Error(result.kind);
    expect(result.amps.get(asId<ElementId>("small"))!).toBeCloseTo(0.3, 3);
    expect(result.volts.get(node("m"))!).toBeCloseTo(0.3, 2);
  });

  it("one behind more resistance than it can have takes what there is", () => {
    const result = solveNetwork(
      net(
        { top: 12, ground: 0 },
        ["r", "top", "a", ohm(100)],
        ["load", "a", "ground", { kind: "current", currentA: 2 }],
      ),
    );
    if (result.kind !== "solved") throw new Error(result.kind);
    expect(result.amps.get(asId<ElementId>("load"))!).toBeCloseTo(12 / (100 + 0.25), 5);
  });
});

describe("a source behind a resistance", () => {
  it("is the divider that Thévenin says, and carries its current the right way", () => {
    const result = solveNetwork(
      net(
        { ground: 0 },
        ["battery", "plus", "ground", { kind: "source", volts: 12.6, ohm: 0.2 }],
        ["load", "plus", "ground", ohm(2.8)],
      ),
    );
    if (result.kind !== "solved") throw new Error(result.kind);
    expect(result.volts.get(node("plus"))!).toBeCloseTo(12.6 * (2.8 / 3), 9);
    expect(result.amps.get(asId<ElementId>("battery"))!).toBeCloseTo(-4.2, 9);
  });
});

describe("what has more than one answer", () => {
  const driver = (powerW: number): BranchModel => ({ kind: "power", powerW, minV: 9 });

  const string = (a: number, b: number) =>
    solveNetwork(
      net(
        { top: 25, ground: 0 },
        ["r", "top", "a", ohm(0.05)],
        ["first", "a", "b", driver(a)],
        ["second", "b", "ground", driver(b)],
      ),
    );

  it("like and nearly like drivers in series are told, whichever Newton would have come to", () => {
    for (const [a, b] of [
      [20, 20],
      [12, 13],
      [18, 20],
      [20, 16],
    ] as const) {
      const result = string(a, b);
      expect(result.kind).toBe("unstableShare");
      if (result.kind === "unstableShare") {
        expect([...result.loads].sort()).toEqual(["first", "second"]);
      }
    }
  });

  it("a small one in series with a large one has one answer: the large one starves", () => {
    // The small one never lets through what the large one would run on: 5 W at 9 V is 0.56 A, 30 W at 25 V 1.2 A.
    for (const [a, b] of [
      [5, 30],
      [30, 5],
    ] as const) {
      const result = string(a, b);
      if (result.kind !== "solved") throw new Error(result.kind);
      const volts = [25 - result.volts.get(node("b"))!, result.volts.get(node("b"))!];
      const [small, large] = a < b ? volts : [volts[1]!, volts[0]!];
      expect(small).toBeGreaterThan(15);
      expect(large).toBeLessThan(9);
    }
  });

  it("one driver that could also hang on its ramp is told as it comes up: running", () => {
    // Above its turn-on the load line meets the hyperbola twice: only the upper point is one it works in.
    const result = solveNetwork(behind(40, 5, 0.85, 12.7));
    if (result.kind !== "solved") throw new Error(result.kind);
    const v = result.volts.get(node("a"))!;
    expect(v).toBeCloseTo((12.7 + Math.sqrt(12.7 ** 2 - 4 * 0.85 * 40)) / 2, 6);
  });
});

/** Resistors in a row are no chain: each node has its place in the matrix. */
const BY_THEMSELVES = new Set([0, 1, 2]);

describe("health", () => {
  it("reciprocal condition: 1 for one resistor, small for micro-ohms beside megohms", () => {
    const even = compile(
      net({ top: 1, ground: 0 }, ["r", "top", "a", ohm(1)], ["s", "a", "ground", ohm(1)]),
      BY_THEMSELVES,
    );
    expect(solveCompiled(even).kind).toBe("solved");
    expect(conditionOf(even)).toBeCloseTo(1, 12);
    const odd = compile(
      net(
        { top: 1, ground: 0 },
        ["r", "top", "a", ohm(1e-6)],
        ["s", "a", "b", ohm(1e8)],
        ["t", "b", "ground", ohm(1e8)],
      ),
      BY_THEMSELVES,
    );
    expect(solveCompiled(odd).kind).toBe("solved");
    // By hand: ‖A‖ is 1e6, ‖A⁻¹‖ half of 1e8.
    expect(conditionOf(odd) / 2e-14).toBeCloseTo(1, 1);
  });

  it("the singular part that is named is the one whose column failed", () => {
    const result = solveNetwork(
      net(
        { top: 12, ground: 0 },
        ["good wire", "top", "a", ohm(1)],
        ["good lamp", "a", "ground", ohm(6)],
        ["cold tie", "top", "b", { kind: "resistor", ohm: Infinity }],
      ),
    );
    expect(result).toEqual({ kind: "singular", floating: ["cold tie"] });
  });
});

describe("networks by chance, of everything the solver knows", () => {
  const MANY = 3000;

  it(`answers every one of ${MANY}, with currents that balance`, () => {
    const out = new Float64Array(2);
    let shares = 0;
    for (let seed = 1; seed <= MANY; seed += 1) {
      const network = randomNetwork(chanceOf(seed));
      const result = solveNetwork(network);
      if (result.kind === "unstableShare") {
        shares += 1;
        continue;
      }
      if (result.kind !== "solved") throw new Error(`seed ${seed}: ${result.kind}`);
      // Kirchhoff's current law by the branches' own law, node by node.
      const sums = new Map<NodeId, number>();
      const meets = new Map<NodeId, number>();
      for (const b of network.branches) {
        branchCurrent(b.model, result.volts.get(b.from)! - result.volts.get(b.to)!, out);
        for (const [at, sign] of [
          [b.from, 1],
          [b.to, -1],
        ] as const) {
          sums.set(at, (sums.get(at) ?? 0) + sign * out[0]!);
          meets.set(at, (meets.get(at) ?? 0) + Math.abs(out[0]!));
        }
      }
      for (const [at, sum] of sums) {
        if (network.held.has(at)) continue;
        const allowed = 1e-6 * meets.get(at)! + 1e-9;
        if (!(Math.abs(sum) <= allowed)) throw new Error(`seed ${seed}, ${at}: ${sum} A too much`);
      }
    }
    // Only where drivers really share a voltage in series, as a few of these do.
    expect(shares).toBeLessThan(5);
  });

  it("agrees with ngspice on a hundred of them", () => {
    let compared = 0;
    for (let seed = 20001; seed <= 20100; seed += 1) {
      const network = randomNetwork(chanceOf(seed));
      const result = solveNetwork(network);
      if (result.kind !== "solved") continue;
      const names = spiceNames(network);
      // Begun at our answer: where a network has several ngspice must hold this one too.
      const start = [...names]
        .filter(([, name]) => name !== "0")
        .map(([at, name]) => `V(${name})=${result.volts.get(at)!.toExponential(9)}`);
      const deck = printSpice(network, `seed ${seed}`).replace(
        ".op\n",
        `.nodeset ${start.join(" ")}\n.op\n`,
      );
      const theirs = ngspice(deck);
      for (const [at, name] of names) {
        if (name === "0") continue;
        const [mine, spice] = [result.volts.get(at)!, theirs.get(name)!];
        if (!(Math.abs(mine - spice) <= Math.max(1e-3, 1e-3 * Math.abs(spice)))) {
          throw new Error(`seed ${seed}, ${name}: ${mine} V here, ${spice} V in ngspice`);
        }
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(500);
  });
});
