/** What is usual for a kind of vehicle: all of it a guess, all of it sound, none of it in the way of what was measured. */
import {
  VEHICLE_KINDS,
  applyEdits,
  asId,
  createJob,
  boundedValue,
  isTwoTrack,
  measured,
  planJob,
  takeKind,
  usualRide,
  usualSystem,
  usualVehicle,
  type Edit,
  type BoundedValue,
  type Job,
  type ProfileId,
  type Vehicle,
} from "../src/index.ts";

const usual = (kind: (typeof VEHICLE_KINDS)[number]): Vehicle =>
  usualVehicle(kind, asId<ProfileId>("profile"), "New model");

const isFact = (value: object): value is BoundedValue => "provenance" in value && "low" in value;

function factsIn(value: unknown): BoundedValue[] {
  if (typeof value !== "object" || value === null) return [];
  return isFact(value) ? [value] : Object.values(value).flatMap(factsIn);
}

describe.each(VEHICLE_KINDS)("a new %s", (kind) => {
  const vehicle = usual(kind);

  it("knows nothing for certain, and has its bounds about its guesses", () => {
    const facts = factsIn(vehicle);
    expect(facts.length).toBeGreaterThan(8);
    for (const fact of facts) {
      expect(fact.provenance).toBe("assumed");
      expect(fact.low).toBeLessThanOrEqual(fact.value);
      expect(fact.high).toBeGreaterThanOrEqual(fact.value);
    }
  });

  it("gives more at speed than at idle, and has a full pack above its name", () => {
    const { system } = vehicle;
    if (system.kind === "engine") {
      const { points, idleRpm, townRpm, cruiseRpm } = system.charging;
      expect(points[1]!.outputA.value).toBeGreaterThan(points[0]!.outputA.value);
      expect(points[1]!.rpm).toBeGreaterThan(points[0]!.rpm);
      expect(idleRpm.value).toBeLessThan(townRpm.value);
      expect(townRpm.value).toBeLessThan(cruiseRpm.value);
    } else expect(system.pack.topOfChargeV.value).toBeGreaterThan(system.pack.nominalV);
  });

  it("has its places on itself, and a way from its battery to each", () => {
    const { lengthM, widthM } = vehicle.size;
    for (const { backM, rightM } of vehicle.places) {
      expect(backM).toBeGreaterThanOrEqual(0);
      expect(backM).toBeLessThanOrEqual(lengthM.value);
      expect(Math.abs(rightM)).toBeLessThanOrEqual(widthM.value / 2);
    }
    const reached = new Set(["battery"]);
    for (let i = 0; i < vehicle.segments.length; i += 1) {
      for (const { fromId, toId } of vehicle.segments) {
        if (reached.has(fromId) || reached.has(toId)) [fromId, toId].forEach((p) => reached.add(p));
      }
    }
    expect(vehicle.places.filter((p) => !reached.has(p.id))).toEqual([]);
  });

  it("is planned as it is, and has a ride", () => {
    const job = createJob("New", "", vehicle);
    expect(planJob(job, "metric").findings.filter((f) => f.severity === "stop")).toEqual([]);
    expect(usualRide(kind).name).not.toBe("");
  });

  it("can have other electrics", () => {
    for (const sort of ["engine", "pack", "packAndBattery"] as const) {
      expect(usualSystem(kind, sort).kind).toBe(sort);
    }
  });
});

it("has wheels beside each other where it has three or more", () => {
  expect(VEHICLE_KINDS.filter((kind) => !isTwoTrack(kind))).toEqual([
    ...["motorcycle", "scooter", "eBike", "other"],
  ]);
});

describe("a vehicle that is of another kind after all", () => {
  const begin = (change: Partial<Vehicle> = {}): Job =>
    createJob("Job", "", { ...usual("quad"), ...change });
  const become = (job: Job, edits: readonly Edit[]): Vehicle => {
    const done = applyEdits(job, edits);
    if (!done.ok) throw new Error(done.message);
    return done.job.vehicle;
  };

  it("is as if it had been begun as that", () => {
    for (const kind of VEHICLE_KINDS) {
      expect(become(begin(), takeKind(begin().vehicle, kind))).toEqual(usual(kind));
    }
  });

  it("keeps what somebody measured, said or drew", () => {
    const quad = usual("quad");
    const mine = begin({
      size: { ...quad.size, lengthM: measured(2.31) },
      reaches: { ...quad.reaches, rearM: boundedValue(1.7, "stated") },
      places: quad.places.slice(1),
    });
    const cart = become(mine, takeKind(mine.vehicle, "cart"));
    expect(cart.size.lengthM).toEqual(measured(2.31));
    expect(cart.size.widthM).toEqual(usual("cart").size.widthM);
    expect(cart.reaches.rearM.value).toBe(1.7);
    expect(cart.places).toEqual(mine.vehicle.places);
    expect(cart.system.kind).toBe("pack");
    if (quad.system.kind !== "engine") throw new Error("a quad has an engine");
    const known = { ...quad.system.battery, capacityAh: measured(14) };
    const charged = begin({ system: { ...quad.system, battery: known } });
    expect(become(charged, takeKind(charged.vehicle, "cart")).system).toEqual(
      charged.vehicle.system,
    );
  });
});
