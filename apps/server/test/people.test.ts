import pg from "pg";
import { Shop } from "./shop.ts";

describe("sign-in", () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open({ demo: true, signInLimit: 6 });
  });
  afterAll(() => shop.close());

  it("keeps everything behind it", async () => {
    for (const path of ["jobs", "parts", "vehicles", "people", "practices", "parts/file"]) {
      await shop.stranger().get(`/api/${path}`).expect(401);
    }
    await shop.stranger().get("/api/health").expect(200);
    const { body } = await shop.stranger().get("/api/session").expect(200);
    expect(body).toEqual({ person: null, shop: "Hollin Beck Lamp & Loom", needsFirstOwner: false });
  });

  it("stores passwords as argon2id only, and sessions in the database", async () => {
    const pim = await shop.person("pim");
    const client = new pg.Client({ connectionString: shop.databaseUrl });
    await client.connect();
    const people = await client.query("select password_hash from person");
    const sessions = await client.query("select sess from session");
    await client.end();
    for (const row of people.rows) expect(row.password_hash).toMatch(/^\$argon2id\$/);
    expect(sessions.rows.length).toBeGreaterThan(0);
    const { body } = await pim.get("/api/session").expect(200);
    expect(body.person).toMatchObject({ name: "Pim Okkerse", role: "installer" });
    expect(JSON.stringify(body)).not.toContain("argon2");
  });

  it("sets a cookie that scripts cannot read and other sites do not get", async () => {
    const answer = await shop
      .stranger()
      .post("/api/session")
      .send({ signIn: "ANSA ", password: "lamp-and-loom" })
      .expect(204);
    const cookie = String(answer.headers["set-cookie"]);
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
  });

  it("ends on the server when somebody signs out", async () => {
    const wren = await shop.person("wren");
    await wren.get("/api/jobs").expect(200);
    await wren.delete("/api/session").expect(204);
    await wren.get("/api/jobs").expect(401);
  });

  it("answers wrong tries alike, then makes them wait", async () => {
    const tries: number[] = [];
    const said = new Set<string>();
    for (let i = 0; i < 8; i += 1) {
      const { status, body } = await shop
        .stranger()
        .post("/api/session")
        .send({ signIn: i % 2 ? "ansa" : "nobody", password: "guess" });
      tries.push(status);
      if (status === 401) said.add(body.message);
    }
    expect(tries).toContain(401);
    expect(tries.at(-1)).toBe(429);
    expect(said).toEqual(new Set(["sign-in or password is wrong"]));
  });
});

describe("requests from elsewhere", () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
  });
  afterAll(() => shop.close());

  it("are refused when they change something", async () => {
    const ansa = await shop.person("ansa");
    const send = (headers: Record<string, string>) =>
      ansa.put("/api/session/preferences").set(headers).send({ units: "us", theme: "night" });
    await send({ origin: "http://elsewhere.example" }).expect(403);
    await send({ "sec-fetch-site": "cross-site" }).expect(403);
    await send({ "sec-fetch-site": "same-site" }).expect(403);
    await send({ origin: shop.url, "sec-fetch-site": "same-origin" }).expect(204);
  });

  it("get headers that keep the page to itself", async () => {
    const { headers } = await shop.stranger().get("/api/health");
    expect(headers["content-security-policy"]).toContain("frame-ancestors 'none'");
    expect(headers["x-content-type-options"]).toBe("nosniff");
  });

  it("are refused in words when they are no JSON, or hold what nobody asked for", async () => {
    const ansa = await shop.person("ansa");
    const torn = await ansa
      .post("/api/jobs")
      .set("content-type", "application/json")
      .send("{oops")
      .expect(400);
    expect(torn.body.message).toBeTruthy();
    const extra = await ansa
      .post("/api/jobs")
      .send({ title: "x", customer: "", profileId: "fellrunner-420", machine: "", role: "owner" })
      .expect(422);
    expect(extra.body.faults[0].path).toBe("role");
  });
});

describe("roles", () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
  });
  afterAll(() => shop.close());

  it("let viewers look and nothing else", async () => {
    const wren = await shop.person("wren");
    const { body: jobs } = await wren.get("/api/jobs").expect(200);
    const id = jobs[0].id as string;
    await wren.get(`/api/jobs/${id}`).expect(200);
    await wren
      .post("/api/jobs")
      .send({ title: "x", customer: "", profileId: "a", machine: "" })
      .expect(403);
    await wren.post(`/api/jobs/${id}/edits`).send({}).expect(403);
    await wren.post(`/api/jobs/${id}/restore`).send({ revision: 1 }).expect(403);
    await wren.put("/api/parts/x").send({ value: {}, revision: 0 }).expect(403);
    await wren.post("/api/vehicles/import").send({ csv: "" }).expect(403);
    await wren.delete(`/api/jobs/${id}`).expect(403);
    await wren.get("/api/people").expect(403);
  });

  it("let installers work, and owners alone keep people and remove jobs", async () => {
    const pim = await shop.person("pim");
    const { body: jobs } = await pim.get("/api/jobs");
    await pim.delete(`/api/jobs/${jobs[0].id}`).expect(403);
    await pim.post("/api/people").send({}).expect(403);
    await pim.put("/api/practices").send({}).expect(403);
    const ansa = await shop.person("ansa");
    await ansa.delete(`/api/jobs/${jobs[0].id}`).expect(204);
    await ansa.get(`/api/jobs/${jobs[0].id}`).expect(404);
  });

  it("hold at once when they change, and an owner is left", async () => {
    const ansa = await shop.person("ansa");
    const pim = await shop.person("pim");
    const { body: people } = await ansa.get("/api/people").expect(200);
    const idOf = (signIn: string): string =>
      people.find((p: { signIn: string }) => p.signIn === signIn).id;
    await ansa
      .patch(`/api/people/${idOf("pim")}`)
      .send({ active: false })
      .expect(200);
    await pim.get("/api/jobs").expect(401);
    const last = await ansa
      .patch(`/api/people/${idOf("ansa")}`)
      .send({ role: "viewer" })
      .expect(422);
    expect(last.body.message).toContain("one active owner");
  });

  it("add people whose sign-in is new and whose password is long enough", async () => {
    const ansa = await shop.person("ansa");
    const person = { name: "New Hand", signIn: "hand", password: "ten letters", role: "viewer" };
    await ansa
      .post("/api/people")
      .send({ ...person, password: "short" })
      .expect(422);
    await ansa.post("/api/people").send(person).expect(201);
    const again = await ansa.post("/api/people").send(person).expect(409);
    expect(again.body.message).toContain('"hand"');
  });
});

describe("an empty shop", () => {
  it("takes its first owner once, whoever asks at the same time", async () => {
    const shop = await Shop.open({ demo: false });
    const owner = {
      shop: "New shop",
      name: "First",
      signIn: "first",
      password: "long enough",
      role: "owner",
    };
    const { body: before } = await shop.stranger().get("/api/session");
    expect(before).toMatchObject({ needsFirstOwner: true, shop: "" });
    const both = await Promise.all(
      ["first", "second"].map((signIn) =>
        shop
          .stranger()
          .post("/api/session/first-owner")
          .send({ ...owner, signIn }),
      ),
    );
    expect(both.map((r) => r.status).sort()).toEqual([204, 409]);
    const { body: after } = await shop.stranger().get("/api/session");
    expect(after).toMatchObject({ needsFirstOwner: false, shop: "New shop" });
    await shop.close();
  });
});
