/** What is decided of a circuit before a wire is laid: its ways, its relay, what its control may carry. */
import {
  allOf,
  asId,
  elementsOf,
  synthesise,
  type Circuit,
  type Condition,
  type Feed,
  type Input,
  type Job,
  type SupplyId,
} from "../src/index.ts";
import { DEMO_SHELF, PETREL, PORTER } from "../src/demo/index.ts";
import { make } from "../src/demo/job/fitMaker.ts";

const from = (id: string): Feed => ({ kind: "supply", supplyId: asId<SupplyId>(id) });

const count = (circuit: Circuit, kind: "coil" | "contact" | "diode" | "fuse"): number =>
  elementsOf(circuit, [...circuit.elements.keys()], kind).length;

const on = (condition: Condition, fields = {}): Job =>
  make("x", "", PETREL, "").run("a", "A", "front", condition, [["pod-18", 1, "front"]], fields).job;

describe("ways of being on", () => {
  const all = (...inputs: Input[]): Circuit => synthesise(on(allOf(...inputs)));

  it("take an interposing relay for each signal beside the first", () => {
    expect(count(all("low"), "coil")).toBe(1);
    expect(count(all("low", "brake"), "coil")).toBe(2);
  });

  it("take none for the key where another is on with it only", () => {
    expect(count(all("key", "low", "brake"), "coil")).toBe(2);
    // The brake light burns without the key: this one has to be asked.
    expect(count(all("key", "brake"), "coil")).toBe(2);
  });
});

describe("a control of the kit carries a circuit's load", () => {
  const FLASHER = DEMO_SHELF.find((p) => p.kind === "flasher" && p.principle === "indifferent")!.id;
  const left = (runFeed: Feed, controlFeed: Feed): Circuit =>
    synthesise(
      make("x", "", PETREL, "")
        .supply("flash", "Flasher", FLASHER)
        .supply("block", "Fuse block", "fuse-block-6")
        .control("turn", "Turn switch", ["left"], { feed: controlFeed })
        .run("left", "Left", "front", allOf("left"), [["turn-led", 1, "front"]], { feed: runFeed })
        .job,
    );
  const direct = (circuit: Circuit): boolean => count(circuit, "coil") === 0;
  const battery: Feed = { kind: "battery" };

  it("where both are fed from one thing", () => {
    expect(direct(left(battery, battery))).toBe(true);
    expect(direct(left(from("flash"), from("flash")))).toBe(true);
  });

  it("where what it is fed from hangs on what the circuit is to be fed from", () => {
    expect(direct(left(battery, from("flash")))).toBe(true);
    expect(direct(left(battery, from("block")))).toBe(true);
  });

  it("and not where it would come round the flasher, or from another source", () => {
    expect(direct(left(from("flash"), battery))).toBe(false);
    expect(direct(left(from("flash"), from("block")))).toBe(false);
    const cart = synthesise(
      make("x", "", PORTER, "")
        .supply("conv", "Converter", "converter-60-12", { feed: { kind: "pack" } })
        .control("turn", "Turn switch", ["left"], { feed: from("conv") })
        .run("left", "Left", "front", allOf("left"), [["turn-led", 1, "front"]], {
          feed: { kind: "pack" },
        }).job,
    );
    expect(direct(cart)).toBe(false);
  });
});

describe("a switch of the kit that has nothing to be fed from", () => {
  const CONVERTER = "converter-60-12";
  const worked = (feed: Feed): Circuit =>
    synthesise(
      make("x", "", PORTER, "")
        .supply("twelve", "Converter", CONVERTER)
        .control("turn", "Turn switch", ["left"], { feed })
        .run("left", "Left", "front", allOf("left"), [["turn-led", 1, "front"]], {
          feed: from("twelve"),
        }).job,
    );
  it("is told with the circuits that it works, and stands for no wire of the vehicle", () => {
    // This cart has no 12 V battery.
    const { gaps, runs, units } = worked({ kind: "battery" });
    expect(gaps.map(({ runId, kind }) => [runId, kind])).toEqual([
      ["turn", "noSource"],
      ["left", "noSource"],
    ]);
    expect(gaps[1]?.detail).toBe(
      "what works it has nothing to be fed from: Turn switch, left turn",
    );
    expect(runs).toEqual([]);
    expect([...units.values()].filter(({ kind }) => kind === "factory")).toEqual([]);
  });

  it("works them where it has something", () => {
    const { gaps, runs } = worked(from("twelve"));
    expect(gaps).toEqual([]);
    expect(runs).toHaveLength(1);
  });
});
