/** What shops tell each other of a model: two profiles compared, and the open file. */
import {
  asId,
  createJob,
  differencesOf,
  measured,
  modelFileOf,
  takeDifferences,
  upgradeModelFile,
  vehicleFacts,
  type ConnectorId,
  type ConnectorPin,
  type Measurement,
  type PinId,
  type Vehicle,
} from "../src/index.ts";
import { DEMO_VEHICLES, FELLRUNNER, PETREL, PORTER } from "../src/demo/index.ts";
import { edited } from "./helpers.ts";

const KEY = "output at 2000 rpm";
let nth = 0;
const seen = (value: number, change: Partial<Measurement> = {}): Measurement => ({
  ...{ key: KEY, words: "charging output at 2000 rpm", unit: "A", said: "" },
  ...{ value, low: value - 0.2, high: value + 0.2 },
  ...{ machine: `plate ${++nth}`, year: 0, variant: "", who: "Ansa", day: "2026-03-01" },
  ...{ jobId: "job", from: "" },
  ...change,
});

const measuredAt = (vehicle: Vehicle, key: string, value: number): Vehicle => {
  const fact = vehicleFacts(vehicle).find((one) => one.key === key)!;
  return edited(createJob("", "", vehicle), fact.set(measured(value))).vehicle;
};

describe("another shop's profile of a model", () => {
  it.each(DEMO_VEHICLES.map((v) => [v.model, v] as const))(
    "of %s like one's own has no difference",
    (_, v) => {
      expect(differencesOf(v, structuredClone(v))).toEqual([]);
    },
  );

  it("is taken over by what was chosen, and only that", () => {
    const theirs = { ...measuredAt(FELLRUNNER, KEY, 12), note: "theirs" };
    const differences = differencesOf(FELLRUNNER, theirs);
    expect(differences).toHaveLength(2);
    const output = differences.find(({ words }) => words.includes("charging output"))!;
    expect(output.theirs).toContain("12");
    const taken = takeDifferences(FELLRUNNER, theirs, [output.id])!;
    expect(taken).toEqual(measuredAt(FELLRUNNER, KEY, 12));
    expect(
      takeDifferences(
        FELLRUNNER,
        theirs,
        differences.map((d) => d.id),
      ),
    ).toEqual(theirs);
    expect(takeDifferences(FELLRUNNER, theirs, [])).toEqual(FELLRUNNER);
  });

  it("is known again by names where its ids are others, and takes nothing of one's own away", () => {
    const rename = (id: string): string => `theirs-${id}`;
    const theirs: Vehicle = {
      ...PETREL,
      connectors: PETREL.connectors.map((c) => ({ ...c, id: asId<ConnectorId>(rename(c.id)) })),
      pins: PETREL.pins.map((p) => ({
        ...p,
        ...{ id: asId<PinId>(rename(p.id)), connectorId: asId<ConnectorId>(rename(p.connectorId)) },
      })),
      baseLoads: PETREL.baseLoads.slice(1).map((l) => ({ ...l, name: ` ${l.name.toUpperCase()}` })),
    };
    expect(differencesOf(PETREL, theirs)).toEqual([]);
    const [load] = theirs.baseLoads;
    const heavier = { ...load!, currentA: measured(2.5) };
    const changed = { ...theirs, baseLoads: [heavier, ...theirs.baseLoads.slice(1)] };
    const differences = differencesOf(PETREL, changed);
    expect(differences).toHaveLength(1);
    const taken = takeDifferences(PETREL, changed, [differences[0]!.id])!;
    expect(taken.baseLoads).toHaveLength(PETREL.baseLoads.length);
    expect(taken.baseLoads[1]).toEqual({ ...PETREL.baseLoads[1]!, currentA: measured(2.5) });
    expect(taken.pins).toEqual(PETREL.pins);
  });

  it("brings the plug with a wire that hangs on it, under an id that is free", () => {
    const [plug] = PETREL.connectors;
    const [pin] = PETREL.pins;
    const theirs: Vehicle = {
      ...PETREL,
      connectors: [
        ...PETREL.connectors,
        { ...plug!, id: plug!.id, name: "Plug behind the dash" },
      ].map((c, i) => ({ ...c, id: asId<ConnectorId>(`c${i}`) })),
      pins: [],
    };
    const last = theirs.connectors.at(-1)!;
    const wire: ConnectorPin = { ...pin!, connectorId: last.id, cavity: "99" };
    const differences = differencesOf(PETREL, { ...theirs, pins: [wire] });
    const ofWire = differences.find(({ id }) => id.startsWith("pin"))!;
    const taken = takeDifferences(PETREL, { ...theirs, pins: [wire] }, [ofWire.id])!;
    const added = taken.pins.at(-1)!;
    expect(taken.pins).toHaveLength(PETREL.pins.length + 1);
    expect(new Set(taken.pins.map((p) => p.id)).size).toBe(taken.pins.length);
    expect(taken.connectors.find((c) => c.id === added.connectorId)?.name).toBe(
      "Plug behind the dash",
    );
  });

  it("tells two wires of one cavity apart, each by itself", () => {
    const [pin] = PETREL.pins;
    const twin: ConnectorPin = { ...pin!, id: asId<PinId>("twin"), colour: "pink" };
    const mine = { ...PETREL, pins: [...PETREL.pins, twin] };
    const theirs = {
      ...mine,
      pins: mine.pins.map((p) => (p.cavity === pin!.cavity ? { ...p, carries: "horn" } : p)),
    };
    const ids = differencesOf(mine, theirs).map(({ id }) => id);
    expect(ids.length).toBeGreaterThan(1);
    expect(new Set(ids).size).toBe(ids.length);
    const taken = takeDifferences(mine, theirs, ids)!;
    expect(taken.pins).toEqual(theirs.pins);
    const one = takeDifferences(mine, theirs, ids.slice(0, 1))!;
    expect(one.pins.filter((p, i) => p.carries !== mine.pins[i]!.carries)).toHaveLength(1);
  });

  it("with other electrics is one difference that brings them", () => {
    const theirs = { ...PORTER, profileId: FELLRUNNER.profileId, model: FELLRUNNER.model };
    const differences = differencesOf(FELLRUNNER, theirs);
    expect(differences[0]).toMatchObject({ id: "system", mine: "engine" });
    const taken = takeDifferences(FELLRUNNER, theirs, ["system"])!;
    expect(taken.system).toEqual(PORTER.system);
  });
});

describe("the file of a model", () => {
  const machines = [
    seen(13, { machine: "OX-12 plate", who: "Ansa", jobId: "j1" }),
    seen(14, { machine: "OX-13 plate", who: "Pim", jobId: "j2" }),
    seen(13.2, { machine: "OX-12 plate", who: "Ansa", jobId: "j1", key: "other" }),
    seen(15, { machine: "machine 7", who: "", jobId: "", from: "Third shop" }),
  ];
  const file = modelFileOf(
    "Own shop",
    "2026-11-27",
    { ...FELLRUNNER, machine: "OX-12 plate" },
    machines,
  );

  it("tells machines apart without their plates, and nobody's name", () => {
    const text = JSON.stringify(file);
    for (const private_ of ["OX-1", "Ansa", "Pim", "j1"])
      expect(text.includes(private_)).toBe(false);
    const names = file.measurements.map((m) => m.machine);
    expect(names[0]).toBe(names[2]);
    expect(new Set(names).size).toBe(3);
    expect(file.measurements.map((m) => m.from)).toEqual([
      ...["Own shop", "Own shop", "Own shop", "Third shop"],
    ]);
    expect(file.vehicle.machine).toBe("");
  });

  it("of an earlier version has its vehicle brought up, and anything else is left to be refused", () => {
    const { year, ...before } = FELLRUNNER;
    expect(year).toBe(0);
    const old = { ...file, shape: 7, vehicle: before };
    expect(upgradeModelFile(old)).toEqual({ ...file, vehicle: FELLRUNNER });
    expect(upgradeModelFile(file)).toBe(file);
    for (const odd of [null, 3, {}, { vehicle: null, shape: 2 }]) {
      expect(() => upgradeModelFile(odd)).not.toThrow();
    }
  });
});
