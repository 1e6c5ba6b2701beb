/** Rules of what is plugged, made up, sprung, alternating or let past: both sides of each. */
import {
  adoptPart,
  allOf,
  checkedCircuit,
  createJob,
  createSupply,
  measured,
  append,
  asId,
  createKitSwitch,
  setKitSwitch,
  setCircuit,
  withBrakes,
  isOn,
  TRAILER_SOCKET,
  openCircuitV,
  levelShare,
  PLAIN,
  type Condition,
  type KitSwitchId,
  type Input,
  type Job,
  type PinId,
  type SupplyId,
} from "../src/index.ts";
import { FELLRUNNER, PETREL, PORTER, demoPart } from "../src/demo/index.ts";
import { jobThat, kitByHand, kitUnboxed } from "./jobs.ts";
import { RUN, edited, findingsOf, jobWith, mend, rulesOf } from "./helpers.ts";

describe("a switch that springs back", () => {
  const held = (input: Input, momentary: boolean): Job => {
    const job = jobWith("pod-18", 1, allOf(input));
    const control = createKitSwitch(asId<KitSwitchId>("c"), "Button", [input], job.vehicle);
    return edited(job, append(job, "control", { ...control, momentary }));
  };

  it("lets go of a lamp that should stay on, until it stays or its channel latches", () => {
    expect(rulesOf(held("park", true))).toContain("momentary-holds");
    expect(rulesOf(held("park", false))).not.toContain("momentary-holds");
    expect(rulesOf(mend(held("park", true), "momentary-holds"))).not.toContain("momentary-holds");
    const latched = edited(
      held("park", true),
      setCircuit(RUN, "program", { ...PLAIN, latch: true }),
    );
    expect(rulesOf(latched)).not.toContain("momentary-holds");
  });

  it("is right for a horn and a brake", () => {
    for (const input of ["horn", "brake"] as const) {
      expect(rulesOf(held(input, true))).not.toContain("momentary-holds");
    }
  });
});

describe("a lighting coil", () => {
  const [pin] = FELLRUNNER.pins.filter((p) => p.liveWhen === "key");
  const coil = { ...pin!, id: asId<PinId>("coil"), supply: "ac" as const };
  const vehicle = { ...FELLRUNNER, pins: [coil] };
  const on = (partId: string, relay: "yes" | "no", supply: "ac" | "battery" = "ac"): Job => {
    const job = jobWith(partId, 1, allOf("key"), {
      ...{ relay, feed: relay === "no" ? { kind: "pin", pinId: coil.id } : { kind: "battery" } },
    });
    return { ...job, vehicle: { ...vehicle, pins: [{ ...coil, supply }] } };
  };
  const titles = (job: Job) =>
    findingsOf(job)
      .filter((f) => f.rule === "alternating-feed")
      .map((f) => f.title);

  it("makes a driven lamp flicker, and leaves a bulb alone", () => {
    expect(titles(on("pod-18", "no"))).toEqual([expect.stringContaining("flickers")]);
    expect(titles(on("bulb-headlight-35", "no"))).toEqual([]);
    expect(titles(on("pod-18", "no", "battery"))).toEqual([]);
  });

  it("makes a relay chatter", () => {
    expect(titles(on("pod-18", "yes"))).toEqual([expect.stringContaining("chatters")]);
    expect(titles(on("pod-18", "yes", "battery"))).toEqual([]);
  });
});

describe("ingress", () => {
  const sealed = (ingress: string, place: "front" | "inside"): string[] => {
    const part = { ...demoPart("pod-18"), ingress };
    const job = jobWith(part, 1, allOf("switch"));
    const [lamp] = job.lamps;
    return rulesOf({ ...job, lamps: [{ ...lamp!, place }] });
  };

  it.each([
    ["IP20", "front", true],
    ["IPX3", "front", true],
    ["IPX4", "front", false],
    ["IP67", "front", false],
    ["IP20", "inside", false],
    ["", "front", false],
  ] as const)("of %s at the %s: told %s", (ingress, place, told) => {
    expect(sealed(ingress, place).includes("ingress-fits")).toBe(told);
  });
});

describe("the kit's flasher", () => {
  it("that is let past is told with the circuits that shine on", () => {
    const found = findingsOf(
      jobThat((job) => job.supplies.length > 0 && job.deviations.length > 0),
    ).filter((f) => f.rule === "flasher-bypassed");
    expect(found.map((f) => f.place.runId)).toEqual(["left", "right"]);
    expect(found.map((f) => f.severity)).toEqual(["stop", "stop"]);
  });

  /** A kit's flasher on a vehicle whose own turn wire works a circuit beside it. */
  const beside = (on: Condition): Job => {
    const job = jobWith("turn-led", 1, on, { relay: "yes" }, PETREL);
    const part = demoPart("flasher-any-load");
    const supply = createSupply(asId<SupplyId>("flasher"), "Flasher", part.id, PETREL);
    const fed = { ...createKitSwitch(asId<KitSwitchId>("c"), "Turn", ["right"], PETREL), feed };
    return edited(
      job,
      ...adoptPart(job, part),
      append(job, "supply", supply),
      append(job, "control", fed),
    );
  };
  const feed = { kind: "supply" as const, supplyId: asId<SupplyId>("flasher") };

  it("is none of a circuit that the vehicle's own turn wire works, or that shines for braking", () => {
    expect(rulesOf(beside(allOf("left")))).not.toContain("flasher-bypassed");
    const either = { anyOf: [...allOf("right").anyOf, ...allOf("key").anyOf] };
    expect(rulesOf(beside(either))).not.toContain("flasher-bypassed");
  });

  it("that all of them hang behind is not spoken of", () => {
    expect(rulesOf(kitUnboxed())).not.toContain("flasher-bypassed");
    expect(rulesOf(kitByHand())).not.toContain("flasher-bypassed");
  });
});

describe("a small load on a factory wire", () => {
  const [pin] = FELLRUNNER.pins.filter((p) => p.liveWhen === "key" && p.family !== "ignition");
  const lamp = (amps: number) => {
    const part = demoPart("horn-3a");
    if (part.kind !== "load") throw new Error("a horn is a load");
    const currentA = measured(amps, amps, amps);
    return { ...part, load: { kind: "constantCurrent" as const, currentA } };
  };
  const taken = (amps: number, spareA: number, more: Partial<typeof pin> = {}): Job => {
    const job = jobWith(lamp(amps), 1, allOf("key"));
    const mayGiveA = measured(spareA, spareA, spareA + 1);
    return { ...job, vehicle: { ...FELLRUNNER, pins: [{ ...pin!, mayGiveA, ...more }] } };
  };
  const relayed = (job: Job) => checkedCircuit(job).circuit.runs[0]?.coil !== null;

  it("takes a tap and no relay up to half an amp that the wire has surely to spare", () => {
    expect(relayed(taken(0.5, 0.5))).toBe(false);
    expect(rulesOf(taken(0.5, 0.5))).not.toContain("relay-missing");
    expect(relayed(taken(0.51, 5))).toBe(true);
    expect(relayed(taken(0.5, 0.49))).toBe(true);
  });

  it("takes a relay where the wire is the ignition's, or a bus vehicle watches it", () => {
    expect(relayed(taken(0.3, 5, { family: "ignition" }))).toBe(true);
    const watched = { ...PETREL.turn!, principle: "bus" as const };
    const bus = taken(0.3, 5, { family: "lighting" });
    expect(relayed({ ...bus, vehicle: { ...bus.vehicle, turn: watched } })).toBe(true);
    expect(relayed(bus)).toBe(false);
  });

  it("without a relay beyond that is refused, and its remedy ends it", () => {
    const much = edited(taken(0.8, 5), setCircuit(RUN, "relay", "no"));
    expect(rulesOf(much, "stop")).toContain("relay-missing");
    expect(rulesOf(mend(much, "relay-missing"))).not.toContain("relay-missing");
  });
});

describe("the feeder of a box", () => {
  it("has room for what comes later, and never for more than its own feed gives", () => {
    const at = (converter: string): number => {
      const job = createJob("test", "", PORTER);
      const [first, second] = [demoPart(converter), demoPart("relay-board-6")];
      const made = createSupply(asId<SupplyId>("conv"), "Converter", first.id, PORTER);
      const board = createSupply(asId<SupplyId>("board"), "Board", second.id, PORTER);
      const fed = { ...board, feed: { kind: "supply" as const, supplyId: made.id } };
      const whole = edited(
        job,
        ...adoptPart(job, first),
        ...adoptPart(job, second).map((e) => (e.kind === "add" ? { ...e, at: 1 } : e)),
        append(job, "supply", made),
        { kind: "add", entity: "supply", value: fed, at: 1 },
      );
      const { choices } = checkedCircuit(whole).circuit;
      const fuse = choices.find((c) => c.runId === ("board" as string) && c.kind === "fuse");
      return Number.parseFloat(fuse?.picked ?? "0");
    };
    // A board of 40 A in all: half of that behind a converter of 25 A, no more than 10 A behind one of 10.
    expect(at("converter-60-12-25")).toBe(20);
    expect(at("converter-60-12")).toBe(10);
  });
});

describe("brakes", () => {
  it("are on by either, and both where nobody says which", () => {
    const on = (...inputs: Input[]) => new Set(inputs);
    expect(isOn("brake", on("lever"))).toBe(true);
    expect(isOn("brake", on("pedal"))).toBe(true);
    expect(isOn("lever", on("brake"))).toBe(true);
    expect(isOn("lever", on("pedal"))).toBe(false);
    expect(isOn("brake", on("key"))).toBe(false);
  });

  it("part a condition where it waits for braking, and leave a “not” alone", () => {
    const either = withBrakes(allOf("key", "brake"), ["lever", "pedal"]);
    expect(either.anyOf.map((g) => g.map((t) => t.input))).toEqual([
      ["key", "lever"],
      ["key", "pedal"],
    ]);
    const not = { anyOf: [[{ input: "brake" as const, negated: true }]] };
    expect(withBrakes(not, ["lever"])).toEqual(not);
    expect(withBrakes(allOf("brake"), [])).toEqual(allOf("brake"));
  });
});

describe("a level in the budget", () => {
  const dimmed = (program: Partial<typeof PLAIN>, boosted?: number) => {
    const job = edited(
      jobWith("pod-18", 1, allOf("key")),
      setCircuit(RUN, "program", { ...PLAIN, ...program }),
    );
    return levelShare(job, job.runs[0]!, boosted);
  };

  it("of a tenth counts as a tenth, and as full for as long as that is asked", () => {
    expect(dimmed({ level: 0.1 })).toBeCloseTo(0.1, 9);
    expect(dimmed({ level: 0.1, boostWith: ["brake"] }, 0.25)).toBeCloseTo(0.325, 9);
    expect(dimmed({ level: 0.1, boostWith: ["brake"] }, 0)).toBeCloseTo(0.1, 9);
  });

  it("that flashes for as long as it is on counts by its light", () => {
    expect(dimmed({ flashes: -1, onS: 0.1, offS: 0.3 })).toBeCloseTo(0.25, 9);
    expect(dimmed({ flashes: -1, onS: 0.1, offS: 0.3, flashWith: ["brake"] })).toBe(1);
    expect(dimmed({ flashes: 4 })).toBe(1);
  });
});

describe("lithium-ion", () => {
  // Handbook values (m): 4.18 V a cell full, 3.7 V half way, 3.0 V empty.
  it.each([
    [1, 12.54],
    [0.5, 11.1],
    [0, 9],
  ])("of three cells at %s of its charge rests at %s V", (soc, volts) => {
    expect(openCircuitV("lithiumIon", soc, 3)).toBeCloseTo(volts, 2);
    expect(openCircuitV("lithiumIon", soc, 5)).toBeCloseTo((volts * 5) / 3, 2);
    expect(openCircuitV("lithiumIon", soc)).toBeCloseTo(volts, 2);
  });
});

it("the trailer socket has each of its seven contacts once", () => {
  expect(TRAILER_SOCKET.map((p) => p.cavity)).toEqual(["1", "2", "3", "4", "5", "6", "7"]);
  // ISO 1724 (m): 1 left, 3 ground, 4 right, 6 stop.
  const live = (cavity: string) => TRAILER_SOCKET.find((p) => p.cavity === cavity)?.liveWhen;
  expect(["1", "3", "4", "6"].map(live)).toEqual(["left", "ground", "right", "brake"]);
});

it("a control's fuse and wire can be pinned", () => {
  const job = jobWith("pod-18", 1, allOf("park"));
  const control = createKitSwitch(asId<KitSwitchId>("c"), "Switch", ["park"], job.vehicle);
  const pinned = edited(
    edited(job, append(job, "control", control)),
    setKitSwitch(control.id, "fuse", { kind: "rating", ratingA: 15 }),
    setKitSwitch(control.id, "wire", "12 AWG"),
  );
  const told = findingsOf(pinned).map((f) => f.rule);
  expect(told).not.toContain("not-buildable");
});
