/** Cut list, spools and bundles. */
import fc from "fast-check";
import {
  asId,
  ENDS_M,
  SPARE_M,
  SLACK_SHARE,
  bundleDiameterM,
  cutFromSpools,
  cutListCsv,
  cutListOf,
  nextSizeMm,
  synthesise,
  wireDiameterM,
  type UnitId,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";

/** Fewest spools by brute force: every way to part pieces among spools. */
function fewest(lengths: readonly number[], spool: number): number {
  let best = lengths.length;
  const rooms: number[] = [];
  const place = (k: number): void => {
    if (rooms.length >= best) return;
    if (k === lengths.length) {
      best = rooms.length;
      return;
    }
    for (let s = 0; s < rooms.length; s += 1) {
      if (rooms[s]! + 1e-9 < lengths[k]!) continue;
      rooms[s]! -= lengths[k]!;
      place(k + 1);
      rooms[s]! += lengths[k]!;
    }
    rooms.push(spool - lengths[k]!);
    place(k + 1);
    rooms.pop();
  };
  place(0);
  return best;
}

describe("cutting from spools", () => {
  const pieces = fc.array(fc.integer({ min: 1, max: 100 }), { minLength: 1, maxLength: 8 });

  it("needs as few spools as a brute-force optimum, and each piece is cut once", () => {
    fc.assert(
      fc.property(pieces, (tenths) => {
        const lengths = tenths.map((t) => t / 10);
        const plan = cutFromSpools(lengths, 10);
        expect(plan.spools).toHaveLength(fewest(lengths, 10));
        expect(plan.exact).toBe(true);
        expect(plan.spools.flat().sort((a, b) => a - b)).toEqual(lengths.map((_, i) => i));
        for (const left of plan.offCutM) expect(left).toBeGreaterThanOrEqual(-1e-9);
      }),
      { seed: 4, numRuns: 200 },
    );
  });

  it("opens no spool that it could do without on many pieces, and reports the least", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 13, maxLength: 60 }),
        (tenths) => {
          const plan = cutFromSpools(
            tenths.map((t) => t / 10),
            10,
          );
          expect(plan.spools.length).toBeGreaterThanOrEqual(plan.leastSpools);
          // No two spools that were opened would go on one: the mark of a first-fit plan.
          const used = plan.offCutM.map((left) => 10 - left);
          used.forEach((a, i) => {
            for (const b of used.slice(i + 1)) expect(a + b).toBeGreaterThan(10 - 1e-9);
          });
        },
      ),
      { seed: 5 },
    );
  });

  it("refuses a piece longer than a spool, with both lengths", () => {
    expect(() => cutFromSpools([3, 11], 10)).toThrow("invalid piece: 11 m (a spool holds 10 m)");
    expect(cutFromSpools([], 10).spools).toEqual([]);
  });
});

describe("bundles", () => {
  it("one wire alone is itself and room around it; four are twice as thick as one", () => {
    const one = bundleDiameterM(["18 AWG"]);
    expect(one).toBeCloseTo(1.2 * wireDiameterM("18 AWG"), 12);
    expect(bundleDiameterM(Array.from({ length: 4 }, () => "18 AWG"))).toBeCloseTo(2 * one, 12);
  });

  it("wire is near its catalogue diameter: 18 AWG thin wall about 1.8 to 2.2 mm (m)", () => {
    expect(wireDiameterM("18 AWG") * 1000).toBeGreaterThan(1.6);
    expect(wireDiameterM("18 AWG") * 1000).toBeLessThan(2.3);
  });

  it("take the next sleeve up, and none beyond the largest", () => {
    expect(nextSizeMm(0.0061)).toBe(8);
    expect(nextSizeMm(0.006)).toBe(6);
    expect(nextSizeMm(0.05)).toBeNull();
  });
});

describe("the cut list", () => {
  it("has every wire of every demo job once, longer than routed, with what goes on its ends", () => {
    for (const job of demoJobs()) {
      const circuit = synthesise(job);
      const list = cutListOf(job, circuit);
      const cut = [...circuit.elements.values()].filter(
        (e) => e.kind === "wire" && e.harness === "",
      );
      expect(list.lines).toHaveLength(cut.length);
      for (const line of list.lines) {
        const kinds = [line.from, line.to].map(
          (end) => circuit.units.get(asId<UnitId>(end.unit))?.kind,
        );
        const atBattery = kinds.some((kind) => kind === "battery" || kind === "pack");
        const spare = atBattery && job.practices.slack === "spare" ? SPARE_M : 0;
        const least = line.routedM * (1 + SLACK_SHARE) + ENDS_M + spare;
        expect(line.cutM).toBeGreaterThanOrEqual(least - 1e-9);
        expect(line.cutM).toBeLessThan(least + 0.01);
        expect(line.from.terminal).not.toBe("");
      }
      const labels = list.spools.flatMap((s) => s.cuts.flat()).sort();
      expect(labels).toEqual(list.lines.map((l) => l.label).sort());
      expect(cutListCsv(list).trim().split("\n")).toHaveLength(
        list.lines.length + list.readyMade.length + 1,
      );
    }
  });
});
