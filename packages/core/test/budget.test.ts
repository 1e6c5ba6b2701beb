import {
  allOf,
  applyEdits,
  asId,
  assumed,
  budgetOf,
  checkedCircuit,
  exactly,
  integrityFaults,
  interval,
  lastsFor,
  measured,
  peukertHours,
  remainingLoads,
  removeBaseLoad,
  synthesise,
  verdictOf,
  type BaseLoad,
  type Job,
  type RideLeg,
  type Vehicle,
} from "../src/index.ts";
import { FELLRUNNER, LITTER, MIDGE, PORTER } from "../src/demo/index.ts";
import { make } from "../src/demo/job/fitMaker.ts";
import { edited, jobWith, rulesOf, plannedJobs } from "./helpers.ts";

const sure = (value: number) => measured(value, value, value);

const load = (id: string, amps: number, shares: Partial<BaseLoad> = {}): BaseLoad => ({
  id,
  name: id,
  kind: "other",
  at: "",
  currentA: sure(amps),
  parked: 0,
  engineOff: 0,
  idle: 1,
  town: 1,
  cruise: 1,
  ...shares,
});

/** A quad whose every fact is known exactly, so that sums can be done by hand. */
const EXACT: Vehicle = {
  ...FELLRUNNER,
  system: {
    kind: "engine",
    battery: {
      chemistry: "agm",
      cells: 0,
      capacityAh: sure(14),
      hourRate: 10,
      peukert: sure(1.15),
      chargerA: sure(0),
      noStartSoc: sure(0.5),
    },
    charging: {
      kind: "stator",
      regulatedV: sure(14),
      idleRpm: sure(1000),
      townRpm: sure(2000),
      cruiseRpm: sure(3000),
      points: [
        { id: "a", rpm: 1000, outputA: sure(8) },
        { id: "b", rpm: 3000, outputA: sure(20) },
      ],
    },
  },
  baseLoads: [load("ignition", 4), load("lamps", 6, { idle: 0.5 })],
};

const budget = (job: Job) => budgetOf(job, synthesise(job));

describe("charging budget", () => {
  // A 42 W bar at 14 V takes 3 A; with the relay's coil 14 V / 88 Ω = 0.159 A. By hand.
  const bar = {
    powerW: sure(42),
    coilA: 14 / 88,
  };
  const job = jobWith(
    "bar-40",
    1,
    allOf("switch", "key"),
    { onIdle: 1, onTown: 0.5, onCruise: 0 },
    EXACT,
  );
  const exact: Job = {
    ...job,
    parts: job.parts.map((p) =>
      p.kind === "load" && p.load.kind === "drivenLed"
        ? { ...p, load: { ...p.load, powerW: bar.powerW } }
        : p,
    ),
  };

  it("sums output, loads and additions by state", () => {
    const [idle, town, cruise] = budget(exact).running;
    expect(idle!.spareA.mid).toBeCloseTo(8 - 4 - 3 - (3 + bar.coilA), 9);
    expect(town!.spareA.mid).toBeCloseTo(14 - 4 - 6 - (3 + bar.coilA) * 0.5, 9);
    expect(cruise!.spareA.mid).toBeCloseTo(20 - 10, 9);
    expect(budget(exact).running.map((b) => b.verdict)).toEqual(["short", "carries", "carries"]);
  });

  it("asks for nothing to be measured when the verdict is sure", () => {
    expect(budget(exact).running.flatMap((b) => b.toMeasure)).toEqual([]);
  });

  it("names what to measure when it is not, widest first, and says what settles it", () => {
    const unsure = edited(exact, {
      kind: "set",
      entity: "chargingPoint",
      id: "a",
      field: "outputA",
      value: { value: 12, low: 8, high: 14, provenance: "assumed" },
    });
    const [idle] = budget(unsure).running;
    expect(idle?.verdict).toBe("uncertain");
    expect(idle?.toMeasure[0]).toMatchObject({ what: "charging output", widthA: 6, settles: true });
  });

  const ruling = (job: Job) =>
    checkedCircuit(job).findings.filter((f) => f.rule === "charging-short");
  const leg = (rpm: number, minutes: number): RideLeg => ({
    ...{ id: `at-${rpm}`, name: "leg", minutes, rpm },
    ...{ brake: 0, turn: 0, starts: 0, extraA: 0 },
  });
  const on = (job: Job, share: number): Job => ({
    ...job,
    runs: job.runs.map((r) => ({ ...r, onIdle: share, onTown: share, onCruise: share })),
  });

  it("says what the added lamps do: nothing where a ride ends well, stop where it strands", () => {
    const bar = on(jobWith("bar-120", 2, allOf("switch"), {}, EXACT), 1);
    const { system } = EXACT;
    if (system.kind !== "engine") throw new Error("no engine");
    const idle = system.charging.idleRpm.value;
    const stands = ruling({ ...bar, ride: [leg(idle, 240)] });
    expect(stands).toMatchObject([{ severity: "stop" }]);
    expect(stands[0]!.title).toMatch(
      /^This ride ends at \d+ % and may not start after minute \d+$/,
    );
    expect(stands[0]!.figures[1]).toMatchObject({ label: "at idle" });
    expect(stands[0]!.figures[1]!.value).toMatch(
      /A short with these lamps, .* A (short|to spare) without$/,
    );
    // A minute at idle is no news, whatever the balance there.
    const short = ruling({ ...bar, ride: [leg(idle, 1)] });
    expect(short.every((f) => !f.title.includes("may not start"))).toBe(true);
  });

  it("tells a vehicle that does not carry the ride by itself from lamps that do it", () => {
    const heavy = {
      ...EXACT,
      baseLoads: [load("heater", 25, { idle: 1, town: 1, cruise: 1 })],
    };
    const { system } = EXACT;
    if (system.kind !== "engine") throw new Error("no engine");
    const job = on(jobWith("bar-120", 1, allOf("switch"), {}, heavy), 1);
    const [finding] = ruling({ ...job, ride: [leg(system.charging.idleRpm.value, 240)] });
    expect(finding).toMatchObject({ severity: "fix" });
    expect(finding!.why).toContain("Without these lamps that comes at minute");
  });

  it("never says that defaults carry it", () => {
    const { system } = EXACT;
    if (system.kind !== "engine") throw new Error("no engine");
    const points = system.charging.points.map((p) => ({ ...p, outputA: assumed(90) }));
    const guessed: Vehicle = {
      ...EXACT,
      system: { ...system, charging: { ...system.charging, points } },
      baseLoads: EXACT.baseLoads.map((l) => ({ ...l, currentA: assumed(1) })),
    };
    const job = jobWith("path-red", 1, allOf("switch"), {}, guessed);
    expect(budget(job).running.map((b) => b.verdict)).toEqual(["unknown", "unknown", "unknown"]);
    expect(budget(job).running[0]!.toMeasure.length).toBeGreaterThan(0);
    expect(ruling(job)).toMatchObject([{ severity: "note" }]);
    const told = { ...job, vehicle: { ...guessed, baseLoads: EXACT.baseLoads } };
    expect(budget(told).running.map((b) => b.verdict)).not.toContain("unknown");
  });

  it("reads a verdict off the bounds", () => {
    expect(verdictOf(interval(0, 1, 2))).toBe("carries");
    expect(verdictOf(interval(-2, -1, -0.1))).toBe("short");
    expect(verdictOf(interval(-1, 0, 1))).toBe("uncertain");
    expect(verdictOf(exactly(0))).toBe("carries");
  });
});

describe("a charging curve", () => {
  it("that falls is told with both points; one that is flat is not", () => {
    const falling = (last: number): Job => {
      const job = jobWith("pod-18", 1, allOf("switch"), {}, EXACT);
      const { system } = job.vehicle;
      if (system.kind !== "engine") throw new Error("kind");
      const points = [
        { id: "a", rpm: 1000, outputA: sure(20) },
        { id: "b", rpm: 3000, outputA: sure(last) },
      ];
      const charging = { ...system.charging, points };
      return { ...job, vehicle: { ...job.vehicle, system: { ...system, charging } } };
    };
    expect(rulesOf(falling(12), "fix")).toContain("charging-curve");
    expect(rulesOf(falling(20))).not.toContain("charging-curve");
  });
});

describe("engine off", () => {
  // Peukert by hand: 42 W at 12.7 V = 3.307 A; t = 10 (14 / (3.307·10))^1.15 h, half of it usable.
  it("follows Peukert's law to the no-start mark", () => {
    const job = jobWith("bar-40", 1, allOf("switch"), { onEngineOff: 1 }, EXACT);
    const known: Job = {
      ...job,
      parts: job.parts.map((p) =>
        p.kind === "load" && p.load.kind === "drivenLed"
          ? { ...p, load: { ...p.load, powerW: sure(42) } }
          : p,
      ),
    };
    const amps = 42 / 12.7;
    const minutes = 60 * 0.5 * 10 * (14 / (amps * 10)) ** 1.15;
    expect(budget(known).engineOff?.minutes?.mid).toBeCloseTo(minutes, 6);
  });

  it("is shorter for an old battery on a cold morning", () => {
    const { minutes, agedMinutes } = budget(
      jobWith("bar-40", 1, allOf("switch"), { onEngineOff: 1 }, EXACT),
    ).engineOff!;
    expect(agedMinutes!.mid).toBeLessThan(0.9 * minutes!.mid);
    expect(agedMinutes!.mid).toBeGreaterThan(0.3 * minutes!.mid);
  });

  it("has no end when nothing burns", () => {
    const job = jobWith("bar-40", 1, allOf("switch", "key"), { onEngineOff: 0 }, EXACT);
    expect(budget(job).engineOff?.minutes).toBeNull();
  });

  it("keeps its bounds in order on every demo job", () => {
    for (const job of plannedJobs()) {
      const { engineOff, parked } = budget(job);
      for (const b of [engineOff?.minutes, parked?.days]) {
        if (!b) continue;
        expect(b.low).toBeLessThanOrEqual(b.mid);
        expect(b.mid).toBeLessThanOrEqual(b.high);
      }
    }
  });
});

describe("parked", () => {
  it("counts an outlet that nothing parts from the battery", () => {
    const job = jobWith("outlet-usb", 1, { anyOf: [[]] }, {}, EXACT);
    const { parked } = budget(job);
    expect(parked?.items.map((i) => i.what)).toEqual(["Test run standing by"]);
    expect(parked?.days?.mid).toBeCloseTo((14 * 0.5) / 0.018 / 24, 6);
  });

  it("does not count one behind a keyed relay", () => {
    const job = jobWith("outlet-usb", 1, allOf("key"), {}, EXACT);
    expect(budget(job).parked?.items).toEqual([]);
    expect(budget(job).parked?.days).toBeNull();
  });
});

describe("vehicles without an engine", () => {
  it("have no charging budget, and a pack alone none at all", () => {
    const litter = budget(jobWith("pod-18", 1, allOf("switch"), {}, LITTER));
    expect(litter.running).toEqual([]);
    expect(litter.engineOff?.minutes?.mid).toBeGreaterThan(60);
    const porter = budget(jobWith("pod-18", 1, allOf("switch"), {}, PORTER));
    expect(porter).toMatchObject({ running: [], engineOff: null, parked: null, health: null });
    expect(porter.evening?.packWh).toBeGreaterThan(50);
  });
});

describe("a lamp in place of one that the vehicle had", () => {
  const [old] = FELLRUNNER.baseLoads.filter((l) => l.idle > 0 && l.currentA.value > 0);
  const added = jobWith("pod-18", 1, allOf("key"));
  const lamps = (job: Job, replaces: string): Job => ({
    ...job,
    lamps: job.lamps.map((l) => ({ ...l, replaces })),
  });

  it("takes the old load out of the budget, and what is left in it stays", () => {
    const idle = (job: Job) => {
      const found = budgetOf(job, synthesise(job)).running.find((v) => v.state === "idle")!;
      return found.spareA.mid;
    };
    const gained = idle(lamps(added, old!.id)) - idle(added);
    expect(gained).toBeCloseTo(old!.currentA.value * old!.idle, 9);
    expect(remainingLoads(lamps(added, old!.id))).toHaveLength(FELLRUNNER.baseLoads.length - 1);
  });

  it("is refused where the vehicle has no such load, and is an added lamp when the load is removed", () => {
    expect(integrityFaults(lamps(added, "gone"))[0]).toMatchObject({ path: "lamps[0].replaces" });
    const cleared = applyEdits(
      lamps(added, old!.id),
      removeBaseLoad(lamps(added, old!.id), old!.id),
    );
    if (!cleared.ok) throw new Error(cleared.message);
    expect(cleared.job.lamps[0]!.replaces).toBe("");
    expect(integrityFaults(cleared.job)).toEqual([]);
  });
});

describe("batteries of its own", () => {
  const bike = (eveningH: number, share = 1): Job => {
    const made = make("own", "", MIDGE, "")
      .supply("pack", "Tool battery", "battery-tool-3s")
      .run("head", "Headlight", "front", allOf("switch"), [["pod-18", 1, "front"]], {
        feed: { kind: "supply", supplyId: asId("pack") },
        onEngineOff: share,
      }).job;
    return { ...made, use: { ...made.use, eveningH } };
  };
  const own = (job: Job) => budget(job).own[0]!;

  it("last by Peukert's law from full to a fifth left, longer where lamps burn part of the time", () => {
    const full = own(bike(3));
    const part = bike(3).parts.find((p) => p.kind === "battery")!;
    const byHand =
      0.8 * peukertHours(part.capacityAh.value, part.hourRate, part.peukert.value, full.allOnA.mid);
    expect(full.allOnH!.mid).toBeCloseTo(byHand, 9);
    expect(full.usedH!.mid).toBeCloseTo(full.allOnH!.mid, 9);
    expect(own(bike(3, 0.5)).usedH!.mid).toBeGreaterThan(1.9 * full.usedH!.mid);
    expect(full.allOnH!.low).toBeLessThan(full.allOnH!.mid);
    expect(budget(jobWith("pod-18", 1, allOf("switch"))).own).toEqual([]);
  });

  it("are held against the evening that they have to last", () => {
    const lasts = own(bike(3)).usedH!.mid;
    expect(rulesOf(bike(lasts * 1.5), "fix")).toContain("own-battery-short");
    expect(rulesOf(bike(lasts / 3))).not.toContain("own-battery-short");
  });

  it("are told as people say times", () => {
    const said = (hours: number) => {
      const { value, unit } = lastsFor(interval(hours, hours, hours));
      return `${value} ${unit}`;
    };
    expect(said(0.5)).toBe("30 minutes");
    expect(said(6.25)).toBe("6.3 hours");
    expect(said(100)).toBe("4.2 days");
    expect(said(1634)).toBe("68 days");
    expect(said(40_000)).toBe("5 years");
  });
});
