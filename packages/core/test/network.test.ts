import {
  allOf,
  asId,
  solveCircuit,
  solveNetwork,
  synthesise,
  type BranchModel,
  type ElementId,
  type Input,
  type Network,
  type Position,
} from "../src/index.ts";
import { FELLRUNNER } from "../src/demo/index.ts";
import { RUN, jobWith, switchPart } from "./helpers.ts";
import { net, node, ohm } from "./net.ts";

function solved(network: Network) {
  const result = solveNetwork(network);
  if (result.kind !== "solved") throw new Error(result.kind);
  return {
    volts: (n: string): number => result.volts.get(node(n))!,
    amps: (id: string): number => result.amps.get(asId<ElementId>(id))!,
    health: result.health,
  };
}

describe("textbook networks", () => {
  it("Wheatstone bridge: balanced it carries nothing across, unbalanced what Thévenin says", () => {
    const bridge = (r4: number) =>
      solved(
        net(
          { top: 10, ground: 0 },
          ["r1", "top", "left", ohm(100)],
          ["r2", "left", "ground", ohm(200)],
          ["r3", "top", "right", ohm(150)],
          ["r4", "right", "ground", ohm(r4)],
          ["meter", "left", "right", ohm(50)],
        ),
      );
    expect(bridge(300).amps("meter")).toBeCloseTo(0, 12);
    // Thévenin by hand: 20/3 − 20/3·… with R4 = 450: Vl = 6.6667, Vr = 7.5, Rth = 66.667 + 112.5.
    const open = 10 * (200 / 300) - 10 * (450 / 600);
    const thevenin = (100 * 200) / 300 + (150 * 450) / 600;
    expect(bridge(450).amps("meter")).toBeCloseTo(open / (thevenin + 50), 9);
  });

  it("R-2R ladder halves the voltage at every rung", () => {
    const ladder = solved(
      net(
        { n0: 16, ground: 0 },
        ["s1", "n0", "n1", ohm(1000)],
        ["p1", "n1", "ground", ohm(2000)],
        ["s2", "n1", "n2", ohm(1000)],
        ["p2", "n2", "ground", ohm(2000)],
        ["s3", "n2", "n3", ohm(1000)],
        ["p3", "n3", "ground", ohm(1000)],
      ),
    );
    expect(ladder.volts("n1")).toBeCloseTo(8, 9);
    expect(ladder.volts("n2")).toBeCloseTo(4, 9);
    expect(ladder.volts("n3")).toBeCloseTo(2, 9);
  });

  it("diode and resistor meet where Shockley and Ohm agree", () => {
    const d = solved(
      net(
        { top: 12, ground: 0 },
        ["r", "top", "a", ohm(1000)],
        ["d", "a", "ground", { kind: "diode", saturationA: 1e-14, thermalV: 0.025852 }],
      ),
    );
    const v = d.volts("a");
    expect(v).toBeGreaterThan(0.6);
    expect(v).toBeLessThan(0.75);
    expect((12 - v) / 1000).toBeCloseTo(1e-14 * Math.expm1(v / 0.025852), 8);
  });

  it("a load takes most power when it matches its source", () => {
    const power = (load: number): number => {
      const s = solved(
        net({ top: 12, ground: 0 }, ["r", "top", "a", ohm(4)], ["l", "a", "ground", ohm(load)]),
      );
      return s.volts("a") * s.amps("l");
    };
    expect(power(4)).toBeCloseTo(9, 9);
    expect(power(4)).toBeGreaterThan(Math.max(power(3.9), power(4.1)));
  });

  it("a driven lamp behind a resistor settles on the upper root of its quadratic", () => {
    const s = solved(
      net(
        { top: 12, ground: 0 },
        ["r", "top", "a", ohm(0.5)],
        ["lamp", "a", "ground", { kind: "power", powerW: 40, minV: 9 }],
      ),
    );
    // V² − 12 V + 20 = 0: 10 and 2; only the upper one is stable.
    expect(s.volts("a")).toBeCloseTo(10, 6);
  });
});

describe("a part that floats but for its leaks", () => {
  /** A ladder of thick wires with loads between them, into which a pack's positive leaks. */
  const floating = (packV: number, wireOhm: number) =>
    solved(
      net(
        { pack: packV, ground: 0 },
        ["source", "b0", "a0", { kind: "source", volts: 13, ohm: wireOhm }],
        ...Array.from({ length: 40 }, (_, i) => [
          [`out${i}`, `a${i}`, `a${i + 1}`, ohm(wireOhm * (1 + i / 7))] as const,
          [`back${i}`, `b${i}`, `b${i + 1}`, ohm(wireOhm * (1 + i / 5))] as const,
          [`load${i}`, `a${i}`, `b${i}`, ohm(0.5 + i / 3)] as const,
        ]).flat(),
        ["open contact", "pack", "a40", ohm(1e8)],
        ["tie", "b0", "ground", ohm(1e8)],
      ),
    );

  it.each([
    [12, 0.01],
    [60, 0.00001],
    [400, 0.0001],
  ])("stands where its leaks sum to nothing: %s V by wires of %s Ω", (packV, wireOhm) => {
    const s = floating(packV, wireOhm);
    // What comes in by the contact goes out by the tie: the same ohms, so the two volts make up the pack's.
    expect(s.volts("a40") + s.volts("b0")).toBeCloseTo(packV, 6);
  });
});

describe("what cannot be solved is said", () => {
  const lamp: BranchModel = { kind: "power", powerW: 20, minV: 9 };

  it("an island is named in the user's words", () => {
    const result = solveNetwork(
      net({ top: 12, ground: 0 }, ["r", "top", "ground", ohm(5)], ["lost wire", "x", "y", ohm(1)]),
    );
    expect(result).toEqual({ kind: "singular", floating: ["lost wire"] });
  });

  it("driven lamps in series have no stable share", () => {
    const result = solveNetwork(
      net(
        { top: 25, ground: 0 },
        ["r", "top", "a", ohm(0.05)],
        ["first lamp", "a", "b", lamp],
        ["second lamp", "b", "ground", lamp],
      ),
    );
    expect(result).toEqual({ kind: "unstableShare", loads: ["first lamp", "second lamp"] });
  });

  it("filaments in series do", () => {
    const bulb: BranchModel = { kind: "filament", ratedA: 1.75, ratedV: 12, exponent: 0.55 };
    const s = solved(
      net({ top: 24, ground: 0 }, ["a", "top", "m", bulb], ["b", "m", "ground", bulb]),
    );
    expect(s.volts("m")).toBeCloseTo(12, 9);
  });

  it("a short between posts and a loop of nothing but wire are still answered", () => {
    const s = solved(
      net(
        { top: 12, ground: 0 },
        ["short", "top", "ground", ohm(1e-6)],
        ["w1", "top", "a", ohm(1e-6)],
        ["w2", "a", "b", ohm(1e-6)],
        ["w3", "b", "top", ohm(1e-6)],
        ["load", "b", "ground", ohm(6)],
      ),
    );
    expect(s.amps("short")).toBeCloseTo(12e6, 0);
    expect(s.amps("load")).toBeCloseTo(2, 6);
  });

  it("a thousand lamps are solved in bounded time", () => {
    const branches = Array.from({ length: 1000 }, (_, i) => [
      [`w${i}`, i === 0 ? "top" : `n${i - 1}`, `n${i}`, ohm(1e-5)] as const,
      [`l${i}`, `n${i}`, "ground", { kind: "power", powerW: 0.5, minV: 9 }] as const,
    ]).flat();
    const s = solved(net({ top: 12.6, ground: 0 }, ...branches));
    expect(s.volts("n999")).toBeLessThan(12.6);
    expect(s.health.residualA).toBeLessThan(1e-6);
  });
});

describe("circuits of jobs", () => {
  const at = (inputs: readonly Input[], on = true): Position => ({
    inputs: new Set(inputs),
    switches: new Set(on ? [RUN] : []),
    sourceV: 12.7,
    packV: 0,
  });

  function lampAmps(job: ReturnType<typeof jobWith>, position: Position): number {
    const circuit = synthesise(job);
    const result = solveCircuit(circuit, position, 40);
    if (result.kind !== "solved") throw new Error(result.kind);
    return circuit.runs[0]!.branches.reduce(
      (sum, b) => sum + result.point.at.get(b.load)!.currentA,
      0,
    );
  }

  it("light with key and switch, and with neither alone", () => {
    for (const coil of ["positive", "negative"] as const) {
      const job = jobWith("bar-40", 1, allOf("switch", "key"), { coil });
      expect(lampAmps(job, at(["key"]))).toBeGreaterThan(3);
      expect(lampAmps(job, at([]))).toBeLessThan(1e-3);
      expect(lampAmps(job, at(["key"], false))).toBeLessThan(1e-3);
    }
  });

  it("stay dark behind a coil whose diode is the wrong way round, and short its trigger", () => {
    const relayPartId = switchPart("relay-30-diode");
    const good = jobWith("bar-40", 1, allOf("switch", "key"), { relayPartId });
    const bad = jobWith("bar-40", 1, allOf("switch", "key"), { relayPartId, coilPlus: "85" });
    expect(lampAmps(good, at(["key"]))).toBeGreaterThan(3);
    expect(lampAmps(bad, at(["key"]))).toBeLessThan(1e-3);
    const circuit = synthesise(bad);
    const result = solveCircuit(circuit, at(["key"]), 40);
    if (result.kind !== "solved") throw new Error(result.kind);
    const fuse = [...circuit.elements.values()].find((e) => e.id.endsWith("coilFuse"))!;
    expect(result.point.at.get(fuse.id)!.currentA).toBeGreaterThan(10);
  });

  it("draw what a tell-tale draws with the switch off", () => {
    const job = jobWith(
      "bar-40",
      1,
      allOf("switch"),
      { switchPartId: switchPart("switch-kit-tell") },
      FELLRUNNER,
    );
    const circuit = synthesise(job);
    const result = solveCircuit(circuit, at([], false), 40);
    if (result.kind !== "solved") throw new Error(result.kind);
    const feed = result.point.at.get(circuit.runs[0]!.out[0]!)!;
    expect(feed.currentA).toBeCloseTo((0.2 * 12.7) / 12, 2);
  });
});
