/** A server of an earlier version beside documents of a later one: it says so, stores nothing, and is passed over. */
import type { Agent } from "supertest";
import { SHAPE_VERSION } from "@dragonet/core";
import { Shop } from "./shop.ts";

describe("a server that a later version has taken over from", () => {
  let shop: Shop;
  let pim: Agent;
  let id: string;
  const edit = (madeOn: number) => ({
    ...{ baseRevision: madeOn, batchId: `b${madeOn}`, acts: [{ id: `a${madeOn}`, edits: 1 }] },
    edits: [{ kind: "setOnce", entity: "card", field: "note", value: "new" }],
  });

  beforeEach(async () => {
    shop = await Shop.open({ demo: true, own: true });
    pim = await shop.person("pim");
    const { body } = await pim.get("/api/jobs").expect(200);
    id = (body as { id: string }[])[0]!.id;
  });
  // Once it is passed over, a server stays so.
  afterEach(() => shop.close());

  const note = async (): Promise<unknown> =>
    (await shop.query("select document->'card'->>'note' as note from job where id = $1", [id]))
      .rows;

  it("answers 503 with when to ask again, is not ready, and lives", async () => {
    await pim.get("/api/ready").expect(200);
    await shop.query("update shop set shape = $1", [SHAPE_VERSION + 1]);
    // What was looked at holds for a second.
    await new Promise((done) => setTimeout(done, 1100));
    const before = await note();
    const told = await pim.get("/api/jobs").expect(503);
    expect(told.headers["retry-after"]).toBe("1");
    expect((told.body as { message: string }).message).toMatch(
      /a later version .* keeps this shop/,
    );
    await pim.post(`/api/jobs/${id}/edits`).send(edit(1)).expect(503);
    expect(await note()).toEqual(before);
    const ready = await pim.get("/api/ready").expect(503);
    expect((ready.body as { wrong: string[] }).wrong).toEqual([
      "a later version of Dragonet keeps this shop",
    ]);
    await pim.get("/api/health").expect(200);
  });

  it("stores nothing in a document that was brought up at that very moment", async () => {
    const before = await note();
    await pim.get("/api/jobs").expect(200);
    await shop.query("update job set shape = $1", [SHAPE_VERSION + 1]);
    await pim.post(`/api/jobs/${id}/edits`).send(edit(1)).expect(503);
    expect(await note()).toEqual(before);
    await shop.query("update part set shape = $1", [SHAPE_VERSION + 1]);
    const { body } = await pim.get("/api/parts?size=1").expect(200);
    const [{ value, revision }] = body as [{ value: { id: string }; revision: number }];
    await pim.put(`/api/parts/${value.id}`).send({ value, revision }).expect(503);
  });
});
