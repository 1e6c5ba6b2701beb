import { Shop } from "./shop.ts";

describe("behind a proxy", () => {
  /** As a proxy in front of it says whom it speaks for. */
  const AS_PROXY = { "x-forwarded-for": "203.0.113.9", "x-forwarded-proto": "https" };
  const signInThrough = async (shop: Shop) => {
    const phone = shop.stranger();
    const answer = await phone
      .post("/api/session")
      .set(AS_PROXY)
      .send({ signIn: "pim", password: "lamp-and-loom" })
      .expect(204);
    const page = await phone.get("/").set(AS_PROXY);
    const cookie = String(answer.headers["set-cookie"]);
    const { body } = await phone
      .get("/api/session/mine")
      .set({ ...AS_PROXY, cookie: cookie.split(";")[0] ?? "" })
      .expect(200);
    return { cookie, address: body[0].address, hsts: page.headers["strict-transport-security"] };
  };

  it("that is named, its word on address and https is taken", async () => {
    const shop = await Shop.open({ demo: true, trustProxy: "loopback" });
    const { cookie, address, hsts } = await signInThrough(shop);
    expect(address).toBe("203.0.113.9");
    expect(cookie).toMatch(/; Secure/);
    expect(hsts).toMatch(/max-age/);
    await shop.close();
  });

  it("that nobody named, anybody could say so: nothing of it is believed", async () => {
    const shop = await Shop.open({ demo: true });
    const { cookie, address, hsts } = await signInThrough(shop);
    expect(address).toMatch(/127\.0\.0\.1$/);
    expect(cookie).not.toMatch(/; Secure/);
    expect(hsts).toBeUndefined();
    await shop.close();
  });

  it("quiet connections are kept longer than a proxy's minute, so that the proxy is who closes them", async () => {
    const shop = await Shop.open({ demo: false });
    const answer = await fetch(`${shop.url}/api/health`);
    const [, seconds] = /timeout=(\d+)/.exec(answer.headers.get("keep-alive") ?? "") ?? [];
    expect(Number(seconds)).toBeGreaterThan(60);
    await answer.text();
    await shop.close();
  });

  it("named wrongly, the start says so", async () => {
    await expect(Shop.open({ demo: false, trustProxy: "not an address" })).rejects.toThrow();
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

  it("for the board have its jobs asked for at once, where somebody was signed in", async () => {
    const cookie = await shop.cookie("ansa");
    const link = async (path: string, headers: Record<string, string>) =>
      (await fetch(`${shop.url}${path}`, { headers })).headers.get("link");
    const told = async (path: string) =>
      [...((await link(path, { cookie })) ?? "").matchAll(/<([^>]+)>; rel="(\w+)"/g)].map(
        ([, file = "", how = ""]) => ({ file, how }),
      );
    const lists = (all: Awaited<ReturnType<typeof told>>) =>
      all.flatMap(({ file, how }) => (how === "preload" ? file : []));
    const board = await told("/");
    expect(lists(board)).toEqual(["/api/session", "/api/board"]);
    // Its own code as well, the door's first, each piece once, and all of it there.
    const pieces = board.flatMap(({ file, how }) => (how === "modulepreload" ? file : []));
    const door = await (await fetch(shop.url)).text();
    expect(door).toContain(`src="${board[0]?.file}"`);
    expect(pieces.join(" ")).toContain("BoardPage");
    expect(new Set(pieces).size).toBe(pieces.length);
    for (const file of pieces) {
      const { status, headers } = await fetch(shop.url + file, { headers: { cookie } });
      expect([file, status]).toEqual([file, 200]);
      expect(headers.get("content-type")).toContain("javascript");
    }
    expect(await link("/", {})).toBeNull();
    expect(await link("/?stage=fit", { cookie })).toBeNull();
    const shelf = await told("/shelf");
    expect(lists(shelf)).toEqual(["/api/session", "/api/shelf?q="]);
    expect(shelf.map(({ file }) => file).join(" ")).toContain("ShelfPage");
    expect(await link("/vehicles", { cookie })).toBeNull();
  });

  it("for the page's own code are answered as it was squeezed when built, for ever; what is not there is no page", async () => {
    const door = await (await fetch(shop.url)).text();
    const [file = ""] = /\/assets\/index-[\w-]+\.js/.exec(door) ?? [];
    const asked = async (path: string, accepted: string) => {
      const answer = await fetch(shop.url + path, { headers: { "accept-encoding": accepted } });
      const { status, headers } = answer;
      return { status, headers, text: await answer.text() };
    };
    const [small, plain] = [await asked(file, "gzip, deflate"), await asked(file, "identity")];
    expect(small.headers.get("content-encoding")).toBe("gzip");
    expect(small.headers.get("vary")).toMatch(/accept-encoding/i);
    expect(plain.headers.get("content-encoding")).toBeNull();
    expect(small.text).toBe(plain.text);
    const [less, whole] = [small, plain].map(({ headers }) =>
      Number(headers.get("content-length")),
    );
    expect(less).toBeLessThan(whole! / 2);
    for (const { headers } of [small, plain])
      expect(headers.get("cache-control")).toMatch(/max-age=31536000.*immutable/);
    expect(await asked("/assets/none.js", "gzip")).toMatchObject({ status: 404, text: "" });
    // A name of a page is the page, however it ends; and it is asked for every time.
    const page = await asked("/jobs/none.js", "gzip");
    expect([page.status, page.text]).toEqual([200, door]);
    expect(page.headers.get("cache-control")).toBe("no-cache");
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
