/** Search over jobs, parts and vehicles: by every word that was written, and forgiving. */
import type pg from "pg";
import type { Agent } from "supertest";
import { createJob, printJob, type Edit, type Vehicle } from "@dragonet/core";
import type { FoundAnswer } from "@dragonet/contract";
import { open, read, save, title } from "./jobActs.ts";
import { Shop } from "./shop.ts";

describe("a search", () => {
  let shop: Shop;
  let owner: Agent;
  let vehicle: Vehicle;

  const find = async (question: string, who = owner): Promise<FoundAnswer[]> =>
    (await who.get("/api/search").query({ q: question }).expect(200)).body;
  const titles = async (question: string): Promise<string[]> =>
    (await find(question)).map((found) => found.title);
  /** A job of words of this test's own. */
  const make = async (name: string, customer: string, note = ""): Promise<string> => {
    const job = createJob(name, customer, vehicle);
    const text = printJob({ ...job, card: { ...job.card, note } });
    return (await owner.post("/api/jobs/import").send({ text }).expect(201)).body.id;
  };

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    owner = await shop.person("ansa");
    const { body } = await owner.get("/api/vehicles").expect(200);
    vehicle = body[0].value;
  });
  afterAll(() => shop.close());

  it("knows everything that the shop began with", async () => {
    const { rows } = await shop.query(
      "select kind, count(*)::int as n from search_entry group by kind",
    );
    const counts = Object.fromEntries(rows.map(({ kind, n }) => [kind, n]));
    const listed = async (path: string) => (await owner.get(`/api/${path}`).expect(200)).body;
    expect(counts).toEqual({
      job: (await listed("jobs")).length,
      part: (await listed("parts")).length,
      vehicle: (await listed("vehicles")).length,
    });
  });

  it("finds by title, customer, note and what hangs on the vehicle, wherever it stands", async () => {
    const id = await make("Zinnober sidecar", "Quellmut dairy", "Key is under the brass kettle");
    for (const asked of ["zinnober", "ZINN", "quellmut", "kettle brass", "sidecar zinnober"]) {
      expect((await find(asked)).map((f) => f.id)).toContain(id);
    }
    const [found] = await find("kettle");
    expect(found).toMatchObject({ kind: "job", id, title: "Zinnober sidecar" });
    expect(found!.about).toContain("Quellmut dairy");
    expect(found!.about).toContain(vehicle.model);
    expect(found!.where).toContain("brass kettle");
    // Of two words the one is told that the line does not say anyway.
    expect((await find("zinnober kettle"))[0]!.where).toContain("brass kettle");
    expect((await find("quellmut"))[0]!.where).toBe("");
  });

  it("wants every word, and takes those that are written nearly right", async () => {
    const id = await make("Horbach trailer lamps", "Vinzenz Ulk");
    expect(await titles("horbach nowhere")).toEqual([]);
    // A letter too few, one wrong, two changed over: common ways of typing by thumb.
    for (const typed of ["horbch", "horbazh", "hrobach trailer", "vinzens"]) {
      expect((await find(typed)).map((f) => f.id)).toContain(id);
    }
    expect((await find("xylophone")).length).toBe(0);
  });

  it("puts what stands in a title before what stands in a note", async () => {
    const inNote = await make("Some lamps", "C", "like the mirabell one");
    const inTitle = await make("Mirabell lamps", "C");
    expect((await find("mirabell")).map((f) => f.id)).toEqual([inTitle, inNote]);
  });

  it("follows every change, and leaves out what is in the bin", async () => {
    const id = await open(owner);
    await save(owner, id, (await read(owner, id)).revision, [title("Ochre plough")]).expect(200);
    expect(await titles("ochre")).toEqual(["Ochre plough"]);
    const note: Edit = { kind: "setOnce", entity: "card", field: "note", value: "second pylon" };
    await save(owner, id, (await read(owner, id)).revision, [note]).expect(200);
    expect(await titles("pylon")).toEqual(["Ochre plough"]);
    await owner.delete(`/api/jobs/${id}`).expect(204);
    expect(await titles("ochre")).toEqual([]);
    await owner.post(`/api/jobs/${id}/take-out`).expect(204);
    expect(await titles("ochre")).toEqual(["Ochre plough"]);
  });

  it("finds parts and vehicles, and forgets those that are taken away", async () => {
    const { body: parts } = await owner.get("/api/parts").expect(200);
    const part = { ...parts[0].value, id: "umbra-lamp", name: "Umbra lamp" };
    await owner.put("/api/parts/umbra-lamp").send({ value: part, revision: 0 }).expect(200);
    const model = { ...vehicle, profileId: "umbra-900", model: "Umbra 900" };
    await owner.put("/api/vehicles/umbra-900").send({ value: model, revision: 0 }).expect(200);
    const found = await find("umbra");
    expect(found.map(({ kind, about }) => [kind, about]).sort()).toEqual([
      ["part", part.kind],
      ["vehicle", model.kind],
    ]);
    await owner.delete("/api/parts/umbra-lamp").expect(204);
    await owner.delete("/api/vehicles/umbra-900").expect(204);
    expect(await find("umbra")).toEqual([]);
  });

  it("takes any sign for what it is, and refuses what is no question", async () => {
    for (const odd of ["'", "\"a' | !b:* & (", "%_\\", "а́ 日本 🦎", "  ", "!", ":*"]) {
      expect(Array.isArray(await find(odd))).toBe(true);
    }
    expect(await find("")).toEqual([]);
    await owner.get("/api/search").expect(422);
    const { body } = await owner
      .get("/api/search")
      .query({ q: "x".repeat(201) })
      .expect(422);
    expect(body.message).toContain("at most 200 letters");
    await owner.get("/api/search?q=a&q=b").expect(422);
    await shop.stranger().get("/api/search?q=a").expect(401);
  });

  it("goes by its indexes, however much there is", async () => {
    const plan = async (text: string): Promise<string> => {
      const results = (await shop.query(`set enable_seqscan = off; explain ${text}`)) as unknown;
      const { rows } = (results as pg.QueryResult[])[1]!;
      return rows.map((row) => String(row["QUERY PLAN"])).join("\n");
    };
    await shop.query(
      `insert into search_word select md5(i::text) from generate_series(1, 40000) i;
       analyze search_word`,
    );
    const entries = "select id from search_entry";
    for (const [text, index] of [
      [`${entries} where stems @@ to_tsquery('simple', 'zinnober:*')`, "search_entry_stems"],
      [`${entries} order by at desc limit 1000`, "search_entry_at"],
      ["select word from search_word where word % 'hrobach'", "search_word_like"],
      [
        `select 1 from search_word where word collate "C" >= 'a' and word collate "C" < 'b'`,
        "search_word_pkey",
      ],
    ] as const) {
      const told = await plan(text);
      expect(told).toContain(index);
      expect(told).not.toContain("Seq Scan");
    }
  });
});
