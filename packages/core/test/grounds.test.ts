/** Controls and factory wires that tie to the negative instead of giving a positive. */
/** Lamps replaced, modules plugged in, controls that tie to ground, channels and programmes. */
import {
  adoptPart,
  allOf,
  append,
  asId,
  createKitSwitch,
  createSupply,
  setCircuit,
  solveCircuit,
  synthesise,
  unitAt,
  wiresOf,
  type Circuit,
  type KitSwitchId,
  type Input,
  type Job,
  type PinId,
  type CircuitId,
  type SupplyId,
} from "../src/index.ts";
import { FELLRUNNER, PORTER, demoPart } from "../src/demo/index.ts";
import { RUN, edited, onVehicle, oneRun } from "./helpers.ts";

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
      ...createKitSwitch(asId<KitSwitchId>("button"), "Horn button", ["horn"], PORTER, fed),
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
    const fed = edited(
      job,
      setCircuit(RUN, "feed", { kind: "pin", pinId: asId<PinId>("switched") }),
    );
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
            createKitSwitch(asId<KitSwitchId>(input), input, [input], job.vehicle),
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
