/** What is noted of sign-ins, and whose they are not any more. */
import { Shop } from "./shop.ts";

describe("a sign-in", () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
  });
  afterAll(() => shop.close());
  const owner = () => shop.person("ansa");

  /** Somebody new, signed in. */
  async function newcomer(signIn: string) {
    const asked = { name: `${signIn} Fell`, signIn, password: "three wet lamps", role: "viewer" };
    const { body } = await (await owner()).post("/api/people").send(asked).expect(201);
    const agent = shop.stranger();
    const { password } = asked;
    await agent.post("/api/session").send({ signIn, password }).expect(204);
    return { agent, password, id: body.id as string };
  }

  it("is noted: by what it was begun, what became of its password, which was ended", async () => {
    const { agent: wren, password: first } = await newcomer("fay");
    const { code } = (await wren.post("/api/session/code").send({}).expect(200)).body;
    const phone = shop.stranger();
    await phone.post("/api/session/by-code").send({ code }).expect(204);
    const { body } = await wren.get("/api/session/mine").expect(200);
    const there = body.find((s: { current: boolean }) => !s.current);
    await wren.delete(`/api/session/mine/${there.id}`).expect(204);
    const { body: refused } = await wren.delete("/api/session/mine/none").expect(404);
    expect(refused.message).toContain("session");
    const password = { current: first, next: "a longer lamp and loom" };
    await wren.put("/api/session/password").send(password).expect(204);
    const { body: noted } = await (await owner()).get("/api/audit").expect(200);
    const lines = (noted as { who: string; action: string; about: string }[]).map(
      ({ who, action, about }) => `${who} ${action} ${about}`,
    );
    expect(lines).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/signed in by a code, from .*127\.0\.0\.1/),
        expect.stringMatching(/ended a session/),
        expect.stringMatching(/changed a password their own/),
      ]),
    );
  });

  it("is nobody's whose sign-in was closed behind its back, or who is gone", async () => {
    const { agent: phone, id } = await newcomer("bo");
    const { body } = await phone.get("/api/session").expect(200);
    expect(body.person.preferences).toEqual({ units: "metric", theme: "system" });
    // Straight in the database: no session was ended for it.
    await shop.query("update person set active = false where id = $1", [id]);
    await phone.get("/api/jobs").expect(401);
    await shop.query("update person set active = true where id = $1", [id]);
    await phone.get("/api/jobs").expect(200);
    await shop.query("delete from person where id = $1", [id]);
    await phone.get("/api/jobs").expect(401);
    const gone = await (await owner()).patch(`/api/people/${id}`).send({ role: "viewer" });
    expect(gone).toMatchObject({
      status: 404,
      body: { message: expect.stringContaining("person") },
    });
  });

  it("is found in the record by any part of its words", async () => {
    const ansa = await owner();
    const found = async (q: string, status = 200) =>
      (await ansa.get("/api/audit").query({ q }).expect(status)).body;
    const lines = (list: { who: string; action: string }[]) =>
      new Set(list.map(({ who, action }) => `${who} ${action}`));
    expect(lines(await found("WREN password"))).toEqual(new Set([]));
    expect(lines(await found("fay chang pass"))).toEqual(new Set(["fay Fell changed a password"]));
    expect(await found("nobody did this")).toEqual([]);
    // What stands for anything in a pattern stands for itself here.
    expect(await found("%_%")).toEqual([]);
    await found("x".repeat(201), 422);
    await ansa.get("/api/audit?q=%00").expect(400);
    await ansa.get("/api/audit?q=a&q=b").expect(422);
    const [first, second] = await found("signed in");
    const next = await ansa.get("/api/audit").query({ q: "signed in", before: first.id });
    expect(next.body[0]).toEqual(second);
  });
});
