import {
  allOf,
  asId,
  budgetOf,
  hoursToFull,
  inletA,
  setCircuit,
  synthesise,
  type KitSwitchId,
  type BoundedValue,
  type Job,
  type Vehicle,
} from "../src/index.ts";
import { FELLRUNNER, LITTER, MIDGE, PORTER, demoPart } from "../src/demo/index.ts";
import { standbyWOf } from "../src/budget/pack/packStandby.ts";
import { behind, edited, jobWith, onVehicle, RUN, sure, switchPart } from "./helpers.ts";

const budget = (job: Job) => budgetOf(job, synthesise(job));

/** Hung on a part of the shelf that feeds it, by what gates that. */
const fedBy = (partId: string, vehicle: Vehicle, gate: "always" | "key" | "switch"): Job =>
  behind(partId, "pod-18", 1, vehicle, { gate });

describe("chargers", () => {
  it("fill lead by four fifths of their current and then by a tail, lithium nearly straight", () => {
    // 100 Ah from half: 30 Ah at 10 A, the last 20 Ah at two fifths of it, 88 % kept.
    expect(hoursToFull(100, 10, "agm", 0.5)).toBeCloseTo((30 + 20 / 0.4) / 10 / 0.88, 9);
    expect(hoursToFull(100, 10, "lithiumIron", 0.5)).toBeCloseTo((45 + 5 / 0.4) / 10 / 0.99, 9);
    expect(hoursToFull(100, 10, "agm", 0.9)).toBeCloseTo(10 / 0.4 / 10 / 0.88, 9);
    expect(hoursToFull(100, 0, "agm", 0.5)).toBe(Infinity);
  });

  it("of pack and battery share one outlet", () => {
    if (LITTER.system.kind !== "packAndBattery") throw new Error("no battery beside the pack");
    const { pack, battery } = LITTER.system;
    const alone = inletA(pack, null);
    expect(alone).toBeCloseTo(
      (pack.topOfChargeV.value * pack.chargerA.value) / 0.88 / pack.inletV,
      9,
    );
    expect(inletA(pack, battery) - alone).toBeCloseTo(
      (14.4 * battery.chargerA.value) / 0.88 / pack.inletV,
      9,
    );
    const { charging } = budget(onVehicle(LITTER));
    expect(charging?.inletA).toBeCloseTo(inletA(pack, battery), 12);
    expect(charging?.packH).toBeCloseTo(
      hoursToFull(pack.capacityAh.value, pack.chargerA.value, pack.chemistry, 0.5),
      12,
    );
    expect(charging?.batteryH).toBeCloseTo(
      hoursToFull(battery.capacityAh.value, battery.chargerA.value, battery.chemistry, 0.5),
      12,
    );
    expect(budget(onVehicle(PORTER)).charging?.batteryH).toBeNull();
    expect(budget(onVehicle(FELLRUNNER)).charging).toBeNull();
    const without = { ...LITTER.system, battery: { ...battery, chargerA: sure(0) } };
    expect(budget(onVehicle({ ...LITTER, system: without })).charging?.batteryH).toBeNull();
  });
});

describe("what a converter takes while the vehicle stands", () => {
  const watts = (job: Job) => standbyWOf(job, synthesise(job));
  const converter = demoPart("converter-48-12");
  if (converter.kind !== "converter") throw new Error("no converter");

  it("is its idle current at the pack's rest, unless something parts it", () => {
    const packV = 50.8;
    expect(watts(fedBy("converter-48-12", PORTER, "always"))).toBeCloseTo(
      converter.idleA.value * packV,
      1,
    );
    expect(watts(fedBy("converter-48-12", PORTER, "key"))).toBe(0);
    expect(watts(fedBy("converter-48-12", PORTER, "switch"))).toBe(0);
  });

  it("is nothing on a battery, and of a feed from the battery beside a pack", () => {
    expect(watts(fedBy("hub-4-ground", FELLRUNNER, "always"))).toBe(0);
    expect(watts(fedBy("hub-4-ground", LITTER, "always"))).toBe(0);
  });
});

describe("what stands by on a battery", () => {
  const items = (job: Job) =>
    (budget(job).parked?.items ?? []).filter(
      (i) => i.runId !== null || i.what.startsWith("Supply"),
    );

  it("is a hub that nothing parts from it, told by its name whatever that is", () => {
    const always = fedBy("hub-4-ground", FELLRUNNER, "always");
    expect(items(always).map((i) => [i.what, i.currentA.mid])).toEqual([
      ["Supply standing by", 0.003],
    ]);
    expect(items(fedBy("hub-4-ground", FELLRUNNER, "key"))).toEqual([]);
    // Two of one name are two, each with its own.
    const [hub] = always.supplies;
    const control = {
      ...{
        id: asId<KitSwitchId>("c"),
        name: "Supply",
        inputs: ["brake" as const],
        switchPartId: null,
      },
      ...{
        poles: 1,
        feed: { kind: "battery" as const },
        feedM: sure(1),
        wire: null,
        at: "" as const,
      },
      ...{ fuse: { kind: "auto" as const }, housing: "" as const, momentary: false },
      switches: "positive" as const,
    };
    expect(items({ ...always, controls: [control] }).map((i) => i.what)).toEqual([
      `${hub!.name} standing by`,
    ]);
  });

  it("is the tell-tale of a switch that is live with the key out", () => {
    const switchPartId = switchPart("switch-kit-tell");
    const live = jobWith("bar-40", 1, allOf("switch"), { switchPartId, relay: "no" });
    expect(items(live).map((i) => i.what)).toEqual([
      `tell-tale of ${demoPart("switch-kit-tell").name} (Test run)`,
    ]);
    const keyed = jobWith("bar-40", 1, allOf("switch", "key"), { switchPartId, relay: "yes" });
    expect(items(keyed)).toEqual([]);
  });
});

describe("what is worth measuring", () => {
  const exact: Vehicle = {
    ...FELLRUNNER,
    baseLoads: FELLRUNNER.baseLoads.map((l) => ({ ...l, currentA: sure(l.currentA.value) })),
    system:
      FELLRUNNER.system.kind === "engine"
        ? {
            ...FELLRUNNER.system,
            charging: {
              ...FELLRUNNER.system.charging,
              points: FELLRUNNER.system.charging.points.map((p) => ({
                ...p,
                outputA: sure(p.outputA.value),
              })),
              ...{ idleRpm: sure(1400), townRpm: sure(2500), cruiseRpm: sure(4500) },
            },
          }
        : FELLRUNNER.system,
  };
  /** The quad, exactly known but for one load of so many amps between bounds. */
  const unsure = (
    low: number,
    value: number,
    high: number,
    provenance: BoundedValue["provenance"],
  ) => {
    const job = onVehicle({
      ...exact,
      baseLoads: [
        ...exact.baseLoads,
        {
          ...{
            id: "fan",
            name: "Fan",
            kind: "motor",
            at: "",
            currentA: { low, value, high, provenance },
          },
          ...{ parked: 0, engineOff: 0, idle: 1, town: 1, cruise: 1 },
        },
      ],
    });
    return budget(job).running.at(-1)!;
  };
  const plain = budget(onVehicle(exact)).running.at(-1);
  const spare = plain!.spareA.mid;

  it("is what keeps the verdict open, with how it is measured and whether it settles", () => {
    expect(plain!.verdict).toBe("carries");
    const open = unsure(spare - 1, spare - 0.5, spare + 1, "assumed");
    expect(open.verdict).toBe("uncertain");
    expect(open.toMeasure).toMatchObject([
      { what: "Fan", how: "Clamp meter on its feed with only this on, engine running." },
    ]);
    expect(open.toMeasure[0]!.widthA).toBeCloseTo(2, 9);
    // Well on one side of the line, measuring it alone says which.
    expect(unsure(0.1, spare / 4, spare + 1, "assumed").toMeasure[0]!.settles).toBe(true);
    expect(unsure(spare - 0.01, spare, spare + 0.01, "assumed").toMeasure[0]!.settles).toBe(false);
  });

  it("is nothing where it was measured, or where the verdict stands", () => {
    expect(unsure(spare - 1, spare, spare + 1, "measured").toMeasure).toEqual([]);
    expect(unsure(0.1, 0.2, 0.3, "assumed").toMeasure).toEqual([]);
    expect(unsure(spare + 1, spare + 2, spare + 3, "assumed")).toMatchObject({
      verdict: "short",
      toMeasure: [],
    });
  });

  it("of the charging is a clamp on the battery's lead, at the speed that is asked", () => {
    if (exact.system.kind !== "engine") throw new Error("no engine");
    const { charging } = exact.system;
    const points = charging.points.map((p) => ({
      ...p,
      outputA: { value: p.outputA.value, low: 0, high: 40, provenance: "assumed" as const },
    }));
    const vehicle = { ...exact, system: { ...exact.system, charging: { ...charging, points } } };
    const [idle] = budget(onVehicle(vehicle)).running;
    expect(idle!.toMeasure[0]).toMatchObject({
      what: "charging output",
      how: "Clamp meter on the battery's positive lead at idle speed with a known load on.",
    });
  });
});

describe("an evening on a pack", () => {
  const evening = (job: Job) => budget(job).evening!;
  const lamps = jobWith(
    "pod-plain-10",
    4,
    allOf("switch"),
    { feed: { kind: "pack" }, arrangement: "series", onEngineOff: 1 },
    PORTER,
  );

  it("of lamps in series on all of it takes from every block alike, for as long as it lasts", () => {
    const three = evening(lamps);
    expect(three.hours).toBe(3);
    expect(three.apartAh).toBe(0);
    expect(three).toMatchObject({ eveningsToHalf: null, yearsToHalf: null });
    const long = evening({ ...lamps, use: { ...lamps.use, eveningH: 6 } });
    expect(long.packWh).toBeCloseTo(2 * three.packWh, 9);
    expect(long.lampWh).toBeCloseTo(2 * three.lampWh, 9);
    expect(long.packShare).toBeCloseTo(2 * three.packShare, 9);
    expect(three.lampWh).toBeLessThan(three.packWh);
    expect(three.lostShare).toBeCloseTo(1 - three.lampWh / three.packWh, 9);
    if (PORTER.system.kind === "engine") throw new Error("no pack");
    expect(three.rangeKm).toBeCloseTo(three.packShare * PORTER.system.pack.rangeKm.value, 9);
  });

  it("uses up blocks sooner the more is driven and burned, lithium later than lead", () => {
    const years = (job: Job) => evening(job).blocks[0]!.years;
    const base = years(lamps);
    expect(years({ ...lamps, use: { ...lamps.use, dayKm: lamps.use.dayKm * 2 } })).toBeLessThan(
      base,
    );
    expect(years({ ...lamps, use: { ...lamps.use, eveningsPerSeason: 180 } })).toBeCloseTo(
      base / 2,
      9,
    );
    const idle = { ...lamps.use, eveningH: 0, dayKm: 0 };
    expect(years({ ...lamps, use: idle })).toBe(Infinity);
    if (PORTER.system.kind !== "pack") throw new Error("no pack");
    const lithium = {
      ...PORTER,
      system: {
        ...PORTER.system,
        pack: { ...PORTER.system.pack, chemistry: "lithiumIron" as const },
      },
    };
    // 1500 discharges of four fifths against 500 of a half.
    expect(years({ ...lamps, vehicle: lithium }) / base).toBeGreaterThan(4);
  });

  it("is nothing of a circuit that burns while it is driven alone, and none without a pack", () => {
    const off = edited(lamps, setCircuit(RUN, "onEngineOff", 0));
    expect(evening(off).packWh).toBeLessThan(0.001);
    expect(evening(off).lostShare).toBe(0);
    expect(budget(onVehicle(FELLRUNNER)).evening).toBeNull();
    expect(budget(onVehicle(MIDGE)).evening).not.toBeNull();
  });
});
