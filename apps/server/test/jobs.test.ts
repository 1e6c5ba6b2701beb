import type { Agent } from "supertest";
import { asId, pinFuse, pinWire, type Change, type Edit, type Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { open, read, save, title } from "./jobActs.ts";
import { Shop } from "./shop.ts";

const customer = (value: string): Edit => ({
  kind: "setOnce",
  entity: "card",
  field: "customer",
  value,
});

describe("jobs", () => {
  let shop: Shop;
  let pim: Agent;
  let ansa: Agent;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    pim = await shop.person("pim");
    ansa = await shop.person("ansa");
  });
  afterAll(() => shop.close());

  const editsIn = (body: { changes: readonly Change[] }): Edit[] =>
    body.changes.flatMap((change) => change.edits);
  it("of the demo shop are all there, with what is in their way", async () => {
    const { body } = await pim.get("/api/jobs").expect(200);
    expect(body).toHaveLength(demoJobs().length);
    const stages = new Set(body.map((j: { stage: string }) => j.stage));
    expect(stages.size).toBe(8);
    const mowers = (body as { model: string; waiting: { kind: string }[] }[]).filter(
      (j) => j.model === "Hadrell Swathe 52",
    );
    expect(mowers.flatMap((j) => j.waiting.map(({ kind }) => kind))).toContain("cold");
  });

  it("start on their own copy of a profile", async () => {
    const id = await open(pim);
    const { document } = await read(pim, id);
    expect(document.vehicle).toMatchObject({ model: "Corvane Fellrunner 420", machine: "red" });
    await pim
      .post("/api/jobs")
      .send({ title: "x", customer: "", profileId: "unknown", machine: "" })
      .expect(404);
    await pim
      .post("/api/jobs")
      .send({ title: "", customer: "", profileId: "fellrunner-420", machine: "" })
      .expect(422);
  });

  it("keep edits and their history, and count revisions", async () => {
    const id = await open(pim);
    const { body } = await save(pim, id, 1, [title("Bar and pods"), customer("Scar Top")]).expect(
      200,
    );
    expect(body).toEqual({
      revision: 2,
      changes: [
        {
          revision: 2,
          batchId: expect.any(String),
          who: "Pim Okkerse",
          acts: [expect.any(String)],
          edits: [title("Bar and pods"), customer("Scar Top")],
        },
      ],
    });
    expect((await read(pim, id)).document.card).toMatchObject({
      title: "Bar and pods",
      customer: "Scar Top",
    });
    const { body: history } = await pim.get(`/api/jobs/${id}/history`).expect(200);
    expect(history.map((h: { revision: number }) => h.revision)).toEqual([2, 1]);
    expect(history[0]).toMatchObject({
      who: "Pim Okkerse",
      lines: ["job card: title → Bar and pods", "job card: customer → Scar Top"],
    });
  });

  it("merge two people's edits to different places", async () => {
    const id = await open(pim);
    await save(pim, id, 1, [title("Pim's title")]).expect(200);
    const { body } = await save(ansa, id, 1, [customer("Ansa's customer")]).expect(200);
    expect(body.revision).toBe(3);
    expect(editsIn(body)).toEqual([title("Pim's title"), customer("Ansa's customer")]);
    expect((await read(pim, id)).document.card).toMatchObject({
      title: "Pim's title",
      customer: "Ansa's customer",
    });
  });

  it("tell a clash, store nothing of it, and take the choice after it", async () => {
    const id = await open(pim);
    await save(pim, id, 1, [title("Pim's")]).expect(200);
    const { body } = await save(ansa, id, 1, [title("Ansa's"), customer("A")]).expect(409);
    expect(body).toMatchObject({ reason: "clash", revision: 2, who: "Pim Okkerse" });
    expect(editsIn(body)).toEqual([title("Pim's")]);
    expect(body.clashes).toEqual([
      { mine: "job card: title → Ansa's", theirs: "job card: title → Pim's" },
    ]);
    expect((await read(pim, id)).document.card).toMatchObject({ title: "Pim's", customer: "C" });
    await save(ansa, id, 2, [title("Ansa's"), customer("A")]).expect(200);
    expect((await read(pim, id)).document.card.title).toBe("Ansa's");
  });

  it("take a batch once that arrives twice", async () => {
    const id = await open(pim);
    const first = await save(pim, id, 1, [title("Once")], "same-batch").expect(200);
    const second = await save(pim, id, 1, [title("Once")], "same-batch").expect(200);
    expect(second.body.revision).toBe(first.body.revision);
    expect((await read(pim, id)).revision).toBe(2);
  });

  it("take a batch once though what it was made on is not what the page has by now", async () => {
    const id = await open(pim);
    await save(pim, id, 1, [title("Once")], "late").expect(200);
    await save(ansa, id, 2, [customer("meanwhile")]).expect(200);
    const again = await save(pim, id, 3, [title("Once")], "late").expect(200);
    expect(again.body.revision).toBe(3);
    expect((await read(pim, id)).revision).toBe(3);
  });

  it("refuse other edits under an id that was taken, and say which were", async () => {
    const id = await open(pim);
    await save(pim, id, 1, [title("First")], "reused").expect(200);
    const { body } = await save(pim, id, 1, [title("First"), customer("More")], "reused").expect(
      409,
    );
    expect(body).toMatchObject({ reason: "differs", taken: [title("First")] });
    expect(body.message).toMatch(/taken before with other edits/);
    expect((await read(pim, id)).revision).toBe(2);
  });

  it("compare a batch with everybody's but those that it was made on top of", async () => {
    const id = await open(pim);
    await save(pim, id, 1, [title("first")], "mine-1").expect(200);
    await save(pim, id, 1, [title("second")], "mine-2").expect(409);
    await pim
      .post(`/api/jobs/${id}/edits`)
      .send({
        baseRevision: 1,
        follows: ["mine-1"],
        known: 2,
        edits: [title("second")],
        batchId: "mine-2",
      })
      .expect(200)
      .expect(({ body }) => expect(editsIn(body)).toEqual([title("first"), title("second")]));
  });

  it("take an act once, in whatever batch it comes", async () => {
    const id = await open(pim);
    const send = (
      batchId: string,
      acts: { id: string; edits: number }[],
      edits: Edit[],
      more = {},
    ) => pim.post(`/api/jobs/${id}/edits`).send({ baseRevision: 1, batchId, acts, edits, ...more });
    const note = (value: string): Edit => ({
      kind: "setOnce",
      entity: "card",
      field: "note",
      value,
    });
    await send("whole", [{ id: "a1", edits: 1 }], [title("one")]).expect(200);
    // Parted on one page and made anew on another: what is new of it is taken, the rest is not.
    const both = [
      { id: "a1", edits: 1 },
      { id: "a2", edits: 1 },
    ];
    await send("anew", both, [title("one"), note("two")]).expect(200);
    await send("a2-1", [{ id: "a2", edits: 1 }], [note("two")]).expect(200);
    expect((await read(pim, id)).revision).toBe(3);
    // A lost answer: the batch whose first act was taken before comes again.
    await send("anew", both, [title("one"), note("two")]).expect(200);
    // What the person gave up does not come in from another page any more.
    await send("mine", [{ id: "a3", edits: 1 }], [note("three")], {
      baseRevision: 3,
      givenUp: ["a4"],
    }).expect(200);
    await send("a4-1", [{ id: "a4", edits: 1 }], [title("given up")]).expect(200);
    expect((await read(pim, id)).document.card).toMatchObject({ title: "one", note: "three" });
    await send("sum", [{ id: "a5", edits: 2 }], [title("x")])
      .expect(422)
      .expect(({ body }) => expect(body.message).toMatch(/acts: they count 2 edits/));
    await send("two", [both[0]!, both[0]!], [title("x"), title("y")])
      .expect(422)
      .expect(({ body }) => expect(body.message).toMatch(/acts\[1\].id: a1 comes twice/));
    expect((await read(pim, id)).revision).toBe(4);
  });

  it("agree where two wrote the same value, though the database orders its fields anew", async () => {
    const id = await open(pim);
    await save(pim, id, 1, [title("Alike")]).expect(200);
    await save(ansa, id, 1, [title("Alike")]).expect(200);
  });

  it("say that a revision lies ahead of what is known here", async () => {
    const id = await open(pim);
    const { body } = await save(pim, id, 7, [title("Future")]).expect(409);
    expect(body).toMatchObject({ reason: "ahead", revision: 1 });
  });

  it("tell a page what another saved, and where it may have missed some", async () => {
    const id = await open(pim);
    const cookie = await shop.cookie("wren");
    const stream = new AbortController();
    const answer = await fetch(`${shop.url}/api/events`, {
      headers: { cookie },
      signal: stream.signal,
    });
    expect(answer.headers.get("content-type")).toContain("text/event-stream");
    const reader = answer.body!.getReader();
    await save(pim, id, 1, [title("Heard")]).expect(200);
    let said = "";
    while (!said.includes(id)) {
      const { value } = await reader.read();
      said += new TextDecoder().decode(value);
    }
    expect(said).toContain("event: job");
    expect(said).toContain(`{"id":"${id}","revision":2}`);
    await shop.cutConnections();
    while (!said.includes("event: gap")) {
      const { value } = await reader.read();
      said += new TextDecoder().decode(value);
    }
    stream.abort();
    await save(pim, id, 2, [title("Still alive")]).expect(200);
  });

  it("page their history back to the first revision", async () => {
    const id = await open(pim);
    for (let i = 0; i < 105; i += 1) await save(pim, id, i + 1, [title(`t${i}`)]).expect(200);
    const { body: newest } = await pim.get(`/api/jobs/${id}/history`).expect(200);
    expect(newest).toHaveLength(100);
    const last = newest.at(-1).revision;
    const { body: older } = await pim.get(`/api/jobs/${id}/history?before=${last}`).expect(200);
    expect(older.map((h: { revision: number }) => h.revision)).toEqual([6, 5, 4, 3, 2, 1]);
    await pim.get(`/api/jobs/${id}/history?before=x`).expect(400);
  });

  it("lose nobody's edit when many save at once", async () => {
    const id = await open(pim);
    const fields = ["title", "customer", "bench", "note"] as const;
    const answers = await Promise.all(
      fields.map((field, i) =>
        save(i % 2 ? ansa : pim, id, 1, [
          { kind: "setOnce", entity: "card", field, value: `by ${field}` },
        ]),
      ),
    );
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200]);
    const { revision, document } = await read(pim, id);
    expect(revision).toBe(5);
    for (const field of fields) expect(document.card[field]).toBe(`by ${field}`);
  });

  it("refuse edits that leave no valid job, with the place, and store nothing", async () => {
    const { body: jobs } = await pim.get("/api/jobs");
    const id = jobs.find((j: { title: string }) => j.title.startsWith("Lambing")).id;
    const { revision } = await read(pim, id);
    const bar = asId<Job["runs"][number]["id"]>("bar");
    const bad: readonly (readonly [Edit, RegExp])[] = [
      [pinFuse(bar, { kind: "rating", ratingA: 6 }), /runs\[0\]\.fuse\.ratingA: invalid fuse: 6 A/],
      [pinWire(bar, "17 AWG"), /invalid wire size: "17 AWG"/],
      [{ kind: "remove", entity: "part", id: "bar-40" }, /no lamp part with id "bar-40"/],
      [{ kind: "remove", entity: "run", id: "nobody" }, /no run with id "nobody"/],
    ];
    for (const [edit, message] of bad) {
      const { body } = await save(pim, id, revision, [title("changed"), edit]).expect(422);
      expect(body.message).toMatch(message);
      expect(body.faults.length).toBeGreaterThan(0);
    }
    await pim
      .post(`/api/jobs/${id}/edits`)
      .send({ baseRevision: revision, edits: [{ kind: "explode" }], batchId: "x" })
      .expect(422);
    await save(pim, id, revision + 10, [title("future")]).expect(409);
    expect(await read(pim, id)).toMatchObject({
      revision,
      document: { card: { title: expect.stringContaining("Lambing") as string } },
    });
  });
});
