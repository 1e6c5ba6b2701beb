import { randomUUID } from "node:crypto";
import type { Agent } from "supertest";
import { applyEdits, printJob, type Change, type Edit } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { open, read, save, title } from "./jobActs.ts";
import { Shop } from "./shop.ts";

const customer = (value: string): Edit => ({
  kind: "setOnce",
  entity: "card",
  field: "customer",
  value,
});

describe("jobs over time and as files", () => {
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

  it("tell latecomers what they missed", async () => {
    const id = await open(pim);
    await save(pim, id, 1, [title("A")]);
    await save(pim, id, 2, [title("B")]);
    const { body } = await ansa.get(`/api/jobs/${id}/changes?since=1`).expect(200);
    expect(body.revision).toBe(3);
    expect(editsIn(body)).toEqual([title("A"), title("B")]);
    const { body: none } = await ansa.get(`/api/jobs/${id}/changes?since=3`).expect(200);
    expect(none).toEqual({ revision: 3, changes: [] });
  });

  it("go back to any revision, as one more change", async () => {
    const id = await open(pim);
    const before = (await read(pim, id)).document;
    await save(pim, id, 1, [title("A"), customer("B")]);
    await save(pim, id, 2, [{ kind: "remove", entity: "connector", id: "dash" }]).expect(422);
    await save(pim, id, 2, [{ kind: "remove", entity: "baseLoad", id: "winch" }]).expect(200);
    const { body } = await pim.post(`/api/jobs/${id}/restore`).send({ revision: 1 }).expect(200);
    expect(body.revision).toBe(4);
    expect((await read(pim, id)).document).toEqual(before);
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

  it("tell in their history whether they came from a file or from a sentence", async () => {
    const text = printJob(demoJobs()[0]!);
    const began = async (more: object): Promise<string> => {
      const { body } = await pim
        .post("/api/jobs/import")
        .send({ text, ...more })
        .expect(201);
      const { body: history } = await pim.get(`/api/jobs/${body.id}/history`).expect(200);
      return (history as { lines: string[] }[]).at(-1)!.lines[0]!;
    };
    expect(await began({})).toBe("job imported from a file");
    expect(await began({ said: " two pods\n on the quad " })).toBe(
      "job planned from “two pods on the quad”",
    );
    await pim
      .post("/api/jobs/import")
      .send({ text, said: "x".repeat(1001) })
      .expect(422);
  });

  it("open one job under an id that was made before there was a network, however often it is sent", async () => {
    const id = randomUUID();
    const text = printJob(demoJobs()[0]!);
    const { body: before } = await pim.get("/api/jobs");
    const sent = await Promise.all(
      [1, 2, 3].map(() => pim.post("/api/jobs/import").send({ id, text })),
    );
    expect(sent.map(({ status, body }) => [status, body.id])).toEqual(Array(3).fill([201, id]));
    await save(pim, id, 1, [title("Said in the yard")]).expect(200);
    const { body: again } = await pim.post("/api/jobs/import").send({ id, text }).expect(201);
    // As it is by now: what was changed since is not taken back.
    expect(again).toMatchObject({ revision: 2, document: { card: { title: "Said in the yard" } } });
    const { body: after } = await pim.get("/api/jobs");
    expect(after).toHaveLength(before.length + 1);
    const { body: refused } = await ansa.post("/api/jobs/import").send({ id, text }).expect(409);
    expect(refused.message).toContain("another job has this id");
    await pim.post("/api/jobs/import").send({ id: "one", text }).expect(422);
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
      .get(`/api/jobs/${jobs[0].id}/wiring-sheet.pdf`)
      .buffer(true)
      .expect(200)
      .expect("content-type", /application\/pdf/);
    expect((answer.body as Buffer).subarray(0, 5).toString()).toBe("%PDF-");
  });

  it("are what their edits make of them", async () => {
    const id = await open(pim);
    const { document } = await read(pim, id);
    const edits = [title("T"), customer("K")];
    await save(pim, id, 1, edits).expect(200);
    const applied = applyEdits(document, edits);
    expect(applied).toMatchObject({ ok: true, job: (await read(pim, id)).document });
  });
});
