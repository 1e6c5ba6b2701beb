import Ajv2020 from "ajv/dist/2020.js";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { printJob, type Job } from "@dragonet/core";
import { DEMO_SHELF, DEMO_VEHICLES, demoJobs, manyCircuitJob } from "@dragonet/core/demo";
import { checkPart, checkVehicle, checkJobDocument, jobSchema, readJobFile } from "../src/index.ts";

const [job] = demoJobs() as [Job];

/** A deep copy of the first demo job with one place changed. */
function broken(path: readonly (string | number)[], value: unknown): unknown {
  const copy = JSON.parse(JSON.stringify(job)) as Record<string, unknown>;
  let at: Record<string | number, unknown> = copy;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  const last = path[path.length - 1]!;
  if (value === undefined) Reflect.deleteProperty(at, last);
  else at[last] = value;
  return copy;
}

const faultsOf = (plain: unknown) => {
  const checked = checkJobDocument(plain);
  return checked.ok ? [] : checked.faults.map((f) => `${f.path}: ${f.message}`);
};

describe("a job document", () => {
  it("of the demo shop passes and comes back the same through its text", () => {
    for (const demo of demoJobs()) {
      const read = readJobFile(printJob(demo));
      expect(read).toEqual({ ok: true, value: demo });
    }
  });

  it.each([
    [["runs", 0, "fuse", "ratingA"], -5, /^runs\[0\]\.fuse\.ratingA: /],
    [["runs", 0, "fuse"], { kind: "rating", ratingA: 6 }, /invalid fuse: 6 A \(one of 1, 2, 3/],
    [["runs", 0, "fuse"], { kind: "bolted" }, /^runs\[0\]\.fuse\.kind: invalid value: "bolted"/],
    [["runs", 0, "wire"], "17 AWG", /invalid wire size: "17 AWG"/],
    [["runs", 0, "wire"], undefined, /^runs\[0\]\.wire: missing/],
    [["runs", 0, "switchPartId"], "nobody", /no switch with id "nobody"/],
    [["runs", 0, "condition"], { anyOf: [[{ input: "moon", negated: false }]] }, /condition/],
    [["runs", 0, "feedM", "value"], "2", /^runs\[0\]\.feedM\.value: invalid value: "2"/],
    [["runs", 0, "feedM", "low"], 9, /invalid bounds: 9 …/],
    [["runs", 0, "onIdle"], 1.5, /^runs\[0\]\.onIdle: .*1\.5/],
    [["lamps", 0, "runId"], "gone", /no run with id "gone"/],
    [["lamps", 1, "id"], "lamp-8", /"lamp-8" is there twice/],
    [["card", "promised"], "tomorrow", /day such as/],
    [["card", "stage"], undefined, /^card\.stage: missing/],
    [["card", "extra"], 1, /^card\.extra: .*should not exist/],
    [["vehicle", "system", "kind"], "steam", /vehicle\.system\.kind: invalid value: "steam"/],
    [["vehicle", "system", "charging", "points"], [], /0 points \(the curve needs two or more\)/],
    [["vehicle", "system", "charging", "points", 1, "rpm"], 900, /invalid engine speed: 900/],
    [["vehicle", "pins", 0, "colour"], "mauve", /invalid colour: "mauve"/],
    [["vehicle", "pins", 0, "connectorId"], "nowhere", /no connector with id "nowhere"/],
    [["vehicle", "baseLoads", 1, "id"], "ignition", /"ignition" is there twice/],
    [["parts"], null, /^parts: /],
    [["parts", 1], null, /^parts\[1\]: invalid value: null/],
    [["lamps", 0], [], /^lamps: .*needs objects/],
    [["vehicle"], [], /^vehicle: .*needs an object/],
    [["vehicle", "size"], null, /^vehicle\.size: .*needs an object/],
    [["parts", 0, "name"], " ", /^parts\[0\]\.name: invalid name: " "/],
    [["runs"], "all", /^runs: /],
    [["format"], "dragonet-job/10", /format/],
  ] as const)("is refused at %j = %j", (path, value, message) => {
    const faults = faultsOf(broken(path, value));
    expect(faults.join("\n")).toMatch(message);
  });

  it("is refused for every fault at once, not only the first", () => {
    const twice = broken(["card", "title"], 7) as { runs: { onIdle: number }[] };
    twice.runs[0]!.onIdle = -1;
    expect(faultsOf(twice)).toHaveLength(2);
  });

  it("with hostile text is refused in words", () => {
    expect(readJobFile("{")).toMatchObject({ ok: false, faults: [{ path: "" }] });
    expect(readJobFile("[]")).toMatchObject({ ok: false });
    expect(readJobFile("null")).toMatchObject({ ok: false });
    expect(readJobFile('{"format":"dragonet-job/109"}')).toMatchObject({
      faults: [{ path: "format", message: expect.stringContaining("newer") as string }],
    });
    const polluted = printJob(job).replace('"card"', '"__proto__": {"polluted": 1}, "card"');
    readJobFile(polluted);
    expect(({} as { polluted?: number }).polluted).toBeUndefined();
    expect(checkJobDocument(JSON.parse("[".repeat(5000) + "]".repeat(5000)))).toMatchObject({
      ok: false,
    });
  });

  it("with a thousand lamps is checked in bounded time, with two thousand refused", () => {
    const lamps = Array.from({ length: 1000 }, (_, i) => ({ ...job.lamps[0]!, id: `l${i}` }));
    expect(faultsOf({ ...job, lamps, mounts: [], aims: [] })).toEqual([]);
    expect(faultsOf({ ...job, lamps: [...lamps, ...lamps] }).join()).toContain("1000");
  });
});

describe("shelf parts and vehicles", () => {
  it("of the demo shop pass", () => {
    for (const part of DEMO_SHELF) expect(checkPart(part)).toEqual({ ok: true, value: part });
    for (const v of DEMO_VEHICLES) expect(checkVehicle(v)).toEqual({ ok: true, value: v });
  });

  it("are refused with the place", () => {
    const relay = DEMO_SHELF.find((p) => p.kind === "relay")!;
    const shorted = { ...relay, coilOhm: { value: 0, low: 0, high: 0, provenance: "stated" } };
    expect(checkPart(shorted)).toMatchObject({ faults: [{ path: "coilOhm" }] });
    expect(checkPart({ ...relay, kind: "spell" })).toMatchObject({ ok: false });
    expect(checkPart(null)).toMatchObject({ ok: false });
    expect(checkVehicle({ ...DEMO_VEHICLES[0], pins: [{}] })).toMatchObject({ ok: false });
  });
});

describe("the published JSON Schema", () => {
  const validate = new Ajv2020({ allErrors: true, strict: false }).compile(jobSchema());

  // Ajv is an independent validator: what the classes accept, it must accept too.
  it("accepts what the classes accept", () => {
    for (const demo of [...demoJobs(), manyCircuitJob(3)]) {
      validate(demo);
      expect(validate.errors ?? []).toEqual([]);
    }
  });

  it("refuses what the classes refuse by shape", () => {
    expect(validate(broken(["runs", 0, "fuse"], { kind: "rating" }))).toBe(false);
    expect(validate(broken(["runs", 0, "wire"], 3))).toBe(false);
    expect(validate(broken(["card", "extra"], 1))).toBe(false);
    expect(validate(broken(["vehicle", "system", "kind"], "steam"))).toBe(false);
  });

  it("stands in docs as it is made", () => {
    const file = join(__dirname, "../../../docs/job.schema.json");
    expect(JSON.parse(readFileSync(file, "utf8"))).toEqual(JSON.parse(JSON.stringify(jobSchema())));
  });
});
