/** What a job is made of: its places by name, channels, what goes with what is removed. */
import {
  allOf,
  applyEdits,
  asId,
  channelOf,
  channelsOf,
  createDeviation,
  DEFAULT_PRACTICES,
  plugInModule,
  programOf,
  removeHole,
  removeLamp,
  removeLandmark,
  removePlace,
  removeStep,
  removeTemplate,
  replaceLamp,
  type BoxPart,
  type Edit,
  type Job,
  type LoadPart,
  type PlaceId,
} from "../src/index.ts";
import { COLLECTIONS, SINGLETONS } from "../src/job/entities.ts";
import { FELLRUNNER, LITTER, PETREL, PORTER, demoJobs, demoPart } from "../src/demo/index.ts";
import { edited, jobWith, onVehicle } from "./helpers.ts";
import { barAndPods, onHub, withLedger } from "./jobs.ts";

interface AnyLens {
  readonly get: (job: Job) => unknown;
  readonly put: (job: Job, value: never) => Job;
}

describe("a place of the document", () => {
  const lenses = Object.entries({ ...SINGLETONS, ...COLLECTIONS }) as [string, AnyLens][];
  const jobs = [FELLRUNNER, PETREL, PORTER, LITTER].map(onVehicle);

  it.each(lenses)("%s is read as it was put, and nothing else with it", (name, lens) => {
    let there = 0;
    for (const job of jobs) {
      const value = lens.get(job);
      // Turn signals that nobody has told of are none, on any vehicle.
      if (value === null && name === "turn") continue;
      if (value === null) {
        // What a vehicle of this kind has not cannot be put on it.
        expect(lens.put(job, {} as never)).toBe(job);
        continue;
      }
      there += 1;
      expect(lens.put(job, value as never)).toEqual(job);
      const other = Array.isArray(value) ? [{ id: "mark" }] : { ...value, mark: 1 };
      const put = lens.put(job, other as never);
      expect(lens.get(put)).toEqual(other);
      expect(put).not.toEqual(job);
      for (const [another, { get }] of lenses) {
        const within = [name, another].includes("vehicle") || [name, another].includes("charging");
        if (another !== name && !within) expect(get(put)).toEqual(get(job));
      }
    }
    expect(there).toBeGreaterThan(0);
  });

  it("of a battery, of charging and of a pack is there by the kind of electrics", () => {
    const has = (name: "battery" | "charging" | "pack") =>
      jobs.map((job) => SINGLETONS[name].get(job) !== null);
    expect(has("battery")).toEqual([true, true, false, true]);
    expect(has("charging")).toEqual([true, true, false, false]);
    expect(has("pack")).toEqual([false, false, true, true]);
    expect(jobs.map((job) => COLLECTIONS.chargingPoint.get(job) !== null)).toEqual([
      ...[true, true, false, false],
    ]);
  });
});

describe("channels of a box", () => {
  const hub = onHub();
  const [supply] = hub.supplies;
  const on = hub.runs.filter((run) => run.feed.kind === "supply");

  it("are those that are said, then the next free ones in the order of the job", () => {
    const said = (...numbers: number[]): Job => ({
      ...hub,
      runs: on.slice(0, numbers.length).map((run, i) => ({ ...run, channel: numbers[i]! })),
    });
    const given = (...numbers: number[]) => [...channelsOf(said(...numbers), supply!.id)];
    const ids = on.map((run) => run.id);
    expect(new Map(given(0, 0, 0))).toEqual(new Map([1, 2, 3].map((n, i) => [ids[i]!, n])));
    expect(new Map(given(0, 1, 0))).toEqual(new Map([2, 1, 3].map((n, i) => [ids[i]!, n])));
    // Of two that say the same the second is moved on.
    expect(new Map(given(3, 3, 0))).toEqual(new Map([3, 1, 2].map((n, i) => [ids[i]!, n])));
    const job = said(0, 1);
    expect(job.runs.map((run) => channelOf(job, run))).toEqual([2, 1]);
  });

  it("are none of a circuit that hangs on no box", () => {
    const plain = jobWith("pod-18", 1, allOf("switch"));
    expect(channelOf(plain, plain.runs[0]!)).toBe(0);
    expect(programOf(plain, plain.runs[0]!)).toBeNull();
  });
});

describe("what is removed", () => {
  const without = (job: Job, edits: Edit[]): Job => {
    const made = applyEdits(job, edits);
    if (!made.ok) throw new Error(`${made.path}: ${made.message}`);
    return made.job;
  };

  it("as a place takes its stretches with it, and nothing sits there any more", () => {
    const job = jobWith("pod-18", 2, allOf("switch"));
    const [place, other] = job.vehicle.places;
    const at: PlaceId = place!.id;
    const placed: Job = {
      ...job,
      runs: job.runs.map((run) => ({ ...run, relayAt: at, switchAt: at, spliceAt: other!.id })),
      lamps: job.lamps.map((lamp, i) => ({ ...lamp, at: i === 0 ? at : other!.id })),
    };
    const gone = without(placed, removePlace(placed, at));
    expect(gone.vehicle.places.map((p) => p.id)).not.toContain(at);
    expect(gone.vehicle.segments.some((s) => s.fromId === at || s.toId === at)).toBe(false);
    expect(gone.vehicle.segments).toEqual(
      placed.vehicle.segments.filter((s) => s.fromId !== at && s.toId !== at),
    );
    expect(gone.lamps.map((lamp) => lamp.at)).toEqual(["", other!.id]);
    expect(gone.runs[0]).toMatchObject({ relayAt: "", switchAt: "", spliceAt: other!.id });
    expect(gone.vehicle.connectors.some((c) => c.at === at)).toBe(false);
  });

  it("as a step takes its fasteners and plugs, and nothing waits for it any more", () => {
    const job = withLedger();
    const waits = job.strip.find((step) => step.after.length > 0)!;
    const [before] = waits.after;
    const gone = without(job, removeStep(job, before!));
    expect(gone.strip).toHaveLength(job.strip.length - 1);
    expect(gone.strip.find((s) => s.id === waits.id)!.after).toEqual(
      waits.after.filter((id) => id !== before),
    );
    expect(gone.fasteners).toEqual(job.fasteners.filter((f) => f.stepId !== before));
    expect(gone.plugs).toEqual(job.plugs.filter((p) => p.stepId !== before));
    expect(gone.photos.filter((p) => p.stepId === before)).toEqual([]);
    expect(gone.photos).toHaveLength(job.photos.length);
  });

  it("as a template, a landmark or a hole takes what was measured from it, mirrors first", () => {
    const job = demoJobs().find((j) => j.holes.some((h) => h.by.kind === "mirror"))!;
    const mirror = job.holes.find((h) => h.by.kind === "mirror")!;
    const of = mirror.by.kind === "mirror" ? mirror.by.holeId : mirror.id;
    const edits = removeHole(job, of);
    expect(edits.at(-1)).toEqual({ kind: "remove", entity: "hole", id: of });
    expect(edits.map((e) => (e.kind === "remove" ? e.id : ""))).toContain(mirror.id);
    const gone = without(job, edits);
    expect(gone.holes.map((h) => h.id)).not.toContain(mirror.id);
    expect(gone.holes).toHaveLength(job.holes.length - edits.length);
    for (const landmark of job.landmarks) {
      const left = without(job, removeLandmark(job, landmark.id));
      expect(left.landmarks).toHaveLength(job.landmarks.length - 1);
      const leans = left.holes.filter(
        ({ by }) =>
          (by.kind === "from" && by.landmarkId === landmark.id) ||
          (by.kind === "between" && [by.fromId, by.toId].includes(landmark.id)),
      );
      expect(leans).toEqual([]);
    }
    const [template] = job.templates;
    const bare = without(job, removeTemplate(job, template!.id));
    expect(bare.holes.filter((h) => h.templateId === template!.id)).toEqual([]);
    expect(bare.landmarks.filter((l) => l.templateId === template!.id)).toEqual([]);
    expect(bare.holes).toEqual(job.holes.filter((h) => h.templateId !== template!.id));
  });

  it("as a lamp takes where it sat and how it was aimed, and no other's", () => {
    const job = barAndPods();
    const aimed = job.mounts.find((m) => job.aims.some((a) => a.mountId === m.id))!;
    const gone = without(job, removeLamp(job, aimed.lampId));
    expect(gone.lamps).toEqual(job.lamps.filter((l) => l.id !== aimed.lampId));
    expect(gone.mounts).toEqual(job.mounts.filter((m) => m.lampId !== aimed.lampId));
    expect(gone.aims).toEqual(job.aims.filter((a) => a.mountId !== aimed.id));
    expect(gone.aims.length).toBeGreaterThan(0);
  });
});

describe("a lamp in a factory lamp's place", () => {
  let n = 0;
  const mint = (prefix: string): string => `${prefix}-${(n += 1)}`;
  const job = onVehicle(FELLRUNNER);
  const pinThat = (liveWhen: string) => job.vehicle.pins.find((p) => p.liveWhen === liveWhen);

  it("hangs on its wire as that is, by its plug, and the load that goes is named", () => {
    const pin = pinThat("park")!;
    const [load] = job.vehicle.baseLoads;
    const made = edited(
      job,
      ...replaceLamp(
        job,
        {
          ...{ part: demoPart("path-red") as LoadPart, count: 2, place: "rear", pinId: pin.id },
          ...{ replaces: load!.id, joint: "plug", name: "Tail" },
        },
        mint,
      ),
    );
    expect(made.runs[0]).toMatchObject({
      ...{ name: "Tail", relay: "no", condition: allOf("park") },
      feed: { kind: "pin", pinId: pin.id },
    });
    expect(made.lamps.map(({ joint, replaces, place }) => [joint, replaces, place])).toEqual([
      ["plug", load!.id, "rear"],
      ["plug", load!.id, "rear"],
    ]);
    expect(
      replaceLamp(
        job,
        {
          ...{ part: demoPart("path-red") as LoadPart, count: 1, place: "rear" },
          ...{ pinId: asId("none"), replaces: "", joint: "plug", name: "" },
        },
        mint,
      ),
    ).toEqual([]);
  });

  const module = demoJobs()
    .flatMap((j) => j.parts)
    .find((p): p is BoxPart => p.kind === "box" && p.form === "plugIn")!;

  it("is the factory's own behind a module, in the colour of its wire", () => {
    const [load] = job.vehicle.baseLoads;
    for (const [liveWhen, place, light] of [
      ["brake", "rear", "red"],
      ["brake", "front", "red"],
      ["park", "rear", "red"],
      ["high", "front", "warm white"],
      ["left", "rear", "amber"],
    ] as const) {
      const pin = pinThat(liveWhen);
      if (!pin) continue;
      const what = { module, pinId: pin.id, baseLoadId: load!.id, place, channel: 2 };
      const made = edited(job, ...plugInModule(job, what, mint));
      const [lamp] = made.lamps;
      expect(lamp).toMatchObject({ factory: true, joint: "plug", replaces: load!.id });
      const part = made.parts.find((p) => p.id === lamp!.partId) as LoadPart;
      expect(part).toMatchObject({ light, load: { currentA: load!.currentA } });
      expect(made.runs[0]).toMatchObject({ channel: 2, throughId: made.supplies[0]!.id });
      expect(made.runs[0]!.condition).toEqual(allOf(liveWhen));
      // The next lamp goes through the same module.
      const [next] = made.supplies;
      const again = plugInModule(made, { ...what, module: { supplyId: next!.id } }, mint);
      expect(edited(made, ...again).supplies).toHaveLength(1);
    }
    const gone = { module, pinId: asId<never>("none"), baseLoadId: load!.id };
    expect(plugInModule(job, { ...gone, place: "rear", channel: 0 }, mint)).toEqual([]);
  });
});

describe("what nobody has said yet", () => {
  it("is nothing of a deviation but what it is and whose", () => {
    const wrong = createDeviation("d", "wireMissing", asId("run"));
    expect(wrong).toEqual({
      ...{ id: "d", kind: "wireMissing", runId: "run", otherRunId: "", wire: "", otherWire: "" },
      ...{ end: "from", otherEnd: "from", at: "", otherAt: "", gaugeId: "" },
    });
    expect(createDeviation("d", "endMoved", asId("run"), { end: "to", at: "relay.87" })).toEqual({
      ...wrong,
      ...{ kind: "endMoved", end: "to", at: "relay.87" },
    });
  });

  it("asks for nothing in money", () => {
    expect(DEFAULT_PRACTICES.tariff).toEqual({
      ...{ currency: "EUR", hourMinor: 0, taxShare: 0, markupShare: 0, validDays: 30 },
      warrantyMonths: 0,
    });
  });
});
