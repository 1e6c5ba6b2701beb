/** Single decisions of the first pass: relay, fuse, feed, trigger, and where what belongs to them sits. */
import {
  allOf,
  asId,
  elementsOf,
  synthesise,
  unitAt,
  type Circuit,
  type ConnectorPin,
  type Feed,
  type PartId,
  type PinId,
  type SupplyId,
} from "../src/index.ts";
import { FELLRUNNER, PETREL, PORTER, demoPart } from "../src/demo/index.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { GENERIC_RELAY, GENERIC_SWITCH, type SwitchPart } from "../src/part/index.ts";
import { DEFAULT_PRACTICES } from "../src/job/index.ts";
import { decideFuse } from "../src/synthesis/pick/fuse.ts";
import { decideRelay } from "../src/synthesis/pick/relay.ts";

const choice = ({ choices }: Circuit, kind: string) => choices.find((c) => c.kind === kind);

describe("whether a relay carries the load", () => {
  const bare = make("x", "", PETREL, "").run("a", "A", "front", allOf("low"), []).job.runs[0]!;
  const knob: SwitchPart = { ...GENERIC_SWITCH, contactA: 10 };
  const asked = {
    ...{ run: bare, drawA: 4, fuseA: 7.5, ownSwitch: false, switchPart: knob },
    ...{ relayPart: GENERIC_RELAY, signal: null, signalA: 0, tapA: 0 },
  } as const;
  const on = { ...asked, signal: "low" } as const;

  it.each([
    ["pinned", { ...on, run: { ...bare, relay: "yes" } }, true, true, "Pinned: a relay"],
    ["pinned against", { ...on, run: { ...bare, relay: "no" } }, false, true, "Pinned: no relay."],
    ["a kit's contact at its rating", { ...on, signalA: 4 }, false, false, "is rated 4 A"],
    ["a kit's contact under the draw", { ...on, signalA: 3.9 }, true, false, "only works the coil"],
    ["a kit's contact and a switch", { ...on, signalA: 9, ownSwitch: true }, true, false, "coil"],
    ["a wire with some to spare", { ...on, tapA: 0.5 }, false, false, "has 0.5 A to spare"],
    ["a wire with none", on, true, false, "the load of 4 A comes from the battery"],
    ["a feed that turns it on", asked, false, false, "The feed itself turns the circuit on."],
    [
      "a switch at its rating",
      { ...asked, ownSwitch: true, fuseA: 10 },
      false,
      false,
      "rated 10 A",
    ],
    ["a switch under the fuse", { ...asked, ownSwitch: true, fuseA: 15 }, true, false, "15 A fuse"],
    ["no fuse for it", { ...asked, ownSwitch: true, fuseA: null }, true, false, "a larger A fuse"],
  ] as const)("%s", (_, question, value, pinned, reason) => {
    const decision = decideRelay(question);
    expect(decision).toMatchObject({ value, pinned });
    expect(decision.picked).toBe(value ? GENERIC_RELAY.name : "no relay");
    expect(decision.reason).toContain(reason);
  });
});

describe("which fuse", () => {
  const auto = { fuse: { kind: "auto" } } as const;
  const fuse = (drawA: number, mostA?: number) =>
    decideFuse(auto, drawA, DEFAULT_PRACTICES, 14.5, mostA);

  it("is smaller where what lies behind it carries less, as long as it carries the draw", () => {
    expect(fuse(9)).toMatchObject({ value: 15, pinned: false });
    expect(fuse(9, 13)).toMatchObject({ value: 10, picked: "10 A", pinned: false });
    expect(fuse(9, 13).reason).toContain("more than the 13 A that what lies behind it carries");
    // A tenth of an amp is none that anybody can measure.
    expect(fuse(9, 14.9).value).toBe(15);
    expect(fuse(11, 13).value).toBe(15);
  });

  it("goes by the plug and the lamps' leads of its circuit", () => {
    const rated = (connectorPartId: PartId | null): number[] => {
      const { job } = make("x", "", FELLRUNNER, "").run(
        ...(["a", "A", "front", allOf("switch"), [["pod-18", 3, "front"]]] as const),
        { connectorPartId },
      );
      const circuit = synthesise({ ...job, parts: [...job.parts, demoPart("plug-2-mini")] });
      return elementsOf(circuit, [...circuit.elements.keys()], "fuse").map((f) => f.ratingA);
    };
    expect(rated(null)).toContain(7.5);
    expect(rated(asId("plug-2-mini"))).toContain(5);
    expect(rated(asId("plug-2-mini"))).not.toContain(7.5);
  });
});

describe("a wire of a source that the vehicle has not", () => {
  const fedFrom = (vehicle: typeof PETREL, supply: ConnectorPin["supply"]): Circuit => {
    const [first] = vehicle.pins;
    const pin = { ...first!, id: asId<PinId>("odd"), supply, switches: "positive" as const };
    const feed: Feed = { kind: "pin", pinId: pin.id };
    return synthesise(
      make("x", "", { ...vehicle, pins: [...vehicle.pins, pin] }, "").run(
        ...(["a", "A", "front", allOf("switch"), [["pod-18", 1, "front"]], { feed }] as const),
      ).job,
    );
  };

  it.each([
    ["a pack's on an engine", PETREL, "pack", ["noSource"]],
    ["a battery's on an engine", PETREL, "battery", []],
    ["a battery's on a cart with a pack alone", PORTER, "battery", ["noSource"]],
  ] as const)("%s", (_, vehicle, supply, gaps) => {
    const made = fedFrom(vehicle, supply);
    expect(made.gaps.map(({ kind }) => kind).filter((kind) => kind === "noSource")).toEqual(gaps);
    expect(made.runs).toHaveLength(gaps.length === 0 ? 1 : 0);
  });
});

describe("what triggers a circuit", () => {
  const low = PETREL.pins.find((pin) => pin.liveWhen === "low")!;
  const held = (tapPinId: PinId | null): Circuit =>
    synthesise(
      make("x", "", PETREL, "").run("a", "A", "front", allOf("low"), [["pod-18", 2, "front"]], {
        ...{ relay: "yes", tapPinId },
      }).job,
    );

  it("is the wire that it is held to, or the surest", () => {
    expect(choice(held(low.id), "tap")).toMatchObject({ pinned: true });
    expect(choice(held(low.id), "tap")?.picked).toContain(low.carries);
    expect(choice(held(low.id), "tap")?.reason).toMatch(/^Pinned\. .*; gives .* A at most\.$/);
    expect(choice(held(null), "tap")).toMatchObject({ pinned: false });
    expect(choice(held(null), "tap")?.reason).toMatch(/^Live when low beam; /);
  });

  it("has its coil's fuse where its wire is, or at hand of the kit's own lead", () => {
    const sites = ({ units }: Circuit, name: string) =>
      [...units.values()].filter((u) => u.kind === "fuse" && u.name === name).map((u) => u.site);
    expect(sites(held(low.id), "2 A fuse")).toEqual([{ kind: "pin", pinId: low.id }]);
    const kit = synthesise(
      make("x", "", PETREL, "")
        .control("dip", "Dip switch", ["low"], { feed: { kind: "battery" } })
        .run("a", "A", "front", allOf("low"), [["pod-18", 2, "front"]], { relay: "yes" }).job,
    );
    expect(sites(kit, "2 A fuse")).toEqual([{ kind: "atHand" }]);
  });

  it("works a coil although the kit's contacts would carry it, where a relay is asked for", () => {
    const turn = (relay: "yes" | "auto"): Circuit =>
      synthesise(
        make("x", "", PETREL, "")
          .control("turn", "Turn switch", ["left", "right"], { feed: { kind: "battery" } })
          .run(
            ...([
              "a",
              "A",
              "front",
              { anyOf: [...allOf("left").anyOf, ...allOf("right").anyOf] },
            ] as const),
            ...([[["turn-led", 1, "front"]], { relay }] as const),
          ).job,
      );
    const coils = (circuit: Circuit) =>
      elementsOf(circuit, [...circuit.elements.keys()], "coil").length;
    expect(coils(turn("auto"))).toBe(0);
    expect(coils(turn("yes"))).toBe(1);
  });
});

describe("a converter", () => {
  const strapped = (part: string): boolean => {
    const supplyId = asId<SupplyId>("c");
    const circuit = synthesise(
      make("x", "", PORTER, "")
        .supply("c", "Converter", part, { feed: { kind: "pack" } })
        .run("a", "A", "front", allOf("switch"), [["pod-18", 1, "front"]], {
          feed: { kind: "supply", supplyId },
        }).job,
    );
    return [...circuit.elements.values()].some(
      (e) => e.kind === "strap" && unitAt(circuit, e.from)?.kind === "converter",
    );
  };

  it("ties its negatives inside unless it isolates them", () => {
    expect(demoPart("converter-60-12")).toMatchObject({ isolated: false });
    expect(strapped("converter-60-12")).toBe(true);
    expect(demoPart("converter-60-12-25")).toMatchObject({ isolated: true });
    expect(strapped("converter-60-12-25")).toBe(false);
  });
});
