import {
  allOf,
  asId,
  faults,
  groupsOf,
  openingTime,
  overheatS,
  prove,
  provenJob,
  synthesise,
  weakestPoints,
  workLevel,
  stated,
  type FaultKind,
  type Job,
  type PinId,
} from "../src/index.ts";
import { demoJobs, manyCircuitJob } from "../src/demo/index.ts";
import { jobThat, wiredWrong } from "./jobs.ts";
import { jobWith, switchPart } from "./helpers.ts";

const proofOf = (job: Job) => provenJob(job)!;
const faultsOf = (job: Job) => faults(job, synthesise(job))!;

describe("wrong wirings", () => {
  const found = (job: Job) => ({ job, differences: proofOf(job).differences });

  // Facts of the trade, common practice: what each mistake shows, with the fewest controls.
  it("left with right: each side stays dark and the other lights", () => {
    const { differences } = found(wiredWrong("lampsSwapped"));
    expect(differences.map((d) => [d.words, d.cause?.words])).toEqual(
      expect.arrayContaining([
        [
          "LED turn lamp stays dark with left turn",
          expect.stringContaining("on each other's feed"),
        ],
        [
          "LED turn lamp works unasked with right turn",
          expect.stringContaining("on each other's feed"),
        ],
      ]),
    );
  });

  it("hazards on a single pole: a turn to one side lights both", () => {
    const { differences } = found(wiredWrong("joined"));
    const unasked = differences.filter((d) => d.kind === "lightsUnasked");
    expect(unasked.map((d) => d.inputs)).toEqual([["left"], ["right"]]);
    expect(unasked.every((d) => d.cause?.words.includes("feeds tied together"))).toBe(true);
  });

  it("tail wire swapped with brake", () => {
    const { differences } = found(
      jobThat((job) => job.deviations.length > 0 && job.runs.some((run) => run.id === "tail")),
    );
    expect(differences.map((d) => d.words)).toEqual(
      expect.arrayContaining([
        "LED tail and brake lamp stays dark with park light",
        "21 W brake bulb works unasked with park light",
      ]),
    );
  });

  it("a shared return too thin: the brake lamp weakens when the work lamps are on", () => {
    const { differences } = found(wiredWrong("thinSharedReturn"));
    const dim = differences.find((d) => d.runId === "brake")!;
    expect(dim).toMatchObject({
      kind: "dim",
      cause: { words: expect.stringContaining("one thin return") as string },
    });
    expect(dim.inputs).toEqual(expect.arrayContaining(["brake", "key"]));
    expect(dim.switches).toEqual(["work"]);
  });
});

describe("the proof", () => {
  it("finds a coil diode the wrong way round, with the fewest controls that show it", () => {
    const job = jobWith("bar-40", 1, allOf("switch", "key"), {
      relayPartId: switchPart("relay-30-diode"),
      coilPlus: "85",
    });
    expect(proofOf(job).differences).toMatchObject([
      {
        kind: "staysDark",
        inputs: ["key"],
        words: expect.stringContaining("stays dark with key on, switch of Test run") as string,
      },
    ]);
  });

  it("finds what is asked and cannot be built", () => {
    const turned = jobWith("bar-40", 1, { anyOf: [[{ input: "switch", negated: true }]] });
    expect(proofOf(turned).differences.map((d) => d.kind)).toContain("lightsUnasked");
  });

  it("finds a lamp weakened by thin wire", () => {
    const job = jobWith("tail-bulb-21-5", 1, allOf("switch"), {
      wire: "22 AWG",
      loadM: { value: 14, low: 14, high: 14, provenance: "measured" },
    });
    expect(proofOf(job).differences).toMatchObject([{ kind: "dim" }]);
  });

  it("proves runs apart when they share nothing but the posts", () => {
    const job = manyCircuitJob(13);
    const groups = groupsOf(job, synthesise(job));
    expect(groups).toHaveLength(13);
    expect(groups.every((g) => g.inputs.join() === "key" && g.switches.length === 1)).toBe(true);
  });

  it("stops when it is told to", () => {
    expect(prove(manyCircuitJob(3), synthesise(manyCircuitJob(3)), () => false)).toBeNull();
  });
});

describe("single faults", () => {
  const [, marshal] = demoJobs() as [Job, Job];
  const results = faultsOf(marshal);
  const find = (run: string, kind: FaultKind, words = "") =>
    results.find((f) => f.runId === run && f.kind === kind && f.words.includes(words))!;

  // Facts of the trade, common practice.
  it("a chafed feed opens its own fuse and leaves the ignition alive", () => {
    const chafed = find("pods", "chafed", "relay 87 to splice");
    expect(chafed.opens?.words).toBe("own 7.5 A fuse");
    expect(chafed.opens!.currentA).toBeGreaterThan(50);
    expect(chafed.opens!.time.mostS).toBeLessThanOrEqual(0.1);
    expect(chafed).toMatchObject({
      ridesHome: "yes",
      overheats: null,
      dark: ["30 W spot pod 1", "30 W spot pod 2"],
    });
  });

  it("a chafed trigger wire opens the coil's own fuse, not the headlight's", () => {
    const chafed = find("pods", "chafed", "2 A fuse to switch in");
    expect(chafed.opens?.words).toBe("own 2 A fuse");
    expect(chafed.ridesHome).toBe("yes");
  });

  it("a chafe before the fuse has nothing to stop it, and is the weakest point", () => {
    const stub = find("pods", "chafed", "battery + to 7.5 A fuse");
    expect(stub.opens).toBeNull();
    expect(stub.overheats).toContain("AWG");
    expect(weakestPoints(results)[0]).toMatchObject({ kind: "chafed", overheats: stub.overheats });
  });

  it("a broken branch darkens one lamp, a lost ground or a blown fuse all of them", () => {
    expect(find("pods", "open", "pigtail of 30 W spot pod 1").dark).toEqual(["30 W spot pod 1"]);
    for (const kind of ["groundLost", "fuseBlown", "relayDead"] as const) {
      expect(find("pods", kind).dark).toHaveLength(2);
    }
  });

  it("a stuck relay keeps lamps on that nobody asked for", () => {
    expect(find("pods", "relayStuck").staysOn).toHaveLength(2);
    expect(find("pods", "relayStuck").dark).toEqual([]);
  });

  it("a chafe on a run fed from the ignition takes the machine with it", () => {
    const job = jobWith("pod-18", 1, allOf("switch", "key"), {
      feed: { kind: "pin", pinId: asId<PinId>("key-feed") },
      relay: "no",
      fuse: { kind: "none" },
      wire: "16 AWG",
    });
    const worst = faultsOf(job).filter((f) => f.kind === "chafed");
    expect(worst.some((f) => f.ridesHome === "no")).toBe(true);
    expect(weakestPoints(faultsOf(job))[0]?.opens?.words).toContain("factory 10 A fuse");
  });

  it("are tried in every run, and stop when told", () => {
    const many = manyCircuitJob(4);
    // Of each run, and of the feed that their coils share.
    expect(new Set(faultsOf(many).map((f) => f.runId)).size).toBe(5);
    expect(faults(many, synthesise(many), () => false)).toBeNull();
  });
});

describe("opening times", () => {
  // ISO 8820-3 for blade fuses, from memory.
  it.each([
    [1.35, 0.75, 600],
    [1.6, 0.25, 50],
    [2, 0.15, 5],
    [3.5, 0.04, 0.5],
    [6, 0.02, 0.1],
  ])("at %s times its rating a blade fuse opens within %s to %s s", (share, least, most) => {
    const time = openingTime(10, 10 * share)!;
    expect(time.leastS).toBeCloseTo(least, 9);
    expect(time.mostS).toBeCloseTo(most, 9);
  });

  it("hold below 110 %, may hold just above, and fall all the way", () => {
    expect(openingTime(10, 10.9)).toBeNull();
    expect(openingTime(10, 11.5)?.mostS).toBe(Infinity);
    const most = [14, 18, 25, 40, 70].map((a) => openingTime(10, a)!.mostS);
    expect(most).toEqual([...most].sort((a, b) => b - a));
  });

  // Melting integral: 60 A for 0.1 s at the most is 360 A²s; 360 A spend that in 2.8 ms.
  it("open in milliseconds at hundreds of amperes, by the same melting integral", () => {
    const { leastS, mostS } = openingTime(10, 360)!;
    expect(360 ** 2 * mostS).toBeCloseTo(60 ** 2 * 0.1, 9);
    expect(360 ** 2 * leastS).toBeCloseTo(60 ** 2 * 0.02, 9);
    expect(mostS).toBeLessThan(0.003);
  });

  // IEC 60364-4-43, k = 115 for PVC and copper, from memory: 1.5 mm² at 172.5 A lasts 1 s.
  it("a wire's heating is adiabatic: k A / I squared", () => {
    expect(overheatS(1.5e-6, 16, 172.5)).toBeCloseTo(1, 9);
    expect(overheatS(1.5e-6, 16, 15)).toBe(Infinity);
  });
});

describe("brightness", () => {
  // IES Lighting Handbook, from memory: light goes with V^3.4.
  it("of a filament falls with the 3.4th power, of a driven lamp not at all", () => {
    const bulb = { kind: "filament", powerW: stated(21), ratedV: 12 } as const;
    expect(workLevel(bulb, 10.8, 1.6)).toBeCloseTo(0.9 ** 3.4, 9);
    const led = { kind: "drivenLed", powerW: stated(18), minV: 9, maxV: 32 } as const;
    expect(workLevel(led, 10, 1.8)).toBeCloseTo(1, 9);
    expect(workLevel(led, 5, 0)).toBe(0);
  });
});
