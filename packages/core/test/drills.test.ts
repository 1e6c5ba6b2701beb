/** Questions that are made from circuits and worked out by them, and what somebody knows by now. */
import {
  apprenticeOf,
  DRILLS,
  elementsOf,
  makeDrill,
  progressOf,
  seeded,
  splitNode,
  synthesise,
  TestBench,
  wantOf,
  type Job,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";
import { pods } from "./testing.ts";

describe("drills", () => {
  const worlds = demoJobs()
    .filter((j) => j.runs.length > 0)
    .slice(0, 12)
    .map((of: Job) => ({ job: of, circuit: synthesise(of), bench: new TestBench(of) }));
  const now = new Date("2026-11-26T12:00:00Z");
  const made = worlds.flatMap((world, w) =>
    Array.from({ length: 24 }, (_, i) => {
      const drill = makeDrill({ ...world, chance: seeded(100 * w + i + 1) }, [], now);
      return { world, drill: drill! };
    }),
  );

  it("are of every kind, with one right answer among different ones", () => {
    const kinds = new Set(made.map(({ drill }) => drill.kind));
    expect([...kinds].sort()).toEqual([...DRILLS].sort());
    for (const { drill } of made) {
      expect(drill.options[drill.right]).toBeDefined();
      expect(new Set(drill.options).size).toBe(drill.options.length);
      expect(drill.why.length).toBeGreaterThan(5);
    }
  });

  it("ask for other things each time: they are made, not taken from a list", () => {
    const questions = new Set(made.map(({ drill }) => drill.question));
    expect(questions.size).toBeGreaterThan(0.6 * made.length);
  });

  it("on relays say what DIN 72552 says: current comes in at 30", () => {
    const relays = made.filter(({ drill }) => drill.kind === "relayTerminal");
    expect(relays.length).toBeGreaterThan(5);
    for (const { drill, world } of relays) {
      const answer = drill.options[drill.right];
      const ends = [...world.circuit.elements.values()].flatMap((e) =>
        e.kind === "wire" ? [splitNode(e.from).terminal, splitNode(e.to).terminal] : [],
      );
      expect(ends.some((t) => (answer === "85 or 86" ? ["85", "86"] : [answer]).includes(t))).toBe(
        true,
      );
      // A wire from a fuse feeds the contact; from a switch or to the frame it is the coil's.
      if (/ at .*fuse .*goes to/.test(drill.question) && !/2 A fuse/.test(drill.question)) {
        expect(["30", "85 or 86"]).toContain(answer);
      }
      if (/splice goes to/.test(drill.question)) expect(["87", "87a"]).toContain(answer);
    }
  });

  it("on fuses have the fuse that the circuit has", () => {
    const fuses = made.filter(({ drill }) => drill.kind === "whichFuse");
    for (const { drill, world } of fuses) {
      const run = world.job.runs.find((r) => drill.question.startsWith(`${r.name} draws`))!;
      const own = world.circuit.runs.find((r) => r.runId === run.id)!;
      const rated = elementsOf(world.circuit, own.out, "fuse").map((f) => `${f.ratingA} A`);
      expect(rated).toContain(drill.options[drill.right]);
    }
  });

  it("on flashers: LED lamps alone on a thermal one do not flash, on an indifferent one as before", () => {
    const flashers = made.filter(({ drill }) => drill.kind === "whichFlasher");
    const answers = (pattern: RegExp) =>
      new Set(
        flashers
          .filter(({ drill }) => pattern.test(drill.question))
          .map(({ drill }) => drill.options[drill.right]),
      );
    // Common practice: a thermal flasher needs its load, an electronic one doubles without.
    expect(answers(/thermal.*two LED/)).toEqual(new Set(["lights and does not flash"]));
    expect(answers(/electronic.*two LED/)).toEqual(new Set(["flashes twice as fast"]));
    expect(answers(/does not look/)).toEqual(new Set(["flashes as before"]));
  });

  it("on grounds: a high reading is a bad one, on a negative, with something on", () => {
    const grounds = made.filter(({ drill }) => drill.kind === "goodGround");
    expect(grounds.length).toBeGreaterThan(10);
    for (const { drill } of grounds) {
      expect(drill.question).toMatch(
        /^With (?!everything off).+ − against .+ reads .+ V\. Is this/,
      );
    }
    expect(new Set(grounds.map(({ drill }) => drill.options[drill.right])).size).toBe(2);
    for (const { drill } of grounds) {
      const volts = Number(/reads (-?[\d.]+) V/.exec(drill.question.replaceAll("−", "-"))![1]);
      const high = Number(/to (-?[\d.]+) V/.exec(drill.why.replaceAll("−", "-"))![1]);
      if (drill.options[drill.right] === "bad") expect(volts).toBeGreaterThanOrEqual(high);
      else expect(volts).toBeLessThanOrEqual(high + 0.01);
    }
  });
});

describe("progress", () => {
  const at = (day: number): string => new Date(Date.UTC(2026, 10, day, 12)).toISOString();
  const result = (day: number, right: boolean, topic = "whichFuse") => ({
    ...{ topic, right, at: at(day) },
  });

  it("puts what was right off, longer each time, and what was wrong back to the beginning", () => {
    const boxes = (...rights: boolean[]) =>
      progressOf(rights.map((right, i) => result(i + 1, right)))[0]!;
    expect(boxes(true)).toMatchObject({ box: 1, right: 1, wrong: 0, due: at(2) });
    expect(boxes(true, true)).toMatchObject({ box: 2, due: at(5) });
    expect(boxes(true, true, true)).toMatchObject({ box: 3, due: at(10) });
    expect(boxes(true, true, false)).toMatchObject({ box: 0, right: 2, wrong: 1, due: at(3) });
    expect(boxes(true, true, true, true, true, true, true).box).toBe(5);
  });

  it("counts in the order of time, however it comes", () => {
    expect(progressOf([result(2, false), result(1, true)])[0]).toMatchObject({ box: 0 });
    expect(progressOf([result(2, true), result(1, false)])[0]).toMatchObject({ box: 1 });
  });

  it("keeps topics apart", () => {
    const list = progressOf([result(1, true), result(1, false, "goodGround")]);
    expect(list.map(({ topic, box }) => [topic, box])).toEqual([
      ["whichFuse", 1],
      ["goodGround", 0],
    ]);
  });

  it("wants what is mixed up most, then what is new, and what is known only when it is due", () => {
    const now = new Date(at(2));
    const list = progressOf([
      ...[result(1, false, "goodGround"), result(1, true, "whichFuse")],
      ...[1, 1, 1].map((d) => result(d, true, "readMeter")),
    ]);
    const want = (topic: string): number => wantOf(topic, list, now);
    expect(want("goodGround")).toBeGreaterThan(want("whichFuse"));
    expect(want("whichFuse")).toBeGreaterThan(want("relayTerminal"));
    expect(want("relayTerminal")).toBeGreaterThan(want("readMeter"));
  });

  it("is what decides the next question", () => {
    const job = pods();
    const world = { job, circuit: synthesise(job), bench: new TestBench(job) };
    const results = DRILLS.filter((k) => k !== "whichFuse").flatMap((topic) =>
      [20, 21, 22, 23, 24].map((d) => result(d, true, topic)),
    );
    const list = progressOf([...results, result(24, false)]);
    const kinds = Array.from(
      { length: 40 },
      (_, i) => makeDrill({ ...world, chance: seeded(i + 1) }, list, new Date(at(25)))!.kind,
    );
    expect(kinds.filter((k) => k === "whichFuse").length).toBeGreaterThan(30);
  });
});

describe("an apprentice as the owner sees one", () => {
  const record = (day: number, right: boolean, score: number | null, topic = "whichFuse") => ({
    ...{ topic, right, score, about: "", at: new Date(Date.UTC(2026, 10, day)).toISOString() },
  });
  const pim = { id: "1", name: "Pim Okkerse" };

  it("has the mean of what hidden faults scored, and questions do not count to it", () => {
    const seen = apprenticeOf(pim, [
      record(3, true, 80),
      record(1, true, 45),
      record(2, false, null),
    ]);
    expect(seen).toMatchObject({ ...pim, results: 3, meanScore: 63 });
    expect(seen.lastAt).toBe(record(3, true, null).at);
    expect(seen.topics[0]).toMatchObject({ right: 2, wrong: 1, box: 1 });
  });

  it("has no mean where no fault was looked for, and nothing where nothing was tried", () => {
    expect(apprenticeOf(pim, [record(1, true, null)]).meanScore).toBeNull();
    expect(apprenticeOf(pim, [])).toEqual({
      ...pim,
      ...{ results: 0, meanScore: null, topics: [], lastAt: "" },
    });
  });
});
