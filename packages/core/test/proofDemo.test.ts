/** The proof over many jobs: of the demo, of chance, of conditions of every shape. */
import fc from "fast-check";
import { faults, provenJob, synthesise, type Input, type Job } from "../src/index.ts";
import { chanceOf, demoJobs, randomJob } from "../src/demo/index.ts";
import { jobWith, mend, rulesOf } from "./helpers.ts";
import { jobThat } from "./jobs.ts";

const proofOf = (job: Job) => provenJob(job)!;

/** Demo jobs that came in wired wrongly, by somebody else. */
const isWrong = (job: Job): boolean =>
  rulesOf(job, "stop").some((rule) =>
    ["wired-otherwise", "coil-diode-reversed", "poles-too-few", "body-ground"].includes(rule),
  );

describe("wirings that are wrong by what was planned or bought", () => {
  /** Not by a deviation. */
  const against = (rule: string) => {
    const job = jobThat((j) => j.deviations.length === 0 && rulesOf(j, "stop").includes(rule));
    return { job, differences: proofOf(job).differences };
  };

  it("a coil diode the wrong way round is named by its rule and by the proof", () => {
    const { job, differences } = against("coil-diode-reversed");
    expect(differences.map((d) => d.kind)).toEqual(["staysDark", "staysDark"]);
    expect(rulesOf(job, "stop")).toEqual(["coil-diode-reversed"]);
    expect(differences[0]?.cause?.words).toContain("coil diode the wrong way round");
  });

  it("a kit's hazard switch with one pole: a left turn lights both sides, and two poles mend it", () => {
    const { job, differences } = against("poles-too-few");
    const left = differences.find((d) => d.inputs.includes("left"))!;
    expect(left).toMatchObject({ kind: "lightsUnasked", runId: "right", inputs: ["key", "left"] });
    expect(left.cause?.remedy).toBe("Fit a switch with 2 poles");
    expect(proofOf(mend(job, "poles-too-few")).differences).toEqual([]);
  });

  it("a hub that switches ground cannot turn off a lamp that its body grounds", () => {
    const { job, differences } = against("body-ground");
    expect(differences.map((d) => [d.kind, d.runId, d.inputs, d.switches])).toEqual([
      ["lightsUnasked", "pods", [], []],
      ["lightsUnasked", "pods", [], []],
    ]);
    expect(differences[0]?.cause?.words).toContain("cannot turn this lamp off");
    expect(proofOf(mend(job, "body-ground")).differences).toEqual([]);
  });

  it("are gone when they are put right, and the circuit with them", () => {
    for (const job of demoJobs().filter((j) => j.deviations.length > 0)) {
      const mended = mend(job, "wired-otherwise");
      expect(proofOf(mended).differences).toEqual([]);
      expect(rulesOf(mended, "stop")).toEqual([]);
      expect(synthesise(job)).not.toEqual(synthesise(mended));
    }
  });
});

describe("the proof", () => {
  it("finds nothing wrong with the demo jobs that are wired as planned, whatever is pressed", () => {
    for (const job of demoJobs().filter((j) => j.runs.length > 0 && !isWrong(j))) {
      const proof = proofOf(job);
      expect(proof.differences.map((d) => d.words)).toEqual([]);
      expect(proof.positions).toBeGreaterThanOrEqual(2);
      expect(proof.lamps).toBe(job.lamps.length);
    }
  });

  // The proof and the synthesis know nothing of each other: whatever condition is asked,
  // the circuit made of it must do that and nothing else.
  it("holds for any condition that can be wired", () => {
    const input = fc.constantFrom<Input>("key", "park", "low", "high", "brake", "switch");
    const term = fc
      .tuple(input, fc.boolean())
      .map(([i, negated]) => ({ input: i, negated: negated && i !== "switch" }));
    const condition = fc
      .array(fc.array(term, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 3 })
      .map((anyOf) => ({ anyOf }));
    fc.assert(
      fc.property(condition, (on) => {
        const job = jobWith("pod-18", 1, on);
        expect(synthesise(job).gaps).toEqual([]);
        expect(proofOf(job).differences.map((d) => d.words)).toEqual([]);
      }),
      { seed: 7, numRuns: 60 },
    );
  });
});

describe("what a run is proven and broken with", () => {
  // A plug's ground is the vehicle's: a run by itself has it, whoever came to it first.
  it("holds everything that it hangs on, so that its faults have a solution", () => {
    let tried = 0;
    let unsolved = 0;
    let chatters = 0;
    for (let i = 1; i <= 40; i += 1) {
      const job = randomJob(chanceOf(1000 + i));
      const found = faults(job, synthesise(job))!;
      tried += found.length;
      unsolved += found.filter((f) => f.outcome === "unsolved").length;
      chatters += found.filter((f) => f.outcome === "chatters").length;
    }
    expect(tried).toBeGreaterThan(3000);
    expect(unsolved / tried).toBeLessThan(0.003);
    // A relay that pulls in and lets go on a bad joint does just that.
    expect(chatters).toBeGreaterThan(0);
  });
});
