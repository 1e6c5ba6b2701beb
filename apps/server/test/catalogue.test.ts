import type { Agent } from "supertest";
import { DEMO_VEHICLES, demoPart, demoShelf } from "@dragonet/core/demo";
import { Shop } from "./shop.ts";

describe("the shelf and the vehicles", () => {
  let shop: Shop;
  let pim: Agent;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    pim = await shop.person("pim");
  });
  afterAll(() => shop.close());

  it("are seeded", async () => {
    expect((await pim.get("/api/parts?size=1000").expect(200)).body).toHaveLength(
      demoShelf().length,
    );
    expect((await pim.get("/api/vehicles").expect(200)).body).toHaveLength(DEMO_VEHICLES.length);
  });

  it("keep a changed part, and tell whoever changed an older one", async () => {
    const part = { ...demoPart("relay-30"), stock: 3 };
    const put = (revision: number, value: object = part) =>
      pim.put("/api/parts/relay-30").send({ value, revision });
    expect((await put(1).expect(200)).body.revision).toBe(2);
    const late = await put(1, { ...part, stock: 99 }).expect(409);
    expect(late.body.current).toMatchObject({ revision: 2, value: { stock: 3 } });
    const wrong = await put(2, { ...part, contactA: -1 }).expect(422);
    expect(wrong.body.faults[0].path).toBe("contactA");
    await pim.put("/api/parts/other").send({ value: part, revision: 0 }).expect(422);
  });

  it("take a part off and say when it is gone", async () => {
    await pim.delete("/api/parts/tie-blue").expect(204);
    await pim.delete("/api/parts/tie-blue").expect(404);
  });

  it("go out as CSV and come in again without a change", async () => {
    for (const kind of ["parts", "vehicles"]) {
      const file = await pim.get(`/api/${kind}/file`).expect(200);
      expect(file.headers["content-type"]).toContain("text/csv");
      const before = (await pim.get(`/api/${kind}`)).body;
      const { body } = await pim.post(`/api/${kind}/import`).send({ csv: file.text }).expect(200);
      expect(body).toEqual({ added: 0, changed: before.length });
      const values = (list: { value: object }[]) => list.map((k) => k.value);
      expect(values((await pim.get(`/api/${kind}`)).body)).toEqual(values(before));
    }
  });

  it("refuse a broken CSV whole, with lines", async () => {
    const before = (await pim.get("/api/parts")).body;
    const { body } = await pim
      .post("/api/parts/import")
      .send({ csv: "id,kind,name\nnew-1,sundry,Good\nnew-2,magic,Bad" })
      .expect(422);
    expect(body.faults[0].path).toBe("line 3, kind");
    expect((await pim.get("/api/parts")).body).toEqual(before);
  });

  it("make a profile, refuse a broken one, remove it", async () => {
    const value = { ...DEMO_VEHICLES[0]!, profileId: "new-one", model: "Corvane Fellrunner 421" };
    await pim.put("/api/vehicles/new-one").send({ value, revision: 0 }).expect(200);
    const { body } = await pim
      .put("/api/vehicles/new-one")
      .send({ value: { ...value, pins: [{ ...value.pins[0], colour: "mauve" }] }, revision: 1 })
      .expect(422);
    expect(body.faults[0]).toMatchObject({ path: "pins[0].colour" });
    await pim.get("/api/vehicles/new-one").expect(200);
    await pim.delete("/api/vehicles/new-one").expect(204);
    await pim.get("/api/vehicles/new-one").expect(404);
  });

  it("keep the shop's practices, which new jobs start with", async () => {
    const ansa = await shop.person("ansa");
    const { body: practices } = await ansa.get("/api/practices").expect(200);
    await ansa
      .put("/api/practices")
      .send({ ...practices, wireSystem: "metric" })
      .expect(204);
    await ansa
      .put("/api/practices")
      .send({ ...practices, dropTarget: 3 })
      .expect(422);
    const { body } = await ansa
      .post("/api/jobs")
      .send({ title: "x", customer: "", profileId: "petrel-650", machine: "" })
      .expect(201);
    expect(body.document.practices.wireSystem).toBe("metric");
  });
});
