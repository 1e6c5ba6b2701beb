/** Findings by their cause, and ways out that make the whole job better. */
import {
  allOf,
  applyEdits,
  checkedCircuit,
  groupFindings,
  jobSummary,
  planJob,
  setCircuit,
  soundRemedies,
  type Finding,
  type Job,
} from "../src/index.ts";
import { PORTER, chanceOf, demoJobs, randomJob } from "../src/demo/index.ts";
import { wiredWrong } from "./jobs.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { when } from "../src/demo/job/jobMaker.ts";
import { RUN, edited, jobWith } from "./helpers.ts";

const stopsOf = (findings: readonly Finding[]): ReadonlySet<string> =>
  new Set(
    findings
      .filter((f) => f.severity === "stop")
      .map((f) => `${f.rule} ${f.place.runId ?? f.place.words}`),
  );

const weightOf = (findings: readonly Finding[]): number =>
  findings.reduce((sum, f) => sum + { stop: 10_000, fix: 100, note: 1 }[f.severity], 0);

describe("remedies", () => {
  const jobs = [
    ...demoJobs().map((job) => ({ where: job.card.title, job })),
    ...Array.from({ length: 60 }, (_, i) => ({
      where: `random job ${i + 1}`,
      job: randomJob(chanceOf(i + 1)),
    })),
  ];

  it("are offered only where the whole job is better after them: nothing new to stop for, and no ring", () => {
    let offered = 0;
    for (const { where, job } of jobs) {
      const { findings } = checkedCircuit(job);
      for (const finding of soundRemedies(job, findings)) {
        for (const remedy of finding.remedies) {
          offered += 1;
          const made = applyEdits(job, remedy.edits);
          if (!made.ok) throw new Error(`${where}: ${remedy.label}: ${made.message}`);
          const after = checkedCircuit(made.job).findings;
          const fresh = [...stopsOf(after)].filter((s) => !stopsOf(findings).has(s));
          expect({ where, remedy: remedy.label, fresh }).toEqual({
            ...{ where, remedy: remedy.label, fresh: [] },
          });
          // Less amiss after each press: pressing can never come back to where it began.
          expect(weightOf(after)).toBeLessThan(weightOf(findings));
        }
      }
    }
    expect(offered).toBeGreaterThan(40);
  });

  it("of a wrong wiring stay: what was done wrong is mended in one press", () => {
    for (const kind of ["joined", "lampsSwapped"] as const) {
      const job = wiredWrong(kind);
      const sound = soundRemedies(job, checkedCircuit(job).findings);
      expect(sound.filter((f) => f.severity === "stop")[0]!.remedies.length).toBeGreaterThan(0);
    }
  });

  it("that lead nowhere are left out: lamps that do not bear a share, feeds that are not there", () => {
    // Two driven lamps on a pack: in series they would not share, and there is no battery.
    const pods = jobWith("pod-18", 2, allOf("switch"), { feed: { kind: "pack" } }, PORTER);
    const found = checkedCircuit(pods).findings.filter((f) => f.severity === "stop");
    expect(found.length).toBeGreaterThan(0);
    const labels = found.flatMap((f) => f.remedies.map((r) => r.label));
    expect(labels.join()).not.toMatch(/series|from the battery/);
  });
});

describe("causes", () => {
  const four = (): Job => {
    let maker = make("four", "", PORTER, "");
    for (const n of [1, 2, 3, 4]) {
      maker = maker.run(
        `r${n}`,
        `Run ${n}`,
        "front",
        when("switch"),
        [["pod-plain-10", 4, "front"]],
        {
          feed: { kind: "pack" },
          return: "chassis",
          arrangement: "series",
        },
      );
    }
    return maker.job;
  };

  it("are one line with all their places, worst first", () => {
    const { findings, causes } = planJob(four(), "metric");
    const frame = causes.filter((c) => /frame is not/.test(c.title));
    expect(frame).toHaveLength(1);
    expect(frame[0]!.places.map(({ place }) => place.words)).toEqual(
      [1, 2, 3, 4].map((n) => `Run ${n}: return`),
    );
    expect(causes.reduce((sum, c) => sum + c.places.length, 0)).toBe(findings.length);
    const ranks = causes.map((c) => ["stop", "fix", "note"].indexOf(c.severity));
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
  });

  it("have one way out for all their places", () => {
    const job = four();
    const { findings } = checkedCircuit(job);
    const frame = groupFindings(findings).find((c) => /frame is not/.test(c.title))!;
    expect(frame.remedies.map((r) => r.label)).toEqual(["Run a return wire of its own"]);
    const mended = edited(job, ...frame.remedies[0]!.edits);
    expect(mended.runs.map((r) => r.return)).toEqual(["wire", "wire", "wire", "wire"]);
  });

  it("keep apart what is said in other words, and are what the board tells", () => {
    const over = jobWith("bar-120", 1, allOf("switch"), { wire: "18 AWG" });
    const pinned = edited(over, setCircuit(RUN, "fuse", { kind: "rating", ratingA: 30 }));
    const { causes } = planJob(pinned, "metric");
    expect(new Set(causes.map((c) => `${c.rule} ${c.title}`)).size).toBe(causes.length);
    const stops = causes.filter((c) => c.severity === "stop").length;
    const told = jobSummary(pinned).waiting.filter((w) => w.kind === "stop").length;
    expect(told).toBe(stops);
    expect(told).toBeGreaterThan(0);
  });
});
