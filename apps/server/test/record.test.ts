/** The record of what happened, looked through by words, and pauses between tries to hear the database. */
import { createServer } from "node:net";
import type { Agent } from "supertest";
import type { AuditAnswer } from "@dragonet/contract";
import { LiveChanges } from "../src/live/liveChanges.ts";
import { Shop, freePort } from "./shop.ts";

describe("the record", () => {
  let shop: Shop;
  let ansa: Agent;
  const lines = async (asked = ""): Promise<string[]> =>
    ((await ansa.get(`/api/audit${asked}`).expect(200)).body as AuditAnswer[]).map(
      ({ who, action, about }) => `${who} ${action} ${about}`,
    );
  const search = (words: string) => lines(`?q=${encodeURIComponent(words)}`);

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    ansa = await shop.person("ansa");
    await shop.query(`delete from audit;
      insert into audit (who, action, about) values
        ('Pim', 'changed the shelf', '50% pods'), ('Ansa', 'changed the shelf', '500 pods'),
        ('Pim', 'changed vehicles', 'quad_1'), ('Pim', 'changed vehicles', 'quadX1'),
        ('Wren', 'took out a file', 'back\\slash'), ('Wren', 'took out a file', 'backslash')`);
  });
  afterAll(() => shop.close());

  it("has a line for what matches every word, wherever in it, the latest first", async () => {
    expect(await search("pim vehicles")).toEqual([
      ...["Pim changed vehicles quadX1", "Pim changed vehicles quad_1"],
    ]);
    expect(await search("  SHELF  ansa ")).toEqual(["Ansa changed the shelf 500 pods"]);
    expect(await search("pim file")).toEqual([]);
    expect(await search("")).toHaveLength(6);
  });

  it("takes what a pattern would mean for what it is", async () => {
    expect(await search("50%")).toEqual(["Pim changed the shelf 50% pods"]);
    expect(await search("quad_1")).toEqual(["Pim changed vehicles quad_1"]);
    expect(await search("back\\slash")).toEqual(["Wren took out a file back\\slash"]);
  });

  it("is read on from any line, thirty at a time", async () => {
    await shop.query(
      "insert into audit (who, action, about) select 'Many', 'did', n::text from generate_series(1, 40) n",
    );
    const { body } = await ansa.get("/api/audit?q=many").expect(200);
    const first = body as AuditAnswer[];
    expect(first.map(({ about }) => about)).toEqual(
      Array.from({ length: 30 }, (_, i) => String(40 - i)),
    );
    const rest = await lines(`?q=many&before=${first.at(-1)!.id}`);
    expect(rest).toEqual(Array.from({ length: 10 }, (_, i) => `Many did ${10 - i}`));
    await ansa.get("/api/audit?before=x").expect(400);
  });
});

describe("a database that does not speak", () => {
  it("is asked again after 0.2 s, twice as long each time, and every five seconds at most", async () => {
    // It hangs up on everybody.
    const port = await freePort();
    const refusing = createServer((socket) => socket.destroy()).listen(port, "127.0.0.1");
    const pauses: number[] = [];
    const before = { url: process.env.DATABASE_DIRECT_URL, timer: global.setTimeout };
    process.env.DATABASE_DIRECT_URL = `postgresql://nobody@127.0.0.1:${port}/none`;
    global.setTimeout = ((work: () => void, ms = 0, ...rest: unknown[]) => {
      const ours = new Error().stack?.includes("liveChanges") ?? false;
      // What the client itself waits for a connection is longer than any pause.
      if (!ours || ms >= 10_000) return before.timer(work, ms, ...rest);
      pauses.push(ms);
      return before.timer(work, 0);
    }) as typeof setTimeout;
    const live = new LiveChanges();
    try {
      await live.onModuleInit();
      while (pauses.length < 8) await new Promise((done) => setImmediate(done));
    } finally {
      global.setTimeout = before.timer;
      await live.onModuleDestroy();
      refusing.close();
      if (before.url === undefined) delete process.env.DATABASE_DIRECT_URL;
      else process.env.DATABASE_DIRECT_URL = before.url;
    }
    expect(pauses.slice(0, 8)).toEqual([200, 400, 800, 1600, 3200, 5000, 5000, 5000]);
  });
});
