/** Rules beside each other: what they say together, of what a person set, and of bounds. */
/**
 * Every rule on the smallest job that breaks it, and silent on its sound twin. What a rule
 * says is a fact of the trade unless its own file names a source.
 */
import {
  RULES,
  allOf,
  measured,
  pinFuse,
  pinWire,
  setCircuit,
  setSupply,
  stated,
  type Edit,
  type Finding,
  type Job,
  type CircuitId,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";
import { jobThat, withLedger, barAndPods } from "./jobs.ts";
import { behind, edited, findingsOf, jobWith, mend, rulesOf, RUN, SUPPLY } from "./helpers.ts";

const keyed = allOf("switch", "key");

const found = (job: Job, rule: string): Finding => {
  const finding = findingsOf(job).find((f) => f.rule === rule);
  if (!finding) throw new Error(`${rule} found nothing`);
  return finding;
};

const set = (entity: string, id: string, field: string, value: unknown): Edit =>
  ({ kind: "set", entity, id, field, value }) as Edit;

describe("rules together", () => {
  it("each have an id of their own and a source", () => {
    expect(new Set(RULES.map((r) => r.id)).size).toBe(RULES.length);
    for (const rule of RULES) {
      expect(rule.id).toMatch(/^[a-z]+(-[a-z]+)*$/);
      expect(rule.source).not.toBe("");
    }
  });

  it("find nothing to stop for in the demo jobs that were planned rightly", () => {
    const horns = jobThat((job) => job.runs.some((run) => run.id === "horns"));
    const mower = jobThat((job) => job.vehicle.kind === "mower" && job.bonds.length > 0);
    for (const job of [barAndPods(), withLedger(), mower, horns]) {
      const { title } = job.card;
      expect({ title, stops: rulesOf(job, "stop") }).toEqual({ title, stops: [] });
    }
  });

  it("offer no remedy that the document refuses, in any demo job", () => {
    for (const job of demoJobs()) {
      for (const finding of findingsOf(job)) {
        for (const remedy of finding.remedies) {
          expect(remedy.label).not.toBe("");
          expect(() => edited(job, ...remedy.edits)).not.toThrow();
        }
      }
    }
  });

  it("never make something worse with a remedy: as many stops or fewer after it", () => {
    for (const job of demoJobs()) {
      const before = rulesOf(job, "stop").length;
      for (const finding of findingsOf(job).filter((f) => f.severity === "stop")) {
        for (const remedy of finding.remedies) {
          const after = rulesOf(edited(job, ...remedy.edits), "stop").length;
          expect({ job: job.card.title, remedy: remedy.label, worse: after > before }).toEqual({
            job: job.card.title,
            remedy: remedy.label,
            worse: false,
          });
        }
      }
    }
  });

  it("tell each finding's place by a run that is there, or by words alone", () => {
    for (const job of demoJobs()) {
      const owners = new Set<string>([
        ...job.runs.map((r) => r.id),
        ...job.supplies.map((s) => s.id),
        ...job.controls.map((c) => c.id),
      ]);
      for (const { place, rule } of findingsOf(job)) {
        if (place.runId === null) expect(place.words).not.toBe("");
        else expect({ rule, there: owners.has(place.runId) }).toEqual({ rule, there: true });
      }
    }
  });
});

describe("pins that a person sets", () => {
  const bar = jobWith("bar-40", 1, keyed);

  it("stand, and are judged rather than changed", () => {
    const pinned = edited(
      bar,
      pinFuse(RUN, { kind: "rating", ratingA: 30 }),
      pinWire(RUN, "20 AWG"),
    );
    expect(pinned.runs[0]!.fuse).toEqual({ kind: "rating", ratingA: 30 });
    expect(rulesOf(pinned, "stop")).toContain("fuse-above-weakest");
    expect(found(pinned, "fuse-above-weakest").title).toContain("30 A");
  });

  it("are let go one by one by the remedies until nothing is left to stop for", () => {
    let job = edited(bar, pinFuse(RUN, { kind: "rating", ratingA: 30 }), pinWire(RUN, "22 AWG"));
    for (let i = 0; i < 6 && rulesOf(job, "stop").length > 0; i += 1) {
      job = mend(job, rulesOf(job, "stop")[0]!);
    }
    expect(rulesOf(job, "stop")).toEqual([]);
  });

  it("of a run that is gone are refused with its name", () => {
    expect(() => edited(bar, pinFuse("ghost" as CircuitId, { kind: "auto" }))).toThrow(/ghost/);
  });
});

describe("figures of findings", () => {
  it("grow with the cause: twice the lamps, about twice the draw", () => {
    const draw = (count: number): number => {
      const job = jobWith("bar-120", count, keyed, { fuse: { kind: "rating", ratingA: 2 } });
      return parseFloat(found(job, "fuse-below-draw").figures[0]!.value);
    };
    expect(draw(2) / draw(1)).toBeCloseTo(2, 1);
    expect(draw(3) / draw(1)).toBeCloseTo(3, 1);
  });

  it("drop goes with the length, by Ohm's law", () => {
    const drop = (m: number): number => {
      const job = jobWith("bar-120", 1, keyed, {
        wire: "18 AWG",
        loadM: measured(m),
        feedM: measured(0.1),
        branchM: measured(0.1),
        fuse: { kind: "rating", ratingA: 15 },
      });
      return parseFloat(found(job, "drop-over-target").figures[0]!.value);
    };
    const [two, four, six] = [drop(2), drop(4), drop(6)];
    // A lamp with a driver draws more as its volts fall: a little over linear, never under.
    expect(six - four).toBeGreaterThanOrEqual((four - two) * 0.98);
    expect(six - four).toBeLessThan((four - two) * 1.6);
  });

  it("days parked go as one over the current that is left on", () => {
    const days = (amps: number): number => {
      const job = edited(
        jobWith("path-red", 1, keyed),
        set("baseLoad", "clock", "currentA", measured(amps)),
        set("baseLoad", "clock", "parked", 1),
      );
      const text = found(job, "parked-draw").title;
      const [low, high] = text.match(/[\d.]+/g)!.map(Number) as [number, number?];
      return high === undefined ? low : (low + high) / 2;
    };
    expect(days(0.1) / days(0.2)).toBeCloseTo(2, 0);
  });
});

describe("a supply's own feed", () => {
  it("on the key needs a wire that is live with the key", () => {
    const job = behind("converter-60-12", "path-red", 2);
    const keyedSupply = edited(job, setSupply(SUPPLY, "gate", "key"));
    const bare = {
      ...keyedSupply,
      vehicle: { ...keyedSupply.vehicle, pins: [], connectors: [] },
    };
    const rules = rulesOf(bare);
    expect(rules).toContain("not-buildable");
    expect(rulesOf(keyedSupply, "stop")).toEqual([]);
  });

  it("is told with its idle current while it is never off", () => {
    const always = edited(
      behind("converter-60-12", "path-red", 2),
      setSupply(SUPPLY, "gate", "always"),
    );
    const idle = findingsOf(always).filter((f) => /mA/.test(JSON.stringify(f.figures)));
    expect(idle.length).toBeGreaterThan(0);
  });
});

describe("bounds", () => {
  it("a fact known better never makes a verdict less sure", () => {
    const wide = jobWith("bar-120", 1, keyed, { loadM: { ...stated(2), low: 0.5, high: 6 } });
    const narrow = edited(wide, setCircuit(RUN, "loadM", measured(2)));
    const notes = (job: Job): number =>
      findingsOf(job).filter((f) => f.rule === "drop-over-target").length;
    expect(notes(narrow)).toBeLessThanOrEqual(notes(wide));
  });
});
