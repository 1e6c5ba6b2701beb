import {
  LAMP_WORK_WORDS,
  TestBench,
  faults,
  getsHomeWords,
  synthesise,
  type Feed,
  type GetsHome,
  type NodeId,
} from "../src/index.ts";
import { PORTER, FELLRUNNER } from "../src/demo/index.ts";
import { faultsOfElement, faultsOfCircuit, faultsOfFeeder } from "../src/proof/faults.ts";
import { rootV } from "../src/circuit/index.ts";
import { realSources } from "../src/proof/index.ts";
import { positionBits, positionCount } from "../src/proof/positions.ts";
import { jobWith, keyed } from "./helpers.ts";
import { kitByHand } from "./jobs.ts";

const ones = (bits: number): number => [...bits.toString(2)].filter((c) => c === "1").length;

describe("positions of controls", () => {
  it("are all of them up to twelve, the fewest on first, each once", () => {
    for (const n of [0, 1, 3, 5, 12]) {
      const bits = positionBits(n);
      expect(bits).toHaveLength(positionCount(n));
      expect(new Set(bits).size).toBe(2 ** n);
      expect(Math.min(...bits)).toBe(0);
      expect(Math.max(...bits)).toBe(2 ** n - 1);
      expect(bits).toEqual([...bits].sort((a, b) => ones(a) - ones(b) || a - b));
    }
    expect(positionBits(3)).toEqual([0, 1, 2, 4, 3, 5, 6, 7]);
  });

  it("beyond twelve are those with few on or few off, and the same draw of the rest each time", () => {
    for (const n of [13, 16, 20]) {
      const bits = positionBits(n);
      const set = new Set(bits);
      expect(set.size).toBe(bits.length);
      expect(positionBits(n)).toEqual(bits);
      const all = 2 ** n - 1;
      const missing: number[] = [];
      for (let a = 0; a < n; a += 1) {
        for (let b = a; b < n; b += 1) {
          for (let c = b; c < n; c += 1) {
            const few = new Set([a, b, c]);
            const on = [...few].reduce((sum, i) => sum + 2 ** i, 0);
            if (!set.has(on)) missing.push(on);
            if (!set.has(all - on)) missing.push(all - on);
          }
        }
      }
      expect(missing).toEqual([]);
      expect(set.has(0)).toBe(true);
      expect(set.has(all)).toBe(true);
      // No more than those and the draw; and the draw is spread over all of it.
      expect(bits.length).toBeLessThan(2 * (1 + n + (n * (n - 1)) / 2 + n ** 3 / 6) + 2048);
      const middle = bits.filter((b) => ones(b) > 3 && ones(b) < n - 3);
      expect(middle.length).toBeGreaterThan(1000);
      const high = middle.filter((b) => b >= 2 ** (n - 1)).length / middle.length;
      expect(high).toBeGreaterThan(0.45);
      expect(high).toBeLessThan(0.55);
    }
  });
});

describe("riding home in a sentence", () => {
  const said = (more: Partial<GetsHome>) =>
    getsHomeWords({ ridesHome: "yes", lost: [], uncounted: [], ...more });

  it("says whether, with what is gone, and what nobody has counted", () => {
    const [work, other] = Object.keys(LAMP_WORK_WORDS) as GetsHome["lost"][number][];
    expect(said({})).toBe("Nothing that riding needs is lost: it rides home.");
    expect(said({ ridesHome: "no" })).toBe("Ignition gone: it does not ride home.");
    expect(said({ ridesHome: "unknown" })).toMatch(/^Not solved: .*Treat it as unsafe\.$/);
    expect(said({ ridesHome: "byDay", lost: [work!] })).toBe(
      `No ${LAMP_WORK_WORDS[work!]} left: by daylight only, not by night.`,
    );
    expect(said({ ridesHome: "unseen", lost: [work!, other!] })).toBe(
      `Rides home; no ${LAMP_WORK_WORDS[work!]}, ${LAMP_WORK_WORDS[other!]} left to tell others.`,
    );
    const counted = said({ uncounted: [other!] });
    expect(counted).toMatch(/^Rides home by day\. Nobody has counted the factory’s: /);
    expect(counted).toContain(LAMP_WORK_WORDS[other!]);
    expect(said({ ridesHome: "byDay", lost: [work!], uncounted: [other!] })).toMatch(
      /not by night\. Nobody has counted/,
    );
  });
});

describe("faults of a part of a job", () => {
  const job = kitByHand();
  const circuit = synthesise(job);
  const all = faults(job, circuit)!;

  it("are together every fault of the whole, each once", () => {
    const apart = [
      ...circuit.feeders.flatMap((feeder) => faultsOfFeeder(job, circuit, feeder)),
      ...circuit.runs.flatMap((run) => faultsOfCircuit(job, circuit, run)),
    ];
    const words = (list: readonly { readonly words: string }[]) => list.map((f) => f.words).sort();
    expect(words(apart)).toEqual(words(all));
    expect(all.length).toBeGreaterThan(200);
  });

  it("of one element are its own among those of its run, told alike", () => {
    const [run] = circuit.runs;
    const ofRun = faultsOfCircuit(job, circuit, run!);
    for (const id of run!.out) {
      for (const one of faultsOfElement(job, circuit, run!, id)) {
        expect(one.elementId).toBe(id);
        expect(ofRun).toContainEqual(one);
      }
    }
  });

  it("name each its place: no two of one circuit read alike", () => {
    const [group] = new TestBench(job).groups;
    const said = group!.suspects.map((s) => s.words);
    expect(new Set(said).size).toBe(said.length);
  });
});

describe("sources with what they have inside", () => {
  const inside = (vehicle: typeof FELLRUNNER, feed: Feed) => {
    const made = synthesise(jobWith("pod-18", 1, keyed, { feed }, vehicle));
    const posts = made.posts.map(({ node, root }) => [
      node,
      rootV(root, { sourceV: 12.7, packV: 48 }),
    ]);
    const held = new Map(posts as [NodeId, number][]);
    const real = realSources(made, { branches: [], held }, { sourceOhm: 0.02, packOhm: 0.06 });
    const sources = real.branches.flatMap(({ model }) => (model.kind === "source" ? [model] : []));
    return { sources, held: [...real.held.values()] };
  };

  it("are a voltage behind their ohms: a battery's, a pack's, or its blocks' share of that", () => {
    expect(inside(FELLRUNNER, { kind: "battery" }).sources).toContainEqual({
      ...{ kind: "source", volts: 12.7, ohm: 0.02 },
    });
    const pack = inside(PORTER, { kind: "pack" }).sources;
    expect(pack).toContainEqual({ kind: "source", volts: 48, ohm: 0.06 });
    const tapped = inside(PORTER, { kind: "block", blocks: 2 }).sources;
    expect(tapped.map(({ volts, ohm }) => [volts, ohm])).toContainEqual([
      expect.closeTo(16, 9),
      expect.closeTo(0.02, 9),
    ]);
  });

  it("leave what is held at nothing as it is", () => {
    for (const { held } of [
      inside(FELLRUNNER, { kind: "battery" }),
      inside(PORTER, { kind: "pack" }),
    ]) {
      expect(held.every((volts) => volts <= 0)).toBe(true);
    }
  });
});
