/** What is fed from a part of a pack, and what goes back by the frame behind a supply of its own. */
import {
  allOf,
  elementsOf,
  restVolts,
  rootV,
  synthesise,
  type ElementId,
  type Feed,
  type Job,
} from "../src/index.ts";
import { FELLRUNNER, LITTER, PORTER } from "../src/demo/index.ts";
import { behind, jobWith, keyed, SUPPLY } from "./helpers.ts";

const wires = (job: Job): string[] => {
  const circuit = synthesise(job);
  return elementsOf(circuit, [...circuit.elements.keys()] as ElementId[], "wire").map((w) => w.id);
};

describe("a circuit on blocks of a pack", () => {
  const on = (feed: Feed) => {
    const circuit = synthesise(jobWith("pod-18", 1, allOf("switch"), { feed }, PORTER));
    const [run] = circuit.runs;
    return { circuit, run: run! };
  };
  const { system } = PORTER;
  const blocks = system.kind === "engine" ? 0 : system.pack.blocks;

  it("has its blocks' share of the pack's volts, and the whole of it at all of them", () => {
    const whole = restVolts(PORTER).packV;
    expect(blocks).toBeGreaterThan(2);
    for (const n of [1, 2]) {
      const { run } = on({ kind: "block", blocks: n });
      expect(run.root).toEqual({ kind: "pack", share: n / blocks });
      expect(rootV(run.root, restVolts(PORTER))).toBeCloseTo((whole * n) / blocks, 9);
    }
    expect(rootV(on({ kind: "pack" }).run.root, restVolts(PORTER))).toBe(whole);
  });

  it("begins at the post of its tap, and at the pack's own where it takes them all", () => {
    const begins = (feed: Feed): boolean[] =>
      ["pack.tap1", "pack.tap2", "pack.pos"].map((post) =>
        [...on(feed).circuit.elements.values()].some((e) => e.kind === "wire" && e.from === post),
      );
    expect(begins({ kind: "block", blocks: 1 })).toEqual([true, false, false]);
    expect(begins({ kind: "block", blocks: 2 })).toEqual([false, true, false]);
    expect(begins({ kind: "block", blocks })).toEqual([false, false, true]);
    expect(begins({ kind: "pack" })).toEqual([false, false, true]);
  });

  it("is none where the pack has no such block, or the vehicle no pack", () => {
    const gaps = (feed: Feed, vehicle = PORTER) =>
      synthesise(jobWith("pod-18", 1, keyed, { feed }, vehicle)).gaps.map((gap) => gap.kind);
    expect(gaps({ kind: "block", blocks: blocks + 1 })).toEqual(["noSource"]);
    expect(gaps({ kind: "block", blocks: 1 }, FELLRUNNER)).toEqual(["noSource"]);
    expect(gaps({ kind: "pack" }, FELLRUNNER)).toEqual(["noSource"]);
    expect(gaps({ kind: "battery" })).toEqual(["noSource"]);
  });
});

describe("behind a converter of one's own", () => {
  it("the frame is tied to its negative only where something goes back that way", () => {
    const back = (way: "chassis" | "wire"): Job => {
      const job = behind("converter-60-12", "pod-18", 1, LITTER);
      return { ...job, runs: job.runs.map((run) => ({ ...run, return: way })) };
    };
    expect(wires(back("chassis"))).toContain(`${SUPPLY}.bond`);
    expect(wires(back("wire"))).not.toContain(`${SUPPLY}.bond`);
    // A circuit of another feed that goes back by the frame asks nothing of this one.
    const other = back("wire");
    const [run] = other.runs;
    const beside: Job = {
      ...other,
      runs: [
        run!,
        { ...run!, id: "beside" as never, feed: { kind: "battery" }, return: "chassis" },
      ],
    };
    expect(wires(beside)).not.toContain(`${SUPPLY}.bond`);
    // Nor does one that goes back by a wire take it away from one that does not.
    const both = back("chassis");
    const mixed = { ...both, runs: [both.runs[0]!, { ...run!, id: "by-wire" as never }] };
    expect(wires(mixed)).toContain(`${SUPPLY}.bond`);
    const second = { ...other.supplies[0]!, id: "second" as never };
    const elsewhere: Job = {
      ...other,
      supplies: [...other.supplies, second],
      runs: [
        run!,
        {
          ...{ ...run!, id: "beside" as never, return: "chassis" },
          feed: { kind: "supply", supplyId: second.id },
        },
      ],
    };
    expect(wires(elsewhere)).toContain("second.bond");
    expect(wires(elsewhere)).not.toContain(`${SUPPLY}.bond`);
  });
});
