/** A job at a glance: what is next on it, the gravest of its findings, and the work that is left. */
import {
  STAGES,
  allOf,
  checkedCircuit,
  jobSummary,
  synthesise,
  workLeft,
  type Bond,
  type Job,
  type Reading,
  type Signature,
  type Stage,
  type TeardownStep,
  type Worked,
} from "../src/index.ts";
import { jobWith } from "./helpers.ts";

const pods = jobWith("pod-18", 2, allOf("key", "switch"));
const at = (stage: Stage, more: Partial<Job> = {}): Job => ({
  ...pods,
  ...more,
  card: { ...pods.card, stage },
});
const next = (job: Job): string => {
  const { stage, text } = jobSummary(job).next;
  return `${stage}: ${text}`;
};
const step = (name: string, state: TeardownStep["state"]): TeardownStep => ({
  ...{ id: name as TeardownStep["id"], name, catches: "", forget: "", after: [], covers: [] },
  ...{ estimateMin: 0, tookMin: 0, state, hold: false, paint: false },
});
const bond = (pressedAt: string): Bond => ({
  ...{ id: "b" as Bond["id"], what: "clips", adhesive: "foamTape", surfaceC: 20, pressedAt },
  ...{ cleaned: true, dryFitted: true, marked: true },
});
const reading = (value: number): Reading => ({
  ...{ id: "r", step: "look|off|run-1.load1", value, low: 0, high: 0.2, note: "" },
  ...{ by: "Pim", at: "2026-11-01T10:00Z" },
});
const signature = (gate: Signature["gate"]): Signature => ({
  ...{ id: `s-${gate}`, gate, name: "Ansa", reason: "", at: "2026-11-01T10:00Z" },
});

describe("what is next on a job", () => {
  it("is the first circuit, where there is none", () => {
    expect(next({ ...at("fit"), runs: [], lamps: [] })).toBe("circuit: lay out the first circuit");
  });

  it("is the finding to stop for, until it is fitted", () => {
    const wrong: Job = {
      ...pods,
      runs: pods.runs.map((run) => ({ ...run, fuse: { kind: "rating", ratingA: 30 } })),
    };
    const { severity, title } = jobSummary(wrong).worst!;
    expect(severity).toBe("stop");
    expect(next({ ...wrong, card: at("signals").card })).toBe(`circuit: put right: ${title}`);
    expect(next({ ...wrong, card: at("prove").card })).toMatch(/^prove: put the meter to it/);
  });

  it("is what each stage is there for", () => {
    for (const stage of STAGES.slice(0, 4)) expect(next(at(stage)).startsWith(stage)).toBe(true);
    expect(next(at("fit", { strip: [step("rack", "off"), step("seat", "on")] }))).toBe(
      "fit: take off: seat",
    );
    expect(next(at("fit", { bonds: [bond("")] }))).toBe("fit: stick on: clips");
    expect(next(at("fit", { bonds: [bond("2026-11-01T10:00Z")] }))).toBe(
      "fit: cut and lead the wires of 1 circuit, then prove them",
    );
    expect(next(at("prove", { readings: [reading(1)] }))).toBe(
      "prove: 1 step of the test off: find what it is",
    );
    expect(next(at("prove", { readings: [reading(0)], strip: [step("rack", "off")] }))).toBe(
      "prove: put back on: 1 panel or part",
    );
    expect(next(at("prove", { readings: [reading(0)] }))).toBe(
      "prove: read what is left, then aim",
    );
    expect(next(at("aim"))).toBe("handOver: hand it over");
    expect(next(at("handOver"))).toBe("handOver: not tested on the vehicle: do it, or sign for it");
    expect(next(at("handOver", { readings: [reading(0)] }))).toBe(
      "handOver: explain it and have it signed",
    );
    expect(next(at("handOver", { signatures: [signature("")] }))).toBe("handOver: handed over");
  });
});

describe("the gravest finding", () => {
  it("is the first that the check tells, with how many causes there are", () => {
    const { findings } = checkedCircuit(pods);
    const { worst } = jobSummary(pods);
    expect(worst === null).toBe(findings.length === 0);
    if (worst)
      expect([worst.severity, worst.title]).toEqual([findings[0]!.severity, findings[0]!.title]);
  });
});

describe("the work that is left", () => {
  const left = (job: Job) => workLeft(job, synthesise(job));
  const worked = (minutes: number): Worked => ({
    ...{ id: "w", task: "wire", minutes, by: "Pim", at: "2026-11-01T10:00Z" },
  });

  it("is all of it while it is planned, and less by stage", () => {
    const all = left(at("intake"));
    expect(left(at("signals"))).toEqual(all);
    expect(all.fitMin).toBeGreaterThan(0);
    expect(all.handOverMin).toBe(15);
    const prove = left(at("prove"));
    expect([prove.fitMin, prove.cureH]).toEqual([0, 0]);
    expect(prove.closeMin).toBe(all.closeMin);
    expect(left(at("aim")).closeMin).toBe(0);
    expect(left(at("handOver"))).toMatchObject({ aimMin: 0, handOverMin: 15 });
    expect(left(at("handOver", { signatures: [signature("")] })).handOverMin).toBe(0);
    // A gate that was signed for is no hand-over.
    expect(left(at("handOver", { signatures: [signature("tested")] })).handOverMin).toBe(15);
  });

  it("is less by what was written down for it, and never below none", () => {
    const all = left(at("fit"));
    expect(left(at("fit", { worked: [worked(10)] })).fitMin).toBeCloseTo(all.fitMin - 10, 9);
    const over = left(at("fit", { worked: [worked(1e5)] }));
    expect(over.fitMin).toBeLessThan(all.fitMin);
    expect(over.fitMin).toBeGreaterThanOrEqual(0);
  });

  it("has the hours of an adhesive that is not pressed yet, longer in the cold", () => {
    const cold = { ...bond(""), surfaceC: 10 };
    const warm = left(at("fit", { bonds: [bond("")] })).cureH;
    expect(warm).toBeGreaterThan(0);
    // Half as fast for ten degrees less.
    expect(left(at("fit", { bonds: [cold] })).cureH).toBeCloseTo(2 * warm, 9);
    expect(left(at("fit", { bonds: [bond("2026-11-01T10:00Z")] })).cureH).toBe(0);
  });
});
