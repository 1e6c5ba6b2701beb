import {
  allOf,
  asId,
  checkedCircuit,
  fuseFormFor,
  ratedVOf,
  synthesise,
  materialsOf,
  type Job,
  type PackFacts,
  type Vehicle,
} from "../src/index.ts";
import { LITTER, MIDGE, PORTER, demoPart } from "../src/demo/index.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { when } from "../src/demo/job/jobMaker.ts";
import { jobWith } from "./helpers.ts";

const ruling = (job: Job) =>
  checkedCircuit(job).findings.filter((f) => f.rule === "volts-over-rating");

/** The pack of a vehicle with another top of charge. */
const toppedAt = (volts: number, vehicle: Vehicle = MIDGE): Vehicle => {
  if (vehicle.system.kind === "engine") throw new Error("no pack");
  const pack: PackFacts = {
    ...vehicle.system.pack,
    topOfChargeV: { value: volts, low: volts, high: volts, provenance: "measured" },
  };
  return { ...vehicle, system: { ...vehicle.system, pack } };
};

const onPack = (volts: number, switchPart: string | null): Job =>
  jobWith(
    "pod-plain-10",
    5,
    allOf("switch"),
    {
      feed: { kind: "pack" },
      arrangement: "series",
      ...(switchPart === null ? {} : { switchPartId: asId(switchPart) }),
    },
    toppedAt(volts),
  );

describe("the form of a fuse", () => {
  // ISO 8820-3, from memory: 32 V and 58 V; 14 lithium-ion cells and 24 lead cells pass 58 V charging.
  it.each([
    [14.4, "blade fuse"],
    [32, "blade fuse"],
    [32.1, "58 V blade fuse"],
    [58, "58 V blade fuse"],
    [14 * 4.2, "80 V fuse"],
    [24 * 2.45, "80 V fuse"],
    [16 * 3.65, "80 V fuse"],
    [100, "125 V fuse"],
    [140, "fuse for 140 V direct"],
  ])("at %s V is a %s", (volts, name) => {
    expect(fuseFormFor(volts).name).toBe(name);
    expect(fuseFormFor(volts).breaksV).toBeGreaterThanOrEqual(volts);
  });

  it("is what is laid out and told, by the top of the charge and not by the pack's name", () => {
    const fuses = (job: Job) =>
      materialsOf(job, synthesise(job))
        .map((m) => m.name)
        .filter((name) => /fuse/.test(name));
    expect(fuses(onPack(58, null))[0]).toMatch(/^58 V blade fuse/);
    expect(fuses(onPack(58.8, null))[0]).toMatch(/^80 V fuse/);
    const reason = synthesise(onPack(58.8, null)).choices.find((c) => c.kind === "fuse")!.reason;
    expect(reason).toContain("80 V fuse: the source shows 58.8 V");
  });
});

describe("volts that contacts break", () => {
  it("a switch for 12 V across a pack is a reason to stop, one made for it is none", () => {
    expect(ruling(onPack(58, "switch-rocker-16"))).toMatchObject([{ severity: "stop" }]);
    expect(ruling(onPack(58, "switch-80v"))).toEqual([]);
    expect(ruling(onPack(84, "switch-80v"))).toHaveLength(1);
  });

  it("what nobody has picked is planned with one that does", () => {
    expect(ruling(onPack(67, null))).toEqual([]);
    const plain = synthesise(onPack(67, null)).choices.find((c) => c.kind === "switch")!;
    expect(plain.picked).toBe("10 A switch for 67 V direct");
  });

  it("the same switch is right behind a converter, and on a 12 V battery", () => {
    const behind = make("converter", "", PORTER, "")
      .supply("converter", "Converter", "converter-60-12")
      .run("pods", "Pods", "front", when("switch"), [["pod-18", 2, "front"]], {
        feed: { kind: "supply", supplyId: asId("converter") },
        switchPartId: asId("switch-rocker-16"),
      }).job;
    expect(ruling(behind)).toEqual([]);
    const buggy = jobWith(
      "pod-18",
      2,
      allOf("switch"),
      { switchPartId: asId("switch-rocker-16") },
      LITTER,
    );
    expect(ruling(buggy)).toEqual([]);
  });

  it("a fuse block for blades on a pack is told as a box", () => {
    const block = make("block", "", PORTER, "")
      .supply("block", "Fuse block", "fuse-block-6")
      .run("pods", "Pods", "front", when("switch"), [["pod-plain-10", 4, "front"]], {
        feed: { kind: "supply", supplyId: asId("block") },
        arrangement: "series",
      }).job;
    const onPackToo: Job = {
      ...block,
      supplies: block.supplies.map((s) => ({ ...s, feed: { kind: "pack" as const } })),
    };
    expect(ruling(onPackToo).map((f) => f.place.words)).toContain("Fuse block");
  });

  it("what nobody has said is taken by the kind of part", () => {
    expect(ratedVOf(demoPart("switch-rocker-16"))).toBe(16);
    expect(ratedVOf(demoPart("switch-80v"))).toBe(80);
    expect(ratedVOf(demoPart("fuse-block-6"))).toBe(32);
    expect(ratedVOf(demoPart("pod-18"))).toBe(Infinity);
  });
});
