import fc from "fast-check";
import {
  COLLECTIONS,
  OWN_LISTS,
  OWN_LIST_NAMES,
  addLamps,
  append,
  applyEdit,
  applyEdits,
  asId,
  clashes,
  createJob,
  describeEdit,
  integrityFaults,
  measured,
  pinFuse,
  pinWire,
  removeConnector,
  removePin,
  removeCircuit,
  setCircuit,
  withoutClashing,
  type CollectionName,
  type Edit,
  type Job,
  type CircuitId,
} from "../src/index.ts";
import { demoJobs, demoPart } from "../src/demo/index.ts";
import { edited } from "./helpers.ts";

const [job] = demoJobs() as [Job];
const bar = asId<CircuitId>("bar");

/** Edits of every kind on the first demo job, each valid by itself. */
const EDITS: readonly Edit[] = [
  { kind: "setOnce", entity: "card", field: "title", value: "New title" },
  { kind: "setOnce", entity: "practices", field: "fuseSchool", value: "nextSize" },
  { kind: "setOnce", entity: "battery", field: "capacityAh", value: measured(13) },
  { kind: "setOnce", entity: "charging", field: "idleRpm", value: measured(1500) },
  { kind: "setOnce", entity: "reaches", field: "frontM", value: measured(1.7) },
  { kind: "setOnce", entity: "vehicle", field: "machine", value: "the blue one" },
  { kind: "set", entity: "chargingPoint", id: "p2", field: "outputA", value: measured(14) },
  { kind: "set", entity: "pin", id: "brake", field: "colour", value: "green" },
  { kind: "set", entity: "wish", id: job.wishes[0]!.id, field: "text", value: "More light." },
  { kind: "remove", entity: "kitItem", id: job.kit[0]!.id },
  append(job, "blocker", { id: "b-new", kind: "part", text: "Relay" }),
  pinFuse(bar, { kind: "rating", ratingA: 10 }),
  pinWire(bar, "14 AWG"),
  setCircuit(bar, "return", "wire"),
];

describe("edits", () => {
  it("take themselves back exactly, alone and in any mix", () => {
    for (const edit of EDITS) {
      const result = applyEdit(job, edit);
      if (!result.ok) throw new Error(result.message);
      expect(result.job).not.toEqual(job);
      expect(applyEdit(result.job, result.inverse)).toMatchObject({ ok: true, job });
    }
    fc.assert(
      fc.property(fc.shuffledSubarray([...EDITS], { minLength: 1 }), (mix) => {
        const result = applyEdits(job, mix);
        if (!result.ok) throw new Error(result.message);
        const back = applyEdits(result.job, result.inverse);
        expect(back).toMatchObject({ ok: true, job });
      }),
      { seed: 3, numRuns: 60 },
    );
  });

  it("leave the document they were made on alone", () => {
    const before = JSON.stringify(job);
    applyEdits(job, EDITS);
    expect(JSON.stringify(job)).toBe(before);
  });

  it.each([
    [{ kind: "set", entity: "run", id: "nobody", field: "name", value: "x" }, /no run with id/],
    [{ kind: "set", entity: "run", id: "bar", field: "colour", value: "x" }, /no such field/],
    [{ kind: "set", entity: "run", id: "bar", field: "id", value: "x" }, /no such field/],
    [{ kind: "set", entity: "run", id: "bar", field: "__proto__", value: {} }, /no such field/],
    [{ kind: "setOnce", entity: "pack", field: "nominalV", value: 48 }, /has no pack/],
    [{ kind: "setOnce", entity: "constructor", field: "name", value: 1 }, /no such entity/],
    [{ kind: "remove", entity: "lamp", id: "gone" }, /no lamp with id/],
    [{ kind: "explode" }, /no such kind of edit: "explode"/],
  ])("that make no sense are refused with the place: %j", (edit, message) => {
    const result = applyEdit(job, edit as unknown as Edit);
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.message).toMatch(message);
  });

  it("refuse an id that is there already", () => {
    const twice = append(job, "run", job.runs[0]!);
    expect(applyEdit(job, twice)).toMatchObject({ ok: false, path: "run.bar" });
  });

  it("apply all or none", () => {
    const bad: Edit = { kind: "remove", entity: "lamp", id: "gone" };
    expect(applyEdits(job, [EDITS[0]!, bad])).toMatchObject({ ok: false });
  });

  it("are told in words for the history", () => {
    const said = EDITS.map((e) => describeEdit(e, job));
    expect(said[0]).toBe("job card: title → New title");
    expect(said).toContain("run “Lambing bar”: fuse → rating 10");
    expect(said).toContain("kit item “40 W light bar” removed");
    expect(said.every((line) => line.length > 8)).toBe(true);
  });
});

describe("edits that belong together", () => {
  it("keep lamps in order and their labels apart", () => {
    let n = 0;
    const run = job.runs[1]!;
    const more = edited(
      job,
      ...addLamps(job, run, demoPart("pod-18"), 2, "rear", () => `l${(n += 1)}`),
    );
    expect(more.lamps.filter((l) => l.runId === run.id).map((l) => l.label)).toEqual([
      "18 W flood pod 1",
      "18 W flood pod 2",
      "18 W flood pod 3",
      "18 W flood pod 4",
    ]);
  });

  it("leave no loose end behind a removed run, pin or connector", () => {
    const [, marshal] = demoJobs();
    const motorcycle = marshal as Job;
    const taken = [
      edited(motorcycle, ...removeCircuit(motorcycle, asId("pods"))),
      edited(motorcycle, ...removePin(motorcycle, "aux-key")),
      edited(motorcycle, ...removeConnector(motorcycle, "tail")),
    ];
    for (const left of taken) expect(integrityFaults(left)).toEqual([]);
    expect(taken[1]!.runs.find((r) => r.name === "Radio outlet")?.feed).toEqual({
      kind: "battery",
    });
  });
});

describe("two people on one job", () => {
  const title = (value: string): Edit => ({
    kind: "setOnce",
    entity: "card",
    field: "title",
    value,
  });

  it("do not clash on different places, and both orders give the same job", () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...EDITS]), (mix) => {
        const half = Math.floor(mix.length / 2);
        const [mine, theirs] = [mix.slice(0, half), mix.slice(half)];
        const clash = clashes(mine, theirs);
        // "return", "fuse" and "wire" of one run are different fields of one entry.
        expect(clash).toEqual([]);
        expect(edited(job, ...theirs, ...mine)).toEqual(edited(job, ...mine, ...theirs));
      }),
      { seed: 4, numRuns: 40 },
    );
  });

  it("clash on the same field with different values, not with the same", () => {
    expect(clashes([title("A")], [title("B")])).toHaveLength(1);
    expect(clashes([title("A")], [title("A")])).toEqual([]);
  });

  it("clash when one removes what the other changes", () => {
    const remove: Edit = { kind: "remove", entity: "run", id: "bar" };
    expect(clashes([pinWire(bar, "14 AWG")], [remove])).toHaveLength(1);
    expect(clashes([remove], [pinWire(bar, "14 AWG")])).toHaveLength(1);
  });

  it("clash when one replaces the electrics and the other measures them", () => {
    const replace: Edit = { kind: "replaceSystem", value: job.vehicle.system };
    expect(clashes([replace], [EDITS[2]!])).toHaveLength(1);
    expect(clashes([EDITS[6]!], [replace])).toHaveLength(1);
  });

  it("keep everything undisputed when theirs is kept", () => {
    const mine = [title("A"), pinWire(bar, "14 AWG")];
    expect(withoutClashing(mine, [title("B")])).toEqual([mine[1]]);
  });
});

describe("lists of a job", () => {
  it("are all there in an empty job, and empty", () => {
    const empty = createJob("", "", job.vehicle);
    for (const name of OWN_LIST_NAMES) expect(empty[OWN_LISTS[name].field]).toEqual([]);
    expect(Object.keys(empty).sort()).toEqual(Object.keys(job).sort());
  });

  it("are called by a word in the history, and so is all that a vehicle has", () => {
    for (const entity of Object.keys(COLLECTIONS) as CollectionName[]) {
      const line = describeEdit({ kind: "remove", entity, id: "x" }, job);
      expect(line).toMatch(/^[a-z][a-z' ]+ “x” removed$/);
      expect(line).not.toContain("undefined");
    }
    expect(describeEdit({ kind: "remove", entity: "wireChoice", id: "x" }, job)).toBe(
      "wire “x” removed",
    );
    expect(describeEdit({ kind: "remove", entity: "variant", id: "x" }, job)).toBe(
      "variant “x” removed",
    );
  });

  it("have each id once, whichever list it is", () => {
    for (const name of OWN_LIST_NAMES) {
      const { field } = OWN_LISTS[name];
      const [entry] = job[field];
      if (!entry) continue;
      const twice = { ...job, [field]: [...job[field], entry] } as Job;
      expect(integrityFaults(twice)).toContainEqual({
        path: `${field}[${job[field].length}].id`,
        message: `"${entry.id}" is there twice (ids must differ)`,
      });
    }
  });
});
