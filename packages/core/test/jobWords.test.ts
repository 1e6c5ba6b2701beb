/** What is said of a job: readings that stand, edits that clash, words, and when things are on. */
import {
  allOf,
  asId,
  clashes,
  earlierReading,
  isOff,
  isOn,
  lampsText,
  latestReadings,
  nextId,
  ownerName,
  standingReadings,
  toReadAgain,
  usualShares,
  withBrakes,
  type Edit,
  type Input,
  type Mend,
  type Reading,
  type CircuitId,
} from "../src/index.ts";
import { PORTER, demoPart } from "../src/demo/index.ts";
import { jobWith, RUN } from "./helpers.ts";

describe("readings of a step", () => {
  const reading = (step: string, at: string, value: number | null = 12): Reading => ({
    ...{ id: `${step} ${at}`, step, value, low: 11.5, high: 12.5, note: "", by: "Pim", at },
  });
  const list = [
    reading("a", "2026-01-02T10:00"),
    reading("a", "2026-01-01T09:00"),
    reading("a", "2026-01-01T11:00"),
    reading("b", "2026-01-02T08:00", null),
    reading("b", "2026-01-01T08:00"),
  ];

  it("count by the newest, whatever order they came in", () => {
    const latest = latestReadings(list);
    expect(latest.get("a")?.at).toBe("2026-01-02T10:00");
    expect(latest.get("b")?.value).toBeNull();
    expect(latest.size).toBe(2);
  });

  it("have one of an earlier day, the last of it, where one was read", () => {
    expect(earlierReading(list, "a")?.at).toBe("2026-01-01T11:00");
    // Waived is not read: the only reading is the newest itself.
    expect(earlierReading(list, "b")).toBeNull();
    expect(earlierReading(list, "c")).toBeNull();
  });

  it("are off outside what was expected, and not at its edges", () => {
    const off = (value: number | null, more: Partial<Reading> = {}) =>
      isOff({ ...reading("a", "", value), ...more });
    expect([11.4, 11.5, 12, 12.5, 12.6].map((v) => off(v))).toEqual([
      ...[true, false, false, false, true],
    ]);
    expect(off(null)).toBe(false);
    expect(off(99, { high: null })).toBe(false);
    expect(off(1, { low: null })).toBe(false);
  });

  it("are of before where something was mended since", () => {
    const mend = { when: "2026-01-02T09:00", again: ["a", "b"] } as unknown as Mend;
    const tested = { readings: list, mends: [mend] };
    expect([...standingReadings(tested).keys()]).toEqual(["a"]);
    expect(toReadAgain(tested)).toEqual(["b"]);
    expect([...standingReadings({ readings: list, mends: [] }).keys()]).toEqual(["a", "b"]);
    expect(toReadAgain({ readings: list, mends: [] })).toEqual([]);
    const other = { when: "2026-01-03T09:00", again: ["c"] } as unknown as Mend;
    expect(toReadAgain({ readings: list, mends: [other] })).toEqual([]);
  });
});

describe("two people's edits", () => {
  const set = (field: string, value: unknown): Edit =>
    ({ kind: "set", entity: "run", id: "r", field, value }) as unknown as Edit;
  const remove: Edit = { kind: "remove", entity: "run", id: "r" };
  const once = (value: string): Edit => ({
    ...{ kind: "setOnce", entity: "card", field: "title", value },
  });
  const system = { kind: "replaceSystem", value: PORTER.system } as unknown as Edit;
  const add = (id: string): Edit =>
    ({ kind: "add", entity: "run", value: { id }, at: 0 }) as unknown as Edit;

  it.each([
    ["the same field", set("name", "a"), set("name", "b"), true],
    ["the same field alike", set("name", "a"), set("name", "a"), false],
    ["two fields of one entry", set("name", "a"), set("relay", "no"), false],
    ["a field of what another removed", set("name", "a"), remove, true],
    ["what both removed", remove, remove, false],
    ["a field of the job", once("a"), once("b"), true],
    ["an entry that both added", add("r"), add("q"), false],
    ["an entry of one id with other things in it", add("r"), set("name", "b"), true],
    ["the electrics and a battery", system, { ...once("x"), entity: "battery" } as Edit, true],
    ["the electrics and the card", system, once("x"), false],
  ] as const)("of %s", (_, mine, theirs, clash) => {
    expect(clashes([mine], [theirs])).toEqual(clash ? [{ mine, theirs }] : []);
    expect(clashes([theirs], [mine])).toHaveLength(clash ? 1 : 0);
  });

  it("are held against the last that was said of a place", () => {
    const theirs = [set("name", "b"), set("name", "a")];
    expect(clashes([set("name", "a")], theirs)).toEqual([]);
  });
});

describe("words of a job", () => {
  it("count lamps by what they are, and by where they sit", () => {
    const job = jobWith("pod-18", 2, allOf("switch"));
    const [name] = [demoPart("pod-18").name];
    expect(lampsText(job, RUN, false)).toBe(`2 × ${name}`);
    const apart = {
      ...job,
      lamps: job.lamps.map((lamp, i) => ({
        ...lamp,
        place: i === 0 ? ("left" as const) : ("rear" as const),
      })),
    };
    expect(lampsText(apart, RUN, true)).toBe(`${name} on the left, ${name} at the back`);
    expect(lampsText(job, asId<CircuitId>("other"), false)).toBe("");
    // A part that is not there any more: by what stands on the lamp.
    const bare = { ...job, parts: [] };
    expect(lampsText(bare, RUN, false)).toContain(job.lamps[0]!.label.replace(/ \d+$/, ""));
  });

  it("name what owns something, and the ground block", () => {
    const job = jobWith("pod-18", 1, allOf("switch"));
    expect(ownerName(job, RUN)).toBe("Test run");
    expect(ownerName(job, "ground-block")).toBe("Ground block");
    expect(ownerName(job, "gone")).toBe("gone");
  });

  it("mint the first id that is free", () => {
    expect(nextId("run", [])).toBe("run-1");
    expect(nextId("run", ["run-1", "run-2"])).toBe("run-3");
    expect(nextId("run", ["run-2", "x"])).toBe("run-3");
    expect(nextId("run", ["run-3", "x"])).toBe("run-4");
  });
});

describe("conditions", () => {
  const on = (...inputs: Input[]) => new Set<Input>(inputs);

  it("hold braking as either brake, and both where nobody says which", () => {
    expect(isOn("brake", on("lever"))).toBe(true);
    expect(isOn("brake", on("pedal"))).toBe(true);
    expect(isOn("brake", on("key"))).toBe(false);
    expect(isOn("lever", on("brake"))).toBe(true);
    expect(isOn("lever", on("pedal"))).toBe(false);
    expect(isOn("key", on("brake"))).toBe(false);
  });

  it("are told by the brakes that have switches", () => {
    expect(withBrakes(allOf("brake", "key"), [])).toEqual(allOf("brake", "key"));
    expect(withBrakes(allOf("brake", "key"), ["lever", "pedal"])).toEqual({
      anyOf: [allOf("lever", "key").anyOf[0], allOf("pedal", "key").anyOf[0]],
    });
    const not = { anyOf: [[{ input: "brake" as const, negated: true }]] };
    expect(withBrakes(not, ["lever"])).toEqual(not);
    expect(withBrakes(allOf("key"), ["lever"])).toEqual(allOf("key"));
  });

  // Turn lamps flash at half on, brakes are held at idle: common practice.
  it.each([
    ["left", [0, 0.1, 0.1, 0.02]],
    ["right", [0, 0.1, 0.1, 0.02]],
    ["hazard", [0.5, 0, 0, 0]],
    ["brake", [0, 0.7, 0.25, 0.05]],
    ["horn", [0, 0, 0.01, 0]],
    ["reverse", [0, 0.1, 0.02, 0]],
    ["key", [0, 1, 1, 1]],
    ["engine", [0, 1, 1, 1]],
    ["high", [0, 1, 1, 1]],
    ["switch", [1, 1, 1, 1]],
    ["park", [1, 1, 1, 1]],
  ] as const)("on %s has its usual shares of time", (input, shares) => {
    const { onEngineOff, onIdle, onTown, onCruise } = usualShares(allOf(input));
    expect([onEngineOff, onIdle, onTown, onCruise]).toEqual(shares);
  });
});
