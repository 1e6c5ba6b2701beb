/** Wrong wirings as edits of the graph: any can be said, and the proof finds what they do. */
import { podsOnRelay } from "./jobs.ts";
import {
  createDeviation,
  deviationLacks,
  integrityFaults,
  prove,
  synthesise,
  withCauses,
  wiresOf,
  type Circuit,
  type WiringDeviation,
  type Job,
  type WireElement,
  asId,
  endWords,
  type NodeId,
} from "../src/index.ts";
import { DEMO_SHELF, FELLRUNNER, PETREL, PORTER } from "../src/demo/index.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { from, part, when } from "../src/demo/job/jobMaker.ts";
import { findingsOf } from "./helpers.ts";

const idOf = (kind: string, fits: (p: (typeof DEMO_SHELF)[number]) => boolean): string =>
  DEMO_SHELF.find((p) => p.kind === kind && fits(p))!.id;
const CONVERTER = idOf("converter", (p) => p.kind === "converter" && p.isolated);
const HUB = idOf("box", (p) => p.kind === "box" && p.form === "hub" && p.switches === "positive");
const FLASHER = idOf("flasher", (p) => p.kind === "flasher" && p.principle === "indifferent");

const relayed = podsOnRelay();

const turns: Job = make("turns", "", PETREL, "")
  .supply("flash", "Flasher", FLASHER, { feed: { kind: "battery" } })
  .control("turn", "Turn switch", ["left", "right"], { feed: from("flash") })
  .run("left", "Left", "front", when("left"), [["turn-led", 1, "front"]], { feed: from("flash") })
  .run("right", "Right", "front", when("right"), [["turn-led", 1, "front"]], {
    feed: from("flash"),
  }).job;

const cart: Job = make("cart", "", PORTER, "")
  .supply("conv", "Converter", CONVERTER, { feed: { kind: "pack" }, gate: "key" })
  .run("pods", "Pods", "front", when("switch"), [["pod-18", 2, "front"]], {
    ...{ feed: from("conv"), return: "wire" },
  }).job;

const hub: Job = make("hub", "", FELLRUNNER, "")
  .supply("hub", "Hub", HUB)
  .run("a", "A", "front", when("switch", "key"), [["pod-18", 1, "front"]], { feed: from("hub") })
  .run("b", "B", "rear", when("switch", "key"), [["work-24", 1, "rear"]], {
    ...{ feed: from("hub"), switchPartId: part("switch-rocker-16") },
  }).job;

const wireAt = (circuit: Circuit, a: string, b: string): WireElement => {
  const wire = wiresOf(circuit).find((w) => [w.from, w.to].every((n) => n === a || n === b));
  if (!wire) {
    const all = wiresOf(circuit).map((w) => `${w.from} → ${w.to}`);
    throw new Error(`no wire from ${a} to ${b} among\n${all.join("\n")}`);
  }
  return wire;
};

type Plant = (c: Circuit) => Partial<WiringDeviation> & Pick<WiringDeviation, "kind">;
const missing =
  (a: string, b: string): Plant =>
  (c) => ({ kind: "wireMissing", wire: wireAt(c, a, b).id });
const moved =
  (a: string, b: string, at: string): Plant =>
  (c) => {
    const wire = wireAt(c, a, b);
    return { kind: "endMoved", wire: wire.id, end: wire.from === a ? "from" : "to", at };
  };
const reversed =
  (at: string, otherAt: string): Plant =>
  () => ({ kind: "reversed", at, otherAt });
const tied =
  (at: string, otherAt: string): Plant =>
  () => ({ kind: "tied", at, otherAt });

/** Mistakes of the bench: common practice. Each with the run it is on. */
const PLANTED: readonly (readonly [what: string, job: Job, run: string, plant: Plant])[] = [
  ["no feed to the fuse", relayed, "pods", missing("battery.pos", "pods_fuse.in")],
  ["no wire to 30", relayed, "pods", missing("pods_fuse.out", "pods_relay.30")],
  ["no wire from 87", relayed, "pods", missing("pods_relay.87", "pods_splice.j")],
  ["no wire to 86", relayed, "pods", missing("pods_switch.out", "pods_relay.86")],
  ["no ground at 85", relayed, "pods", missing("pods_relay.85", "chassis.lug_pods_coilReturn")],
  ["no feed to the switch", relayed, "pods", missing("pods_coilFuse.out", "pods_switch.in")],
  ["lamps' return left off", relayed, "pods", missing("pods_returnJoint.j", "battery.neg")],
  ["load on 87a", relayed, "pods", moved("pods_relay.87", "pods_splice.j", "pods_relay.87a")],
  ["load on 30", relayed, "pods", moved("pods_relay.87", "pods_splice.j", "pods_relay.30")],
  ["feed on 85", relayed, "pods", moved("pods_relay.30", "pods_fuse.out", "pods_relay.85")],
  [
    "coil's ground on 86",
    relayed,
    "pods",
    moved("pods_relay.85", "chassis.lug_pods_coilReturn", "pods_relay.86"),
  ],
  ["trigger on 30", relayed, "pods", moved("pods_relay.86", "pods_switch.out", "pods_relay.30")],
  ["30 and 85 exchanged", relayed, "pods", reversed("pods_relay.30", "pods_relay.85")],
  ["87 and 85 exchanged", relayed, "pods", reversed("pods_relay.87", "pods_relay.85")],
  ["87 and 86 exchanged", relayed, "pods", reversed("pods_relay.87", "pods_relay.86")],
  [
    "lamp the wrong way into its own splice",
    relayed,
    "pods",
    moved("lamp_lamp_1.neg", "pods_returnJoint.j", "pods_splice.j"),
  ],
  ["the splice tied to the battery", relayed, "pods", tied("battery.pos", "pods_splice.j")],
  ["switch bridged", relayed, "pods", tied("pods_switch.in", "pods_switch.out")],
  [
    "lamps across the coil",
    relayed,
    "pods",
    moved("pods_splice.j", "pods_relay.87", "pods_relay.86"),
  ],
  [
    "feed of the coil from behind the relay",
    relayed,
    "pods",
    moved("pods_coilFuse.in", "factory_acc_plus.out", "pods_relay.87"),
  ],
  [
    "left and right crossed at the switch",
    turns,
    "left",
    reversed("turn_control.left", "turn_control.right"),
  ],
  ["left and right tied", turns, "left", tied("left_splice.j", "right_splice.j")],
  ["the flasher bypassed", turns, "left", tied("battery.pos", "turn_control.left")],
  [
    "left's feed on right",
    turns,
    "left",
    moved("turn_control.left", "left_splice.j", "turn_control.right"),
  ],
  ["no wire from 49a", turns, "left", missing("flash_outSplice.j", "turn_fuse.in")],
  ["no feed to the turn switch", turns, "left", missing("turn_fuse.out", "turn_control.com")],
  [
    "a lamp on the common",
    turns,
    "left",
    moved("turn_control.left", "left_splice.j", "turn_control.com"),
  ],
  [
    "49 and 49a not wired through: the switch on 49",
    turns,
    "left",
    missing("flash_fuse.out", "flash_flasher.49"),
  ],
  [
    "converter's input negative forgotten",
    cart,
    "pods",
    missing("conv_converter.in_neg", "pack.neg"),
  ],
  [
    "converter the wrong way round",
    cart,
    "pods",
    reversed("conv_converter.in_pos", "conv_converter.out_pos"),
  ],
  ["input reversed", cart, "pods", reversed("conv_converter.in_pos", "conv_converter.in_neg")],
  ["output reversed", cart, "pods", reversed("conv_converter.out_pos", "conv_converter.out_neg")],
  [
    "lamps grounded on the pack",
    cart,
    "pods",
    moved("conv_negSplice.j", "pods_returnJoint.j", "pack.neg"),
  ],
  ["the gate bridged", cart, "pods", tied("conv_relay.30", "conv_relay.87")],
  ["no wire from the gate", cart, "pods", missing("conv_relay.87", "conv_converter.in_pos")],
  ["key's coil not grounded", cart, "pods", missing("conv_relay.85", "pack.neg")],
  [
    "lamps straight on the pack",
    cart,
    "pods",
    moved("pods_fuse.in", "conv_converter.out_pos", "pack.pos"),
  ],
  ["channels exchanged", hub, "a", reversed("hub_box.ch1", "hub_box.ch2")],
  ["inputs exchanged", hub, "a", reversed("hub_box.in1", "hub_box.in2")],
  ["a lamp on the stud", hub, "a", moved("hub_box.ch1", "a_splice.j", "hub_box.in")],
  ["a lamp on a spare channel", hub, "a", moved("hub_box.ch1", "a_splice.j", "hub_box.ch3")],
  ["hub without its ground", hub, "a", missing("hub_box.neg", "chassis.lug_hub_boxNeg")],
  ["hub without its feed", hub, "a", missing("hub_fuse.out", "hub_box.in")],
  ["two channels tied", hub, "a", tied("a_splice.j", "b_splice.j")],
];

describe("planted wrong wirings", () => {
  it("are more than forty of their own kind, on four sorts of vehicle and feed", () => {
    expect(PLANTED.length).toBeGreaterThan(40);
    for (const job of [relayed, turns, cart, hub]) {
      expect(prove(job, synthesise(job))!.differences.map((d) => d.words)).toEqual([]);
    }
  });

  it.each(PLANTED)(
    "%s: the proof finds it, the finding names its place",
    (what, job, run, plant) => {
      const said = plant(synthesise(job));
      const d = createDeviation("wrong", said.kind, run as never, said);
      const wrong: Job = { ...job, deviations: [d] };
      expect(integrityFaults(wrong)).toEqual([]);
      const circuit = synthesise(wrong);
      expect(deviationLacks(circuit, d)).toBe("");
      const differences = prove(wrong, circuit)!.differences;
      expect({ what, found: differences.length > 0 }).toEqual({ what, found: true });
      const [finding] = findingsOf(wrong).filter((f) => f.rule === "wired-otherwise");
      expect(finding!.severity).toBe("stop");
      for (const named of [said.at, said.otherAt]) {
        if (!named) continue;
        expect(finding!.place.words).toContain(endWords(circuit, asId<NodeId>(named)));
      }
      if (said.wire) expect(finding!.place.elementId).toBe(said.wire);
    },
  );

  it("is named as the cause of what it does, and goes when it is put right", () => {
    const said = reversed("turn_control.left", "turn_control.right")(synthesise(turns));
    const wrong: Job = {
      ...turns,
      deviations: [createDeviation("w", said.kind, "left" as never, said)],
    };
    const cause = withCauses(wrong, prove(wrong, synthesise(wrong))!.differences).find(
      (d) => d.cause !== null,
    )?.cause;
    expect(cause?.remedy).toBe("Wire it as planned");
  });

  it("one whose wire the plan has no more is told, and changes nothing", () => {
    const d = createDeviation("w", "wireMissing", "pods" as never, { wire: "pods.gone" });
    const job: Job = { ...relayed, deviations: [d] };
    expect(synthesise(job).elements).toEqual(synthesise(relayed).elements);
    const [finding] = findingsOf(job).filter((f) => f.rule === "wired-otherwise");
    expect(finding).toMatchObject({ severity: "note" });
    expect(finding!.place.words).toContain('no wire "pods.gone"');
  });

  it("half a deviation is refused by the field that is missing", () => {
    const half = createDeviation("w", "endMoved", "pods" as never, { wire: "pods.load" });
    expect(integrityFaults({ ...relayed, deviations: [half] })).toEqual([
      { path: "deviations[0].at", message: '"endMoved" has to say it' },
    ]);
    const odd = createDeviation("w", "thinWire", "pods" as never, {
      wire: "pods.load",
      gaugeId: "17 AWG",
    });
    expect(integrityFaults({ ...relayed, deviations: [odd] })[0]?.message).toContain('"17 AWG"');
  });
});
