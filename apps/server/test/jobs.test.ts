import type { Agent } from "supertest";
import {
  applyEdits,
  asId,
  pinFuse,
  pinWire,
  printJob,
  type Change,
  type Edit,
  type Job,
} from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { Shop } from "./shop.ts";

const title = (value: string): Edit => ({ kind: "setOnce", entity: "card", field: "title", value });
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
  let batch = 0;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    pim = await shop.person("pim");
    ansa = await shop.person("ansa");
  });
  afterAll(() => shop.close());

  const editsIn = (body: { changes: readonly Change[] }): Edit[] =>
    body.changes.flatMap((change) => change.edits);
  const nextBatch = (): string => `batch-${(batch += 1)}`;
  const save = (
    who: Agent,
    id: string,
    baseRevision: number,
    edits: readonly Edit[],
    batchId = nextBatch(),
  ) => who.post(`/api/jobs/${id}/edits`).send({ baseRevision, edits, batchId });

  async function open(): Promise<string> {
    const { body } = await pim
      .post("/api/jobs")
      .send({ title: "Bar", customer: "C", profileId: "fellrunner-420", machine: "red" })
      .expect(201);
    return body.id;
  }

  const read = async (id: string): Promise<{ revision: number; document: Job }> =>
    (await pim.get(`/api/jobs/${id}`).expect(200)).body;

  it("of the demo shop are all there, with what is in their way", async () => {
    const { body } = await pim.get("/api/jobs").expect(200);
    expect(body).toHaveLength(demoJobs().length);
    const stages = new Set(body.map((j: { stage: string }) => j.stage));
    expect(stages.size).toBe(8);
    const cold = body.find((j: { model: string }) => j.model === "Hadrell Swathe 52");
    expect(cold.waiting[0]).toMatchObject({ kind: "cold" });
  });

  it("start on their own copy of a profile", async () => {
    const id = await open();
    const { document } = await read(id);
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
    const id = await open();
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
    expect((await read(id)).document.card).toMatchObject({
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
    const id = await open();
    await save(pim, id, 1, [title("Pim's title")]).expect(200);
    const { body } = await save(ansa, id, 1, [customer("Ansa's customer")]).expect(200);
    expect(body.revision).toBe(3);
    expect(editsIn(body)).toEqual([title("Pim's title"), customer("Ansa's customer")]);
    expect((await read(id)).document.card).toMatchObject({
      title: "Pim's title",
      customer: "Ansa's customer",
    });
  });

  it("tell a clash, store nothing of it, and take the choice after it", async () => {
    const id = await open();
    await save(pim, id, 1, [title("Pim's")]).expect(200);
    const { body } = await save(ansa, id, 1, [title("Ansa's"), customer("A")]).expect(409);
    expect(body).toMatchObject({ reason: "clash", revision: 2, who: "Pim Okkerse" });
    expect(editsIn(body)).toEqual([title("Pim's")]);
    expect(body.clashes).toEqual([
      { mine: "job card: title → Ansa's", theirs: "job card: title → Pim's" },
    ]);
    expect((await read(id)).document.card).toMatchObject({ title: "Pim's", customer: "C" });
    await save(ansa, id, 2, [title("Ansa's"), customer("A")]).expect(200);
    expect((await read(id)).document.card.title).toBe("Ansa's");
  });

  it("take a batch once that arrives twice", async () => {
    const id = await open();
    const first = await save(pim, id, 1, [title("Once")], "same-batch").expect(200);
    const second = await save(pim, id, 1, [title("Once")], "same-batch").expect(200);
    expect(second.body.revision).toBe(first.body.revision);
    expect((await read(id)).revision).toBe(2);
  });

  it("take a batch once though what it was made on is not what the page has by now", async () => {
    const id = await open();
    await save(pim, id, 1, [title("Once")], "late").expect(200);
    await save(ansa, id, 2, [customer("meanwhile")]).expect(200);
    const again = await save(pim, id, 3, [title("Once")], "late").expect(200);
    expect(again.body.revision).toBe(3);
    expect((await read(id)).revision).toBe(3);
  });

  it("refuse other edits under an id that was taken, and say which were", async () => {
    const id = await open();
    await save(pim, id, 1, [title("First")], "reused").expect(200);
    const { body } = await save(pim, id, 1, [title("First"), customer("More")], "reused").expect(
      409,
    );
    expect(body).toMatchObject({ reason: "differs", taken: [title("First")] });
    expect(body.message).toMatch(/taken before with other edits/);
    expect((await read(id)).revision).toBe(2);
  });

  it("compare a batch with everybody's but those that it was made on top of", async () => {
    const id = await open();
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
    const id = await open();
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
    expect((await read(id)).revision).toBe(3);
    // A lost answer: the batch whose first act was taken before comes again.
    await send("anew", both, [title("one"), note("two")]).expect(200);
    // What the person gave up does not come in from another page any more.
    await send("mine", [{ id: "a3", edits: 1 }], [note("three")], {
      baseRevision: 3,
      givenUp: ["a4"],
    }).expect(200);
    await send("a4-1", [{ id: "a4", edits: 1 }], [title("given up")]).expect(200);
    expect((await read(id)).document.card).toMatchObject({ title: "one", note: "three" });
    await send("sum", [{ id: "a5", edits: 2 }], [title("x")])
      .expect(422)
      .expect(({ body }) => expect(body.message).toMatch(/acts: they count 2 edits/));
    await send("two", [both[0]!, both[0]!], [title("x"), title("y")])
      .expect(422)
      .expect(({ body }) => expect(body.message).toMatch(/acts\[1\].id: a1 comes twice/));
    expect((await read(id)).revision).toBe(4);
  });

  it("agree where two wrote the same value, though the database orders its fields anew", async () => {
    const id = await open();
    await save(pim, id, 1, [title("Alike")]).expect(200);
    await save(ansa, id, 1, [title("Alike")]).expect(200);
  });

  it("say that a revision lies ahead of what is known here", async () => {
    const id = await open();
    const { body } = await save(pim, id, 7, [title("Future")]).expect(409);
    expect(body).toMatchObject({ reason: "ahead", revision: 1 });
  });

  it("tell a page within a second what another saved, and where it may have missed some", async () => {
    const id = await open();
    const cookie = await shop.cookie("wren");
    const stream = new AbortController();
    const answer = await fetch(`${shop.url}/api/events`, {
      headers: { cookie },
      signal: stream.signal,
    });
    expect(answer.headers.get("content-type")).toContain("text/event-stream");
    const reader = answer.body!.getReader();
    await save(pim, id, 1, [title("Heard")]).expect(200);
    const began = Date.now();
    let said = "";
    while (!said.includes(id) && Date.now() - began < 1000) {
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
    const id = await open();
    for (let i = 0; i < 105; i += 1) await save(pim, id, i + 1, [title(`t${i}`)]).expect(200);
    const { body: newest } = await pim.get(`/api/jobs/${id}/history`).expect(200);
    expect(newest).toHaveLength(100);
    const last = newest.at(-1).revision;
    const { body: older } = await pim.get(`/api/jobs/${id}/history?before=${last}`).expect(200);
    expect(older.map((h: { revision: number }) => h.revision)).toEqual([6, 5, 4, 3, 2, 1]);
    await pim.get(`/api/jobs/${id}/history?before=x`).expect(400);
  });

  it("lose nobody's edit when many save at once", async () => {
    const id = await open();
    const fields = ["title", "customer", "bench", "note"] as const;
    const answers = await Promise.all(
      fields.map((field, i) =>
        save(i % 2 ? ansa : pim, id, 1, [
          { kind: "setOnce", entity: "card", field, value: `by ${field}` },
        ]),
      ),
    );
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200]);
    const { revision, document } = await read(id);
    expect(revision).toBe(5);
    for (const field of fields) expect(document.card[field]).toBe(`by ${field}`);
  });

  it("refuse edits that leave no valid job, with the place, and store nothing", async () => {
    const { body: jobs } = await pim.get("/api/jobs");
    const id = jobs.find((j: { title: string }) => j.title.startsWith("Lambing")).id;
    const { revision } = await read(id);
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
    expect(await read(id)).toMatchObject({
      revision,
      document: { card: { title: expect.stringContaining("Lambing") as string } },
    });
  });

  it("tell latecomers what they missed", async () => {
    const id = await open();
    await save(pim, id, 1, [title("A")]);
    await save(pim, id, 2, [title("B")]);
    const { body } = await ansa.get(`/api/jobs/${id}/changes?since=1`).expect(200);
    expect(body.revision).toBe(3);
    expect(editsIn(body)).toEqual([title("A"), title("B")]);
    const { body: none } = await ansa.get(`/api/jobs/${id}/changes?since=3`).expect(200);
    expect(none).toEqual({ revision: 3, changes: [] });
  });

  it("go back to any revision, as one more change", async () => {
    const id = await open();
    const before = (await read(id)).document;
    await save(pim, id, 1, [title("A"), customer("B")]);
    await save(pim, id, 2, [{ kind: "remove", entity: "connector", id: "dash" }]).expect(422);
    await save(pim, id, 2, [{ kind: "remove", entity: "baseLoad", id: "winch" }]).expect(200);
    const { body } = await pim.post(`/api/jobs/${id}/restore`).send({ revision: 1 }).expect(200);
    expect(body.revision).toBe(4);
    expect((await read(id)).document).toEqual(before);
    const { body: history } = await pim.get(`/api/jobs/${id}/history`);
    expect(history[0].lines[0]).toBe("taken back to revision 1");
  });

  it("go out as a file and come in again the same", async () => {
    const [demo] = demoJobs();
    const { body } = await pim
      .post("/api/jobs/import")
      .send({ text: printJob(demo!) })
      .expect(201);
    const file = await pim.get(`/api/jobs/${body.id}/file`).expect(200);
    expect(file.headers["content-disposition"]).toContain("attachment");
    expect(JSON.parse(file.text)).toEqual(JSON.parse(printJob(demo!)));
  });

  it("refuse a broken file with the path and reason of every fault, and store nothing", async () => {
    const { body: before } = await pim.get("/api/jobs");
    const demo = JSON.parse(printJob(demoJobs()[0]!));
    demo.runs[0].fuse = { kind: "rating", ratingA: "thick" };
    demo.lamps[0].partId = 7;
    const { body } = await pim
      .post("/api/jobs/import")
      .send({ text: JSON.stringify(demo) })
      .expect(422);
    expect(body.faults.map((f: { path: string }) => f.path)).toEqual([
      "lamps[0].partId",
      "runs[0].fuse.ratingA",
    ]);
    await pim.post("/api/jobs/import").send({ text: "{" }).expect(422);
    const { body: after } = await pim.get("/api/jobs");
    expect(after).toHaveLength(before.length);
  });

  it("answer ids that are none, and jobs that are gone", async () => {
    await pim.get("/api/jobs/1;drop%20table").expect(400);
    await pim.get("/api/jobs/00000000-0000-4000-8000-000000000000").expect(404);
  });

  it("print as a PDF", async () => {
    const { body: jobs } = await pim.get("/api/jobs");
    const answer = await pim
      .get(`/api/jobs/${jobs[0].id}/strip-sheet.pdf`)
      .buffer(true)
      .expect(200)
      .expect("content-type", /application\/pdf/);
    expect((answer.body as Buffer).subarray(0, 5).toString()).toBe("%PDF-");
  });

  it("are what their edits make of them", async () => {
    const id = await open();
    const { document } = await read(id);
    const edits = [title("T"), customer("K")];
    await save(pim, id, 1, edits).expect(200);
    const applied = applyEdits(document, edits);
    expect(applied).toMatchObject({ ok: true, job: (await read(id)).document });
  });
});
