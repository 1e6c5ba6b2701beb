/** Lamps replaced, modules plugged in, controls that tie to ground, channels and programmes. */
import {
  PLAIN,
  adoptPart,
  allOf,
  append,
  asId,
  channelOf,
  createSupply,
  elementsOf,
  integrityFaults,
  materialsOf,
  plugInModule,
  programOf,
  replaceLamp,
  seenByVehicle,
  setCircuit,
  solveCircuit,
  stated,
  synthesise,
  wiresOf,
  type BoxPart,
  type Circuit,
  type Input,
  type Job,
  type PinId,
  type CircuitId,
  type SupplyId,
} from "../src/index.ts";
import { LITTER, PETREL, demoPart } from "../src/demo/index.ts";
import {
  edited,
  findingsOf,
  loadPart,
  minter,
  oneRun,
  onVehicle,
  rulesOf,
  RUN,
} from "./helpers.ts";

const box = (id: string): BoxPart => {
  const part = demoPart(id);
  if (part.kind !== "box") throw new Error(`${id} is no box`);
  return part;
};

const volts = (job: Job, circuit: Circuit, inputs: readonly Input[], run: CircuitId = RUN) => {
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

describe("a replaced lamp", () => {
  const bare = onVehicle({
    ...PETREL,
    baseLoads: [
      ...PETREL.baseLoads,
      {
        ...{ id: "bulbs", name: "Left bulbs", kind: "lamp", at: "", currentA: stated(1.6) },
        ...{ parked: 0, engineOff: 0, idle: 0.05, town: 0.05, cruise: 0.05 },
      },
    ],
  });
  const replaced = (joint: "plug" | "adapter" | "splice", count = 1) => {
    const what = {
      ...{ part: loadPart("turn-plug"), count, place: "rear" as const, replaces: "bulbs", joint },
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
    expect(rulesOf(job)).toContain("flash-rate");
  });

  it("on a circuit of its own has no factory plug to go into, and is told so", () => {
    const job = replaced("plug");
    const { id } = job.runs[0]!;
    const battery = { kind: "battery" as const };
    const away = edited(job, setCircuit(id, "feed", battery), setCircuit(id, "relay", "yes"));
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

  it("before a lamp that nobody has told writes it down once, as such bulbs draw", () => {
    const untold = { ...what, baseLoadId: "" };
    const first = edited(bare, ...plugInModule(bare, untold, minter()));
    const told = first.vehicle.baseLoads.slice(bare.vehicle.baseLoads.length);
    // A 21 W bulb at 13.5 V: common practice.
    expect(told.map((l) => [l.currentA.value, l.currentA.provenance])).toEqual([[1.56, "assumed"]]);
    expect(first.lamps.map((l) => [l.replaces, l.factory])).toEqual([[told[0]!.id, true]]);
    expect(plugInModule(bare, { ...what, baseLoadId: "none" }, minter())).toEqual([]);
    const ids = new Set(first.runs.map((r) => r.id));
    const again = edited(
      first,
      ...plugInModule(first, untold, (prefix) => `${prefix}-again-${ids.size}`),
    );
    expect(again.vehicle.baseLoads).toHaveLength(first.vehicle.baseLoads.length);
  });

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
    const fed = edited(job, setCircuit(job.runs[0]!.id, "feed", { kind: "supply", supplyId: id }));
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
        ...{ id: asId<CircuitId>(`r${i + 1}`), name: `Circuit ${i + 1}`, channel },
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
    const set = edited(job, setCircuit(RUN, "program", program));
    expect(programOf(set, set.runs[0]!)).toEqual(program);
  });
});
