import {
  FLASHER_V,
  USUAL_SCRIPT,
  allOf,
  applyEdits,
  checkedCircuit,
  flashRemedies,
  flashTiming,
  planJob,
  readScript,
  remainingLoads,
  replaceLamp,
  seenByVehicle,
  sideFlashes,
  stated,
  synthesise,
  usesSide,
  asId,
  type FlashRemedy,
  type Job,
  type PinId,
  type Vehicle,
} from "../src/index.ts";
import { DEMO_SHELF, PETREL, demoPart } from "../src/demo/index.ts";
import { edited, jobWith, loadPart, minter, onVehicle } from "./helpers.ts";

type Turn = NonNullable<Vehicle["turn"]>;

/** Turn lamps of the left side in the place of bulbs of 1.6 A, on a vehicle that watches so. */
function replaced(partId: string, count: number, turn: Partial<Turn> | null, wasA = 1.6): Job {
  const bare = onVehicle({
    ...PETREL,
    turn: turn && { ...PETREL.turn!, ...turn },
    baseLoads: [
      {
        ...{ id: "bulbs", name: "Left bulbs", kind: "lamp", at: "", currentA: stated(wasA) },
        ...{ parked: 0, engineOff: 0, idle: 0.05, town: 0.05, cruise: 0.05 },
      },
    ],
  });
  const what = {
    ...{ part: loadPart(partId), count, place: "rear" as const, replaces: "bulbs" },
    ...{ joint: "plug" as const, pinId: asId<PinId>("left"), name: "Left turn" },
  };
  return edited(bare, ...replaceLamp(bare, what, minter()));
}

const seen = (job: Job) => seenByVehicle(job, synthesise(job));

const ways = (job: Job): FlashRemedy[] => {
  const script = readScript(job, USUAL_SCRIPT);
  if (!script.ok) throw new Error("script");
  return flashRemedies(job, script.value, DEMO_SHELF);
};

describe("what the vehicle sees on a wire whose lamps were replaced", () => {
  it("is as before with the same bulbs, less with weaker ones, more with one too many", () => {
    const bulb = (count: number, wasA: number) =>
      seen(replaced("bulb-turn-10", count, { principle: "indifferent" }, wasA))[0]!;
    // 10 W at the volts of charging, some 14 V, of a bulb that is rated at 12 to 13.5 V.
    const one = bulb(1, 0.8);
    expect(one.nowA).toBeGreaterThan(0.7);
    expect(one.nowA).toBeLessThan(1);
    expect(bulb(1, one.nowA)).toMatchObject({ verdict: "asBefore", leastA: 0 });
    expect(bulb(1, one.nowA * 1.2)).toMatchObject({ verdict: "less" });
    expect(bulb(2, one.nowA)).toMatchObject({ verdict: "more" });
    expect(bulb(1, one.nowA / 1.05)).toMatchObject({ verdict: "asBefore" });
    expect(bulb(1, one.nowA * 1.05)).toMatchObject({ verdict: "asBefore" });
  });

  it("is too little for a flasher that counts, and for a bus that knew half of it", () => {
    const led = (turn: Partial<Turn>) => seen(replaced("turn-plug", 1, turn))[0]!;
    expect(led({ principle: "electronic", leastA: 1.1 })).toMatchObject({
      verdict: "missed",
      leastA: 1.1,
    });
    expect(led({ principle: "electronic", leastA: 0.05 })).toMatchObject({ verdict: "less" });
    expect(led({ principle: "indifferent" })).toMatchObject({ verdict: "less", leastA: 0 });
    expect(led({ principle: "bus", leastA: 0.4 })).toMatchObject({ verdict: "missed" });
  });

  it("is nothing where nothing of its wires is touched, and unwatched where it has no flasher", () => {
    expect(seen(onVehicle(PETREL))).toEqual([]);
    expect(seen(replaced("turn-plug", 1, null))[0]).toMatchObject({ leastA: 0, verdict: "less" });
  });
});

describe("a side that is held", () => {
  it("flashes by the load that its flasher sees, factory bulbs that stay counted at 13.5 V", () => {
    // Two a side of 10 W together, of which one goes.
    const job = replaced("turn-plug", 1, {
      principle: "electronic",
      leastA: 1.1,
      bulbW: stated(10),
    });
    const [left, ...others] = sideFlashes(job, synthesise(job));
    expect(others).toEqual([]);
    const own = seen(job)[0]!.nowA;
    expect(left!.side).toBe("left");
    expect(left!.loadA).toBeCloseTo(5 / FLASHER_V + own, 6);
    expect(left!.timing).toEqual(flashTiming(left!.flasher, left!.loadA));
    expect(sideFlashes(replaced("turn-plug", 1, null), synthesise(job))).toEqual([]);
    expect(job.runs.map(usesSide)).toEqual([true]);
  });
});

describe("bulbs whose draw nobody has told", () => {
  const turn = { principle: "electronic" as const, leastA: 1.1, bulbW: stated(42) };
  const bare = onVehicle({ ...PETREL, turn: { ...PETREL.turn!, ...turn }, baseLoads: [] });
  const what = (count: number) => ({
    ...{ part: loadPart("turn-plug"), count, place: "left" as const, replaces: "" },
    ...{ joint: "splice" as const, pinId: asId<PinId>("left"), name: "Left turn" },
  });
  const job = (count: number) => edited(bare, ...replaceLamp(bare, what(count), minter()));

  it("are gone all the same: what flashes by their load finds it missing", () => {
    const loads = [1, 2].map((count) => sideFlashes(job(count), synthesise(job(count)))[0]!);
    // One of two stays, then none.
    expect(loads[0]!.loadA).toBeGreaterThan(21 / FLASHER_V);
    expect(loads[1]!.loadA).toBeLessThan(turn.leastA);
    expect(checkedCircuit(job(2)).findings.map((f) => f.rule)).toContain("flash-rate");
    expect(checkedCircuit(job(1)).findings.map((f) => f.rule)).not.toContain("flash-rate");
  });

  it("count for nothing in the budget, and are taken as bulbs of their kind where one is usual", () => {
    expect(remainingLoads(job(2))).toEqual([]);
    const calm = onVehicle({ ...bare.vehicle, turn: { ...bare.vehicle.turn!, leastA: 0.05 } });
    const then = edited(calm, ...replaceLamp(calm, what(2), minter()));
    // Two bulbs of 21 W at 13.5 V.
    expect(seen(then)).toMatchObject([{ verdict: "less", wasA: 3.11 }]);
    const onKey = { ...what(1), pinId: PETREL.pins.find((p) => p.liveWhen === "key")!.id };
    const other = edited(calm, ...replaceLamp(calm, onKey, minter()));
    expect(seen(other)).toMatchObject([{ verdict: "untold", wasA: 0 }]);
  });
});

describe("ways to a proper flash", () => {
  it("on a vehicle that watches by its bus are coding and load, and no flasher to change", () => {
    const job = replaced("turn-plug", 1, { principle: "bus", leastA: 0.4 });
    const made = ways(job);
    expect(made.map((w) => w.kind)).toEqual(["asItIs", "equaliser", "resistor", "coding"]);
    expect(made[0]!.verdict).toBe("too fast");
    const coding = made.find((w) => w.kind === "coding")!;
    expect(coding).toMatchObject({ verdict: "a proper flash", money: 0, heatW: 0, litW: 0 });
    const told = applyEdits(job, coding.edits);
    expect(told.ok && told.job.vehicle.turn?.leastA).toBe(0);
  });

  it("on one with a flasher that can be changed have one, at the rate of the new one", () => {
    const job = replaced("turn-plug", 1, { principle: "thermal", leastA: 1.1 });
    const made = ways(job);
    expect(made[0]).toMatchObject({ verdict: "does not flash", perMin: 0, money: 0, edits: [] });
    const flasher = made.find((w) => w.kind === "flasher")!;
    const part = demoPart(
      DEMO_SHELF.find((p) => p.kind === "flasher" && p.principle === "indifferent")!.id,
    );
    if (part.kind !== "flasher") throw new Error("no flasher");
    expect(flasher.perMin).toBeCloseTo(part.ratePerMin.value, 6);
    expect(flasher).toMatchObject({ money: part.price, heatW: 0, litW: 0, label: part.name });
    const built = applyEdits(job, flasher.edits);
    expect(built.ok && built.job.vehicle.turn?.principle).toBe("indifferent");
  });

  it("cost one part for each circuit that turns, and warm by the share that it is lit", () => {
    const job = replaced("turn-plug", 2, { principle: "electronic", leastA: 1.1, onShare: 0.4 });
    const resistor = ways(job).find((w) => w.kind === "resistor")!;
    const part = DEMO_SHELF.find((p) => p.kind === "load" && p.family === "resistor")!;
    expect(resistor.money).toBe(part.price);
    expect(resistor.heatW).toBeCloseTo(0.4 * resistor.litW, 9);
    const equaliser = ways(job).find((w) => w.kind === "equaliser")!;
    const eq = DEMO_SHELF.find((p) => p.kind === "load" && p.family === "equaliser");
    if (eq?.kind !== "load" || eq.load.kind !== "constantCurrent") throw new Error("no equaliser");
    // It draws its current only while the flasher looks: a tenth, common practice.
    expect(equaliser.litW).toBeCloseTo(eq.load.currentA.value * 13.5 * 0.1, 9);
    const built = applyEdits(job, resistor.edits);
    expect(built.ok && built.job.lamps).toHaveLength(3);
    expect(built.ok && built.job.lamps.at(-1)).toMatchObject({
      place: "rear",
      runId: job.runs[0]!.id,
    });
  });

  it("are none of load where no circuit turns", () => {
    const job = replaced("turn-plug", 1, { principle: "electronic" });
    const brake = {
      ...job,
      runs: job.runs.map((r) => ({
        ...r,
        condition: { anyOf: [[{ input: "brake" as const, negated: false }]] },
      })),
    };
    expect(ways(brake).map((w) => w.kind)).toEqual(["asItIs", "flasher"]);
    expect(ways(brake)[0]!.verdict).toBe("");
  });
});

describe("what an inspector reads of turn lamps over time", () => {
  const overTime = (job: Job): string[] =>
    planJob(job, "metric").inspector.map((line) => line.overTime);
  const rate = PETREL.turn!.ratePerMin.value;

  it("is the flasher's rate, doubled where it takes them for a dead bulb (SAE J590, from memory)", () => {
    const led = (turn: Partial<Turn> | null) => overTime(replaced("turn-plug", 2, turn));
    expect(led({ principle: "indifferent" })).toEqual(Array(2).fill(`flashes ${rate} a minute`));
    const doubled = led({ principle: "electronic", leastA: 1.1 });
    expect(doubled).toEqual(Array(2).fill(`flashes ${2 * rate} a minute`));
    const cold = led({ principle: "thermal", leastA: 1.1 });
    expect(cold).toEqual(Array(2).fill("lights and does not flash"));
  });

  it("is steady where nothing makes them flash, and for what hangs on no side", () => {
    expect(overTime(replaced("turn-plug", 1, null))).toEqual(["steady"]);
    const job = replaced("turn-plug", 1, { principle: "indifferent" });
    const tail = jobWith("pod-18", 1, allOf("brake"));
    expect(overTime({ ...tail, vehicle: job.vehicle })).toEqual(["steady"]);
    const not = jobWith("pod-18", 1, { anyOf: [[{ input: "left", negated: true }]] });
    expect(overTime({ ...not, vehicle: job.vehicle })).toEqual(["steady"]);
  });
});
