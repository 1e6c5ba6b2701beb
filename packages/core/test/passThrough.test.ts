/** Harnesses between the halves of factory connectors: nothing is cut, and what they bring is known. */
import {
  allOf,
  append,
  asId,
  cutListOf,
  elementsOf,
  faults,
  integrityFaults,
  materialsOf,
  removeConnector,
  setHarness,
  setCircuit,
  solveCircuit,
  stated,
  synthesise,
  unbox,
  unitAt,
  type Circuit,
  type ConnectorId,
  type ConnectorPin,
  type Harness,
  type HarnessId,
  type HarnessJoint,
  type Input,
  type Job,
  type KitPart,
  type LampId,
  type PinId,
  type Vehicle,
} from "../src/index.ts";
import { FELLRUNNER, demoPart } from "../src/demo/index.ts";
import { edited, findingsOf, jobWith, minter, RUN } from "./helpers.ts";

const connectorId = (id: string) => asId<ConnectorId>(id);
const joint = (id: string, mark = id): HarnessJoint => ({
  ...{ id, connectorId: connectorId(id), mark },
});
const tee = (...joints: HarnessJoint[]): Harness => ({
  ...{ id: asId<HarnessId>("tee"), name: "Tee harness", note: "", joints },
});

const wire = (id: string, at: string, fields: Partial<ConnectorPin> = {}): ConnectorPin => ({
  ...FELLRUNNER.pins.find((p) => p.liveWhen === "key" && p.family === "accessory")!,
  ...{ id: asId<PinId>(id), connectorId: connectorId(at), cavity: "1", carries: id },
  ...{ colour: "brown", mayGiveA: stated(4, 4, 4), fuseA: 10 },
  ...fields,
});

/** Two plugs at the tail, two wires each. */
const TAIL: Vehicle = {
  ...FELLRUNNER,
  connectors: ["left", "right"].map((id) => ({
    ...{
      id: connectorId(id),
      name: `${id} tail plug`,
      where: "",
      at: "" as const,
      cavities: 0,
      rows: 0,
    },
  })),
  pins: [
    wire("left tail", "left", { id: asId<PinId>("left-tail"), liveWhen: "park" }),
    wire("left brake", "left", {
      ...{ id: asId<PinId>("left-brake"), cavity: "2", colour: "green", liveWhen: "brake" },
    }),
    wire("right tail", "right", { id: asId<PinId>("right-tail"), liveWhen: "park" }),
  ],
};

/** One lamp on one wire of the tail, with the harnesses that the job has. */
const onPin = (pinId: string, on: Input, ...harnesses: Harness[]): Job => {
  const feed = { kind: "pin" as const, pinId: asId<PinId>(pinId) };
  return { ...jobWith("turn-led", 1, allOf(on), { feed, relay: "no" }, TAIL), harnesses };
};

const lampV = (job: Job, circuit: Circuit, on: readonly Input[]): number => {
  const at = { inputs: new Set(on), switches: new Set<never>(), sourceV: 12.7, packV: 0 };
  const solved = solveCircuit(circuit, at, job.practices.ambientC);
  if (solved.kind !== "solved") throw new Error(solved.kind);
  const { fromV, toV } = solved.point.at.get(circuit.runs[0]!.branches[0]!.load)!;
  return fromV - toV;
};

const titles = (job: Job): string[] =>
  findingsOf(job)
    .filter((f) => f.rule === "harness-joints")
    .map((f) => f.title);

describe("a harness between the halves of a connector", () => {
  const job = onPin("left-tail", "park", tee(joint("left"), joint("right")));
  const circuit = synthesise(job);
  const { lines, readyMade } = cutListOf(job, circuit);

  it("is what the added wire starts at; the factory's loom is not tapped", () => {
    expect(lines[0]!.from).toMatchObject({ unitTerminal: "out1", terminal: "crimp splice" });
    const taps = [...lines, ...readyMade].flatMap(({ from, to }) => [from, to]);
    expect(taps.filter(({ terminal }) => terminal === "tap splice")).toEqual([]);
    const plain = onPin("left-tail", "park");
    expect(cutListOf(plain, synthesise(plain)).lines[0]!.from.terminal).toBe("tap splice");
  });

  it("comes with its plugs on and the factory's colour: nothing to cut, strip or crimp", () => {
    const made = readyMade.filter(({ harness }) => harness === "Tee harness");
    expect(made).toHaveLength(1);
    expect(made[0]).toMatchObject({ label: "H1.1", colour: "brown", cutM: 0 });
    for (const { terminal, stripMm, shrinkMm } of [made[0]!.from, made[0]!.to]) {
      expect([terminal, stripMm, shrinkMm]).toEqual(["the plug it has", 0, 0]);
    }
  });

  it("is one thing to lay out, however many plugs of it are used", () => {
    const both = edited(
      job,
      ...[setCircuit(RUN, "feed", { kind: "pin", pinId: asId<PinId>("left-tail") })],
      append(job, "run", {
        ...job.runs[0]!,
        ...{ id: asId<typeof RUN>("run-2"), feed: { kind: "pin", pinId: asId("right-tail") } },
      }),
      append(job, "lamp", { ...job.lamps[0]!, id: asId<LampId>("lamp-9"), runId: asId("run-2") }),
    );
    for (const one of [job, both]) {
      const made = materialsOf(one, synthesise(one)).filter(({ name }) => name === "Tee harness");
      expect(made).toEqual([
        expect.objectContaining({
          ...{ count: 1, unit: "" },
          detail: "between the halves of left tail plug: left, right tail plug: right",
        }),
      ]);
    }
    const units = [...synthesise(both).units.values()].filter((u) => u.kind === "passThrough");
    expect(units.map((u) => u.name)).toEqual([
      "Tee harness at left tail plug (left)",
      "Tee harness at right tail plug (right)",
    ]);
  });

  it("lights with its signal, a plug's contact behind the factory wire", () => {
    const through = lampV(job, circuit, ["park"]);
    const plain = onPin("left-tail", "park");
    const tapped = lampV(plain, synthesise(plain), ["park"]);
    expect(Math.abs(lampV(job, circuit, ["brake"]))).toBeLessThan(0.5);
    expect(through).toBeLessThan(tapped);
    // 1.7 W at 12.7 V through 5 mΩ of contact and 0.25 m of 18 AWG: less than two millivolts more.
    expect(tapped - through).toBeLessThan(0.002);
    expect(elementsOf(circuit, [...circuit.elements.keys()], "connector")).toHaveLength(1);
  });

  it("has plugs that come apart, each told by its place", () => {
    const apart = faults(job, circuit)!.filter(({ words }) => words.endsWith("contact 1, apart"));
    expect(apart.map(({ words }) => words)).toEqual([
      "Tee harness at left tail plug (left), contact 1, apart",
    ]);
    expect(apart[0]!.dark).toEqual(["LED turn lamp"]);
    // Whatever a circuit is called, its faults are told by that.
    const named = { ...job, runs: job.runs.map((run) => ({ ...run, name: "wire" })) };
    const own = faults(named, synthesise(named))!.filter(({ runId }) => runId === RUN);
    expect(own.filter(({ words }) => !words.startsWith("wire: "))).toEqual([]);
  });

  it("takes a lamp with a plug of its own, with nothing to crimp", () => {
    const plugged = {
      ...job,
      lamps: job.lamps.map((lamp) => ({ ...lamp, joint: "adapter" as const })),
    };
    const own = cutListOf(plugged, synthesise(plugged)).readyMade.find(
      ({ harness }) => harness === "adapter of LED turn lamp",
    )!;
    expect(own.from).toMatchObject({
      unitTerminal: "out1",
      terminal: "the plug it has",
      stripMm: 0,
    });
  });

  it("takes each wire through its own contact, told by its cavity", () => {
    const brake = onPin("left-brake", "brake", tee(joint("left")));
    const made = cutListOf(brake, synthesise(brake)).lines[0]!;
    expect(made.from.unitTerminal).toBe("out2");
    const alike = {
      ...brake,
      vehicle: { ...TAIL, pins: TAIL.pins.map((p) => ({ ...p, cavity: "a" })) },
    };
    expect(cutListOf(alike, synthesise(alike)).lines[0]!.from.unitTerminal).toBe("out_left_brake");
  });

  it("is passed on the way to a ground-switched wire, too", () => {
    const grounds = TAIL.pins.map((p) => ({ ...p, switches: "ground" as const }));
    const vehicle = { ...TAIL, pins: grounds };
    const on = { relay: "yes", feed: { kind: "battery" }, return: "wire" } as const;
    const lit = {
      ...jobWith("turn-led", 1, allOf("park"), on, vehicle),
      harnesses: [tee(joint("left"))],
    };
    const made = synthesise(lit);
    const last = made.runs[0]!.coil!.path;
    const contact = elementsOf(made, last, "connector")[0]!;
    expect(unitAt(made, contact.from)?.kind).toBe("passThrough");
    expect(lampV(lit, made, ["park"])).toBeGreaterThan(12);
    expect(Math.abs(lampV(lit, made, []))).toBeLessThan(0.5);
  });
});

describe("a plug of such a harness that is apart", () => {
  const rear = FELLRUNNER.places.find(({ role }) => role === "rear")!.id;
  /** One plug at the rear that everything goes through, with the lamps that the factory has there. */
  const vehicle: Vehicle = {
    ...TAIL,
    connectors: [{ ...TAIL.connectors[0]!, at: rear }],
    pins: [
      ...TAIL.pins.filter(({ connectorId: at }) => at === "left"),
      wire("feed of the ignition", "left", {
        ...{ id: asId<PinId>("left-ignition"), cavity: "3", family: "ignition" },
      }),
    ],
    factoryLamps: { ...FELLRUNNER.factoryLamps, headlight: 1, rearPosition: 1, stop: 1 },
  };
  const apart = (pinId: string, on: Input, at: Vehicle = vehicle) => {
    const feed = { kind: "pin" as const, pinId: asId<PinId>(pinId) };
    const run = jobWith("pod-18", 1, allOf(on), { feed, relay: "no" }, at);
    const job = { ...run, harnesses: [tee(joint("left"))] };
    const found = faults(job, synthesise(job))!.filter(({ kind }) => kind === "open");
    const contact = found.find(({ words }) => / tail plug .*contact .* apart$/.test(words))!;
    const lead = found.find(({ words }) => /lamp|pigtail/.test(words) && !/plug/.test(words))!;
    return { contact, lead };
  };

  it("takes what the factory has behind it, too; a broken lead of the job takes nothing of it", () => {
    const park = apart("left-tail", "park");
    expect(park.contact).toMatchObject({ lost: ["rearPosition"], ridesHome: "byDay" });
    expect(park.lead).toMatchObject({ lost: [], ridesHome: "yes" });
    expect(apart("left-brake", "brake").contact).toMatchObject({
      ...{ lost: ["stop"], ridesHome: "unseen" },
    });
    expect(apart("left-ignition", "key").contact.ridesHome).toBe("no");
  });

  it("leaves what another plug at that end has, and takes all where nobody said at which end it is", () => {
    const second: Vehicle = {
      ...vehicle,
      connectors: TAIL.connectors.map((c) => ({ ...c, at: rear })),
      pins: TAIL.pins,
    };
    expect(apart("left-tail", "park", second).contact.lost).toEqual([]);
    expect(apart("left-brake", "brake", second).contact.lost).toEqual(["stop"]);
    const unplaced: Vehicle = {
      ...vehicle,
      connectors: vehicle.connectors.map((c) => ({ ...c, at: "" as const })),
    };
    expect(apart("left-tail", "park", unplaced).contact.lost).toEqual([
      ...["headlight", "rearPosition"],
    ]);
  });
});

describe("what is said of such a harness", () => {
  it("is sound where each of its plugs is told from the others", () => {
    expect(titles(onPin("left-tail", "park", tee(joint("left"), joint("right"))))).toEqual([]);
    expect(titles(onPin("left-tail", "park", tee()))).toEqual([]);
  });

  it("wants a mark where plugs look alike, and gives each its connector's name by a press", () => {
    const alike = onPin("left-tail", "park", tee(joint("left", "White "), joint("right", "white")));
    expect(titles(alike)).toEqual(["Its plugs look alike"]);
    const found = findingsOf(alike).find((f) => f.rule === "harness-joints")!;
    const mended = edited(alike, ...found.remedies[0]!.edits);
    expect(mended.harnesses[0]!.joints.map((j) => j.mark)).toEqual([
      "left tail plug",
      "right tail plug",
    ]);
    expect(titles(mended)).toEqual([]);
  });

  it("asks between which plugs, where nobody has said", () => {
    const open = { ...joint("left"), connectorId: "" as const };
    expect(titles(onPin("left-tail", "park", tee(open, joint("right"))))).toEqual([
      "Between which plugs does it go?",
    ]);
  });

  it("tells two of them between one pair of plugs", () => {
    const second = { ...tee(joint("left")), id: asId<HarnessId>("second"), name: "Second" };
    expect(titles(onPin("left-tail", "park", tee(joint("left")), second))).toEqual([
      "Tee harness is between these plugs already",
    ]);
  });

  it("has to name a connector that is there, and each joint once", () => {
    const twice = tee(joint("left"), { ...joint("gone"), id: "left" });
    expect(integrityFaults(onPin("left-tail", "park", twice))).toEqual([
      {
        path: "harnesses[0].joints[1].id",
        message: '"left" is taken already (needs another)',
      },
      {
        path: "harnesses[0].joints[1].connectorId",
        message: 'no connector with id "gone" in this job',
      },
    ]);
  });

  it("loses its place with a connector that goes, and nothing else", () => {
    const job = onPin("left-tail", "park", tee(joint("left"), joint("right")));
    const after = edited(job, ...removeConnector(job, "right"));
    expect(after.harnesses[0]!.joints).toEqual([
      joint("left"),
      { ...joint("right"), connectorId: "" },
    ]);
    expect(integrityFaults(after)).toEqual([]);
  });

  it("comes out of a kit's box with its marks, to be placed on this vehicle", () => {
    const kit: KitPart = {
      ...demoPart("pod-18"),
      ...{ kind: "kit", id: asId("kit-tee"), items: [] },
      content: {
        ...{ parts: [], supplies: [], controls: [], runs: [], lamps: [], wireChoices: [] },
        harnesses: [tee(joint("left"))],
      },
    };
    const job = onPin("left-tail", "park");
    const after = edited(job, ...unbox(job, kit, minter()));
    expect(after.harnesses[0]!.joints).toEqual([{ ...joint("left"), connectorId: "" }]);
    const placed = edited(after, setHarness(after.harnesses[0]!.id, "joints", [joint("left")]));
    expect(titles(placed)).toEqual([]);
  });
});
