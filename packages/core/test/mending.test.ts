/** What a diagnosis ends in, and what panels cost a probe. */
import {
  TestBench,
  addStep,
  allOf,
  append,
  cutListOf,
  describeEdit,
  integrityFaults,
  mendPlan,
  openGates,
  printVehiclesCsv,
  readStep,
  readVehiclesCsv,
  removePlace,
  scriptOf,
  setIn,
  standingReadings,
  synthesise,
  toReadAgain,
  type FaultSuspect,
  type Job,
  type Mend,
  type PlaceId,
  type Reading,
} from "../src/index.ts";
import { FELLRUNNER, PETREL } from "../src/demo/index.ts";
import { edited, jobWith } from "./helpers.ts";
import { isFault, pods, probesIn } from "./testing.ts";

const reading = (step: string, at: string, value: number | null = 1): Reading => ({
  ...{ id: `${step}-${at}`, step, value, low: 0, high: 2, note: "", by: "Pim", at },
});
const mended = (when: string, ...again: string[]): Mend => ({
  ...{ id: `mend-${when}`, what: "ground lost", done: "ring made anew", at: "pods.return" },
  ...{ partId: "", minutes: 10, again, by: "Pim", when },
});

describe("a mend", () => {
  it("takes what was read before it off the steps it names, and leaves the others", () => {
    const readings = [reading("a", "2026-11-01T10:00Z"), reading("b", "2026-11-01T10:01Z")];
    const job = { readings, mends: [mended("2026-11-01T10:05Z", "a")] };
    expect([...standingReadings(job).keys()]).toEqual(["b"]);
    expect(toReadAgain(job)).toEqual(["a"]);
  });

  it("is done with once the step is read after it", () => {
    const readings = [reading("a", "2026-11-01T10:00Z"), reading("a", "2026-11-01T10:09Z", 0.5)];
    const job = { readings, mends: [mended("2026-11-01T10:05Z", "a")] };
    expect(standingReadings(job).get("a")?.value).toBe(0.5);
    expect(toReadAgain(job)).toEqual([]);
  });

  it("holds the vehicle back until its steps are read again", () => {
    let job = pods();
    job = edited(job, append(job, "reading", reading("look|off|run-1.load1", "2026-11-01T10:00Z")));
    const texts = (of: Job) =>
      openGates(of, [], { unread: 0, total: 0 }).map(({ gate, text }) => [gate, text]);
    expect(texts(job).some(([gate]) => gate === "readings")).toBe(false);
    const after = edited(
      job,
      append(job, "mend", mended("2026-11-01T10:05Z", "look|off|run-1.load1")),
    );
    expect(texts(after)).toContainEqual(["readings", "1 step to read again after a mend"]);
    expect(describeEdit(append(job, "mend", after.mends[0]!), after)).toBe(
      "mended: ground lost; ring made anew",
    );
  });
});

describe("how a suspect is put right", () => {
  const job = pods();
  const bench = new TestBench(job);
  const group = bench.groups[0]!;
  const shop = { job, circuit: bench.circuit, units: "metric" as const };
  const faults = group.suspects.filter(isFault);
  const oneOf = (kind: FaultSuspect["fault"], role: string): FaultSuspect =>
    faults.find((f) => f.fault === kind && f.elementIds[0]?.endsWith(role))!;
  const read = new Set(scriptOf(group).steps.map(({ probe }) => probe.id));

  it("takes the wire as it is on the cut list, with what goes on both ends", () => {
    const plan = mendPlan(shop, group, oneOf("open", ".load"), read);
    const line = cutListOf(job, synthesise(job)).lines.find((l) => l.label === "1.3")!;
    expect(plan.takes).toHaveLength(3);
    expect(plan.takes[0]).toContain(`of ${line.gaugeId} ${line.colour}`);
    expect(plan.takes[1]).toBe(`${line.from.terminal} at ${line.from.at}`);
    expect(plan.partId).toBe("");
    expect(plan.at).toBe(oneOf("open", ".load").elementIds[0]);
  });

  it("takes nothing for an end that is the part's own lead", () => {
    const horns = jobWith("horn-3a", 1, allOf("switch"));
    const there = new TestBench(horns);
    const takes = there.groups.flatMap((of) =>
      of.suspects
        .filter(isFault)
        .filter((f) => f.fault === "open")
        .flatMap((f) => {
          const own = { job: horns, circuit: there.circuit, units: "metric" as const };
          return mendPlan(own, of, f, read).takes;
        }),
    );
    expect(takes.some((line) => /^joined to what 3 A horn/.test(line))).toBe(true);
    expect(takes.join()).not.toContain("as the part has it");
  });

  it("takes terminals alone where a joint is made anew", () => {
    const plan = mendPlan(shop, group, oneOf("badJoint", ".load"), read);
    expect(plan.takes).toHaveLength(2);
    expect(plan.minutes).toBeLessThan(mendPlan(shop, group, oneOf("open", ".load"), read).minutes);
  });

  it("changes a dead lamp for one of its part", () => {
    const dead = oneOf("open", ".load1");
    const plan = mendPlan(shop, group, dead, read);
    expect(plan.partId).toBe("pod-18");
    expect(plan.takes).toHaveLength(1);
  });

  it("asks for every step again that the fault moves, and for no other", () => {
    const blown = faults.find((f) => f.fault === "fuseBlown" && f.elementIds[0] === "run-1.fuse")!;
    const { again } = mendPlan(shop, group, blown, read);
    expect(again.length).toBeGreaterThan(0);
    // With everything off a lamp is dark, blown fuse or not.
    expect(again.some((id) => id.startsWith("look|off"))).toBe(false);
    expect(again.every((id) => read.has(id))).toBe(true);
    const lit = [...read].filter((id) => /^look\|key\+run-1\|/.test(id));
    expect(lit.length).toBeGreaterThan(0);
    for (const id of lit) expect(again).toContain(id);
    expect(mendPlan(shop, group, blown, new Set()).again).toEqual([]);
  });

  it("is as long as both where two things are wrong at once", () => {
    const [a, b] = [oneOf("open", ".load"), oneOf("badJoint", ".load")];
    const pair = { ...a, elementIds: [...a.elementIds, ...b.elementIds] };
    const { minutes } = mendPlan(shop, group, a, read);
    expect(mendPlan(shop, group, pair, read).minutes).toBe(2 * minutes);
  });
});

describe("what a panel covers", () => {
  const said = (job: Job, text: string): Job => {
    const step = readStep(text);
    if (!step.ok) throw new Error(step.message);
    let n = 0;
    const added = addStep(job, step.step, (prefix) => `${prefix}-${job.strip.length}-${(n += 1)}`);
    if (!added.ok) throw new Error(added.message);
    return edited(job, ...added.edits);
  };
  const seated = said(
    said(pods(), "rack: 2 hex M6 x 20; 6 min"),
    "seat: after rack; covers battery; 4 min",
  );
  const atBattery = (job: Job) =>
    probesIn(new TestBench(job).groups[0]!).find((p) => /volts\|off\|battery\.pos/.test(p.id))!;

  it("is said by a place's id or the beginning of its name, or refused with those there are", () => {
    expect(seated.strip[1]!.covers).toEqual(["battery"]);
    const step = readStep("tank: covers the moon");
    const refused = step.ok && addStep(pods(), step.step, String);
    expect(refused).toMatchObject({ ok: false });
    expect(refused && !refused.ok && refused.message).toMatch(/moon.*Rear rack/);
  });

  it("costs a probe behind it the minutes of taking off all that is in the way", () => {
    const [bare, covered] = [atBattery(pods()), atBattery(seated)];
    expect(bare.panels).toEqual([]);
    expect(covered.panels).toEqual(["rack", "seat"]);
    // Off alone is half of off and on.
    expect(covered.minutes - bare.minutes).toBeCloseTo((6 + 4) / 2, 9);
  });

  it("costs nothing any more once it is off", () => {
    const off = edited(seated, setIn("stripStep", seated.strip[1]!.id, "state", "off"));
    expect(atBattery(off).panels).toEqual(["rack"]);
    const both = edited(off, setIn("stripStep", off.strip[0]!.id, "state", "off"));
    expect(atBattery(both)).toMatchObject({ panels: [], minutes: atBattery(pods()).minutes });
  });

  it("takes what it took, where somebody has timed it", () => {
    const timed = edited(seated, setIn("stripStep", seated.strip[0]!.id, "tookMin", 20));
    expect(atBattery(timed).minutes - atBattery(pods()).minutes).toBeCloseTo((20 + 4) / 2, 9);
  });

  it("goes with the place, and a place that is not there is refused", () => {
    const gone = edited(seated, ...removePlace(seated, "battery" as PlaceId));
    expect(gone.strip[1]!.covers).toEqual([]);
    const id = seated.strip[0]!.id;
    const wrong = edited(seated, setIn("stripStep", id, "covers", ["nowhere" as PlaceId]));
    expect(integrityFaults(wrong).map((f) => f.path)).toEqual(["strip[0].covers[0]"]);
  });
});

describe("beams of the vehicle's own lamps", () => {
  it("go out and come back by CSV with their photometry", () => {
    for (const vehicle of [FELLRUNNER, PETREL]) {
      expect(vehicle.beams.length).toBeGreaterThan(0);
      const back = readVehiclesCsv(printVehiclesCsv([vehicle]));
      expect(back.ok && back.value[0]!.beams).toEqual(vehicle.beams);
    }
  });

  it("are refused with the line where their photometry is broken", () => {
    const text = printVehiclesCsv([PETREL]).replace(/""vertical"":\[/, '""vertical"":["x",');
    expect(readVehiclesCsv(text)).toMatchObject({ ok: false });
  });

  it("are checked like any photometry of the job", () => {
    const job = jobWith("pod-18", 1, { anyOf: [[{ input: "key", negated: false }]] });
    const beams = job.vehicle.beams.map((b) => ({
      ...b,
      photometry: { ...b.photometry, vertical: [] },
    }));
    const [fault] = integrityFaults({ ...job, vehicle: { ...job.vehicle, beams } });
    expect(fault?.path).toMatch(/vehicle\.beams\[0\]\.photometry/);
  });
});
