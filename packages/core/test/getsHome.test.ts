import {
  FACTORY_LAMPS,
  allOf,
  asId,
  factoryLampsLeft,
  faultSeverity,
  faults,
  getsHome,
  getsHomeWords,
  homeWords,
  lampWork,
  synthesise,
  type Condition,
  type FactoryLamp,
  type FactoryLamps,
  type Job,
  type Lamp,
  type PinId,
} from "../src/index.ts";
import { FELLRUNNER, PETREL } from "../src/demo/index.ts";
import { jobWith, rulesOf } from "./helpers.ts";

const NONE: FactoryLamps = {
  ...{ headlight: 0, rearPosition: 0, stop: 0 },
  ...{ turnFront: 0, turnRear: 0 },
};

const fitted = (factoryLamps: Partial<FactoryLamps>) => ({
  ...FELLRUNNER,
  factoryLamps: { ...NONE, ...factoryLamps },
});

const at = (job: Job, place: Lamp["place"], more: Partial<Lamp> = {}): Job => ({
  ...job,
  lamps: job.lamps.map((lamp) => ({ ...lamp, place, ...more })),
});

const lampsOf = (job: Job) => new Set(job.lamps.map((lamp) => lamp.id));

describe("what a lamp is for", () => {
  const work = (part: string, place: Lamp["place"], on: Condition): FactoryLamp | null => {
    const job = at(jobWith(part, 1, on), place);
    return lampWork(job, job.lamps[0]!);
  };

  // Common practice: by what turns it on, where it sits and its colour.
  it.each([
    ["pod-30", "front", allOf("high"), "headlight"],
    ["pod-30", "front", allOf("switch"), "headlight"],
    ["amber-pod-12", "front", allOf("left"), "turnFront"],
    ["amber-pod-12", "rear", allOf("right"), "turnRear"],
    ["path-red", "rear", allOf("park"), "rearPosition"],
    ["path-red", "rear", allOf("brake"), "stop"],
    ["path-red", "rear", allOf("lever"), "stop"],
    ["path-red", "rear", allOf("pedal"), "stop"],
    // White behind it: a parking light by what turns it on, a work light otherwise.
    ["pod-18", "rear", allOf("park"), "rearPosition"],
    ["pod-18", "rear", allOf("reverse"), null],
    // What calls or warns is nothing to see by, whatever its colour and place.
    ["path-red", "rear", allOf("hazard"), null],
    ["path-red", "rear", allOf("horn"), null],
    ["path-red", "rear", allOf("reverse"), null],
    ["pod-30", "front", allOf("horn"), null],
    ["path-red", "front", allOf("switch"), null],
    ["path-red", "left", allOf("switch"), "rearPosition"],
    ["pod-18", "rear", allOf("switch"), null],
    ["pod-18", "inside", allOf("switch"), null],
    ["amber-pod-12", "front", allOf("switch"), null],
    ["horn-3a", "front", allOf("horn"), null],
  ] as const)("%s at the %s is told", (part, place, on, expected) => {
    expect(work(part, place, on)).toBe(expected);
  });

  it("is nothing that its circuit is only on without", () => {
    const unlessTurning: Condition = { anyOf: [[{ input: "left", negated: true }]] };
    expect(work("path-red", "rear", unlessTurning)).toBe("rearPosition");
  });

  it("is nothing for a lamp whose circuit is gone", () => {
    const job = at(jobWith("pod-30", 1, allOf("high")), "front");
    expect(lampWork({ ...job, runs: [] }, job.lamps[0]!)).toBeNull();
  });
});

describe("riding home", () => {
  const pods = (factory: Partial<FactoryLamps>) =>
    jobWith("pod-30", 2, allOf("high"), {}, fitted(factory));

  it("with its only headlight dark it does not ride home by night", () => {
    const job = pods({});
    const home = getsHome(job, lampsOf(job), null);
    expect(home).toEqual({ ridesHome: "byDay", lost: ["headlight"], uncounted: [] });
    expect(getsHomeWords(home)).toBe("No headlight left: by daylight only, not by night.");
  });

  it("one of two is enough, and so is the factory's", () => {
    const job = pods({});
    expect(getsHome(job, new Set([job.lamps[0]!.id]), null).ridesHome).toBe("yes");
    const two = pods({ headlight: 2 });
    expect(getsHome(two, lampsOf(two), null).ridesHome).toBe("yes");
  });

  it("says that brake lamps are dark, and what nobody has counted", () => {
    const stop = at(jobWith("path-red", 1, allOf("brake"), {}, fitted({})), "rear");
    const home = getsHome(stop, lampsOf(stop), null);
    expect(home.ridesHome).toBe("unseen");
    expect(getsHomeWords(home)).toContain("no brake lamp left");
    const uncounted = pods({ headlight: null });
    const unsure = getsHome(uncounted, lampsOf(uncounted), null);
    expect(unsure).toMatchObject({ ridesHome: "yes", uncounted: ["headlight"] });
    expect(getsHomeWords(unsure)).toContain("Nobody has counted the factory’s: headlight");
  });

  it("a lighting fuse takes what the factory hung on it; an ignition fuse the machine", () => {
    const job = pods({ headlight: 1, rearPosition: 1 });
    const pin = (id: string) => FELLRUNNER.pins.find((p) => p.id === asId<PinId>(id))!;
    const lighting = FELLRUNNER.pins.find((p) => p.family === "lighting")!;
    expect(getsHome(job, lampsOf(job), lighting).lost).toContain("headlight");
    // The pods are not on that fuse: somebody still sees by them.
    expect(getsHome(job, new Set(), lighting).lost).not.toContain("headlight");
    expect(getsHome(job, new Set(), pin("key-feed")).ridesHome).toBe("no");
  });

  it("a lamp in place of the factory's, or the factory's behind a module, is not counted twice", () => {
    const vehicle = { ...PETREL, factoryLamps: { ...NONE, headlight: 2 } };
    const job = jobWith("pod-30", 1, allOf("high"), {}, vehicle);
    expect(factoryLampsLeft(job, "headlight")).toBe(2);
    const old = PETREL.baseLoads[0]!.id;
    expect(factoryLampsLeft(at(job, "front", { replaces: old }), "headlight")).toBe(1);
    expect(factoryLampsLeft(at(job, "front", { factory: true }), "headlight")).toBe(1);
  });

  it("a fault on the only headlight's way is told so, and graver than one that loses nothing", () => {
    const job = pods({});
    const found = faults(job, synthesise(job))!;
    const blown = found.find((f) => f.kind === "fuseBlown" && f.dark.length === 2)!;
    expect(blown).toMatchObject({ ridesHome: "byDay", outcome: "solved" });
    expect(faultSeverity(blown)).toBe("fix");
    expect(faultSeverity({ ...blown, outcome: "unsolved", ridesHome: "unknown" })).toBe("stop");
  });

  it("a lamp that goes out for another is tried with that other off", () => {
    const off: Condition = {
      anyOf: [
        [
          { input: "low", negated: false },
          { input: "high", negated: true },
        ],
      ],
    };
    const job = jobWith("pod-30", 1, off, {}, fitted({}));
    const blown = faults(job, synthesise(job))!.filter((f) => f.dark.length > 0);
    expect(blown.map((f) => f.ridesHome)).toContain("byDay");
  });
});

describe("a wire that may burn", () => {
  it("is never told to be ridden on with", () => {
    const home = { ridesHome: "yes", lost: [], uncounted: [], outcome: "solved" } as const;
    expect(homeWords({ ...home, overheats: null })).toContain("it rides home");
    expect(homeWords({ ...home, overheats: "18 AWG wire 1.1" })).toMatch(/^Do not ride on/);
  });

  it("nor is a relay that chatters told as nothing known", () => {
    const fault = { ridesHome: "unknown", lost: [], uncounted: [], overheats: null } as const;
    expect(homeWords({ ...fault, outcome: "chatters" })).toContain("lets go without end");
    expect(homeWords({ ...fault, outcome: "unsolved" })).toContain("Not solved");
  });
});

describe("what a place asks", () => {
  const rides = (job: Job, place: string): Job => ({
    ...job,
    practices: { ...job.practices, place },
  });
  const titles = (job: Job, place: string) => rulesOf(rides(job, place)).includes("place-asks");

  it("a third tail lamp fails in one place and passes in another", () => {
    const third = at(
      jobWith("path-red", 1, allOf("park"), {}, fitted({ rearPosition: 2 })),
      "rear",
    );
    expect(titles(third, "un")).toBe(true);
    expect(titles(third, "us")).toBe(false);
    expect(titles(third, "off-road")).toBe(false);
  });

  // 49 CFR 571.108 and UN R53, from memory: amber turn signals in front, nothing red to the front.
  it("red in front, by turn signal or by itself, is refused on roads", () => {
    const red = at(jobWith("path-red", 1, allOf("switch"), {}, fitted({})), "front");
    expect(titles(red, "us")).toBe(true);
    expect(titles(red, "un")).toBe(true);
    expect(titles(red, "off-road")).toBe(false);
    const turn = (place: Lamp["place"]) =>
      at(jobWith("path-red", 2, allOf("left"), {}, fitted({})), place);
    expect(titles(turn("front"), "us")).toBe(true);
    expect(titles(turn("rear"), "us")).toBe(false);
    expect(titles(turn("rear"), "un")).toBe(true);
  });

  it("every kind of lamp can be counted or left uncounted", () => {
    for (const work of FACTORY_LAMPS) {
      const job = jobWith("pod-18", 1, allOf("high"), {}, fitted({ [work]: null }));
      expect(factoryLampsLeft(job, work)).toBeNull();
    }
  });
});
