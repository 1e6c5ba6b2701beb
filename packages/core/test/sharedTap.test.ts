/** Several circuits behind one tap and one fuse, and feeds that are live with a signal already. */
import {
  allOf,
  asId,
  checkedCircuit,
  elementsOf,
  groupsOf,
  proveGroup,
  setIn,
  synthesise,
  type ElementId,
  type Job,
  type SupplyId,
} from "../src/index.ts";
import { referenceJobs } from "../src/demo/index.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { PORTER } from "../src/demo/index.ts";
import { edited } from "./helpers.ts";

const PORT = asId<SupplyId>("port");
const shared = (): Job =>
  referenceJobs().find((ref) => /one tap and one fuse/.test(ref.situation))!.job;

const stops = (job: Job): string[] =>
  checkedCircuit(job)
    .findings.filter((f) => f.severity === "stop")
    .map((f) => f.title);

/** Positions in which something is not as it was meant. */
const wrong = (job: Job): number => {
  const circuit = synthesise(job);
  return groupsOf(job, circuit).reduce(
    (sum, group) => sum + proveGroup(job, circuit, group).differences.length,
    0,
  );
};

const idsOf = (job: Job, kind: "fuse" | "coil" | "switch"): string[] => {
  const circuit = synthesise(job);
  return elementsOf(circuit, [...circuit.elements.keys()] as ElementId[], kind).map((e) => e.id);
};

describe("two circuits on one tap and one fuse", () => {
  it("have one fuse, no relay, and nothing to stop for", () => {
    expect(idsOf(shared(), "fuse")).toEqual(["port.fuse"]);
    expect(idsOf(shared(), "coil")).toEqual([]);
    expect(stops(shared())).toEqual([]);
  });

  it("do what was meant in every position: the ring with the key, the spot with its switch too", () => {
    expect(wrong(shared())).toBe(0);
    expect(idsOf(shared(), "switch")).toEqual(["spot.switch"]);
  });

  it("are stopped for where the one fuse is left out as well", () => {
    const bare = edited(shared(), setIn("supply", PORT, "fuse", { kind: "none" }));
    expect(stops(bare)).toContain("No fuse");
  });

  it("are stopped for where the one fuse is more than their wires carry", () => {
    const much = edited(shared(), setIn("supply", PORT, "fuse", { kind: "rating", ratingA: 30 }));
    expect(stops(much).some((title) => /30 A fuse is above what it protects/.test(title))).toBe(
      true,
    );
  });
});

describe("a feed that is live with the key already", () => {
  const behindConverter = (gate: "key" | "always"): Job =>
    make("test", "", PORTER, "")
      .supply("converter", "Converter", "converter-60-12", { gate })
      .run("path", "Path lights", "front", allOf("key"), [["path-red", 1, "front"]], {
        feed: { kind: "supply", supplyId: asId<SupplyId>("converter") },
        return: "wire",
      }).job;

  it("wants no relay of its own for it: the converter's is enough", () => {
    const keyed = behindConverter("key");
    expect(idsOf(keyed, "coil").filter((id) => id.startsWith("path"))).toEqual([]);
    expect(wrong(keyed)).toBe(0);
    // One that is always live has to be told of the key.
    const always = behindConverter("always");
    expect(wrong(always)).toBe(0);
    const told = [...idsOf(always, "coil"), ...synthesise(always).runs[0]!.shared];
    expect(told.some((id) => id.startsWith("path") || /key/.test(id))).toBe(true);
  });
});
