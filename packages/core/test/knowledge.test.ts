/**
 * What is known of a model. The statistics are held against the trials of the BCG vaccine, the data set that
 * textbooks of meta-analysis work through (Colditz and others, JAMA 271, 1994; the table, and what random effects
 * by DerSimonian and Laird make of it, from memory of the published worked example), and against mathjs.
 */
import {
  ANY,
  asId,
  chiSquared95,
  checkedCircuit,
  combine,
  knowledgeOf,
  measured,
  settled,
  startFrom,
  student95,
  vehicleFacts,
  whichOf,
  worthMeasuring,
  budgetOf,
  type Measurement,
  type VariantId,
} from "../src/index.ts";
import { FELLRUNNER, demoJobs } from "../src/demo/index.ts";
import { edited, jobWith, keyed } from "./helpers.ts";

/** Vaccinated with the disease, of how many; the same of those who were not. */
const BCG = [
  ...[
    [4, 123, 11, 139],
    [6, 306, 29, 303],
    [3, 231, 11, 220],
    [62, 13598, 248, 12867],
  ],
  ...[
    [33, 5069, 47, 5808],
    [180, 1541, 372, 1451],
    [8, 2545, 10, 629],
    [505, 88391, 499, 88391],
  ],
  ...[
    [29, 7499, 45, 7277],
    [17, 1716, 65, 1665],
    [186, 50634, 141, 27338],
    [5, 2498, 3, 2341],
  ],
  [27, 16913, 29, 17854],
] as const;

describe("several machines as one", () => {
  it("come to what the published example comes to", () => {
    const trials = BCG.map(([a, n, c, m]) => ({
      value: Math.log(a / n / (c / m)),
      error: Math.sqrt(1 / a - 1 / n + 1 / c - 1 / m),
    }));
    const made = combine(trials);
    expect(made.value).toBeCloseTo(-0.7141, 4);
    expect(made.error).toBeCloseTo(0.1787, 4);
    expect(made.between ** 2).toBeCloseTo(0.3088, 4);
    expect(made.q).toBeCloseTo(152.233, 2);
    expect(made.freedom).toBe(12);
  });

  it("that all say the same differ by nothing, and together are surer by the root of their number", () => {
    const made = combine([1, 2, 3, 4].map(() => ({ value: 8, error: 0.2 })));
    expect(made).toEqual({ value: 8, error: 0.1, between: 0, q: 0, freedom: 3 });
    expect(combine([{ value: 5, error: 1 }])).toMatchObject({
      value: 5,
      error: 1,
      between: 0,
      freedom: 0,
    });
  });

  it("have points of chi-squared and of Student as the handbook's tables", () => {
    // NIST/SEMATECH e-Handbook 1.3.6.7.4 and 1.3.6.7.2.
    expect([1, 5, 20].map(chiSquared95)).toEqual([3.841, 11.07, 31.41]);
    expect(chiSquared95(30)).toBeCloseTo(43.773, 1);
    expect(chiSquared95(50)).toBeCloseTo(67.505, 1);
    expect([1, 2, 10, 20].map(student95)).toEqual([12.706, 4.303, 2.228, 2.086]);
    expect(student95(500)).toBe(2.086);
  });
});

const KEY = "output at 2000 rpm";
let nth = 0;
const seen = (value: number, change: Partial<Measurement> = {}): Measurement => ({
  ...{ key: KEY, words: "charging output at 2000 rpm", unit: "A", said: "" },
  ...{ value, low: value - 0.2, high: value + 0.2 },
  ...{ machine: `plate ${++nth}`, year: 0, variant: "", who: "Ansa", day: "2026-03-01" },
  ...{ jobId: "job", from: "" },
  ...change,
});
const known = (...all: Measurement[]) => knowledgeOf(all)[0]!;

describe("what machines of a model say", () => {
  it("of one alone is as sure of the next as the maker's paper: a tenth", () => {
    const one = known(seen(13.5));
    expect(one).toMatchObject({ key: KEY, agreement: "one", unit: "A" });
    expect(one.next).toMatchObject({ value: 13.5, provenance: "sister" });
    expect(one.next!.low).toBeCloseTo(12.15, 6);
    expect(one.next!.high).toBeCloseTo(14.85, 6);
  });

  it("agrees within what they are unsure by, and no machine that was seen is ruled out", () => {
    const all = [13.4, 13.5, 13.6, 13.5].map((v) => seen(v));
    const four = known(...all);
    expect(four.agreement).toBe("agree");
    expect(four.next!.value).toBeCloseTo(13.5, 6);
    expect(four.next!.low).toBeLessThanOrEqual(13.2);
    expect(four.next!.high).toBeGreaterThanOrEqual(13.8);
    // Surer than one alone: three that agree say how far machines differ.
    expect(four.next!.high - four.next!.low).toBeLessThan(2.7);
  });

  it("of two that agree is surer than of one, by Student's t of two and never by more than that", () => {
    const two = known(seen(14.1), seen(14.2));
    expect(two.agreement).toBe("agree");
    // 12.706 standard errors of the mean: 0.1 / √2 each machine.
    expect(two.next!.high - two.next!.value).toBeCloseTo(12.706 * (0.1 / Math.SQRT2), 2);
    const apart = known(seen(14), seen(18));
    expect(apart.next!.high).toBeGreaterThan(18.2);
  });

  it("differs, and the next may lie anywhere between and beyond", () => {
    const three = known(seen(11), seen(13.5), seen(16));
    expect(three.agreement).toBe("differ");
    expect(three.next!.low).toBeLessThan(11);
    expect(three.next!.high).toBeGreaterThan(16);
  });

  it("differs by variant where that explains it, and the next is told by its own", () => {
    const all = [
      ...[11, 11.1, 11.05].map((v) => seen(v, { variant: "with audio" })),
      ...[14, 14.1, 13.9].map((v) => seen(v, { variant: "without" })),
    ];
    expect(known(...all).agreement).toBe("variant");
    const [withAudio] = knowledgeOf(all, { variant: "with audio", year: 0 });
    expect(withAudio!.next!.value).toBeCloseTo(11.05, 2);
    expect(withAudio!.next!.high).toBeLessThan(13);
    // Of which nobody knows the variant, both stay possible.
    const [unsaid] = knowledgeOf(all, ANY);
    expect(unsaid!.groups.map(({ name }) => name)).toEqual(["with audio", "without"]);
    expect(unsaid!.next!.low).toBe(unsaid!.groups[0]!.next!.low);
    expect(unsaid!.next!.high).toBe(unsaid!.groups[1]!.next!.high);
    expect(unsaid!.next!.value).toBe(12.5);
    expect(unsaid!.next!.low).toBeLessThan(11);
    expect(unsaid!.next!.high).toBeGreaterThan(14);
    // Where one of them does not say its variant, that explains nothing.
    expect(known(...all, seen(12.4)).agreement).toBe("differ");
  });

  it("differs where each of several variants has one machine: that explains any numbers", () => {
    const apart = known(seen(11, { variant: "a" }), seen(14, { variant: "b" }));
    expect(apart).toMatchObject({ agreement: "differ", groups: [] });
  });

  it("differs by year where machines of one year agree; a year each explains nothing", () => {
    const years = [
      ...[11, 11.1].map((v) => seen(v, { year: 2019 })),
      ...[14, 14.1].map((v) => seen(v, { year: 2022 })),
    ];
    expect(known(...years).agreement).toBe("year");
    expect(knowledgeOf(years, { variant: "", year: 2022 })[0]!.next!.value).toBeCloseTo(14.05, 2);
    const alone = [11, 12.5, 14].map((v, i) => seen(v, { year: 2019 + i }));
    expect(known(...alone).agreement).toBe("differ");
  });

  it("counts a machine once: its last word", () => {
    const twice = known(
      seen(10, { machine: "A", day: "2026-01-01" }),
      seen(12, { machine: "A", day: "2026-02-01" }),
    );
    expect(twice.measurements.map((m) => m.value)).toEqual([12]);
    expect(twice.agreement).toBe("one");
    // Machines that nobody named are told apart by their jobs.
    const unnamed = [seen(10, { machine: "", jobId: "a" }), seen(12, { machine: "", jobId: "b" })];
    expect(known(...unnamed).measurements).toHaveLength(2);
    // Another shop's machine 1 is not this shop's.
    const shops = [seen(10, { machine: "1" }), seen(10, { machine: "1", from: "Other" })];
    expect(known(...shops).measurements).toHaveLength(2);
  });

  it("of a wire agrees where all say the same, and otherwise tells what most say", () => {
    const wire = (said: string, change: Partial<Measurement> = {}) =>
      seen(0, {
        key: "wire tail / 2",
        unit: "",
        value: null,
        low: null,
        high: null,
        said,
        ...change,
      });
    expect(known(wire("red, brake"), wire("red, brake"))).toMatchObject({
      ...{ agreement: "agree", said: "red, brake", next: null },
    });
    expect(known(wire("red"), wire("red"), wire("blue"))).toMatchObject({
      ...{ agreement: "differ", said: "red" },
    });
    const byVariant = known(
      wire("red", { variant: "a" }),
      wire("red", { variant: "a" }),
      wire("blue", { variant: "b" }),
    );
    expect(byVariant.agreement).toBe("variant");
  });

  it("holds for the next machine as often as it says, over many shops by chance", () => {
    // Machines about 20 A that differ by 1 A, each read to 0.1 A: invented.
    let state = 7;
    const chance = (): number => {
      state = (state * 48271) % 2147483647;
      return state / 2147483647;
    };
    const normal = (): number =>
      Math.sqrt(-2 * Math.log(chance())) * Math.cos(2 * Math.PI * chance());
    let within = 0;
    for (let i = 0; i < 400; i++) {
      const machines = Array.from({ length: 6 }, () => seen(20 + normal() + 0.1 * normal()));
      const { next } = known(...machines);
      const truth = 20 + normal();
      if (next!.low <= truth && truth <= next!.high) within++;
    }
    expect(within / 400).toBeGreaterThan(0.92);
    expect(within / 400).toBeLessThan(0.995);
  });
});

describe("a new job on a model", () => {
  const three = [13.4, 13.5, 13.6].map((v) => seen(v));

  it("starts from what machines of it have shown, and calls nothing measured that was not on this one", () => {
    const next = startFrom(FELLRUNNER, knowledgeOf(three), "plate 9");
    const facts = new Map(vehicleFacts(next).map(({ key, fact }) => [key, fact]));
    expect(next.machine).toBe("plate 9");
    expect(facts.get(KEY)).toMatchObject({ value: 13.5, provenance: "sister" });
    expect(vehicleFacts(FELLRUNNER).some(({ fact }) => fact.provenance === "measured")).toBe(true);
    expect([...facts.values()].filter(({ provenance }) => provenance === "measured")).toEqual([]);
    // Bounds that were measured on another machine stay as they were told.
    const { regulatedV } =
      FELLRUNNER.system.kind === "engine" ? FELLRUNNER.system.charging : never();
    expect(facts.get("charging.regulatedV")).toEqual({ ...regulatedV, provenance: "sister" });
    // What nobody has measured stays as the profile has it.
    const rear = vehicleFacts(FELLRUNNER).find(({ key }) => key === "reaches.rearM")!;
    expect(facts.get("reaches.rearM")).toEqual(rear.fact);
  });

  it("of the very machine that the profile is of keeps what was measured", () => {
    const own = { ...FELLRUNNER, machine: "plate 1" };
    expect(startFrom(own, knowledgeOf(three), "plate 1")).toEqual(own);
    expect(startFrom(own, [], "plate 2")).not.toEqual({ ...own, machine: "plate 2" });
  });

  it("of a machine that was here before starts from what it showed itself, as measured", () => {
    const all = knowledgeOf([...three, seen(12.1, { machine: "plate 9" })]);
    const again = startFrom(FELLRUNNER, all, "plate 9");
    const fact = vehicleFacts(again).find(({ key }) => key === KEY)!.fact;
    expect(fact).toEqual({ value: 12.1, low: 11.9, high: 12.1 + 0.2, provenance: "measured" });
    // Another shop's machine of that name is another one, and so is one that nobody named.
    const told = knowledgeOf([...three, seen(12.1, { machine: "plate 9", from: "Other" })]);
    for (const [of, machine] of [
      [told, "plate 9"],
      [all, ""],
    ] as const) {
      const other = startFrom(FELLRUNNER, of, machine);
      expect(vehicleFacts(other).find(({ key }) => key === KEY)!.fact.provenance).toBe("sister");
    }
  });

  it("is told apart by variant and year", () => {
    const id = asId<VariantId>("v");
    const one = { ...FELLRUNNER, variants: [{ id, name: "with winch" }], variant: id, year: 2021 };
    expect(whichOf(one)).toEqual({ variant: "with winch", year: 2021 });
    expect(whichOf(FELLRUNNER)).toEqual(ANY);
  });
});

const never = (): never => {
  throw new Error("not an engine");
};

describe("what is worth measuring", () => {
  const job = jobWith("pod-18", 2, keyed);
  const factAt = (key: string) => vehicleFacts(job.vehicle).find((one) => one.key === key)!;

  it("is what the verdict's bounds shrink most by, as the budget itself says", () => {
    const { circuit } = checkedCircuit(job);
    const list = worthMeasuring(job, circuit);
    expect(list.length).toBeGreaterThan(2);
    expect(list.map(({ share }) => share)).toEqual(
      list.map(({ share }) => share).sort((a, b) => b - a),
    );
    for (const { key, share } of list) {
      expect(factAt(key).fact.provenance).not.toBe("measured");
      expect(share).toBeGreaterThanOrEqual(0.02);
      expect(share).toBeLessThanOrEqual(1);
    }
    const first = list.find(({ verdict }) => verdict.startsWith("what charging"))!;
    const state = first.verdict.split(" ").at(-1);
    const spare = (of: typeof job): number => {
      const { spareA } = budgetOf(of, circuit).running.find((b) => b.state === state)!;
      return spareA.high - spareA.low;
    };
    const after = spare(edited(job, factAt(first.key).set(settled(factAt(first.key).fact))));
    expect(first.share).toBeCloseTo(1 - after / spare(job), 9);
  });

  it("is not asked again once it is measured", () => {
    const [first] = worthMeasuring(job, checkedCircuit(job).circuit);
    const after = edited(job, factAt(first!.key).set(measured(factAt(first!.key).fact.value)));
    const keys = worthMeasuring(after, checkedCircuit(after).circuit).map(({ key }) => key);
    expect(keys).not.toContain(first!.key);
  });

  it("of a pack is told, too", () => {
    const cart = demoJobs().find((j) => j.vehicle.system.kind !== "engine" && j.runs.length > 0)!;
    const list = worthMeasuring(cart, checkedCircuit(cart).circuit);
    expect(list.some(({ key }) => key.startsWith("pack."))).toBe(true);
  });
});
