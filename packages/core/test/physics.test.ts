/**
 * What every solved circuit owes to physics, whatever made it: Kirchhoff's law of
 * currents, Tellegen's theorem, and each branch its own law. Independent of how the solver got there.
 */
import {
  INPUTS,
  everythingOn,
  restVolts,
  runningVolts,
  seeded,
  solveCircuit,
  synthesise,
  tilesOf,
  type BranchModel,
  type Drawing,
  type Job,
  type NodeId,
  type Paper,
  type Position,
  type CircuitId,
} from "../src/index.ts";
import { demoJobs, manyCircuitJob } from "../src/demo/index.ts";

/** Positions of the controls: everything on at rest and running, nothing, and some by chance. */
function positionsOf(job: Job): Position[] {
  const random = seeded(job.card.title.length);
  const volts = restVolts(job.vehicle);
  const some = Array.from({ length: 6 }, (): Position => ({
    ...volts,
    inputs: new Set(INPUTS.filter((input) => input !== "switch" && random() < 0.5)),
    switches: new Set<CircuitId>(job.runs.filter(() => random() < 0.5).map((r) => r.id)),
  }));
  return [
    everythingOn(job, volts),
    everythingOn(job, runningVolts(job.vehicle)),
    { ...volts, inputs: new Set(), switches: new Set() },
    ...some,
  ];
}

/** Current that a branch's own law gives at its voltage, in A; null where a knee is rounded. */
function lawA(model: BranchModel, volts: number): number | null {
  switch (model.kind) {
    case "resistor":
      return volts / model.ohm;
    case "filament":
      // As good as cold below a hundredth of its rating: a straight line, so that zero is zero.
      if (Math.abs(volts) < model.ratedV / 100) return null;
      return Math.sign(volts) * model.ratedA * (Math.abs(volts) / model.ratedV) ** model.exponent;
    case "power":
      return volts > model.minV + 1 ? model.powerW / volts : null;
    case "source":
      return (volts - model.volts) / model.ohm;
    case "current":
    case "dies":
    case "diode":
      return null;
  }
}

/** What breaks a law, with its figures; thousands of branches are looked at, and told together. */
const breaks: string[] = [];
const owes = (what: () => string, holds: boolean): void => {
  if (!holds) breaks.push(what());
};
beforeEach(() => {
  breaks.length = 0;
});
const expectAllHold = (): void => expect(breaks).toEqual([]);

const jobs = [...demoJobs(), manyCircuitJob(8)].filter((job) => job.runs.length > 0);

describe.each(jobs.map((job) => [job.card.title, job] as const))("%s", (_, job) => {
  const circuit = synthesise(job);
  const solved = positionsOf(job).flatMap((position) => {
    const made = solveCircuit(circuit, position, 40);
    return made.kind === "solved" ? [made] : [];
  });

  it("is solved in most positions", () => {
    expect(solved.length).toBeGreaterThanOrEqual(6);
  });

  it("keeps every charge: what flows into a joint flows out of it (Kirchhoff, 1845)", () => {
    for (const { network, result } of solved) {
      const sums = new Map<NodeId, number>();
      let largest = 1e-3;
      for (const { id, from, to } of network.branches) {
        const amps = result.amps.get(id)!;
        largest = Math.max(largest, Math.abs(amps));
        sums.set(from, (sums.get(from) ?? 0) - amps);
        sums.set(to, (sums.get(to) ?? 0) + amps);
      }
      for (const [node, sum] of sums) {
        if (network.held.has(node)) continue;
        owes(() => `${node}: ${sum} A stay`, Math.abs(sum) < 1e-6 * largest + 1e-7);
      }
    }
    expectAllHold();
  });

  it("holds its posts at their voltages, and leaves no end of a branch without one", () => {
    for (const { network, result } of solved) {
      for (const [node, volts] of network.held)
        owes(() => `${node} of ${volts} V`, Math.abs(result.volts.get(node)! - volts) < 5e-10);
      for (const { id, from, to } of network.branches) {
        const [a, b] = [result.volts.get(from), result.volts.get(to)];
        owes(() => `${id}: ${a} to ${b} V`, Number.isFinite(a) && Number.isFinite(b));
      }
    }
    expectAllHold();
  });

  it("takes from its posts what its parts turn into heat and light (Tellegen, 1952)", () => {
    for (const { network, result } of solved) {
      let [taken, given] = [0, 0];
      for (const { id, from, to } of network.branches) {
        const amps = result.amps.get(id)!;
        taken += amps * (result.volts.get(from)! - result.volts.get(to)!);
        const held = (node: NodeId, out: number): void => {
          const volts = network.held.get(node);
          if (volts !== undefined) given += out * volts;
        };
        held(from, amps);
        held(to, -amps);
      }
      expect(Math.abs(taken - given)).toBeLessThan(1e-5 * Math.abs(given) + 1e-6);
    }
  });

  it("gives each wire, filament and driver the current of its own law (Ohm, 1827)", () => {
    for (const { network, result } of solved) {
      for (const { id, from, to, model } of network.branches) {
        const amps = lawA(model, result.volts.get(from)! - result.volts.get(to)!);
        if (amps === null) continue;
        const off = Math.abs(result.amps.get(id)! - amps);
        owes(() => `${id}: ${off} A off ${amps} A`, off < 1e-5 * Math.abs(amps) + 1e-6);
      }
    }
    expectAllHold();
  });

  it("never makes heat out of nothing: no wire runs uphill, no part gives power", () => {
    for (const { network, result } of solved) {
      for (const { id, from, to, model } of network.branches) {
        if (model.kind === "current" || model.kind === "source") continue;
        const watts = result.amps.get(id)! * (result.volts.get(from)! - result.volts.get(to)!);
        owes(() => `${id}: ${watts} W`, watts > -1e-6);
      }
    }
    expectAllHold();
  });

  it("stands between the voltages of its posts", () => {
    for (const { network, result } of solved) {
      const held = [...network.held.values()];
      const [low, high] = [Math.min(0, ...held), Math.max(...held)];
      for (const volts of result.volts.values()) {
        owes(() => `${volts} V of ${low} to ${high} V`, volts > low - 1e-6 && volts < high + 1e-6);
      }
    }
    expectAllHold();
  });
});

describe("a drawing over several pages", () => {
  const drawing = (widthMm: number, heightMm: number): Drawing => ({
    title: "t",
    widthMm,
    heightMm,
    items: [],
  });
  const sizes = [
    [100, 80],
    [186, 255],
    [187, 255],
    [436, 218],
    [900, 1200],
  ] as const;

  it.each(
    (["a4", "letter"] as Paper[]).flatMap((paper) => sizes.map((s) => [paper, ...s] as const)),
  )(
    "on %s, %d × %d mm: every point is on a page, neighbours show 10 mm of each other",
    (paper, widthMm, heightMm) => {
      const tiles = tilesOf(drawing(widthMm, heightMm), paper);
      for (let x = 0; x <= widthMm; x += widthMm / 23) {
        for (let y = 0; y <= heightMm; y += heightMm / 23) {
          const on = tiles.filter(
            (t) =>
              x >= t.fromXMm - 1e-9 &&
              x <= t.fromXMm + t.widthMm + 1e-9 &&
              y >= t.fromYMm - 1e-9 &&
              y <= t.fromYMm + t.heightMm + 1e-9,
          );
          expect(on.length).toBeGreaterThan(0);
        }
      }
      for (const tile of tiles) {
        const right = tiles.find((t) => t.row === tile.row && t.column === tile.column + 1);
        if (right) expect(tile.fromXMm + tile.widthMm - right.fromXMm).toBeCloseTo(10, 9);
        // No page is there for nothing.
        expect(tile.fromXMm).toBeLessThan(widthMm);
        expect(tile.fromYMm).toBeLessThan(heightMm);
      }
      expect(new Set(tiles.map((t) => `${t.row} ${t.column}`)).size).toBe(tiles.length);
    },
  );

  it("is one page where it fits", () => {
    expect(tilesOf(drawing(100, 100), "a4")).toHaveLength(1);
    expect(tilesOf(drawing(186, 100), "a4")).toHaveLength(1);
    expect(tilesOf(drawing(186.1, 100), "a4")).toHaveLength(2);
  });
});
