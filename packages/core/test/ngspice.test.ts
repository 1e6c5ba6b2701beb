/**
 * Outside check: ngspice (Debian package) solves the exported deck, and every node voltage
 * must agree within 1 mV or 0.1 %.
 */
import fc from "fast-check";
import {
  asId,
  everythingOn,
  printSpice,
  restVolts,
  solveCircuit,
  solveNetwork,
  spiceNames,
  synthesise,
  type BranchModel,
  type Circuit,
  type ElementId,
  type Network,
  type NodeId,
} from "../src/index.ts";
import { demoJobs, manyCircuitJob } from "../src/demo/index.ts";
import { ngspice } from "./ngspice.ts";

/**
 * Every node within 1 mV or 0.1 %. A part that floats but for a leak of 100 MΩ is compared by
 * the voltages between its own nodes: what it has against ground is its rounding seen
 * through that leak, in both programs.
 */
function expectAgreement(
  network: Network,
  volts: ReadonlyMap<NodeId, number>,
  floating: readonly NodeId[] = [],
): number {
  const theirs = ngspice(printSpice(network, "check"));
  const names = spiceNames(network);
  const offsets = floating.map((node) => theirs.get(names.get(node)!)! - volts.get(node)!);
  for (const offset of offsets) expect(Math.abs(offset)).toBeLessThan(0.02);
  let compared = 0;
  for (const [node, name] of names) {
    if (name === "0") continue;
    const [mine, spice] = [volts.get(node)!, theirs.get(name)!];
    const allowed = Math.max(1e-3, 1e-3 * Math.abs(spice));
    if (![0, ...offsets].some((offset) => Math.abs(mine + offset - spice) <= allowed)) {
      throw new Error(`${name}: ${mine} V here, ${spice} V in ngspice`);
    }
    compared += 1;
  }
  return compared;
}

/** Negatives that only a leak ties to the vehicle's own. */
const floatingIn = (circuit: Circuit): NodeId[] =>
  [...circuit.elements.values()].flatMap((e) => {
    if (e.kind === "converter" && e.part.isolated) return [e.outNeg];
    return e.kind === "battery" ? [e.from] : [];
  });

describe("against ngspice", () => {
  const jobs = [...demoJobs().filter((j) => j.runs.length > 0), manyCircuitJob(13)];

  it.each(jobs.map((job) => [job.card.title, job] as const))("%s, all on and all off", (_, job) => {
    const circuit = synthesise(job);
    for (const on of [true, false]) {
      const position = everythingOn(job, restVolts(job.vehicle));
      const state = on
        ? position
        : { ...position, inputs: new Set<never>(), switches: new Set<never>() };
      const solved = solveCircuit(circuit, state, 40);
      if (solved.kind !== "solved") throw new Error(solved.kind);
      expect(
        expectAgreement(solved.network, solved.result.volts, floatingIn(circuit)),
      ).toBeGreaterThan(5);
    }
  });

  const ground = asId<NodeId>("ground");
  const top = asId<NodeId>("top");

  /** Random networks of everything the solver knows, tied together by resistors. */
  const model = fc.oneof(
    fc
      .double({ min: 0.01, max: 500, noNaN: true })
      .map((o): BranchModel => ({ kind: "resistor", ohm: o })),
    fc
      .double({ min: 1, max: 30, noNaN: true })
      .map((w): BranchModel => ({ kind: "power", powerW: w, minV: 6 })),
    fc
      .double({ min: 0.2, max: 3, noNaN: true })
      .map((a): BranchModel => ({ kind: "filament", ratedA: a, ratedV: 12, exponent: 0.55 })),
    fc
      .double({ min: 0.05, max: 2, noNaN: true })
      .map((a): BranchModel => ({ kind: "current", currentA: a })),
    fc
      .double({ min: 2, max: 60, noNaN: true })
      .map((o): BranchModel => ({ kind: "dies", forwardV: 8.4, ohm: o })),
    fc.constant<BranchModel>({ kind: "diode", saturationA: 1e-12, thermalV: 0.03 }),
  );
  const networks = fc
    .array(fc.tuple(fc.double({ min: 0.02, max: 0.3, noNaN: true }), model), {
      minLength: 2,
      maxLength: 12,
    })
    .map((rungs): Network => {
      const branches = rungs.flatMap(([ohm, load], i) => {
        const at = asId<NodeId>(`n${i}`);
        const before = i === 0 ? top : asId<NodeId>(`n${i - 1}`);
        const wire: BranchModel = { kind: "resistor", ohm };
        return [
          { id: asId<ElementId>(`w${i}`), from: before, to: at, model: wire, words: `wire ${i}` },
          { id: asId<ElementId>(`l${i}`), from: at, to: ground, model: load, words: `load ${i}` },
        ];
      });
      return {
        branches,
        held: new Map([
          [ground, 0],
          [top, 13.2],
        ]),
      };
    });

  it("seeded random ladders, where there is a stable point at all", () => {
    let compared = 0;
    fc.assert(
      fc.property(networks, (network) => {
        const result = solveNetwork(network);
        // An overloaded ladder has no point with its lamps on; that is said, not compared.
        if (result.kind !== "solved") return;
        compared += expectAgreement(network, result.volts);
      }),
      { seed: 5, numRuns: 40 },
    );
    expect(compared).toBeGreaterThan(60);
  });
});
