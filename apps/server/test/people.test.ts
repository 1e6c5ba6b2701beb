import type { Agent } from "supertest";
import { Shop } from "./shop.ts";

describe("sign-in", () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open({ demo: true, signInLimit: 1 });
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
    const people = await shop.query("select password_hash from person");
    const sessions = await shop.query("select sess from session");
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

  it("answers wrong tries alike, then makes them wait, longer each time", async () => {
    const guess = (signIn: string) =>
      shop.stranger().post("/api/session").send({ signIn, password: "guess" });
    for (const signIn of ["ansa", "nobody"]) {
      for (let i = 0; i < 7; i += 1) {
        const { body } = await guess(signIn).expect(401);
        expect(body.message).toBe("sign-in or password is wrong");
      }
      const { body, headers } = await guess(signIn).expect(429);
      expect(body.message).toMatch(/^too many tries: wait \d+ s$/);
      expect(Number(headers["retry-after"])).toBeGreaterThan(0);
    }
  });

  it("lets others in from the same address, and the right password not past the wait", async () => {
    await shop.person("pim");
    // A wait that is not over before a slow machine has come so far.
    const { rowCount } = await shop.query(
      "update sign_in_try set fails = 30, last_at = now() where key like '%ansa%'",
    );
    expect(rowCount).toBeGreaterThan(0);
    await shop
      .stranger()
      .post("/api/session")
      .send({ signIn: "ansa", password: "lamp-and-loom" })
      .expect(429);
  });

  it("counts no right password", async () => {
    for (let i = 0; i < 12; i += 1) await shop.person("wren");
  });
});

describe("a session", () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
  });
  afterAll(() => shop.close());

  const owner = () => shop.person("ansa");
  const idOf = async (signIn: string): Promise<string> => {
    const { body } = await (await owner()).get("/api/people").expect(200);
    return body.find((p: { signIn: string }) => p.signIn === signIn).id;
  };

  it("ends with its person's rights, and coming back revives none", async () => {
    const pim = await shop.person("pim");
    const id = await idOf("pim");
    for (const change of [{ role: "viewer" }, { active: false }, { active: true }]) {
      await (await owner()).patch(`/api/people/${id}`).send(change).expect(200);
      await pim.get("/api/jobs").expect(401);
    }
    await (await owner()).patch(`/api/people/${id}`).send({ role: "installer" }).expect(200);
  });

  it("tells people by name, fifty at a time, each once, of one name as well", async () => {
    await shop.query(
      `insert into person (name, sign_in, password_hash, role, preferences)
        select 'Hand ' || n / 3, 'hand' || n, (select password_hash from person limit 1), 'viewer',
          (select preferences from person limit 1) from generate_series(1, 120) n`,
    );
    const told: string[] = [];
    const sizes: number[] = [];
    for (let after = ""; ;) {
      const { body } = await (await owner()).get(`/api/people${after}`).expect(200);
      const page = body as { id: string; name: string }[];
      sizes.push(page.length);
      told.push(...page.map(({ id }) => id));
      if (page.length < 50) break;
      after = `?after=${page.at(-1)?.id}`;
    }
    expect(sizes).toEqual([50, 50, 23]);
    expect(new Set(told).size).toBe(123);
    await (await owner()).get("/api/people?after=ansa").expect(400);
    await shop.query("delete from person where sign_in like 'hand%'");
  });

  it("comes with how its person likes things: all that was said, and nothing else", async () => {
    const pim = await shop.person("pim");
    const likes = {
      ...{ units: "us", theme: "night", singleKeys: false, toured: true },
      views: [{ name: "Late", query: "promised=late" }],
    };
    await pim.put("/api/session/preferences").send(likes).expect(204);
    const said = async () => (await pim.get("/api/session").expect(200)).body.person.preferences;
    expect(await said()).toEqual(likes);
    for (const wrong of [
      { ...likes, theme: "pink" },
      { ...likes, toured: "yes" },
      { ...likes, views: [{ name: "x" }] },
      { ...likes, moods: [] },
    ]) {
      await pim.put("/api/session/preferences").send(wrong).expect(422);
    }
    expect(await said()).toEqual(likes);
    await pim.put("/api/session/preferences").send({ units: "metric", theme: "day" }).expect(204);
    expect(await said()).toEqual({ units: "metric", theme: "day" });
  });

  it("is listed with the others of its person, who can end them one by one", async () => {
    const [here, there] = [await shop.person("pim"), await shop.person("pim")];
    const { body } = await here.get("/api/session/mine").expect(200);
    expect(body.filter((s: { current: boolean }) => s.current)).toHaveLength(1);
    const other = body.find((s: { current: boolean }) => !s.current);
    await here.delete(`/api/session/mine/${other.id}`).expect(204);
    await here.delete(`/api/session/mine/${other.id}`).expect(404);
    await there.get("/api/jobs").expect(401);
    await here.get("/api/jobs").expect(200);
  });

  it("is begun on another device by a code, once, and only while its person may come in", async () => {
    const pim = await shop.person("pim");
    const fresh = async (): Promise<string> =>
      (await pim.post("/api/session/code").send({}).expect(200)).body.code;
    const enter = (phone: Agent, code: string) => phone.post("/api/session/by-code").send({ code });
    const phone = shop.stranger();
    const code = await fresh();
    await enter(phone, code).expect(204);
    const { body } = await phone.get("/api/session").expect(200);
    expect(body.person.name).toBe("Pim Okkerse");
    const refused = await enter(shop.stranger(), code).expect(401);
    expect(refused.body.message).toMatch(/was taken or is over/);
    // A newer one ends the one before it; a code that is none is refused by its form.
    const [older, newer] = [await fresh(), await fresh()];
    await enter(shop.stranger(), older).expect(401);
    await enter(shop.stranger(), "x").expect(422);
    // What ends a person's sessions ends their code as well.
    const owners = await owner();
    const id = await idOf("pim");
    await owners.patch(`/api/people/${id}`).send({ role: "viewer" }).expect(200);
    await enter(shop.stranger(), newer).expect(401);
    await owners.patch(`/api/people/${id}`).send({ role: "installer" }).expect(200);
    // Over after two minutes: set back in the database, where its hash alone is kept.
    const again = await shop.person("pim");
    const late = (await again.post("/api/session/code").send({}).expect(200)).body.code;
    const { rows } = await shop.query("select * from sign_in_code");
    expect(JSON.stringify(rows)).not.toContain(late);
    await shop.query("update sign_in_code set until = now() - interval '1 second'");
    await enter(shop.stranger(), late).expect(401);
  });

  it("stays, and the others end, when its person takes a new password", async () => {
    const [here, there] = [await shop.person("pim"), await shop.person("pim")];
    const change = (current: string, next: string) =>
      here.put("/api/session/password").send({ current, next });
    expect((await change("not it at all", "amber-and-loom").expect(422)).body.faults[0].path).toBe(
      "current",
    );
    expect((await change("lamp-and-loom", "password123").expect(422)).body.message).toMatch(
      /everybody tries first/,
    );
    expect((await change("lamp-and-loom", "xx-pim-xx-yy").expect(422)).body.message).toMatch(
      /must not contain the sign-in/,
    );
    await change("lamp-and-loom", "amber-and-loom").expect(204);
    await there.get("/api/jobs").expect(401);
    await here.get("/api/jobs").expect(200);
    await change("amber-and-loom", "lamp-and-loom").expect(204);
  });

  it("is over when it was not used for so long, or has lasted so long", async () => {
    const age = (field: string, hours: number) =>
      shop.query(
        `update session set sess = jsonb_set(sess::jsonb, '{${field}}',
           to_jsonb((sess->>'${field}')::float8 - $1))::json where sess->>'personId' is not null`,
        [hours * 3_600_000],
      );
    const used = await shop.person("wren");
    await age("seenAt", 11);
    await used.get("/api/jobs").expect(200);
    await age("seenAt", 13);
    await used.get("/api/jobs").expect(401);
    const old = await shop.person("wren");
    await age("begunAt", 24 * 29);
    await old.get("/api/jobs").expect(200);
    await age("begunAt", 24 * 2);
    await old.get("/api/jobs").expect(401);
    await (await owner()).put("/api/settings").send({ idleHours: 2, sessionDays: 1 }).expect(204);
    const short = await shop.person("wren");
    await age("seenAt", 3);
    await short.get("/api/jobs").expect(401);
  });

  it("leaves a trail that owners read: who signed in, who changed what", async () => {
    const ansa = await owner();
    const { body } = await ansa.get("/api/audit").expect(200);
    const said = body.map((a: { action: string }) => a.action);
    expect(said).not.toContain("took out a file");
    for (const action of [
      "signed in",
      "changed a person",
      "changed a password",
      "changed settings",
    ]) {
      expect(said).toContain(action);
    }
    const [newest] = body;
    const { body: older } = await ansa.get(`/api/audit?before=${newest.id}`).expect(200);
    expect(older[0].id).toBe(newest.id - 1);
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
    const { body: gone } = await ansa.get(`/api/jobs/${jobs[0].id}`).expect(410);
    expect(gone.message).toMatch(/put in the bin by Ansa/);
    await pim.get("/api/jobs/bin").expect(403);
    const { body: bin } = await ansa.get("/api/jobs/bin").expect(200);
    expect(bin).toMatchObject([{ id: jobs[0].id, title: jobs[0].title }]);
    await ansa.post(`/api/jobs/${jobs[0].id}/take-out`).expect(204);
    await ansa.get(`/api/jobs/${jobs[0].id}`).expect(200);
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
