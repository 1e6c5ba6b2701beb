import {
  DEVIATION_KINDS,
  adoptPart,
  allOf,
  asId,
  createDeviation,
  groupFindings,
  packRangeV,
  setCircuit,
  endWords,
  synthesise,
  wiresOf,
  type ConverterPart,
  type Finding,
  type Job,
  type LoadPart,
  type Part,
  type Supply,
  type Vehicle,
} from "../src/index.ts";
import { FELLRUNNER, PORTER, demoPart } from "../src/demo/index.ts";
import { behind, edited, findingsOf, jobWith, keyed, RUN, sure, switchPart } from "./helpers.ts";
import { flashingBrake } from "./jobs.ts";

/** Limits of rules from both sides, by hand. */
const own = allOf("switch");
const told = (job: Job, rule: string): Finding[] => findingsOf(job).filter((f) => f.rule === rule);

const converter = demoPart("converter-60-12") as ConverterPart;
const bulb = demoPart("bulb-21-5") as LoadPart;

/** A load of so many watts behind a converter of these figures, on the cart's pack. */
const converted = (
  part: Partial<ConverterPart>,
  load: LoadPart,
  supply: Partial<Supply> = {},
): Job => behind({ ...converter, ...part }, load, 1, PORTER, { gate: "key", ...supply });

const heater = (watts: number): LoadPart => ({
  ...(demoPart("grips-heated") as LoadPart),
  id: asId("heater"),
  load: { kind: "resistive", powerW: sure(watts), ratedV: converter.outV.value },
});

describe("a converter", () => {
  const titles = (job: Job) => told(job, "converter-fits").map((f) => [f.severity, f.title]);
  if (PORTER.system.kind !== "pack") throw new Error("no pack");
  const range = packRangeV(PORTER.system.pack);
  const small = heater(12);

  it("bears what the charger leaves in the pack, to the volt", () => {
    expect(titles(converted({ inMaxV: range.highV }, small))).toEqual([]);
    expect(titles(converted({ inMaxV: range.highV - 0.1 }, small))).toEqual([
      ["stop", "The charger gives more than this converter bears"],
    ]);
  });

  it("that ends before the pack does is told with the volts at which it does", () => {
    expect(titles(converted({ inMinV: range.lowV, cutOffV: 20 }, small))).toEqual([]);
    expect(titles(converted({ inMinV: range.lowV + 0.1, cutOffV: 40 }, small))).toEqual([
      ["note", "Lights go out before the pack is empty, at 40 V"],
    ]);
  });

  it("on a tap is held against the blocks that it is on", () => {
    const tap = { feed: { kind: "block" as const, blocks: 3 } };
    const half = { inMaxV: range.highV / 2, inMinV: range.lowV / 2, cutOffV: 10 };
    expect(titles(converted(half, small, tap)).map(([, t]) => t)).not.toContain(
      "The charger gives more than this converter bears",
    );
    expect(titles(converted(half, small)).map(([, t]) => t)).toContain(
      "The charger gives more than this converter bears",
    );
  });

  it("is loaded to four fifths, and never over what it gives", () => {
    const amps = (share: number) => heater(share * converter.outA * converter.outV.value);
    expect(titles(converted({}, amps(0.78)))).toEqual([]);
    expect(titles(converted({}, amps(0.85)))).toEqual([["fix", "Little left in this converter"]]);
    expect(titles(converted({ surgeA: 1000 }, amps(1.1)))).toEqual([
      ["stop", "More than this converter gives"],
    ]);
  });

  it("gives a cold filament its eight times, or is told that it may trip", () => {
    const { load } = bulb;
    if (load.kind !== "filament") throw new Error("no bulb");
    const surge = (load.powerW.value / load.ratedV) * 8;
    const plenty = { outA: 50 };
    const words = (surgeA: number) =>
      titles(converted({ ...plenty, surgeA }, bulb)).map(([, t]) => t);
    expect(words(surge * 1.2)).toEqual([]);
    expect(words(surge)).toEqual(["A cold bulb may trip this converter"]);
    expect(titles(converted({ ...plenty, surgeA: 2 }, heater(12)))).toEqual([]);
  });

  it("that idles while the vehicle stands is to be live with the key", () => {
    const always = converted({}, small, { gate: "always" });
    const [found] = told(always, "converter-fits");
    expect(found).toMatchObject({
      severity: "fix",
      title: "The converter draws while it is parked",
      figures: [{ value: `${(converter.idleA.value * 1000).toFixed(0)} mA` }],
    });
    expect(titles(edited(always, ...found!.remedies[0]!.edits))).toEqual([]);
    expect(titles(converted({ idleA: sure(0) }, small, { gate: "always" }))).toEqual([]);
  });
});

describe("volts that a contact has to break", () => {
  const on = (fields: Parameters<typeof jobWith>[3], vehicle = PORTER) =>
    jobWith("bar-40", 1, own, { feed: { kind: "pack" }, ...fields }, vehicle);
  const rated = (job: Job, kind: Part["kind"], ratedV: number): Job => ({
    ...job,
    parts: job.parts.map((p) => (p.kind === kind ? { ...p, ratedV } : p)),
  });
  const plain = { switchPartId: switchPart("switch-bar-5"), relay: "no" as const };
  const wide = { ...plain, relay: "yes" as const, relayPartId: switchPart("relay-30") };

  it("are the pack's straight off its charger: one that is marked for them is silent", () => {
    const job = on(plain);
    const [found] = told(job, "volts-over-rating");
    expect(found).toMatchObject({
      severity: "stop",
      title: "Breaks fewer volts than it is fed with",
    });
    expect(found!.figures[0]!.limit).toContain("as such parts usually are");
    const volts = Number(/[\d.]+/.exec(found!.figures[0]!.value)![0]);
    expect(told(rated(job, "switch", Math.ceil(volts)), "volts-over-rating")).toEqual([]);
    const [marked] = told(rated(job, "switch", Math.floor(volts) - 1), "volts-over-rating");
    expect(marked!.figures[0]!.limit).toBe(`at most ${Math.floor(volts) - 1} V`);
  });

  it("are told once for a part, and less gravely where only a coil hangs on it", () => {
    const found = told(on(wide), "volts-over-rating");
    const places = found.map((f) => [f.severity, f.place.words]);
    expect(new Set(places.map(String)).size).toBe(places.length);
    expect(places).toContainEqual(["stop", demoPart("relay-30").name]);
    expect(places).toContainEqual(["fix", demoPart("switch-bar-5").name]);
  });

  it("are no trouble on twelve volts", () => {
    const battery = { feed: { kind: "battery" as const } };
    expect(told(on({ ...plain, ...battery }, FELLRUNNER), "volts-over-rating")).toEqual([]);
    expect(told(on({ ...wide, ...battery }, FELLRUNNER), "volts-over-rating")).toEqual([]);
  });

  it("of a plug are to be mended and no fire", () => {
    const connector = demoPart("plug-2-sealed");
    const job = edited(on(plain), ...adoptPart(on(plain), connector));
    const plugged = edited(job, setCircuit(RUN, "connectorPartId", connector.id as never));
    const found = told(plugged, "volts-over-rating").filter(
      (f) => f.place.words === connector.name,
    );
    expect(found.map((f) => f.severity)).toEqual(["fix"]);
  });
});

describe("volts that a lamp bears", () => {
  const fed = (load: LoadPart["load"], ratedV = 0) => {
    const part: LoadPart = { ...bulb, id: asId("lamp"), load, ratedV, dim: null, lights: [] };
    return told(jobWith(part, 1, keyed), "lamp-volts").map((f) => f.title);
  };
  const few = "Too few volts for this lamp";
  const many = "Too many volts for this lamp";

  it("are those of its driver, a quarter over and under without one, and of a horn those of its system", () => {
    // At the lamp there are some 12.4 of the 12.7 V of a rested battery.
    expect(fed({ kind: "drivenLed", powerW: sure(10), minV: 9, maxV: 16 })).toEqual([]);
    expect(fed({ kind: "drivenLed", powerW: sure(10), minV: 9, maxV: 12 })).toEqual([many]);
    expect(fed({ kind: "drivenLed", powerW: sure(10), minV: 12.65, maxV: 30 })).toEqual([few]);
    expect(fed({ kind: "resistive", powerW: sure(20), ratedV: 12 })).toEqual([]);
    expect(fed({ kind: "resistive", powerW: sure(20), ratedV: 9 })).toEqual([many]);
    expect(fed({ kind: "filament", powerW: sure(20), ratedV: 24 })).toEqual([few]);
    expect(fed({ kind: "filament", powerW: sure(20), ratedV: 6 })).toEqual([many]);
    const strip = { kind: "ledStrip" as const, powerWPerM: sure(5), forwardV: 5, groupM: 0.05 };
    expect(fed({ ...strip, ratedV: 6, lengthM: 1 })).toEqual([many]);
    expect(fed({ ...strip, ratedV: 12, forwardV: 9, lengthM: 1 })).toEqual([]);
    expect(fed({ kind: "constantCurrent", currentA: sure(3) })).toEqual([]);
    expect(fed({ kind: "constantCurrent", currentA: sure(3) }, 6)).toEqual([many]);
    expect(fed({ kind: "constantCurrent", currentA: sure(3) }, 24)).toEqual([few]);
  });

  it("of several on one run are told once, with how many more", () => {
    const six: LoadPart = {
      ...bulb,
      id: asId("lamp"),
      load: { kind: "resistive", powerW: sure(10), ratedV: 6 },
      ...{ dim: null, lights: [] },
    };
    const found = told(jobWith(six, 2, keyed), "lamp-volts");
    expect(found.map((f) => f.place.words)).toEqual([
      expect.stringMatching(/ and 1 more$/) as string,
    ]);
    expect(found[0]!.remedies.map((r) => r.label)).toEqual(["Put its lamps in series"]);
  });
});

describe("a wiring that is otherwise", () => {
  const job = flashingBrake();
  const circuit = synthesise(job);
  const [a, b] = job.runs;
  const own2 = wiresOf(circuit).filter((w) => w.runId === a!.id);
  const [one, two] = own2;

  it.each(DEVIATION_KINDS)(
    "by %s is to stop for, by its own name, with where, and is mended by one press",
    (kind) => {
      const between = ["lampsSwapped", "joined", "thinSharedReturn"].includes(kind);
      const wires = {
        endMoved: { wire: one!.id, at: two!.to },
        endsSwapped: { wire: one!.id, otherWire: two!.id },
        wireMissing: { wire: one!.id },
        thinWire: { wire: one!.id, gaugeId: "22 AWG" },
        reversed: { at: one!.from, otherAt: one!.to },
        tied: { at: one!.from, otherAt: two!.to },
      }[kind as "tied"] as object | undefined;
      const d = createDeviation("d", kind, a!.id, between ? { otherRunId: b!.id } : (wires ?? {}));
      const wrong = { ...job, deviations: [d] };
      const [found, ...others] = told(wrong, "wired-otherwise");
      expect(others).toEqual([]);
      expect(found).toMatchObject({ severity: "stop", figures: [] });
      expect(found!.why.length).toBeGreaterThan(20);
      expect(found!.place.words).toContain(a!.name);
      if (between) expect(found!.place.words).toBe(`${a!.name} and ${b!.name}`);
      else if (wires && "wire" in wires) {
        expect(found!.place.words).toContain(`wire ${one!.label} (`);
        expect(found!.place.elementId).toBe(one!.id);
      } else expect(found!.place.words).toContain(`on ${endWords(synthesise(job), one!.from)}`);
      expect(found!.remedies.map((r) => r.label)).toEqual(["Wire it as planned"]);
      expect(edited(wrong, ...found!.remedies[0]!.edits).deviations).toEqual([]);
    },
  );

  it("in a circuit that is planned otherwise by now is a note, to be forgotten", () => {
    const d = createDeviation("d", "wireMissing", a!.id, { wire: "gone" });
    const [found] = told({ ...job, deviations: [d] }, "wired-otherwise");
    expect(found).toMatchObject({
      severity: "note",
      title: "Wired wrong in a circuit that is no more",
      place: { elementId: null, words: `${a!.name}: gone: no wire "gone"` },
      remedies: [{ label: "Forget it" }],
    });
    const at = createDeviation("d", "tied", a!.id, { at: one!.from, otherAt: "gone.1" });
    const [lost] = told({ ...job, deviations: [at] }, "wired-otherwise");
    expect(lost!.place.words).toMatch(/no terminal "gone\.1"$/);
  });

  it("has a title and a reason of its own for every kind", () => {
    const found = DEVIATION_KINDS.map((kind) => {
      const d = createDeviation("d", kind, a!.id, { otherRunId: b!.id });
      return told({ ...job, deviations: [d] }, "wired-otherwise")[0]!;
    });
    expect(new Set(found.map((f) => f.title)).size).toBe(DEVIATION_KINDS.length);
    expect(new Set(found.map((f) => f.why)).size).toBe(DEVIATION_KINDS.length);
  });
});

describe("findings of one cause", () => {
  const finding = (words: string, more: Partial<Finding> = {}): Finding => ({
    ...{ rule: "r", severity: "fix", title: "T", why: "W", source: "s" },
    place: { runId: null, elementId: null, words },
    figures: [{ label: "f", value: words, limit: "" }],
    remedies: [],
    ...more,
  });
  const edit = (id: string) => ({ kind: "remove" as const, entity: "wish" as const, id });

  it("are one with all its places, in the order they came", () => {
    const groups = groupFindings([finding("a"), finding("b", { title: "U" }), finding("c")]);
    expect(groups.map((g) => [g.title, g.places.map((p) => p.place.words)])).toEqual([
      ["T", ["a", "c"]],
      ["U", ["b"]],
    ]);
    expect(groups[0]!.places[1]!.figures[0]!.value).toBe("c");
    expect(groupFindings([])).toEqual([]);
  });

  it("are apart where their gravity, their reason or their rule is another", () => {
    const apart = [
      finding("a"),
      finding("a", { severity: "stop" }),
      finding("a", { why: "V" }),
      finding("a", { rule: "q" }),
    ];
    expect(groupFindings(apart)).toHaveLength(4);
  });

  it("are mended by one press where the way out is the same, each edit once", () => {
    const groups = groupFindings([
      finding("a", { remedies: [{ label: "Mend", edits: [edit("1"), edit("2")] }] }),
      finding("b", {
        remedies: [
          { label: "Mend", edits: [edit("2"), edit("3")] },
          { label: "Leave", edits: [edit("4")] },
        ],
      }),
    ]);
    expect(groups[0]!.remedies).toEqual([
      { label: "Mend", edits: [edit("1"), edit("2"), edit("3")] },
      { label: "Leave", edits: [edit("4")] },
    ]);
  });
});

describe("a draw while it stands", () => {
  const tale = { switchPartId: switchPart("switch-kit-tell"), relay: "no" as const };

  it("is told by its biggest, with what would do, and is ended by the key where there is one", () => {
    const [found] = told(jobWith("bar-40", 1, own, tale), "parked-draw");
    expect(found).toMatchObject({ severity: "fix", place: { runId: RUN } });
    expect(found!.place.words).toContain("tell-tale of");
    expect(found!.figures[0]!.limit).toMatch(/to stand 14 days$/);
    expect(found!.remedies.map((r) => r.label)).toEqual(["Make it live only with the key on"]);
    const mended = edited(jobWith("bar-40", 1, own, tale), ...found!.remedies[0]!.edits);
    expect(told(mended, "parked-draw")).toEqual([]);
    const keyless: Vehicle = {
      ...FELLRUNNER,
      pins: FELLRUNNER.pins.filter((pin) => pin.liveWhen !== "key"),
    };
    const [none] = told(jobWith("bar-40", 1, own, tale, keyless), "parked-draw");
    expect(none!.remedies).toEqual([]);
  });

  it("is silent where nothing draws", () => {
    expect(told(jobWith("bar-40", 1, keyed), "parked-draw")).toEqual([]);
  });
});
