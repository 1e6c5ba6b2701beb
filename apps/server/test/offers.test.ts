import sharp from "sharp";
import type { Agent } from "supertest";
import type { Job, Offer } from "@dragonet/core";
import { bytesOf } from "./bytesOf.ts";
import { Shop } from "./shop.ts";

interface Made {
  readonly id: string;
  readonly token: string;
  readonly state: string;
  readonly offer: Offer;
}

describe("an offer to a customer", () => {
  let shop: Shop;
  let pim: Agent;
  let jobId: string;

  const make = async (): Promise<Made> =>
    (await pim.post(`/api/jobs/${jobId}/offers`).send({}).expect(201)).body as Made;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    pim = await shop.person("pim");
    const { body } = await pim.get("/api/jobs").expect(200);
    jobId = body.find((j: { runs: number }) => j.runs > 1).id;
  });
  afterAll(() => shop.close());

  it("is read by its link alone, and shows nothing of the shop beside", async () => {
    const { token, offer } = await make();
    const customer = shop.stranger();
    const { body, headers } = await customer.get(`/api/offers/${token}`).expect(200);
    expect(body).toEqual({ offer, state: "open", accepted: null });
    expect(headers["cache-control"]).toContain("no-store");
    const { body: job } = await pim.get(`/api/jobs/${jobId}`).expect(200);
    expect(body.offer.work).toHaveLength((job.document as Job).runs.length);
    expect(JSON.stringify(body)).not.toContain(jobId);
    for (const path of [`jobs/${jobId}`, "jobs", "parts", "people", `jobs/${jobId}/offers`]) {
      await customer.get(`/api/${path}`).expect(401);
    }
  });

  it("cannot be guessed: the database has a hash, and a wrong link tells nothing", async () => {
    const { id, token } = await make();
    const { rows } = await shop.query("select * from offer where id = $1", [id]);
    expect(JSON.stringify(rows)).not.toContain(token);
    expect(Buffer.from(token, "base64url")).toHaveLength(32);
    for (const wrong of [token.slice(1), `${token}x`, id, "%00", "a".repeat(5000)]) {
      const answer = await shop.stranger().get(`/api/offers/${wrong}`);
      expect([400, 404, 414, 431]).toContain(answer.status);
      expect(JSON.stringify(answer.body)).not.toContain(jobId);
    }
  });

  it("is accepted once, by name; the same word again changes nothing, another is refused", async () => {
    const { token, id } = await make();
    const customer = shop.stranger();
    const accept = (choice: string, name: string) =>
      customer.post(`/api/offers/${token}/accept`).send({ choice, name });
    await accept("no-such", "Fenna").expect(422);
    await accept("", "  ").expect(422);
    await customer.post(`/api/offers/${token}/accept`).send({ choice: "" }).expect(422);
    const { body } = await accept("", " Fenna Hault ").expect(200);
    expect(body).toMatchObject({ state: "accepted", accepted: { by: "Fenna Hault", choice: "" } });
    await accept("", "Fenna Hault").expect(200);
    const { body: refused } = await accept("", "Somebody else").expect(409);
    expect(refused.message).toBe("Fenna Hault has accepted this offer already");
    const { body: list } = await pim.get(`/api/jobs/${jobId}/offers`).expect(200);
    expect(list.find((o: Made) => o.id === id)).toMatchObject({ state: "accepted" });
    const { body: kept } = await pim.post(`/api/jobs/${jobId}/offers/${id}/revoke`).expect(409);
    expect(kept.message).toContain("Fenna Hault has accepted it");
    const { rows } = await shop.query("select who from audit where action = 'accepted an offer'");
    expect(rows).toEqual([{ who: "Fenna Hault" }]);
  });

  it("stays as it was offered, whatever is done to the job after", async () => {
    const { token, offer } = await make();
    const { body: job } = await pim.get(`/api/jobs/${jobId}`).expect(200);
    await pim
      .post(`/api/jobs/${jobId}/edits`)
      .send({
        ...{ baseRevision: job.revision, batchId: "after-offer" },
        edits: [{ kind: "setOnce", entity: "card", field: "title", value: "Something else" }],
      })
      .expect(200);
    const { body } = await shop.stranger().get(`/api/offers/${token}`).expect(200);
    expect(body.offer).toEqual(offer);
  });

  it("that was taken back or is over cannot be accepted, and says so", async () => {
    const back = await make();
    await pim.post(`/api/jobs/${jobId}/offers/${back.id}/revoke`).expect(200);
    const late = await make();
    await shop.query("update offer set valid_until = '2020-01-01' where id = $1", [late.id]);
    for (const [{ token }, state, words] of [
      [back, "revoked", "taken this offer back"],
      [late, "over", "held until 2020-01-01"],
    ] as const) {
      const { body } = await shop.stranger().get(`/api/offers/${token}`).expect(200);
      expect(body.state).toBe(state);
      const { body: refused } = await shop
        .stranger()
        .post(`/api/offers/${token}/accept`)
        .send({ choice: "", name: "Fenna" })
        .expect(410);
      expect(refused.message).toContain(words);
    }
  });

  it("is set on paper, and goes with its job to the bin", async () => {
    const { token } = await make();
    const customer = shop.stranger();
    const paper = await bytesOf(customer, `/api/offers/${token}/quote.pdf`);
    const sheet = await bytesOf(pim, `/api/jobs/${jobId}/owner-sheet.pdf`);
    for (const pdf of [paper, sheet]) expect(pdf.subarray(0, 5).toString()).toBe("%PDF-");
    const ansa = await shop.person("ansa");
    await ansa.delete(`/api/jobs/${jobId}`).expect(204);
    await shop.stranger().get(`/api/offers/${token}`).expect(404);
  });
});

describe("the owner's sheet", () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
  });
  afterAll(() => shop.close());

  it("has up to four pictures of the job as a whole, and none of a step", async () => {
    const pim = await shop.person("pim");
    const { body: jobs } = await pim.get("/api/jobs").expect(200);
    const { id } = jobs.find((j: { runs: number }) => j.runs > 1);
    const picture = await sharp({
      create: { width: 40, height: 30, channels: 3, background: "#336655" },
    })
      .jpeg()
      .toBuffer();
    const images = async (): Promise<number> => {
      const pdf = await bytesOf(pim, `/api/jobs/${id}/owner-sheet.pdf`);
      return pdf.toString("latin1").match(/\/Subtype \/Image/g)?.length ?? 0;
    };
    const { body } = await pim.get(`/api/jobs/${id}`).expect(200);
    const { photos, strip } = body.document as Job;
    const before = photos.filter((p) => p.stepId === "").length;
    expect(await images()).toBe(0);
    const add = (name: string, stepId: string, at: number) => ({
      ...{ kind: "add", entity: "photo", at },
      value: { id: name, stepId, caption: `shows ${name}` },
    });
    const names = ["one", "two", "three", "four", "five"];
    const ofStep = strip[0] ? [add("step", strip[0].id, photos.length + names.length)] : [];
    await pim
      .post(`/api/jobs/${id}/edits`)
      .send({
        ...{ baseRevision: body.revision, batchId: "pictures" },
        edits: [...names.map((name, i) => add(name, "", photos.length + i)), ...ofStep],
      })
      .expect(200);
    // Told of and not sent yet: the sheet goes without.
    expect(await images()).toBe(0);
    for (const name of [...names, "step"]) {
      await pim
        .put(`/api/jobs/${id}/photos/${name}`)
        .set("content-type", "image/jpeg")
        .send(picture)
        .expect(204);
    }
    expect(await images()).toBe(4 - Math.min(4, before));
  });
});

describe("handing over", () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
  });
  afterAll(() => shop.close());

  it("is refused untested without a name and a reason, and taken with them", async () => {
    const pim = await shop.person("pim");
    const { body: jobs } = await pim.get("/api/jobs").expect(200);
    const { id } = jobs.find((j: { runs: number }) => j.runs > 1);
    const sign = async (gate: string, batchId: string) => {
      const { body } = await pim.get(`/api/jobs/${id}`).expect(200);
      const document = body.document as Job;
      const value = { id: batchId, gate, name: "Pim Okkerse", reason: gate && "shown by eye" };
      return pim.post(`/api/jobs/${id}/edits`).send({
        ...{ baseRevision: body.revision, batchId },
        edits: [
          {
            ...{ kind: "add", entity: "signature", at: document.signatures.length },
            value: { ...value, at: "2026-11-26T10:00:00Z" },
          },
        ],
      });
    };
    const early = await sign("", "early");
    expect(early.status).toBe(422);
    expect(early.body.message).toContain("not tested on the vehicle");
    for (const gate of ["tested", "readings", "aimed", "stops", "panels"]) {
      expect((await sign(gate, `for-${gate}`)).status).toBe(200);
    }
    expect((await sign("", "now")).status).toBe(200);
  });
});
