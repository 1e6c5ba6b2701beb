import {
  AIM_RULES,
  DEFAULT_AIMING,
  aimRule,
  allOf,
  append,
  applyEdits,
  bestAim,
  correctionOf,
  describeEdit,
  fitBeam,
  glareAt,
  isOnMark,
  jobSummary,
  lampsOf,
  luxAt,
  luxOfAll,
  luxOn,
  noseRiseDeg,
  oncomingEyes,
  overlapAt,
  pairsApart,
  removeLamp,
  seeingDistance,
  spillShare,
  spreadAt,
  staysWhenDipped,
  takeAimError,
  wallMarks,
  type Aim,
  type Edit,
  type Job,
  type LampInPlace,
  type Mount,
  type Photometry,
  type Plane,
  type Reading,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";
import { jobWith } from "./helpers.ts";

const RAD = Math.PI / 180;

/** A bell of so many cd and degrees each way, through five readings as anybody would take them. */
function bell(peakCd: number, sigmaDeg: number): Photometry {
  const off = 10 * Math.tan(sigmaDeg * RAD);
  const lux = (peakCd / 100) * Math.exp(-0.5) * Math.cos(sigmaDeg * RAD) ** 3;
  const fit = fitBeam(
    {
      ...{ distanceM: 10, centreLux: peakCd / 100, sideM: off, heightM: off },
      ...{ leftLux: lux, rightLux: lux, aboveLux: lux, belowLux: lux },
    },
    "bell",
    "",
  );
  if (!fit.ok) throw new Error(fit.message);
  return fit.value;
}

const lamp = (photometry: Photometry, more: Partial<LampInPlace> = {}): LampInPlace => ({
  ...{ id: "x", at: { ahead: 0, right: 0, up: 0.8 }, tiltDeg: 0, toeDeg: 0, photometry, share: 1 },
  ...more,
});

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

  it("say where a beam meets the ground before the wall", () => {
    const [mark] = wallMarks(mounted([{ wantedTiltDeg: -45 }], [{ beam: "work" }]), 10);
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
    expect(waits("handOver", { errors: [error(5)] })).toContain("a lamp not aimed at the wall");
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

describe("light on the road", () => {
  const beam = bell(10_000, 5);

  it("in a grid is what the laws give point by point", () => {
    const lamps = [
      lamp(beam, { tiltDeg: -2, toeDeg: 4 }),
      lamp(bell(2000, 20), { at: { ahead: -0.4, right: -0.3, up: 1.1 }, share: 0.7 }),
    ];
    for (const kind of ["road", "wall"] as const) {
      const plane: Plane = {
        ...{ kind, right: [-6, 6], along: kind === "road" ? [4, 90] : [0, 3] },
        ...{ atM: kind === "road" ? 0.2 : 10, columns: 25, rows: 20 },
      };
      const grid = luxOn(plane, lamps);
      const brightest = Math.max(...grid);
      for (let row = 0; row < plane.rows; row += 1) {
        for (let column = 0; column < plane.columns; column += 1) {
          const along =
            plane.along[0] + (row * (plane.along[1] - plane.along[0])) / (plane.rows - 1);
          const right = -6 + column / 2;
          const point =
            kind === "road" ? { ahead: along, right, up: 0.2 } : { ahead: 10, right, up: along };
          const slow = luxOfAll(lamps, point, "upright");
          const off = Math.abs(grid[row * plane.columns + column]! - slow);
          expect(off).toBeLessThan(0.02 * slow + 0.002 * brightest);
        }
      }
    }
  });

  it("is seen as far as the square of the distance lets it", () => {
    // Straight ahead of a lamp at the height that is looked at: I = E d², so d = √(10 000 / 3).
    const level = lamp(beam, { at: { ahead: 0, right: 0, up: 0.5 } });
    expect(seeingDistance([level])).toBeCloseTo(Math.sqrt(10_000 / 3), 0);
    expect(seeingDistance([level], 1)).toBeCloseTo(100, 0);
    expect(seeingDistance([{ ...level, share: 0.25 }])).toBeCloseTo(Math.sqrt(2500 / 3), 0);
    expect(seeingDistance([])).toBe(0);
  });

  it("spreads, spills and overlaps as beams do", () => {
    const [left, right] = spreadAt([lamp(beam)], 10)!;
    expect(left).toBeCloseTo(-right, 6);
    expect(spillShare([lamp(beam)])).toBeCloseTo(0.5, 2);
    expect(spillShare([lamp(beam, { tiltDeg: -20 })])).toBeLessThan(0.01);
    expect(overlapAt([lamp(beam)], [lamp(beam)])).toBeCloseTo(1, 6);
    expect(overlapAt([lamp(beam, { toeDeg: -30 })], [lamp(beam, { toeDeg: 30 })])).toBeLessThan(
      0.01,
    );
    expect(spreadAt([], 10)).toBeNull();
  });

  it("blinds on the side that one passes on", () => {
    const toRight = lamp(beam, { toeDeg: 6 });
    const [keepsRight] = glareAt([toRight], oncomingEyes("right"));
    const [keepsLeft] = glareAt([toRight], oncomingEyes("left"));
    expect(keepsLeft!.cd).toBeGreaterThan(10 * keepsRight!.cd);
    expect(keepsLeft!.lux).toBeCloseTo(luxAt(toRight, oncomingEyes("left")[0]!, "facing"), 9);
  });
});

describe("the best aim", () => {
  const eyes = oncomingEyes("right");
  const pair = [lamp(bell(8000, 4), { id: "l", at: { ahead: 0, right: -0.3, up: 0.8 } })];
  const both = [...pair, { ...pair[0]!, id: "r", at: { ahead: 0, right: 0.3, up: 0.8 } }];

  it("keeps every eye under the limit, and no aim that does lights the road more", () => {
    const found = bestAim(both, { eyes, cd: 500 })!;
    for (const { cd } of glareAt(found.lamps, eyes)) expect(cd).toBeLessThanOrEqual(500);
    const worse = bestAim(both, { eyes, cd: 250 })!;
    const free = bestAim(both, { eyes, cd: 1e9 })!;
    expect(worse.worth).toBeLessThan(found.worth);
    expect(found.worth).toBeLessThan(free.worth);
    // What holds it down is named; without a limit nothing does.
    expect(found.held).toMatchObject({ eye: { right: -3.5 } });
    expect(free.held).toBeNull();
    // A pair is turned in mirror image.
    const [l, r] = found.lamps;
    expect([l!.tiltDeg, l!.toeDeg]).toEqual([r!.tiltDeg, -r!.toeDeg]);
  });

  it("is none where even the lowest blinds", () => {
    expect(bestAim([lamp(bell(50_000, 30))], { eyes, cd: 100 })).toBeNull();
  });
});

describe("the demo's lamps", () => {
  const job = (title: string): Job => demoJobs().find((j) => j.card.title === title)!;

  it("shine by their solved volts", () => {
    const { lamps } = lampsOf(job("Lambing-watch bar and pods"));
    expect(lamps.map((l) => l.label)).toHaveLength(3);
    for (const { share } of lamps) expect(share).toBeCloseTo(1, 1);
    const dark = job("Lambing-watch bar and pods");
    const without = { ...dark, parts: dark.parts.map((p) => ({ ...p, photometry: undefined })) };
    expect(lampsOf(without as Job)).toMatchObject({ lamps: [], without: [{}, {}, {}] });
  });

  it("are told apart by what dipping does to them", () => {
    const aux = job("Aux pods, brake flasher");
    const stay = staysWhenDipped(aux);
    expect(stay.has("pods" as never)).toBe(false);
    expect(staysWhenDipped(job("Lambing-watch bar and pods")).has("bar" as never)).toBe(true);
  });
});
