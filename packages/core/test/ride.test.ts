/** Rides, break-even, charging curves from readings, batteries grown old, chargers. */
import {
  allOf,
  batteryHealth,
  breakEven,
  checkedCircuit,
  exactly,
  fitChargingCurve,
  hoursToFull,
  inletA,
  legsOf,
  measured,
  minutesToRepay,
  openCircuitV,
  boundsOfRides,
  rideSamples,
  SHIPPED_RIDES,
  seeded,
  simulateRide,
  speedsOf,
  switchOffFirst,
  synthesise,
  type BatteryFacts,
  type Job,
  type RideLeg,
} from "../src/index.ts";
import { FELLRUNNER, LITTER, PETREL, PORTER, demoJobs } from "../src/demo/index.ts";
import { jobWith } from "./helpers.ts";

const sure = (v: number) => measured(v, v, v);

const engineOf = (job: Job) => {
  const { system } = job.vehicle;
  if (system.kind !== "engine") throw new Error("no engine");
  return system;
};

const ride = (job: Job, startSoc = 0.9) => {
  const { charging, battery } = engineOf(job);
  return simulateRide(job, synthesise(job), charging, battery, startSoc);
};

const leg = (minutes: number, rpm: number, more: Partial<RideLeg> = {}): RideLeg => ({
  id: `l${minutes}-${rpm}`,
  name: "leg",
  minutes,
  rpm,
  brake: 0,
  turn: 0,
  starts: 0,
  extraA: 0,
  ...more,
});

/** Known exactly: 10 A at 1000 rpm to 20 A at 3000, no loads of its own, 20 Ah lithium iron. */
const EXACT: Job = {
  ...jobWith("bar-40", 1, allOf("switch"), {}, FELLRUNNER),
  vehicle: {
    ...FELLRUNNER,
    baseLoads: [],
    system: {
      kind: "engine",
      battery: {
        chemistry: "lithiumIron",
        cells: 0,
        capacityAh: sure(20),
        hourRate: 20,
        peukert: sure(1.05),
        noStartSoc: sure(0.2),
        chargerA: sure(0),
      },
      charging: {
        kind: "alternator",
        regulatedV: sure(14),
        idleRpm: sure(1000),
        townRpm: sure(2000),
        cruiseRpm: sure(3000),
        points: [
          { id: "a", rpm: 1000, outputA: sure(10) },
          { id: "b", rpm: 3000, outputA: sure(20) },
        ],
      },
    },
  },
  lamps: [],
  runs: [],
};

describe("a ride", () => {
  it("conserves charge: what went in less what came out is the change, to 1e-9", () => {
    for (const job of demoJobs().filter((j) => j.vehicle.system.kind === "engine")) {
      const { charging, battery } = engineOf(job);
      for (const shipped of SHIPPED_RIDES) {
        const on = { ...job, ride: shipped.legs(speedsOf(charging)) };
        const made = ride(on, 0.8);
        const change = (made.endSoc - 0.8) * battery.capacityAh.value;
        expect(Math.abs(made.chargedAh - made.drawnAh - change)).toBeLessThan(1e-9);
        expect(made.endSoc).toBeLessThanOrEqual(1 + 1e-12);
      }
    }
  });

  it("takes out what a known load takes, by hand: 30 minutes of 1 A from 20 Ah", () => {
    const job: Job = { ...EXACT, ride: [leg(30, 0, { extraA: 1 })] };
    expect(ride(job, 0.8).endSoc).toBeCloseTo(0.8 - 0.5 / 20, 9);
  });

  it("burns lamps at what the battery shows at its charge while the engine is off", () => {
    // A regulated 40 W bar takes watts over volts: more at a lower charge, by the table of lithium iron.
    const bar = jobWith("bar-40", 1, allOf("switch"), {}, FELLRUNNER);
    const job: Job = {
      ...bar,
      vehicle: EXACT.vehicle,
      runs: bar.runs.map((r) => ({ ...r, onEngineOff: 1 })),
      ride: [leg(1, 0)],
    };
    const loadA = (soc: number): number => ride(job, soc).points[0]!.loadA;
    // 13.4 V at 95 % and 12.8 V at 10 %: the same watts, so the currents are as the volts are, upside down.
    expect(loadA(0.1) / loadA(0.95)).toBeCloseTo(13.4 / 12.8, 6);
  });

  it("takes more than it by Peukert's law above the rated current", () => {
    const job: Job = { ...EXACT, ride: [leg(30, 0, { extraA: 10 })] };
    // By hand: t = 20 h (20 / (10 · 20))^1.05, the share of it that half an hour is.
    const hours = 20 * (20 / (10 * 20)) ** 1.05;
    expect(ride(job, 0.8).endSoc).toBeCloseTo(0.8 - 0.5 / hours, 9);
  });

  it("puts in what is to spare, as far as the battery takes it", () => {
    const job: Job = { ...EXACT, ride: [leg(30, 1000)] };
    // 10 A for half an hour, 99 % of it kept, into an 80 % full battery that takes more than that.
    expect(ride(job, 0.6).endSoc).toBeCloseTo(0.6 + (5 * 0.99) / 20, 6);
    expect(ride(job, 0.999).endSoc).toBeLessThanOrEqual(1);
  });

  it("counts brake and turn lamps by what the rider does", () => {
    const brake = jobWith("tail-bulb-21-5", 1, allOf("brake"), {}, PETREL);
    const load = (share: number) =>
      ride({ ...brake, ride: [leg(10, 4000, { brake: share })] }).points[0]!.loadA;
    const full = load(1) - load(0);
    expect(full).toBeGreaterThan(1.5);
    expect(load(0.25) - load(0)).toBeCloseTo(full / 4, 9);
  });

  it("says when it is not trusted to start any more", () => {
    const job: Job = { ...EXACT, ride: [leg(120, 0, { extraA: 10 })] };
    const made = ride(job, 0.8);
    expect(made.noStartMinute).toBeGreaterThan(50);
    expect(made.noStartMinute).toBeLessThan(80);
    expect(made.lowestSoc).toBeGreaterThanOrEqual(0);
  });

  it("uses the usual ride of its kind until it has one of its own", () => {
    const [quad] = demoJobs() as [Job];
    expect(legsOf(quad, engineOf(quad).charging).map((l) => l.name)).toContain("out to the fold");
  });
});

describe("its bounds", () => {
  const [job] = demoJobs() as [Job];
  const { charging, battery } = engineOf(job);
  const samples = (random: () => number, count: number) =>
    rideSamples(job, synthesise(job), charging, battery, 0.9, random, count);
  const bounds = (seed: number) => boundsOfRides([samples(seeded(seed), 60)])!;

  it("are the same from the same seed, ordered, and hold the middle ride", () => {
    expect(bounds(7)).toEqual(bounds(7));
    expect(bounds(7)).not.toEqual(bounds(8));
    const middle = ride(job);
    const made = bounds(7);
    for (const band of made.band) expect(band.low).toBeLessThanOrEqual(band.high);
    expect(made.endLow).toBeLessThanOrEqual(middle.endSoc);
    expect(made.endHigh).toBeGreaterThanOrEqual(middle.endSoc);
  });

  it("come out the same in slices as in one go", () => {
    const random = seeded(7);
    const sliced = [samples(random, 20), samples(random, 20), samples(random, 20)];
    expect(boundsOfRides(sliced)).toEqual(bounds(7));
    expect(boundsOfRides([])).toBeNull();
  });
});

describe("break-even", () => {
  it("is where the curve meets the load: 15 A at 2000 rpm by hand", () => {
    const loaded: Job = {
      ...EXACT,
      vehicle: {
        ...EXACT.vehicle,
        baseLoads: [
          {
            id: "b",
            name: "base",
            kind: "other",
            at: "",
            currentA: sure(15),
            parked: 0,
            engineOff: 0,
            idle: 1,
            town: 1,
            cruise: 1,
          },
        ],
      },
    };
    const even = breakEven(loaded, synthesise(loaded), engineOf(loaded).charging, "idle");
    expect(even.likelyRpm).toBeCloseTo(2000, -1);
    expect(even.surelyRpm).toBeCloseTo(2000, -1);
  });

  it("repays a start of 90 A for 1.5 s in 0.45 minutes at 5 A", () => {
    expect(minutesToRepay(5)).toBeCloseTo((90 * 1.5) / 60 / 5, 12);
    expect(minutesToRepay(0)).toBeNull();
  });

  it("ranks what to switch off first by its amps, and adds up what that leaves", () => {
    const [job] = demoJobs() as [Job];
    const list = switchOffFirst(job, synthesise(job), engineOf(job).charging, "idle");
    const amps = list.map((s) => s.currentA);
    // Only what was added: nobody is told to switch an ignition off.
    expect(list.length).toBeGreaterThan(1);
    expect(list.every((s) => job.runs.some((r) => r.id === s.runId))).toBe(true);
    expect([...amps].sort((a, b) => b - a)).toEqual(amps);
    const { budget } = checkedCircuit(job);
    expect(list[0]!.spareA).toBeCloseTo(budget.running[0]!.spareA.mid + amps[0]!, 9);
  });
});

describe("a charging curve from clamp readings", () => {
  it("goes through three readings that lie on a − b / rpm", () => {
    const at = (rpm: number) => 24 - 16000 / rpm;
    const readings = [1000, 2000, 4000].map((rpm) => ({ rpm, batteryA: at(rpm) - 5, loadA: 5 }));
    const fit = fitChargingCurve(readings);
    if (!fit.ok) throw new Error(fit.faults[0]?.message);
    expect(fit.worstA).toBeLessThan(1e-9);
    for (const point of fit.points) expect(point.outputA.value).toBeCloseTo(at(point.rpm), 1);
  });

  it("takes a system that gives nothing, and not fields that nobody filled in", () => {
    const speeds = [1000, 2000, 4000];
    const dead = fitChargingCurve(speeds.map((rpm) => ({ rpm, batteryA: -5, loadA: 5 })));
    expect(dead.ok && dead.points.every((p) => p.outputA.value === 0)).toBe(true);
    const blank = fitChargingCurve(speeds.map((rpm) => ({ rpm, batteryA: 0, loadA: 0 })));
    expect(blank.ok ? "" : blank.faults[0]?.message).toMatch(/^no reading yet/);
  });

  it.each([
    ["a curve that falls", [8, 20, 12], "does not fall with speed"],
    ["readings that stray", [5, 6, 22, 22.5], "readings stray"],
    ["too few", [8, 12], "three or more"],
    ["an output below nothing", [-9, 12, 14], "would be below 0"],
  ])("refuses %s, with the values", (_, amps, words) => {
    const readings = amps.map((a, i) => ({ rpm: 1000 + 1000 * i, batteryA: a - 2, loadA: 2 }));
    const fit = fitChargingCurve(readings);
    expect(fit.ok).toBe(false);
    if (!fit.ok) expect(fit.faults.map((f) => f.message).join("; ")).toContain(words);
  });
});

describe("a battery grown old and cold", () => {
  const system = FELLRUNNER.system as { battery: BatteryFacts };
  const at = (ageYears: number, coldestC: number) =>
    batteryHealth(system.battery, {
      eveningH: 0,
      eveningsPerSeason: 0,
      dayKm: 0,
      ageYears,
      coldestC,
    });

  it("is all there when new and warm, and only ever less", () => {
    expect(at(0, 25).capacityShare).toBe(1);
    expect(at(4, 25).capacityShare).toBeLessThan(at(2, 25).capacityShare);
    expect(at(2, -10).capacityShare).toBeLessThan(at(2, 10).capacityShare);
    expect(at(40, -40).capacityShare).toBeGreaterThan(0);
  });

  it("warns before it parts, and parts before the no-start mark (open-circuit table)", () => {
    const health = at(2, 0);
    expect(health.warnV).toBeGreaterThan(health.cutOutV);
    expect(health.cutOutV).toBeGreaterThan(openCircuitV("agm", health.noStartSoc));
  });
});

describe("chargers", () => {
  it("fill lithium in its capacity over its current, lead in more (common practice)", () => {
    expect(hoursToFull(20, 5, "lithium", 0)).toBeCloseTo(4.35, 1);
    expect(hoursToFull(20, 5, "leadBlocks", 0)).toBeGreaterThan(5);
    expect(hoursToFull(20, 0, "lithium", 0)).toBe(Infinity);
  });

  it("one outlet carries both, by hand", () => {
    const { system } = LITTER;
    if (system.kind !== "packAndBattery") throw new Error("kind");
    const watts = 43.8 * 20 + 14.4 * 6;
    expect(inletA(system.pack, system.battery)).toBeCloseTo(watts / 0.88 / 230, 6);
    const porter = PORTER.system;
    if (porter.kind !== "pack") throw new Error("kind");
    expect(inletA(porter.pack, null)).toBeCloseTo((57.6 * 18) / 0.88 / 230, 6);
  });
});

describe("facts", () => {
  it("interpolate from bound to bound", () => {
    expect(exactly(3)).toEqual({ low: 3, mid: 3, high: 3 });
  });
});
