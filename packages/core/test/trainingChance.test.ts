import { DRILLS, DRILL_WORDS, seeded } from "../src/index.ts";
import { pickByWeight, pickOf, shuffled } from "../src/training/chance.ts";

/** How often each of what comes out does, over many times. */
function often<T>(times: number, one: () => T): Map<T, number> {
  const counts = new Map<T, number>();
  for (let i = 0; i < times; i += 1) {
    const got = one();
    counts.set(got, (counts.get(got) ?? 0) + 1);
  }
  return counts;
}

describe("chance", () => {
  it("picks each of a list alike, and nothing from an empty one", () => {
    const chance = seeded(3);
    const counts = often(3000, () => pickOf(["a", "b", "c"], chance));
    for (const one of ["a", "b", "c"]) {
      expect(counts.get(one)).toBeGreaterThan(900);
      expect(counts.get(one)).toBeLessThan(1100);
    }
    expect(pickOf([], chance)).toBeNull();
    expect(pickOf(["a", "b"], () => 0)).toBe("a");
    expect(pickOf(["a", "b"], () => 0.999)).toBe("b");
  });

  it("picks by weight: what weighs nothing never comes, three times the weight three times as often", () => {
    const chance = seeded(5);
    const weights: Readonly<Record<string, number>> = { a: 1, b: 3, c: 0 };
    const counts = often(4000, () => pickByWeight(["c", "a", "b"], (w) => weights[w]!, chance));
    expect(counts.get("c")).toBeUndefined();
    expect(counts.get("b")! / counts.get("a")!).toBeGreaterThan(2.7);
    expect(counts.get("b")! / counts.get("a")!).toBeLessThan(3.3);
    expect(pickByWeight([], () => 1, chance)).toBeNull();
    // The very end of the last weight is still the last one.
    expect(
      pickByWeight(
        ["a", "b"],
        () => 1,
        () => 1,
      ),
    ).toBe("b");
  });

  it("lays a list in every order alike often, and loses none of it", () => {
    const chance = seeded(11);
    const list = ["a", "b", "c"];
    const counts = often(6000, () => shuffled(list, chance).join(""));
    expect([...counts.keys()].sort()).toEqual(["abc", "acb", "bac", "bca", "cab", "cba"]);
    for (const count of counts.values()) {
      expect(count).toBeGreaterThan(850);
      expect(count).toBeLessThan(1150);
    }
    expect(list).toEqual(["a", "b", "c"]);
    const long = Array.from({ length: 50 }, (_, i) => i);
    expect(shuffled(long, chance).sort((a, b) => a - b)).toEqual(long);
    expect(shuffled([], chance)).toEqual([]);
  });
});

it("every kind of drill is asked about by a name of its own", () => {
  const words = DRILLS.map((kind) => DRILL_WORDS[kind]);
  expect(words.every((w) => /^[A-Z][a-z]/.test(w))).toBe(true);
  expect(new Set(words).size).toBe(DRILLS.length);
});
