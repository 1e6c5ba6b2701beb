import fc from "fast-check";
import {
  AIM_RULES,
  DEFAULT_AIMING,
  aimAt,
  aimRule,
  allOf,
  append,
  applyEdits,
  atWall,
  candelaTowards,
  correctionOf,
  describeEdit,
  isOnMark,
  jobSummary,
  noseRiseDeg,
  pairsApart,
  removeLamp,
  takeAimError,
  wallMarks,
  type Aim,
  type Edit,
  type Job,
  type Mount,
  type Reading,
  type WallMark,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";
import { jobWith } from "./helpers.ts";
import { bell, lamp } from "./lamps.ts";

const fact = (value: number) => ({
  value,
  low: value,
  high: value,
  provenance: "measured" as const,
});

const readingOf = (step: string, low: number, high: number, value: number): Reading => ({
  ...{ id: "r", step, low, high, value, note: "", by: "", at: "2026-11-26T08:00:00Z" },
});

function mounted(mounts: readonly Partial<Mount>[], aims: readonly Partial<Aim>[] = []): Job {
  let job = jobWith("pod-18", mounts.length, allOf("switch"));
  const run = (edit: Edit): void => {
    const result = applyEdits(job, [edit]);
    if (!result.ok) throw new Error(result.message);
    job = result.job;
  };
  mounts.forEach((more, i) =>
    run(
      append(job, "mount", {
        ...{ id: `m${i}`, lampId: job.lamps[i]!.id, side: "centre", outM: fact(0.3) },
        ...{ heightM: fact(0.8), backM: fact(0), hand: "any", tiltDeg: 0, wantedTiltDeg: 0 },
        ...{ footMm: 40, ...more },
      }),
    ),
  );
  aims.forEach((more, i) =>
    run(
      append(job, "aim", {
        ...{ id: `a${i}`, mountId: `m${i}`, beam: "driving", toeDeg: 0, adjuster: "screw" },
        ...{ pitchMm: 1, leverMm: 60, errors: [], ...more },
      }),
    ),
  );
  return job;
}

describe("wall marks", () => {
  it("stand where a tape and a table of tangents put them", () => {
    const job = mounted([{ side: "left", wantedTiltDeg: -0.573 }], [{ toeDeg: 1.5 }]);
    const [mark] = wallMarks(job, 10);
    // 1 % down at 10 m is 100 mm; 1.5° to the right is 262 mm, from 300 mm left of the middle.
    expect(mark!.markUpM).toBeCloseTo(0.7, 3);
    expect(mark!.markRightM).toBeCloseTo(-0.3 + 0.2619, 3);
    expect(mark!.lampUpM).toBe(0.8);
    expect(mark!.groundM).toBeNull();
  });

  it("stand lower where the nose rises once the rider sits behind", () => {
    const job = mounted([{}]);
    const ridden = {
      ...job,
      aiming: { ...DEFAULT_AIMING, frontSagMm: 10, rearSagMm: 45, baseMm: 1000 },
    };
    expect(noseRiseDeg(ridden.aiming)).toBeCloseTo(2.005, 3);
    // 35 mm over 1 m is 350 mm over 10 m.
    expect(wallMarks(ridden, 10)[0]!.markUpM).toBeCloseTo(0.8 - 0.35, 6);
  });

  it("stand on the line of the beam, whatever its tilt, toe, sag and the wall", () => {
    const degrees = (most: number) =>
      fc.integer({ min: -most * 20, max: most * 20 }).map((n) => n / 20);
    const setting = fc.record({
      tilt: degrees(20),
      toe: degrees(40),
      sag: fc.integer({ min: -60, max: 60 }),
      distanceM: fc.integer({ min: 2, max: 30 }),
      rear: fc.boolean(),
    });
    const beam = bell(1000, 6);
    fc.assert(
      fc.property(setting, ({ tilt, toe, sag, distanceM, rear }) => {
        const made = mounted([{ side: "right", wantedTiltDeg: tilt }], [{ toeDeg: toe }]);
        const job: Job = {
          ...made,
          lamps: made.lamps.map((l) => ({ ...l, place: rear ? "rear" : "front" })),
          aiming: { ...DEFAULT_AIMING, distanceM, rearSagMm: sag },
        };
        const [mark] = wallMarks(job) as [WallMark];
        // The other way round: what puts it there is what was wanted.
        const back = aimAt(job, mark, mark.markRightM, mark.markUpM);
        expect(back.tiltDeg).toBeCloseTo(tilt, 6);
        expect(back.toeDeg).toBeCloseTo(toe, 6);
        if (rear) return;
        // The lamp as it stands before the wall has its brightest there: no lamp of the picture
        // lies beside its mark.
        const before = atWall(
          lamp(beam, { at: { ahead: -0.4, right: 0.3, up: 0.8 }, tiltDeg: tilt, toeDeg: toe }),
          noseRiseDeg(job.aiming),
        );
        const there = { ahead: distanceM, right: mark.markRightM, up: mark.markUpM };
        expect(candelaTowards(before, there)).toBeCloseTo(1000, 3);
      }),
      { numRuns: 300, seed: 20_261_126 },
    );
  });

  it("of a lamp at the rear stand on a wall behind, higher where the nose rises", () => {
    const made = mounted([{}]);
    const back = { ...made, lamps: made.lamps.map((l) => ({ ...l, place: "rear" as const })) };
    const ridden = { ...back, aiming: { ...DEFAULT_AIMING, rearSagMm: 35, baseMm: 1000 } };
    expect(wallMarks(ridden, 10)[0]).toMatchObject({ behind: true });
    expect(wallMarks(ridden, 10)[0]!.markUpM).toBeCloseTo(0.8 + 0.35, 6);
  });

  it("say where a beam meets the ground before the wall", () => {
    const aside = { beam: "work", toeDeg: 30 } as const;
    const [mark] = wallMarks(mounted([{ wantedTiltDeg: -45 }], [aside]), 10);
    expect(mark!.groundM).toBeCloseTo(0.8, 6);
  });

  it("are told of lamps that throw light, not of those that only are seen", () => {
    const box = demoJobs().find((job) => job.card.title.startsWith("Box lamp"))!;
    expect(wallMarks(box).map((mark) => mark.lamp.label)).toEqual([
      "12 W amber fog pod 1",
      "12 W amber fog pod 2",
    ]);
  });

  it("are held against the place's rule for beam and height, else against the trade's", () => {
    // 4 in at 25 ft are 1.33 in 100.
    expect(aimRule("us", "fog", 0.5)).toMatchObject({ place: "us", of: "edge" });
    expect(aimRule("us", "fog", 0.5).aimPct).toBeCloseTo(-4 / 3, 6);
    expect(aimRule("un", "low", 0.7)).toMatchObject({ lowPct: -2.5, highPct: -0.5 });
    expect(aimRule("un", "low", 0.9)).toMatchObject({ lowPct: -3, highPct: -1 });
    expect(aimRule("un", "driving", 0.9).source).toBe("common practice");
    expect(aimRule("", "work", 1).source).toBe("common practice");
    for (const rule of AIM_RULES) {
      expect(rule.lowPct).toBeLessThanOrEqual(rule.aimPct);
      expect(rule.aimPct).toBeLessThanOrEqual(rule.highPct);
    }
    const high = mounted([{ wantedTiltDeg: 1 }]);
    expect(wallMarks(high)[0]!.withinRule).toBe(false);
    expect(wallMarks(mounted([{ wantedTiltDeg: -0.5 }]))[0]!.withinRule).toBe(true);
  });
});

describe("a measured error", () => {
  const screw = { adjuster: "screw", pitchMm: 1, leverMm: 60 } as const;

  it("becomes turns of a screw", () => {
    // 90 mm low at 7.62 m: 0.677°; on a lever of 60 mm that is 0.709 mm, at 1 mm a turn.
    const low = correctionOf({ distanceM: 7.62, rightMm: 0, upMm: -90 }, screw, 40);
    expect(low.upDeg).toBeCloseTo(-0.677, 3);
    expect(low.upTurns).toBeCloseTo(0.709, 3);
    expect(low.shimMm).toBeNull();
    const aside = correctionOf(
      { distanceM: 7.62, rightMm: 90, upMm: 0 },
      { ...screw, pitchMm: 0.5 },
      40,
    );
    expect(aside.rightTurns).toBeCloseTo(-1.417, 3);
  });

  it("becomes a shim under a foot", () => {
    const shim = correctionOf(
      { distanceM: 10, rightMm: 0, upMm: 200 },
      { ...screw, adjuster: "shim" },
      50,
    );
    // 200 mm too high in 10 m is 1 in 50: 1 mm under 50 mm of foot, at the rear to bring it down.
    expect(shim.shimMm).toBeCloseTo(-1, 6);
    expect(shim.upTurns).toBeNull();
  });

  it("is good within two centimetres at ten metres", () => {
    const at = (upMm: number) => ({ distanceM: 10, rightMm: 0, upMm, by: "", at: "" });
    expect(isOnMark(at(20))).toBe(true);
    expect(isOnMark(at(21))).toBe(false);
  });

  it("is held against the other lamp of the pair, read at the same distance", () => {
    const error = (upMm: number, distanceM = 10) => ({
      distanceM,
      rightMm: 5,
      upMm,
      by: "",
      at: "",
    });
    const pair = (a: number, b: number, distanceM?: number): Job =>
      mounted(
        [{ side: "left" }, { side: "right" }],
        [{ errors: [error(300), error(a)] }, { errors: [error(b, distanceM)] }],
      );
    expect(pairsApart(pair(40, -10))).toMatchObject([{ upMm: 50, rightMm: 0 }]);
    expect(pairsApart(pair(40, -10, 7.62))).toEqual([]);
  });

  it("is waited for once the vehicle is to be handed over", () => {
    const error = (upMm: number) => ({ distanceM: 10, rightMm: 0, upMm, by: "", at: "" });
    const waits = (stage: "aim" | "handOver", ...aims: Partial<Aim>[]): string[] => {
      const job = mounted([{}, {}], aims);
      const card = { ...job.card, stage };
      const test = { ...readingOf("a", 0, 1, 0.5) };
      return jobSummary({ ...job, card, readings: [test] }).waiting.map(({ text }) => text);
    };
    expect(waits("handOver", { errors: [error(5)] })).toContain("1 lamp not aimed at the wall");
    expect(waits("handOver", { errors: [error(500)] })).toContain("2 lamps not aimed at the wall");
    const aimed = [{ errors: [error(500), error(5)] }, { errors: [error(0)] }];
    expect(waits("handOver", ...aimed).join()).not.toContain("not aimed");
    expect(waits("aim").join()).not.toContain("not aimed");
  });

  it("is told in the history by its lamp", () => {
    const job = mounted([{}], [{}]);
    const error = { distanceM: 10, rightMm: 0, upMm: -90, by: "Pim", at: "2026-11-26T17:00:00Z" };
    const lines = takeAimError(job, job.mounts[0]!, error, "x").map((e) => describeEdit(e, job));
    const label = job.lamps[0]!.label;
    expect(lines).toEqual([
      `aim “${label}”: stood 90 mm low on the wall`,
      `lamp in place “${label}”: tilt deg → −0.52`,
    ]);
  });

  it("goes with its lamp", () => {
    const job = mounted([{}, {}], [{}, {}]);
    const result = applyEdits(job, removeLamp(job, job.lamps[0]!.id));
    expect(result.ok && result.job.aims.map((aim) => aim.id)).toEqual(["a1"]);
  });
});
