/** What a person can build from the list: every source's negative, every relay, every end. */
import {
  adoptPart,
  allOf,
  asId,
  endWords,
  materialsOf,
  restVolts,
  rootV,
  setCircuit,
  solveCircuit,
  splitNode,
  routeOf,
  synthesise,
  unitAt,
  wiresOf,
  type Circuit,
  type Feed,
  type Input,
  type Job,
  type Part,
  type Position,
  type LightingCircuit,
  type CircuitId,
  type SupplyId,
  type WireElement,
} from "../src/index.ts";
import { FELLRUNNER, PETREL, PORTER, DEMO_SHELF, demoPart } from "../src/demo/index.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { when } from "../src/demo/job/jobMaker.ts";
import { edited, findingsOf } from "./helpers.ts";

const supply = (id: string): Feed => ({ kind: "supply", supplyId: asId<SupplyId>(id) });
const partOf = (kind: Part["kind"], fits: (p: Part) => boolean = () => true): Part =>
  DEMO_SHELF.find((p) => p.kind === kind && fits(p))!;
const converter = (isolated: boolean): Part =>
  partOf("converter", (p) => p.kind === "converter" && p.isolated === isolated);
const box = (form: string, switches = "positive"): Part =>
  partOf("box", (p) => p.kind === "box" && p.form === form && p.switches === switches);

/** Wires of a circuit as "unit.terminal → unit.terminal". */
const ends = (circuit: Circuit): string[] => wiresOf(circuit).map((w) => `${w.from} → ${w.to}`);
const wiresAt = (circuit: Circuit, node: string): WireElement[] =>
  wiresOf(circuit).filter((w) => w.from === node || w.to === node);

function cart(
  isolated: boolean,
  fields: Partial<LightingCircuit> = {},
  gate: "always" | "key" = "always",
): Job {
  return make("cart", "", PORTER, "")
    .supply("conv", "converter", converter(isolated).id, { feed: { kind: "pack" }, gate })
    .run("pods", "pods", "front", when("switch"), [["pod-18", 2, "front"]], {
      feed: supply("conv"),
      return: "wire",
      ...fields,
    }).job;
}

function lit(job: Job, inputs: readonly Input[] = ["key"]): number {
  const circuit = synthesise(job);
  const position: Position = {
    ...restVolts(job.vehicle),
    inputs: new Set(inputs),
    switches: new Set<CircuitId>(job.runs.map((r) => r.id)),
  };
  const solved = solveCircuit(circuit, position, 40);
  if (solved.kind !== "solved") throw new Error(solved.kind);
  const at = solved.point.at.get(circuit.runs[0]!.branches[0]!.load)!;
  return at.fromV - at.toV;
}

// Facts of the trade, common practice.
describe("a converter on a pack", () => {
  it.each([true, false])("isolated %s: two wires in, two out, and its lamps light", (isolated) => {
    const job = cart(isolated);
    const circuit = synthesise(job);
    for (const terminal of ["in_pos", "in_neg", "out_pos", "out_neg"]) {
      expect(wiresAt(circuit, `conv_converter.${terminal}`).length).toBeGreaterThan(0);
    }
    expect(lit(job)).toBeGreaterThan(11.5);
    // Nothing of a cart without a 12 V battery goes to one, nor to its frame.
    expect([...circuit.units.values()].some((u) => u.kind === "chassis")).toBe(false);
    expect(circuit.units.has(asId("battery"))).toBe(false);
  });

  it("isolated, with its lamps' ground on the pack instead of its own output: they stay dark", () => {
    const circuit = synthesise(cart(true));
    const [back] = wiresOf(circuit).filter((w) => w.id === "pods.return");
    const moved: Circuit = {
      ...circuit,
      elements: new Map([...circuit.elements]).set(back!.id, { ...back!, to: asId("pack.neg") }),
    };
    const at = solveCircuit(
      moved,
      {
        ...restVolts(PORTER),
        inputs: new Set<Input>(["key"]),
        switches: new Set([asId<CircuitId>("pods")]),
      },
      40,
    );
    if (at.kind !== "solved") throw new Error(at.kind);
    expect(at.point.at.get(circuit.runs[0]!.branches[0]!.load)!.currentA).toBeLessThan(1e-3);
  });

  it("gated by the key its feed goes through 30 and 87, and key off means off", () => {
    const job = cart(false, {}, "key");
    const circuit = synthesise(job);
    const gate = wiresAt(circuit, "conv_relay.87");
    expect(gate.map((w) => [w.from, w.to])).toEqual([["conv_relay.87", "conv_converter.in_pos"]]);
    expect(wiresAt(circuit, "conv_relay.30")).toHaveLength(1);
    expect(lit(job, ["key"])).toBeGreaterThan(11.5);
    expect(lit(job, [])).toBeLessThan(0.01);
  });

  it("asked to return by a frame that is tied to nothing, says so and lays a wire", () => {
    const job = cart(true, { return: "chassis" });
    const found = findingsOf(job).filter((f) => f.rule === "not-buildable");
    expect(found.map((f) => f.title)).toEqual(["Not returned as it was asked for"]);
    expect(lit(job)).toBeGreaterThan(11.5);
  });
});

describe("feeds", () => {
  it("a relay behind a fuse block is fed from its channel, and is among the parts", () => {
    const job = make("quad", "", FELLRUNNER, "")
      .supply("block", "fuse block", box("fuseBlock").id)
      .run("pods", "pods", "front", when("switch", "key"), [["pod-18", 2, "front"]], {
        feed: supply("block"),
        relay: "yes",
      }).job;
    const circuit = synthesise(job);
    expect(ends(circuit)).toContain("block_box.ch1 → pods_relay.30");
    const shorts = wiresOf(circuit).filter(
      (w) =>
        [w.from, w.to].some((n) => splitNode(n).unit === "block_box") &&
        [w.from, w.to].some((n) => unitAt(circuit, n)?.kind === "chassis"),
    );
    expect(shorts).toEqual([]);
    const relays = materialsOf(job, circuit).filter((m) => m.detail === "with socket");
    expect(relays.map((m) => m.count)).toEqual([1]);
  });

  it("the whole pack stays the whole pack behind a control of the kit", () => {
    const job = make("cart", "", PORTER, "")
      .supply("conv", "converter", converter(false).id, { feed: { kind: "pack" } })
      .control("turn", "turn switch", ["left", "right"], { feed: supply("conv") })
      .run("left", "left", "front", when("left"), [["pod-18", 1, "front"]], {
        feed: { kind: "pack" },
        return: "wire",
      }).job;
    const [run] = synthesise(job).runs;
    expect(rootV(run!.root, restVolts(PORTER))).toBeGreaterThan(40);
    expect(findingsOf(job).some((f) => f.severity === "stop" && f.rule === "lamp-volts")).toBe(
      true,
    );
  });

  it("a run fed from the flasher goes through it, wherever the turn switch hangs", () => {
    const flasher = partOf("flasher", (p) => p.kind === "flasher" && p.principle !== "thermal");
    const job = make("mc", "", PETREL, "")
      .supply("flash", "flasher", flasher.id, { feed: { kind: "battery" } })
      .control("turn", "turn switch", ["left", "right"], { feed: { kind: "battery" } })
      .run("left", "left", "front", when("left"), [["turn-led", 1, "front"]], {
        feed: supply("flash"),
      }).job;
    const circuit = synthesise(job);
    const [run] = circuit.runs;
    expect(run!.shared.some((id) => circuit.elements.get(id)?.kind === "flasher")).toBe(true);
    // And where no relay may carry it, the plan says that it does not.
    const bare = edited(job, setCircuit(asId<CircuitId>("left"), "relay", "no"));
    expect(findingsOf(bare).map((f) => f.title)).toContain("Not fed from what was chosen");
  });

  it("a flasher of three pins has its ground, one of two pins has none", () => {
    for (const principle of ["thermal", "electronic", "indifferent"]) {
      const part = partOf("flasher", (p) => p.kind === "flasher" && p.principle === principle);
      const job = make("mc", "", PETREL, "").supply("flash", "flasher", part.id, {
        feed: { kind: "battery" },
      }).job;
      const circuit = synthesise(job);
      const grounded = wiresAt(circuit, "flash_flasher.31").length > 0;
      expect({ principle, grounded }).toEqual({ principle, grounded: principle !== "thermal" });
    }
  });

  it("an illuminated switch has a third wire, to the negative of what feeds it", () => {
    const tell = partOf("switch", (p) => p.kind === "switch" && p.tellTale !== "none");
    const job = cart(true, { switchPartId: tell.id, relay: "no" });
    const circuit = synthesise(
      edited(
        job,
        ...adoptPart(job, tell),
        setCircuit(asId<CircuitId>("pods"), "switchPartId", tell.id),
      ),
    );
    const [wire] = wiresAt(circuit, "pods_switch.neg");
    expect(unitAt(circuit, wire!.to)?.ownerId).toBe("conv");
  });
});

describe("hubs and boards", () => {
  it("a hub that switches ground takes its lamps' ways back, and says where that was not asked", () => {
    const hub = box("hub", "ground");
    const job = make("quad", "", FELLRUNNER, "")
      .supply("hub", "hub", hub.id)
      .run("pods", "pods", "front", when("switch"), [["pod-18", 1, "front"]], {
        feed: supply("hub"),
        return: "chassis",
      }).job;
    expect(ends(synthesise(job))).toContain("pods_returnJoint.j → hub_box.ch1");
    expect(findingsOf(job).map((f) => f.title)).toContain("Not returned as it was asked for");
    const asked = edited(job, setCircuit(asId<CircuitId>("pods"), "return", "wire"));
    expect(findingsOf(asked).map((f) => f.title)).not.toContain("Not returned as it was asked for");
  });

  it("channels that nothing is on say that they are spare", () => {
    const job = make("quad", "", FELLRUNNER, "").supply("hub", "hub", box("hub").id).job;
    const unit = synthesise(job).units.get(asId("hub_box"))!;
    const spare = unit.terminals.filter((t) => /^ch\d+$/.test(t.name)).map((t) => t.spare);
    expect(spare.length).toBeGreaterThan(3);
    for (const [i, words] of spare.entries()) expect(words).toBe(`channel ${i + 1}: spare`);
  });
});

describe("lamps at both ends", () => {
  const job = make("quad", "", FELLRUNNER, "").run(
    "work",
    "work",
    "front",
    when("switch"),
    [
      ["pod-18", 1, "front"],
      ["pod-18", 1, "rear"],
    ],
    { return: "wire" },
  ).job;

  it("each end has a splice, and as much wire as the vehicle is long", () => {
    const unmapped = { ...job, vehicle: { ...job.vehicle, places: [], segments: [] } };
    const circuit = synthesise(unmapped);
    const link = (end: string) => wiresOf(circuit).find((w) => w.id === `work.to${end}`)!;
    expect(link("front").lengthM.value).toBeCloseTo(FELLRUNNER.reaches.frontM.value, 9);
    expect(link("rear").lengthM.value).toBeCloseTo(FELLRUNNER.reaches.rearM.value, 9);
    const [a, b] = circuit.runs[0]!.branches;
    expect(a!.out[0]).toBe("work.tofront");
    expect(b!.out[0]).toBe("work.torear");
    const reason = circuit.choices.find((c) => c.kind === "splice")!;
    expect(reason.picked).toBe("a splice at each end");
    // Over the map it is as long as the map says from the electrics to each end.
    const ways = routeOf(job, synthesise(job)).wires;
    for (const end of ["front", "rear"]) {
      const wire = ways.find((w) => w.elementId === asId(`work.to${end}`))!;
      expect(wire.lengthM.value).toBeGreaterThan(0.2);
      const laid = wiresOf(synthesise(job)).find((w) => w.id === wire.elementId)!;
      expect(laid.lengthM).toEqual(wire.lengthM);
    }
  });

  it("a lamp at one end only needs none of it", () => {
    const one = { ...job, lamps: job.lamps.slice(0, 1) };
    expect(synthesise(one).choices.some((c) => c.kind === "splice")).toBe(false);
  });
});

describe("sizes", () => {
  it("a switch that only works coils has thin wire, however much the relays behind it carry", () => {
    const job = make("cart", "", PORTER, "")
      .supply("conv", "converter", converter(false).id, { feed: { kind: "pack" } })
      .control("horn", "horn button", ["horn"], { feed: supply("conv") })
      .run("loud", "loud", "front", when("horn"), [["horn-3a", 3, "front"]], {
        ...{ feed: { kind: "pack" }, relay: "yes", return: "wire" },
      }).job;
    const circuit = synthesise(job);
    const sizes = new Set(
      wiresOf(circuit)
        .filter((w) => w.runId === "horn")
        .map((w) => w.gaugeId),
    );
    expect([...sizes]).toEqual(["18 AWG"]);
    const [run] = circuit.runs;
    expect(run!.shared.length).toBeGreaterThan(0);
    expect(run!.feedShared).toEqual([]);
  });

  it("a fused control does not stand for the fuse that a run's own feed lacks", () => {
    const job = make("mc", "", PETREL, "")
      .control("horn", "horn button", ["horn"], { feed: { kind: "battery" } })
      .run("loud", "loud", "front", when("horn"), [["horn-3a", 2, "front"]], {
        ...{ relay: "yes", fuse: { kind: "none" } },
      }).job;
    const stops = findingsOf(job).filter((f) => f.severity === "stop");
    expect(stops.map((f) => f.title)).toContain("No fuse");
  });
});

describe("parts", () => {
  it("one that the shelf has changed takes the place of the job's copy when it is chosen anew", () => {
    const part = demoPart("pod-18");
    const job = make("quad", "", FELLRUNNER, "").run("r", "r", "front", allOf("switch"), [
      ["pod-18", 1, "front"],
    ]).job;
    expect(adoptPart(job, part)).toEqual([]);
    const dearer: Part = { ...part, price: part.price + 5 };
    const now = edited(job, ...adoptPart(job, dearer));
    expect(now.parts.map((p) => p.id)).toEqual(job.parts.map((p) => p.id));
    expect(now.parts.find((p) => p.id === part.id)?.price).toBe(part.price + 5);
  });

  it("flags name a wire's ends as they are marked on the units", () => {
    const circuit = synthesise(cart(true, {}, "key"));
    const words = wiresOf(circuit).map(
      (w) => `${endWords(circuit, w.from)} → ${endWords(circuit, w.to)}`,
    );
    expect(words).toContain("relay 87 → converter input +");
    expect(words).toContain("converter input − → pack −");
  });
});
