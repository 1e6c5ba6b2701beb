/** What a shop knows of its models: written down by itself, started from, told to other shops and taken from them. */
import type { Agent } from "supertest";
import {
  measured,
  modelFileOf,
  vehicleFacts,
  type Edit,
  type Measurement,
  type ModelFile,
  type Vehicle,
} from "@dragonet/core";
import type {
  ComparedModelAnswer,
  JobAnswer,
  KeptVehicleAnswer,
  MeasurementAnswer,
} from "@dragonet/contract";
import { DEMO_SHOP_NAME, FELLRUNNER, PORTER } from "@dragonet/core/demo";
import { Shop } from "./shop.ts";

const ID = FELLRUNNER.profileId;
const KEY = "output at 3500 rpm";

const factOf = (vehicle: Vehicle, key: string) =>
  vehicleFacts(vehicle).find((fact) => fact.key === key)!;

describe("a model", () => {
  let shop: Shop;
  let pim: Agent;
  let ansa: Agent;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    [pim, ansa] = [await shop.person("pim"), await shop.person("ansa")];
  });
  beforeEach(() => shop.query("delete from measurement"));
  afterAll(() => shop.close());

  const known = async (): Promise<MeasurementAnswer[]> =>
    (await pim.get(`/api/models/${ID}/known`).expect(200)).body as MeasurementAnswer[];
  const ofKey = async (key = KEY) => (await known()).filter((one) => one.key === key);
  const open = async (machine: string): Promise<JobAnswer> =>
    (
      await pim
        .post("/api/jobs")
        .send({ title: machine, customer: "", profileId: ID, machine })
        .expect(201)
    ).body as JobAnswer;

  let batches = 0;
  async function save(by: Agent, { id }: JobAnswer, madeOn: number, ...edits: Edit[]) {
    batches += 1;
    await by
      .post(`/api/jobs/${id}/edits`)
      .send({
        ...{ baseRevision: madeOn, batchId: `models-${batches}`, edits },
        acts: [{ id: `act-${batches}`, edits: edits.length }],
      })
      .expect(200);
  }

  it("remembers what is measured on a job, by whom, until it is undone or measured anew", async () => {
    const job = await open("plate 7");
    expect(await ofKey()).toEqual([]);
    const { fact, set } = factOf(job.document.vehicle, KEY);
    await save(ansa, job, 1, set(measured(19.2)));
    const [one, ...more] = await ofKey();
    expect(more).toEqual([]);
    expect(one).toMatchObject({
      ...{ value: 19.2, machine: "plate 7", who: "Ansa Tordoff", jobId: job.id, from: "" },
      day: expect.stringMatching(/^\d{4}-\d\d-\d\d$/) as string,
    });
    await save(pim, job, 2, set(measured(19.4)));
    expect(await ofKey()).toMatchObject([{ value: 19.4, who: "Pim Okkerse" }]);
    const year: Edit = { kind: "setOnce", entity: "vehicle", field: "year", value: 2021 };
    await save(pim, job, 3, year);
    expect(await ofKey()).toMatchObject([{ value: 19.4, year: 2021 }]);
    await save(pim, job, 4, set(fact));
    expect(await ofKey()).toEqual([]);
  });

  it("says nothing of what stood on a job in the bin, until that is taken out again", async () => {
    const job = await open("plate 8");
    await save(pim, job, 1, factOf(job.document.vehicle, KEY).set(measured(19.2)));
    await ansa.delete(`/api/jobs/${job.id}`).expect(204);
    expect(await ofKey()).toEqual([]);
    await ansa.post(`/api/jobs/${job.id}/take-out`).expect(204);
    expect(await ofKey()).toHaveLength(1);
  });

  it("is started from by the next job, which calls measured only what was measured on it", async () => {
    for (const [machine, value] of [
      ["a", 18.9],
      ["b", 19.1],
      ["c", 19],
    ] as const) {
      const job = await open(machine);
      await save(pim, job, 1, factOf(job.document.vehicle, KEY).set(measured(value)));
    }
    const next = (await open("d")).document.vehicle;
    expect(factOf(next, KEY).fact).toMatchObject({ value: 19, provenance: "sister" });
    expect(vehicleFacts(next).filter(({ fact }) => fact.provenance === "measured")).toEqual([]);
    // And that is not written down as if it had been measured there.
    expect(await ofKey()).toHaveLength(3);
  });

  it("is told to another shop without plates and names, and what comes back adds nothing", async () => {
    const job = await open("OX 12 ABC");
    await save(pim, job, 1, factOf(job.document.vehicle, KEY).set(measured(19)));
    const answer = await pim.get(`/api/models/${ID}/file`).expect(200);
    const text = answer.text;
    for (const private_ of ["OX 12", "Okkerse", "Tordoff", "Dalby", job.id]) {
      expect(text.includes(private_)).toBe(false);
    }
    const file = JSON.parse(text) as ModelFile;
    expect(file.shop).toBe(DEMO_SHOP_NAME);
    const before = await known();
    const { body } = await pim.post("/api/models/compare").send({ file }).expect(200);
    const compared = body as ComparedModelAnswer;
    expect(compared).toMatchObject({ profileId: ID, differences: [], shop: DEMO_SHOP_NAME });
    const { revision } = compared;
    await pim.post("/api/models/take").send({ file, take: [], revision }).expect(200);
    expect(await known()).toEqual(before);
  });

  const told = (value: number, machine: string): Measurement => ({
    ...{ key: KEY, words: "charging output at 3500 rpm", unit: "A", said: "" },
    ...{ value, low: value - 0.3, high: value + 0.3, machine, year: 2020, variant: "" },
    ...{ who: "Somebody", day: "2026-01-02", jobId: "j", from: "" },
  });
  const theirs = (vehicle: Vehicle): ModelFile =>
    modelFileOf("Other shop", "2026-11-01", vehicle, [told(18, "x"), told(20, "y")]);

  it("of another shop is compared first, and then taken thing by thing with its measurements", async () => {
    const other = { ...FELLRUNNER, note: "Theirs." };
    const heavier = factOf(other, "load heated grips");
    const baseLoads = other.baseLoads.map((load) =>
      load.name === heavier.words ? { ...load, currentA: measured(4.1) } : load,
    );
    const file = theirs({ ...other, baseLoads });
    const before = await pim.get(`/api/vehicles/${ID}`).expect(200);
    const { body } = await pim.post("/api/models/compare").send({ file }).expect(200);
    const { differences, revision, measurements } = body as ComparedModelAnswer;
    expect(measurements).toBe(2);
    expect(differences.map(({ words }) => words).toSorted()).toEqual([
      ...["load already there: Heated grips", "vehicle: note"],
    ]);
    expect((await pim.get(`/api/vehicles/${ID}`)).body).toEqual(before.body);
    const grips = differences.find(({ words }) => words.includes("grips"))!;
    const taking = { file, take: [grips.id], revision };
    const taken = await pim.post("/api/models/take").send(taking).expect(200);
    const { value, revision: next } = taken.body as KeptVehicleAnswer;
    expect(factOf(value, "load heated grips").fact).toEqual(measured(4.1));
    expect(value.note).toBe(FELLRUNNER.note);
    expect(next).toBe(revision + 1);
    const rows = await ofKey();
    expect(rows.map(({ value: v, from, who }) => [v, from, who]).toSorted()).toEqual([
      [18, "Other shop", ""],
      [20, "Other shop", ""],
    ]);
    // Again on the revision that was looked at: somebody has changed it since.
    await pim.post("/api/models/take").send(taking).expect(409);
    await pim
      .post("/api/models/take")
      .send({ ...taking, revision: next })
      .expect(200);
    expect(await ofKey()).toHaveLength(2);
  });

  it("is taken once where two people take it at one moment", async () => {
    const file = theirs({ ...FELLRUNNER, note: "Two at once." });
    const { body } = await pim.post("/api/models/compare").send({ file }).expect(200);
    const { revision } = body as ComparedModelAnswer;
    const taking = { file, take: ["vehicle.note"], revision };
    const both = await Promise.all(
      [pim, ansa].map((who) => who.post("/api/models/take").send(taking)),
    );
    expect(both.map(({ status }) => status).toSorted()).toEqual([200, 409]);
    expect((await pim.get(`/api/vehicles/${ID}`)).body.revision).toBe(revision + 1);
  });

  it("that the shop does not have comes whole, under an id of its own", async () => {
    const file = theirs({ ...PORTER, model: "Pellaw Porter 60", profileId: FELLRUNNER.profileId });
    const { body } = await pim.post("/api/models/compare").send({ file }).expect(200);
    expect(body).toMatchObject({ profileId: "", revision: 0, differences: [] });
    const taken = await pim
      .post("/api/models/take")
      .send({ file, take: [], revision: 0 })
      .expect(200);
    const { value } = taken.body as KeptVehicleAnswer;
    expect(value.profileId).toBe("fellrunner-420-2");
    const own = await pim.get(`/api/models/${value.profileId}/known`).expect(200);
    expect(own.body).toHaveLength(2);
  });

  it("in a file that is none is refused with its places, and nothing is stored", async () => {
    const sound = theirs(FELLRUNNER);
    const refused = async (file: object): Promise<string[]> => {
      const { body } = await pim
        .post("/api/models/take")
        .send({ file, take: [], revision: 1 })
        .expect(422);
      return (body as { faults: { path: string }[] }).faults.map(({ path }) => path);
    };
    expect(await refused({ ...sound, format: "other/1" })).toContain("format");
    expect(await refused({ ...sound, shape: 99 })).toContain("shape");
    expect(await refused({ ...sound, shop: " " })).toEqual(["shop"]);
    const [one] = sound.measurements;
    expect(await refused({ ...sound, measurements: [{ ...one, day: "someday" }] })).toEqual([
      "measurements[0].day",
    ]);
    expect(await refused({ ...sound, measurements: [{ ...one, low: 99 }] })).toEqual([
      "measurements[0].low",
    ]);
    expect(await refused({ ...sound, measurements: [{ ...one, low: null }] })).toEqual([
      "measurements[0].low",
    ]);
    const lame = { ...FELLRUNNER, pins: [{ ...FELLRUNNER.pins[0]!, connectorId: "none" }] };
    expect(await refused({ ...sound, vehicle: lame })).toEqual(["vehicle.pins[0].connectorId"]);
    expect(await ofKey()).toEqual([]);
    await pim.get("/api/models/none/file").expect(404);
  });
});
