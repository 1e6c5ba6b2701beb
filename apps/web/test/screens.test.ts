/** What screens decide without a screen: controls, marks, search, blanks, files that are taken. */
import {
  PART_KINDS,
  STAGES,
  applyEdits,
  controlsOf,
  createJob,
  prove,
  synthesise,
  type BenchControls,
  type WiringDeviation,
  type FaultResult,
  type Input,
  type Job,
  type CircuitId,
  usualSystem,
} from "@dragonet/core";
import { checkPart, checkVehicle } from "@dragonet/contract";
import { demoJobs } from "@dragonet/core/demo";
import { ApiError, OfflineError, ask, send } from "../src/base/api.ts";
import { mint } from "../src/base/mint.ts";
import { momentText } from "../src/base/moment.ts";
import {
  INPUT_KEYS,
  NOTHING_PRESSED,
  SWITCH_KEYS,
  allPressed,
  pressInput,
  pressSwitch,
  type Pressed,
} from "../src/bench/controls.ts";
import { deviationText, mendDeviation } from "../src/bench/fields/deviations.ts";
import { overlayOf } from "../src/bench/diagrams/overlay.ts";
import { letterOf } from "../src/fit/teardown/letters.ts";
import { STAGE_WORDS, stageNumber } from "../src/job/stages.ts";
import { photoFault } from "../src/photos/photoFault.ts";
import { newPart } from "../src/shelf/newPart.ts";
import { newVehicle } from "../src/vehicles/begin/newVehicle.ts";

const demo = (has: (job: Job) => boolean): Job => demoJobs().find(has)!;
const marshal = demo((job) => job.options.length > 0);
const joined = (job: Job): boolean => job.deviations.some((d) => d.kind === "joined");
const press = (...inputs: Input[]): Pressed => inputs.reduce(pressInput, NOTHING_PRESSED);
const on = ({ inputs }: Pressed): string[] => [...inputs].sort();

describe("controls as a rider finds them", () => {
  it("turn on and off again, each for itself", () => {
    expect(on(press("brake"))).toEqual(["brake"]);
    expect(on(press("brake", "brake"))).toEqual([]);
    expect(on(press("brake", "left"))).toEqual(["brake", "left"]);
  });

  it("let the other of a pair go", () => {
    expect(on(press("left", "right"))).toEqual(["right"]);
    expect(on(press("low", "high"))).toEqual(["high", "key"]);
    expect(on(press("high", "low"))).toEqual(["key", "low"]);
  });

  it("bring the key with what needs it, and lose it with the key", () => {
    expect(on(press("engine"))).toEqual(["engine", "key"]);
    expect(on(press("engine", "high", "brake", "key"))).toEqual(["brake"]);
  });

  it("leave a run's own switch alone whatever the key does", () => {
    const run = "pods" as CircuitId;
    const both = pressInput(pressSwitch(NOTHING_PRESSED, run), "key");
    expect([...both.switches]).toEqual(["pods"]);
    expect([...pressInput(both, "key").switches]).toEqual(["pods"]);
    expect([...pressSwitch(both, run).switches]).toEqual([]);
  });

  it("never change what was there before", () => {
    const before = press("brake");
    pressInput(before, "left");
    pressSwitch(before, "x" as CircuitId);
    expect(on(before)).toEqual(["brake"]);
    expect(before.switches.size).toBe(0);
  });

  it("have a key each, none twice, none that turns a stage", () => {
    const keys = [...Object.values(INPUT_KEYS), ...SWITCH_KEYS];
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys.filter((k) => /\d/.test(k))).toEqual([]);
    expect(keys.every((k) => k.length === 1)).toBe(true);
  });

  it("all pressed is a position that a rider can be in", () => {
    for (const job of demoJobs()) {
      const controls: BenchControls = controlsOf(job, synthesise(job));
      const { inputs, switches } = allPressed(controls);
      expect(inputs.has("left") && inputs.has("right")).toBe(false);
      expect(inputs.has("low") && inputs.has("high")).toBe(false);
      expect(inputs.has("engine")).toBe(false);
      expect([...switches]).toEqual([...controls.switches]);
    }
  });
});

describe("marks of proof and faults on the strips", () => {
  const fault = (fields: Partial<FaultResult>): FaultResult =>
    ({
      kind: "chafed",
      runId: "pods",
      elementId: "pods.feed",
      words: "feed chafed",
      overheats: null,
      outcome: "solved",
      ridesHome: "yes",
      ...fields,
    }) as FaultResult;
  const report = (faults: readonly FaultResult[], job = marshal) => {
    const proof = prove(job, synthesise(job))!;
    return { ...proof, faults, weakest: [] };
  };

  it("are grave where something burns or it does not ride home, lesser where lights go", () => {
    const severities = (f: Partial<FaultResult>) =>
      overlayOf(report([fault(f)])).map((x) => x.severity);
    expect(severities({})).toEqual([]);
    expect(severities({ ridesHome: "byDay" })).toEqual(["fix"]);
    expect(severities({ ridesHome: "unseen" })).toEqual(["fix"]);
    expect(severities({ outcome: "unsolved", ridesHome: "unknown" })).toEqual(["stop"]);
    expect(severities({ ridesHome: "no" })).toEqual(["stop"]);
    expect(severities({ overheats: "1.2" })).toEqual(["stop"]);
  });

  it("stand at the part and at the run for each difference of the proof", () => {
    const wrong = demo(joined);
    const marks = overlayOf(report([], wrong));
    expect(marks.length).toBeGreaterThan(0);
    expect(marks.length % 2).toBe(0);
    const runs = new Set<string>(wrong.runs.map((r) => r.id));
    for (const { place, title } of marks) {
      expect(runs.has(place.runId!)).toBe(true);
      expect(title).not.toBe("");
    }
    expect(marks.some((m) => m.place.elementId === null)).toBe(true);
    expect(marks.some((m) => m.place.elementId !== null)).toBe(true);
  });

  it("are gone with the deviation that caused them", () => {
    const wrong = demo(joined);
    const [deviation] = wrong.deviations as [WiringDeviation];
    expect(deviationText(wrong, deviation, [])).toMatch(/ and .*: feeds tied together/);
    const mended = applyEdits(wrong, [mendDeviation(deviation)]);
    if (!mended.ok) throw new Error(mended.message);
    expect(overlayOf(report([], mended.job))).toEqual([]);
  });
});

describe("stages", () => {
  it("have a word and a number each, in their order", () => {
    expect(STAGES.map(stageNumber)).toEqual(STAGES.map((_, i) => i + 1));
    expect(new Set(STAGES.map((s) => STAGE_WORDS[s])).size).toBe(STAGES.length);
  });
});

describe("blanks", () => {
  it.each(PART_KINDS)("of a %s are parts that the shelf takes once they have a name", (kind) => {
    const blank = newPart(kind);
    expect(checkPart(blank).ok).toBe(false);
    expect(checkPart({ ...blank, name: "New one" })).toMatchObject({ ok: true });
    const kept = newPart("sundry", { ...blank, name: "Kept", price: 3 });
    expect(kept).toMatchObject({ id: blank.id, name: "Kept", price: 3, kind: "sundry" });
  });

  it.each(["engine", "pack", "packAndBattery"] as const)(
    "of a vehicle with %s are profiles, every fact assumed until somebody looks",
    (kind) => {
      const vehicle = { ...newVehicle(), system: usualSystem("quad", kind) };
      expect(checkVehicle(vehicle)).toMatchObject({ ok: true });
      const said = new Set(
        [...JSON.stringify(vehicle.system).matchAll(/"provenance":"(\w+)"/g)].map((m) => m[1]),
      );
      expect([...said]).toEqual(["assumed"]);
      expect(createJob("x", "", vehicle).vehicle.system.kind).toBe(kind);
    },
  );
});

describe("small things", () => {
  it("fresh ids differ, and are ids", () => {
    const made = Array.from({ length: 500 }, () => mint("run"));
    expect(new Set(made).size).toBe(500);
    expect(made.every((id) => /^run-[0-9a-f]{12}$/.test(id))).toBe(true);
  });

  it("a moment is told by its day and hour", () => {
    expect(momentText(new Date(2026, 10, 26, 9, 30))).toBe("Thu 26 Nov, 09:30");
  });

  it("kinds of fasteners go through the letters and begin again", () => {
    expect([0, 1, 25, 26].map(letterOf)).toEqual(["a", "b", "z", "a"]);
  });

  it("pictures are taken by type and size, and refused with both", () => {
    const file = (type: string, size: number): Blob => ({ type, size }) as Blob;
    expect(photoFault(file("image/jpeg", 3e6))).toBeNull();
    expect(photoFault(file("image/webp", 1))).toBeNull();
    expect(photoFault(file("image/svg+xml", 10))).toMatch(/image\/svg\+xml .*JPEG, PNG or WebP/);
    expect(photoFault(file("", 10))).toMatch(/this file/);
    expect(photoFault(file("image/png", 80 * 1048576))).toMatch(/80 MB is too large \(40 MB/);
  });
});

describe("asking the server", () => {
  const asked: { path: string; init: RequestInit }[] = [];
  const answer = (status: number, body: unknown): void => {
    globalThis.fetch = (async (path: string, init: RequestInit) => {
      asked.push({ path, init });
      return {
        ok: status < 400,
        status,
        headers: new Headers(),
        json: async () => {
          if (body === undefined) throw new SyntaxError("no JSON");
          return body;
        },
      };
    }) as unknown as typeof fetch;
  };
  beforeEach(() => void asked.splice(0));

  it("sends JSON with its type, and nothing with none", async () => {
    answer(200, { fine: true });
    expect(await ask("jobs", "POST", { a: 1 })).toEqual({ fine: true });
    await ask("jobs");
    expect(asked[0]).toMatchObject({
      path: "/api/jobs",
      init: { method: "POST", body: '{"a":1}', credentials: "same-origin" },
    });
    expect(asked[1]!.init.body).toBeUndefined();
  });

  it("sends bytes as they are", async () => {
    answer(204, undefined);
    const bytes = new Blob(["zip"]);
    await expect(send("shop/archive", "POST", bytes, "application/zip")).resolves.toBeUndefined();
    expect(asked[0]!.init.body).toBe(bytes);
  });

  it("tells a refusal with its line and faults", async () => {
    answer(400, { message: "not valid", faults: [{ path: "runs[0]", message: "no" }] });
    const refused = await ask("jobs").catch((e: unknown) => e);
    expect(refused).toBeInstanceOf(ApiError);
    expect(refused).toMatchObject({ status: 400, message: "not valid" });
    expect((refused as ApiError).faults).toHaveLength(1);
    answer(500, undefined);
    await expect(ask("jobs")).rejects.toMatchObject({ message: "the server answered 500" });
    // A proxy that finds no server has no words of ours.
    answer(502, undefined);
    await expect(ask("jobs")).rejects.toThrow(OfflineError);
  });

  it("tells no answer at all from one that refuses", async () => {
    globalThis.fetch = async () => {
      throw new TypeError("network");
    };
    await expect(ask("jobs")).rejects.toBeInstanceOf(OfflineError);
  });
});
