/** Kits, ready-made harnesses, plugs, modules, and what single wires are said to be. */
import {
  COLLECTIONS,
  PLAIN,
  adoptPart,
  allOf,
  append,
  asId,
  channelOf,
  contentOf,
  createControl,
  createJob,
  createSupply,
  elementsOf,
  integrityFaults,
  materialsOf,
  measured,
  plugInModule,
  programOf,
  readPartsCsv,
  printPartsCsv,
  replaceLamp,
  seenByVehicle,
  setRun,
  solveCircuit,
  stated,
  synthesise,
  toolsOf,
  unbox,
  unitAt,
  wiresOf,
  type BoxPart,
  type Circuit,
  type ControlId,
  type HarnessId,
  type Input,
  type Job,
  type LoadPart,
  type PinId,
  type Run,
  type RunId,
  type SupplyId,
  type Vehicle,
} from "../src/index.ts";
import { FELLRUNNER, LITTER, PETREL, PORTER, demoPart, roadKitPart } from "../src/demo/index.ts";
import { RUN, edited, findingsOf, jobWith, rulesOf } from "./helpers.ts";

const onVehicle = (vehicle: Vehicle): Job => createJob("test", "", vehicle);
const keyed = allOf("switch", "key");
const oneRun = (partId: string, on = keyed, fields: Partial<Run> = {}): Job =>
  jobWith(partId, 1, on, fields);

const minter = () => {
  let n = 0;
  return (prefix = "made") => `${prefix}-${(n += 1)}`;
};
const load = (id: string): LoadPart => {
  const part = demoPart(id);
  if (part.kind !== "load") throw new Error(`${id} is no load`);
  return part;
};
const box = (id: string): BoxPart => {
  const part = demoPart(id);
  if (part.kind !== "box") throw new Error(`${id} is no box`);
  return part;
};
const volts = (job: Job, circuit: Circuit, inputs: readonly Input[], run: RunId = RUN) => {
  const solved = solveCircuit(
    circuit,
    { inputs: new Set(inputs), switches: new Set(), sourceV: 12.7, packV: 50 },
    job.practices.ambientC,
  );
  if (solved.kind !== "solved") throw new Error(solved.kind);
  const made = circuit.runs.find((r) => r.runId === run)!;
  return made.branches.map((branch) => {
    const at = solved.point.at.get(branch.load)!;
    return at.fromV - at.toV;
  });
};

describe("a kit", () => {
  const empty = onVehicle(PORTER);
  const kit = roadKitPart();

  it("brings circuits, controls, harnesses, parts and its check list in one press", () => {
    const job = edited(empty, ...unbox(empty, kit, minter()));
    expect(integrityFaults(job)).toEqual([]);
    expect(job.runs).toHaveLength(kit.content.runs.length);
    expect(job.kit.map(({ name, needed }) => [name, needed])).toEqual(
      kit.items.map(({ name, count }) => [name, count]),
    );
    const circuit = synthesise(job);
    expect(circuit.gaps).toEqual([]);
    const made = wiresOf(circuit).filter((wire) => wire.harnessId !== "");
    expect(made).toHaveLength(kit.content.wireChoices.length);
    expect(new Set(made.map((wire) => wire.harness))).toEqual(
      new Set(kit.content.harnesses.map((h) => h.name)),
    );
    // Its own colours: left white, right red.
    const lead = (run: string) => made.find((w) => w.runId === run && w.role === "load");
    expect([lead("left")?.colour, lead("right")?.colour]).toEqual(["white", "red"]);
    const pieces = materialsOf(job, circuit);
    for (const { name } of kit.content.harnesses) {
      expect(pieces.filter((p) => p.name === name).map((p) => p.count)).toEqual([1]);
    }
  });

  it("is unboxed twice under other names, and both work", () => {
    const mint = minter();
    const once = edited(empty, ...unbox(empty, kit, mint));
    const twice = edited(once, ...unbox(once, kit, mint));
    expect(integrityFaults(twice)).toEqual([]);
    expect(twice.runs).toHaveLength(2 * once.runs.length);
    expect(synthesise(twice).gaps).toEqual([]);
    expect(twice.wireChoices).toHaveLength(2 * once.wireChoices.length);
  });

  it("of a vehicle without a pack is fed from what that vehicle has", () => {
    const quad = onVehicle(FELLRUNNER);
    const job = edited(quad, ...unbox(quad, kit, minter()));
    expect(job.supplies.find((s) => s.name === "Converter")?.feed).toEqual({ kind: "battery" });
  });

  it("is made of a job, and unboxed again gives the same circuit", () => {
    const job = edited(empty, ...unbox(empty, kit, minter()));
    const again = { ...kit, content: contentOf(job) };
    const back = edited(empty, ...unbox(empty, again, minter()));
    expect(wiresOf(synthesise(back)).map((w) => [w.id, w.gaugeId, w.colour])).toEqual(
      wiresOf(synthesise(job)).map((w) => [w.id, w.gaugeId, w.colour]),
    );
  });

  it("goes through a parts file and back", () => {
    const read = readPartsCsv(printPartsCsv([kit]));
    expect(read).toEqual({ ok: true, value: [kit] });
  });

  it("that refers to what is not in it is refused with the place", () => {
    const [run, ...runs] = kit.content.runs;
    const wrong = {
      ...kit,
      content: {
        ...kit.content,
        runs: [
          { ...run!, feed: { kind: "supply" as const, supplyId: asId<SupplyId>("no") } },
          ...runs,
        ],
      },
    };
    const job = edited(empty, append(empty, "part", wrong));
    expect(integrityFaults(job)).toEqual([
      {
        path: "parts[0].content.runs[0].feed.supplyId",
        message: 'no supply with id "no" in this kit',
      },
    ]);
  });
});

describe("a ready-made harness", () => {
  const job = oneRun("pod-18");
  const wire = wiresOf(synthesise(job)).find((w) => w.runId === RUN && w.role === "load")!;
  const said = (lengthM: number) =>
    edited(
      job,
      append(job, "harness", { id: asId<HarnessId>("h"), name: "Pod harness", note: "" }),
      append(job, "wireChoice", {
        ...{ id: "c", wire: wire.id, harnessId: asId<HarnessId>("h"), colour: "white/red" },
        ...{ gaugeId: "12 AWG", lengthM: measured(lengthM) },
      }),
    );

  it("is neither cut nor sized, has its own length, ohms and colour", () => {
    const made = synthesise(said(9)).elements.get(wire.id);
    expect(made).toMatchObject({
      ...{ harness: "Pod harness", colour: "white/red", gaugeId: "12 AWG", group: "" },
      ...{ lengthM: measured(9), bridgesM: wire.lengthM },
    });
  });

  it.each([
    [0.1, "stop", /Too short/],
    [9, "note", /m too long: stow it/],
  ])("of %s m is told with its place", (lengthM, severity, title) => {
    const [finding] = findingsOf(said(lengthM)).filter((f) => f.rule === "harness-fits");
    expect(finding).toMatchObject({ severity, place: { runId: RUN } });
    expect(finding?.title).toMatch(title);
    expect(finding?.place.words).toContain("Pod harness");
  });

  it("that fits is not spoken of", () => {
    const fits = said(wire.lengthM.value + 0.1);
    expect(rulesOf(fits)).not.toContain("harness-fits");
  });

  it("cut here instead, as its remedy says, is a wire of this job again", () => {
    const short = said(0.1);
    const [finding] = findingsOf(short).filter((f) => f.rule === "harness-fits");
    const mended = edited(short, ...finding!.remedies[0]!.edits);
    expect(synthesise(mended).elements.get(wire.id)).toMatchObject({ harness: "" });
  });

  it("with a wire that is not there says so", () => {
    const lost = edited(
      job,
      append(job, "wireChoice", {
        ...{ id: "c", wire: `${RUN}.nowhere`, harnessId: "", colour: "blue" },
        ...{ gaugeId: "", lengthM: null },
      }),
    );
    expect(synthesise(lost).gaps).toMatchObject([{ kind: "wireNowhere", runId: RUN }]);
  });
});

describe("colours", () => {
  const job = oneRun("pod-18", allOf("high"));

  it("are the shop's own by use, and a single wire's where that is said", () => {
    const colours = [
      { use: "feed", colour: "orange" },
      { use: "ground", colour: "brown" },
      { use: "high", colour: "blue/white" },
    ] as const;
    const shop = { ...job, practices: { ...job.practices, colours } };
    const wires = wiresOf(synthesise(shop)).filter((w) => w.harness === "");
    const of = (role: string) => wires.find((w) => w.role === role)?.colour;
    expect([of("feed"), of("coilReturn"), of("load")]).toEqual(["orange", "brown", "blue/white"]);
    const feed = wires.find((w) => w.role === "feed")!;
    const one = edited(
      shop,
      append(shop, "wireChoice", {
        ...{ id: "c", wire: feed.id, harnessId: "", colour: "pink", gaugeId: "", lengthM: null },
      }),
    );
    expect(synthesise(one).elements.get(feed.id)).toMatchObject({ colour: "pink" });
  });
});

describe("a replaced lamp", () => {
  const bare = onVehicle({
    ...PETREL,
    baseLoads: [
      ...PETREL.baseLoads,
      {
        ...{ id: "bulbs", name: "Left bulbs", currentA: stated(1.6) },
        ...{ parked: 0, engineOff: 0, idle: 0.05, town: 0.05, cruise: 0.05 },
      },
    ],
  });
  const replaced = (joint: "plug" | "adapter" | "splice", count = 1) => {
    const what = {
      ...{ part: load("turn-plug"), count, place: "rear" as const, replaces: "bulbs", joint },
      ...{ pinId: asId<PinId>("left"), name: "Left turn" },
    };
    return edited(bare, ...replaceLamp(bare, what, minter()));
  };

  it("by its plug has no cut wire, no splice and the factory's fuse, and lights with its signal", () => {
    const job = replaced("plug", 2);
    const circuit = synthesise(job);
    const [run] = circuit.runs;
    expect(wiresOf(circuit).filter((w) => w.harness === "")).toEqual([]);
    expect([...circuit.units.values()].map((u) => u.kind)).not.toContain("splice");
    expect(circuit.choices.find((c) => c.kind === "fuse")?.picked).toBe("the factory's own");
    expect(rulesOf(job)).not.toContain("fuse-far-from-battery");
    const on = volts(job, circuit, ["key", "left"], run!.runId);
    const off = volts(job, circuit, ["key", "right"], run!.runId);
    for (const v of on) expect(v).toBeGreaterThan(12.5);
    for (const v of off) expect(Math.abs(v)).toBeLessThan(0.1);
  });

  it("by an adapter has one adapter a lamp among the parts, both of its wires in it", () => {
    const job = replaced("adapter", 2);
    const circuit = synthesise(job);
    const adapters = materialsOf(job, circuit).filter((m) => m.name.startsWith("adapter lead"));
    expect(adapters.map((m) => m.count)).toEqual([2]);
    expect(elementsOf(circuit, [...circuit.elements.keys()], "connector")).toHaveLength(4);
  });

  it("by splices keeps the factory's fuse too", () => {
    const circuit = synthesise(replaced("splice"));
    expect(circuit.runs[0]?.factoryFused).toBe(true);
    expect(elementsOf(circuit, [...circuit.elements.keys()], "fuse")).toEqual([]);
    expect(wiresOf(circuit).some((w) => w.harness === "")).toBe(true);
  });

  it("is seen by the vehicle for what it draws", () => {
    const job = replaced("plug");
    const [seen] = seenByVehicle(job, synthesise(job));
    const { turn } = PETREL;
    expect(seen).toMatchObject({ carries: "left turn", wasA: 1.6, leastA: turn?.leastA });
    // 1.7 W at the charging volts of the vehicle.
    expect(seen?.nowA).toBeGreaterThan(1.7 / 14.8);
    expect(seen?.nowA).toBeLessThan(1.7 / 13);
    expect(seen?.verdict).toBe("missed");
    expect(rulesOf(job)).toContain("monitor-sees");
  });

  it("on a circuit of its own has no factory plug to go into, and is told so", () => {
    const job = replaced("plug");
    const { id } = job.runs[0]!;
    const battery = { kind: "battery" as const };
    const away = edited(job, setRun(id, "feed", battery), setRun(id, "relay", "yes"));
    expect(synthesise(away).gaps.map((g) => g.kind)).toContain("plugNotPossible");
  });
});

describe("a plug-in module", () => {
  const bare = onVehicle(PETREL);
  const what = {
    ...{ module: box("plug-in-deactivator"), pinId: asId<PinId>("left"), channel: 2 },
    ...{ baseLoadId: PETREL.baseLoads[0]!.id, place: "front" as const },
  };
  const job = edited(bare, ...plugInModule(bare, what, minter()));
  const circuit = synthesise(job);

  it("sits between the factory's plug and its lamp, with nothing cut, fused or spliced", () => {
    expect(integrityFaults(job)).toEqual([]);
    expect(circuit.gaps).toEqual([]);
    expect(wiresOf(circuit).filter((w) => w.harness === "")).toEqual([]);
    const [module] = [...circuit.units.values()].filter((u) => u.kind === "box");
    const wired = wiresOf(circuit).flatMap((w) => [w.from, w.to]);
    expect(wired).toContain(`${module!.id}.in2`);
    expect(wired).toContain(`${module!.id}.out2`);
    expect(module?.terminals.find((t) => t.name === "in1")?.spare).not.toBe("");
  });

  it("lets through what comes in, and counts once; the factory's lamp is not bought", () => {
    const { runId } = circuit.runs[0]!;
    expect(volts(job, circuit, ["key", "left"], runId)[0]).toBeGreaterThan(12);
    expect(Math.abs(volts(job, circuit, ["key"], runId)[0]!)).toBeLessThan(0.1);
    expect(materialsOf(job, circuit).map((m) => [m.name, m.count])).toEqual([
      [what.module.name, 1],
    ]);
  });

  it("feeds nothing: a circuit fed from it has no source", () => {
    const { id } = job.supplies[0]!;
    const fed = edited(job, setRun(job.runs[0]!.id, "feed", { kind: "supply", supplyId: id }));
    expect(synthesise(fed).gaps).toMatchObject([{ kind: "noSource" }]);
  });

  it("takes several lamps, each through a channel", () => {
    const { id } = job.supplies[0]!;
    const again = {
      ...what,
      ...{ module: { supplyId: id }, channel: 0, baseLoadId: PETREL.baseLoads[1]!.id },
    };
    const both = edited(job, ...plugInModule(job, again, minter()));
    expect(both.supplies).toHaveLength(1);
    expect(both.runs.map((run) => channelOf(both, run))).toEqual([2, 1]);
    expect(synthesise(both).gaps).toEqual([]);
  });
});

describe("a control that ties to ground", () => {
  const withButton = (supplyPart: string | null) => {
    const bare = onVehicle(PORTER);
    const converter = createSupply(
      asId<SupplyId>("conv"),
      "Converter",
      asId("converter-60-12-25"),
      PORTER,
    );
    const fed = { kind: "supply" as const, supplyId: converter.id };
    const job = edited(
      bare,
      ...adoptPart(bare, demoPart("converter-60-12-25")),
      append(bare, "supply", converter),
    );
    const board = supplyPart
      ? { ...createSupply(asId<SupplyId>("box"), "Box", asId(supplyPart), PORTER), feed: fed }
      : null;
    const boxed = board
      ? edited(job, ...adoptPart(job, demoPart(supplyPart!)), append(job, "supply", board))
      : job;
    const button = {
      ...createControl(asId<ControlId>("button"), "Horn button", ["horn"], PORTER, fed),
      ...{ switches: "ground" as const, momentary: true },
    };
    const feed = board ? { kind: "supply" as const, supplyId: board.id } : fed;
    const horn = oneRun("horn-3a", allOf("horn"), { feed }).runs[0]!;
    const withRun = edited(boxed, append(boxed, "control", button), append(boxed, "run", horn));
    const lamp = { ...oneRun("horn-3a").lamps[0]!, runId: horn.id };
    return edited(
      withRun,
      ...adoptPart(withRun, demoPart("horn-3a")),
      append(withRun, "lamp", lamp),
    );
  };

  it.each([
    ["a relay of its own", null],
    ["a relay board", "relay-board-6"],
  ])("works the coil of %s by its ground", (_, part) => {
    const job = withButton(part);
    const circuit = synthesise(job);
    expect(circuit.gaps.map((g) => g.kind)).not.toContain("conditionNotBuildable");
    const run = circuit.runs[0]!;
    expect(run.coil?.switching).toBe("negative");
    const [on] = volts(job, circuit, ["key", "horn"]);
    const [off] = volts(job, circuit, ["key"]);
    expect(on).toBeGreaterThan(11);
    expect(Math.abs(off!)).toBeLessThan(0.5);
    // Its common goes to the negative, by a wire, and nothing feeds it.
    const com = wiresOf(circuit).find((w) => unitAt(circuit, w.from)?.name === "Horn button");
    expect(com?.role).toBe("return");
  });

  it("cannot work a hub whose inputs want a positive, and says so", () => {
    const gap = synthesise(withButton("hub-6")).gaps.find(
      (g) => g.kind === "conditionNotBuildable",
    );
    expect(gap?.detail).toContain("switches ground");
  });
});

describe("a factory wire that is tied to ground when it is live", () => {
  const wire = {
    ...FELLRUNNER.pins.find((p) => p.liveWhen === "key")!,
    switches: "ground" as const,
  };
  const vehicle = {
    ...FELLRUNNER,
    pins: [{ ...wire, id: asId<PinId>("switched"), liveWhen: "reverse" as const }],
  };
  const base = oneRun("pod-18", allOf("reverse"));
  const job = { ...base, vehicle };

  it("works a coil from the other side", () => {
    const circuit = synthesise(job);
    expect(circuit.gaps).toEqual([]);
    expect(volts(job, circuit, ["key", "reverse"])[0]).toBeGreaterThan(12);
    expect(Math.abs(volts(job, circuit, ["key"])[0]!)).toBeLessThan(0.5);
  });

  it("feeds nothing", () => {
    const fed = edited(job, setRun(RUN, "feed", { kind: "pin", pinId: asId<PinId>("switched") }));
    expect(synthesise(fed).gaps.map((g) => g.kind)).toContain("noSource");
  });
});

describe("lever and pedal", () => {
  const brakes = (inputs: readonly Input[]) => {
    const bare = oneRun("tail-bulb-21-5", allOf("brake"));
    const job = { ...bare, vehicle: { ...bare.vehicle, pins: [] } };
    return inputs.reduce(
      (made, input) =>
        edited(
          made,
          append(
            made,
            "control",
            createControl(asId<ControlId>(input), input, [input], job.vehicle),
          ),
        ),
      job as Job,
    );
  };

  it("each light the brake lamp by a switch of their own, side by side", () => {
    const job = brakes(["lever", "pedal"]);
    const circuit = synthesise(job);
    expect(circuit.gaps).toEqual([]);
    for (const inputs of [["lever"], ["pedal"], ["lever", "pedal"], ["brake"]] as const) {
      expect(volts(job, circuit, inputs)[0]).toBeGreaterThan(11);
    }
    expect(Math.abs(volts(job, circuit, ["key"])[0]!)).toBeLessThan(0.5);
  });

  it("one alone is all the brake there is", () => {
    const job = brakes(["lever"]);
    const circuit = synthesise(job);
    expect(volts(job, circuit, ["lever"])[0]).toBeGreaterThan(11);
    expect(Math.abs(volts(job, circuit, ["pedal"])[0]!)).toBeLessThan(0.5);
  });
});

describe("a box of uneven channels", () => {
  const hub = (channels: readonly number[]) => {
    const bare = onVehicle(LITTER);
    const supply = createSupply(asId<SupplyId>("hub"), "Hub", asId("hub-6-uneven"), LITTER);
    let job = edited(
      bare,
      ...adoptPart(bare, demoPart("hub-6-uneven")),
      append(bare, "supply", supply),
    );
    channels.forEach((channel, i) => {
      const run = {
        ...oneRun("pod-18").runs[0]!,
        ...{ id: asId<RunId>(`r${i + 1}`), name: `Circuit ${i + 1}`, channel },
        ...{ feed: { kind: "supply" as const, supplyId: supply.id }, condition: allOf("switch") },
      };
      job = edited(job, append(job, "run", run));
    });
    return job;
  };

  it("gives those that are said first, the others the next free, and moves on a second claim", () => {
    const job = hub([0, 1, 1, 0]);
    expect(job.runs.map((run) => channelOf(job, run))).toEqual([2, 1, 3, 4]);
    expect(findingsOf(job).map((f) => f.title)).toContain(
      "Circuit 3 asks for a channel that another has",
    );
  });

  it("judges each by its own rating, and all by the main breaker", () => {
    const lit = (channel: number) => {
      const job = hub([channel]);
      const lamps = [1, 2, 3, 4].map((n) => ({
        ...oneRun("pod-18").lamps[0]!,
        ...{ id: asId<never>(`l${n}`), runId: job.runs[0]!.id },
      }));
      return lamps.reduce(
        (made, lamp) => edited(made, append(made, "lamp", lamp)),
        edited(job, ...adoptPart(job, demoPart("pod-18"))),
      );
    };
    // Four 18 W pods, 6 A: too much for channel 5 of 5 A, not for channel 1 of 20 A.
    const over = (channel: number) =>
      findingsOf(lit(channel)).some((f) =>
        f.title.includes(`more than channel ${channel} carries`),
      );
    expect([over(1), over(5)]).toEqual([false, true]);
    const circuit = synthesise(lit(1));
    const main = elementsOf(circuit, [...circuit.elements.keys()], "fuse").find((f) => f.builtIn);
    expect(main).toMatchObject({ ratingA: 30, resets: true });
  });
});

describe("programmes", () => {
  it("of a job win over what the part does", () => {
    const job = oneRun("pod-18");
    expect(programOf(job, job.runs[0]!)).toBeNull();
    const program = { ...PLAIN, level: 0.1 };
    const set = edited(job, setRun(RUN, "program", program));
    expect(programOf(set, set.runs[0]!)).toEqual(program);
  });
});

describe("tools", () => {
  it("are those that the job asks for", () => {
    const job = oneRun("pod-18");
    const names = toolsOf(job, synthesise(job)).map((t) => t.name);
    expect(names).toContain("multimeter");
    expect(names).toContain("ratchet crimper, insulated dies");
    expect(names.some((n) => n.startsWith("insulated tools"))).toBe(false);
    const cart = onVehicle(PORTER);
    expect(toolsOf(cart, synthesise(cart)).map((t) => t.name)).not.toContain("heat gun");
    expect(toolsOf(cart, synthesise(cart)).some((t) => t.name.startsWith("insulated tools"))).toBe(
      true,
    );
  });
});

it("every list of a job has a place among the collections", () => {
  const job = onVehicle(PORTER);
  for (const { get } of Object.values(COLLECTIONS))
    expect(get(job) ?? []).toEqual(expect.any(Array));
});
