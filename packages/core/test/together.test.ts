/** The vehicle's own lamps beside what is added, and what may be lit together. */
import {
  DEFAULT_PRACTICES,
  TOGETHER_RULES,
  allOf,
  append,
  factoryLights,
  glareAt,
  lampsOf,
  litTogether,
  luxAt,
  oncomingEyes,
  peakCd,
  seeingDistance,
  setCircuit,
  type BeamKind,
  type Condition,
  type Job,
  type Mount,
} from "../src/index.ts";
import { measured } from "../src/index.ts";
import { FELLRUNNER, PETREL, demoPart } from "../src/demo/index.ts";
import { RUN, edited, jobWith } from "./helpers.ts";

/** Two pods of a beam kind in place, on a condition, where it is ridden under a place's rules. */
function placed(
  place: string,
  beam: BeamKind,
  on: Condition,
  partId = "pod-30",
  vehicle = PETREL,
): Job {
  let job = jobWith(partId, 2, on, {}, vehicle);
  job = { ...job, practices: { ...DEFAULT_PRACTICES, place } };
  job.lamps.forEach((lamp, i) => {
    const mount: Mount = {
      ...{ id: `m-${i}`, lampId: lamp.id, side: i === 0 ? "left" : "right", hand: "any" },
      ...{ outM: measured(0.2, 0.2, 0.2), heightM: measured(0.8, 0.8, 0.8) },
      ...{ backM: measured(0.3, 0.3, 0.3), tiltDeg: 0, wantedTiltDeg: 0, footMm: 40 },
    };
    job = edited(job, append(job, "mount", mount));
    job = edited(
      job,
      append(job, "aim", {
        ...{ id: `a-${i}`, mountId: mount.id, beam, toeDeg: 0, adjuster: "pivot" },
        ...{ pitchMm: 1, leverMm: 100, errors: [] },
      }),
    );
  });
  return job;
}

const notes = (job: Job): string[] => litTogether(job, lampsOf(job).lamps).map(({ text }) => text);

const FOG_OFF_WITH_HIGH: Condition = {
  anyOf: [
    [
      { input: "key", negated: false },
      { input: "switch", negated: false },
      { input: "high", negated: true },
    ],
  ],
};

describe("the vehicle's own lamps", () => {
  it("shine from where they sit: inverse square along the axis", () => {
    const [left, right] = factoryLights(jobWith("pod-18", 1, allOf("key"), {}, FELLRUNNER));
    expect([left!.at.right, right!.at.right]).toEqual([-0.19, 0.19]);
    const level = { ...left!, tiltDeg: 0 };
    const ahead = { ahead: level.at.ahead + 10, right: level.at.right, up: level.at.up };
    expect(luxAt(level, ahead, "facing")).toBeCloseTo(peakCd(level.photometry) / 100, 1);
  });

  it("see less far than with driving lamps beside them, and blind less dipped", () => {
    const job = placed("un", "driving", allOf("high", "switch"));
    const own = factoryLights(job).filter(({ beam }) => beam === "low");
    const added = lampsOf(job).lamps;
    expect(added).toHaveLength(2);
    expect(seeingDistance(own)).toBeLessThan(seeingDistance([...own, ...added]));
    const worst = (lamps: Parameters<typeof glareAt>[0]) =>
      Math.max(...glareAt(lamps, oncomingEyes("right")).map(({ cd }) => cd));
    expect(worst(own)).toBeLessThan(worst([...own, ...added]));
  });

  it("are none where nobody measured them", () => {
    const job = jobWith("pod-18", 1, allOf("key"));
    expect(factoryLights({ ...job, vehicle: { ...job.vehicle, beams: [] } })).toEqual([]);
  });
});

describe("what is lit together", () => {
  it("driving lamps want the high beam with them, under UN and US rules, and under none elsewhere", () => {
    for (const place of ["un", "us"]) {
      expect(notes(placed(place, "driving", allOf("key", "switch")))).toEqual([
        "Test run is lit without the high beam",
      ]);
      expect(notes(placed(place, "driving", allOf("high", "switch")))).toEqual([]);
    }
    expect(notes(placed("off-road", "driving", allOf("key", "switch")))).toEqual([]);
    expect(notes(placed("", "driving", allOf("key", "switch")))).toEqual([]);
  });

  it("one way without the high beam is enough to say so", () => {
    const job = placed("un", "driving", allOf("high", "switch"));
    const [way] = allOf("high", "switch").anyOf;
    const both: Condition = { anyOf: [way!, [{ input: "key", negated: false }]] };
    expect(notes(edited(job, setCircuit(RUN, "condition", both)))).toHaveLength(1);
  });

  it("fog lamps go out with the high beam under US rules alone", () => {
    expect(notes(placed("us", "fog", allOf("key", "switch")))).toEqual([
      "Test run stays lit with the high beam",
    ]);
    expect(notes(placed("us", "fog", FOG_OFF_WITH_HIGH))).toEqual([]);
    expect(notes(placed("un", "fog", allOf("key", "switch")))).toEqual([]);
  });

  it("counts the candela of all main beams at once, the vehicle's own with them", () => {
    const job = placed("un", "driving", allOf("high", "switch"));
    const part = demoPart("pod-30");
    if (part.kind !== "load" || !part.photometry) throw new Error("a beam");
    const own = factoryLights(job).filter(({ beam }) => beam === "driving");
    expect(own).toHaveLength(1);
    /** As many times brighter that all of it comes to so many cd. */
    const bright = (total: number): Job => {
      const factor = (total - peakCd(own[0]!.photometry)) / (2 * peakCd(part.photometry!));
      return {
        ...job,
        parts: job.parts.map((p) =>
          p.kind === "load" && p.photometry
            ? {
                ...p,
                photometry: {
                  ...p.photometry,
                  candela: p.photometry.candela.map((cd) => cd * factor),
                },
              }
            : p,
        ),
      };
    };
    const share = lampsOf(job).lamps[0]!.share;
    expect(share).toBeGreaterThan(0.95);
    expect(notes(bright(425_000))).toEqual([]);
    expect(notes(bright(450_000))[0]).toMatch(/cd at most together, 430,?\s?000 are allowed/);
  });

  it("names its source in every rule, and a place once a beam", () => {
    for (const { source } of TOGETHER_RULES) expect(source).toMatch(/(UN R\d+|SAE J\d+).*memory/);
    const keys = TOGETHER_RULES.map(({ place, beam }) => `${place} ${beam}`);
    expect(new Set(keys).size).toBe(keys.length);
  });
});
