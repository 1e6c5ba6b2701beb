/** Ranking and probing by hand-made expectations, each figure worked out beside it. */
import {
  TestBench,
  alikeTo,
  mendPlan,
  testGroups,
  synthesise,
  worthOf,
  type Expected,
  type FaultSuspect,
  type Probe,
  type Ranked,
  type CircuitId,
  type Suspect,
} from "../src/index.ts";
import { nextProbe } from "../src/diagnosis/suspect/diagnose.ts";
import { isFault, pods } from "./testing.ts";

const fault = (id: string): FaultSuspect => ({
  ...{
    kind: "fault",
    id,
    words: `${id} is open`,
    prior: 0.1,
    fault: "open",
    runId: "run-1" as CircuitId,
  },
  ...{ elementIds: [id as FaultSuspect["elementIds"][number]], changes: [] },
});
const OTHER: Suspect = { kind: "other", id: "other", words: "not on the list", prior: 0.1 };
const [A, B, C] = [fault("a"), fault("b"), fault("c")];

const ANYTHING: Expected = { value: 0, sigma: Infinity };

/** A probe of volts that reads so for each suspect, and anything at all for what it does not name. */
function probe(
  id: string,
  reads: Readonly<Record<string, Expected>>,
  { minutes = 1, state = "off" } = {},
): Probe {
  const made = {
    ...{ id, words: id, unit: "V", minutes, panels: [], beforePanels: false },
    ...{ state: { id: state }, at: { kind: "volts" } },
    bench: {
      expects: (of: Suspect) => reads[of.id] ?? ANYTHING,
      sound: () => ({ value: 12, sigma: 0.1 }),
    },
  };
  return made as unknown as Probe;
}
const at = (value: number, sigma = 0.1): Expected => ({ value, sigma });
const shares = (...of: readonly (readonly [Suspect, number])[]): Ranked[] =>
  of.map(([suspect, share]) => ({ suspect, share }));

describe("suspects that no tip can part", () => {
  it("are those whose every reading is within twice the spread of both", () => {
    // Spreads of 3 and 4 are 5 together: 10 apart is alike, a hair more is not.
    const near = probe("p", { a: at(0, 3), b: at(10, 4), c: at(10.001, 4) });
    expect(alikeTo(A, [A, B, C], [near])).toEqual([B]);
    // One probe that parts them is enough.
    expect(alikeTo(A, [B], [near, probe("q", { a: at(0), b: at(12) })])).toEqual([]);
    expect(alikeTo(B, [A], [probe("q", { a: at(12), b: at(0) })])).toEqual([]);
  });

  it("are never itself, nor what nothing is expected of", () => {
    expect(alikeTo(A, [A, OTHER, B], [probe("p", { a: at(5), b: at(5) })])).toEqual([B]);
  });
});

describe("what a probe is worth", () => {
  it("is a bit where it parts two of the same share", () => {
    const even = shares([A, 0.5], [B, 0.5]);
    expect(worthOf(even, probe("p", { a: at(0), b: at(12) }))).toBeCloseTo(1, 3);
    expect(worthOf(even, probe("p", { a: at(6), b: at(6) }))).toBeCloseTo(0, 6);
    // Shares are of what counts still, whatever they add up to.
    expect(worthOf(shares([A, 0.1], [B, 0.1]), probe("p", { a: at(0), b: at(12) }))).toBeCloseTo(1);
  });

  it("is nothing for the share of what is not on the list", () => {
    // H(0.4, 0.4, 0.2) = 1.5219 bits; with 0.4 + 0.4 of chance the right one stands alone.
    const ranked = shares([A, 0.4], [B, 0.4], [OTHER, 0.2]);
    const worth = worthOf(ranked, probe("p", { a: at(0, 0.01), b: at(12, 0.01) }));
    expect(worth).toBeGreaterThan(0.8 * 1.5219 - 0.03);
    expect(worth).toBeLessThanOrEqual(0.8 * 1.5219);
  });
});

describe("the next probe", () => {
  const even = shares([A, 0.5], [B, 0.5]);
  const reads = { a: at(0), b: at(12) };

  it("is the one that tells most for its minutes", () => {
    const [slow, quick] = [probe("slow", reads, { minutes: 3 }), probe("quick", reads)];
    const next = nextProbe(even, [slow, quick], "off");
    expect(next?.probe.id).toBe("quick");
    expect(next?.bits).toBeCloseTo(1, 3);
    expect(next?.bitsPerMinute).toBeCloseTo(1, 3);
    expect(next?.sound).toEqual(at(12));
  });

  it("is in the position that things stand in, where another is no better", () => {
    const [there, here] = [probe("there", reads, { state: "on" }), probe("here", reads)];
    expect(nextProbe(even, [there, here], "off")?.probe.id).toBe("here");
    expect(nextProbe(even, [there, here], "on")?.probe.id).toBe("there");
    // Where nothing has been tried yet both take the same turning: the first one stays.
    expect(nextProbe(even, [there, here], null)?.probe.id).toBe("there");
    expect(nextProbe(even, [here, there], null)?.probe.id).toBe("here");
  });

  it("is none where no reading would move anything", () => {
    expect(nextProbe(even, [probe("p", { a: at(6), b: at(6) })], null)).toBeNull();
    expect(nextProbe(even, [], null)).toBeNull();
  });
});

describe("the suspects of a job", () => {
  it("have shares that add up to one, with room for what is sound, misstated or not listed", () => {
    const job = pods();
    for (const { suspects } of testGroups(job, synthesise(job))) {
      const sum = (of: readonly Suspect[]): number => of.reduce((all, s) => all + s.prior, 0);
      expect(sum(suspects)).toBeCloseTo(1, 9);
      const kinds = suspects.filter((s) => !isFault(s)).map(({ kind }) => kind);
      expect(kinds).toEqual(["sound", "facts", "other"]);
      const faults = suspects.filter(isFault);
      expect(sum(faults)).toBeCloseTo(1 - sum(suspects.filter((s) => !isFault(s))), 9);
      expect(new Set(suspects.map(({ id }) => id)).size).toBe(suspects.length);
    }
  });
});

describe("a mend", () => {
  const job = pods();
  const bench = new TestBench(job);
  const [group] = bench.groups;
  const shop = { job, circuit: bench.circuit, units: "metric" as const };

  it("is of something: a fault in nothing is refused", () => {
    const nothing = { ...fault("x"), elementIds: [] };
    expect(() => mendPlan(shop, group!, nothing, new Set())).toThrow("a fault in nothing: x");
  });

  it("takes no wire off a reel for a lead that came with its lamp", () => {
    const made = group!.suspects.filter(isFault).filter(({ fault: what, elementIds }) => {
      const element = bench.circuit.elements.get(elementIds[0]!);
      return what === "open" && element?.kind === "wire" && element.harness !== "";
    });
    expect(made.length).toBeGreaterThan(0);
    for (const suspect of made) {
      expect(mendPlan(shop, group!, suspect, new Set()).takes).toEqual([]);
    }
  });
});
