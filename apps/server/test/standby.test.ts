/** A standby that every save waits for, and that is gone: it is told, reading goes on, and no save is lost. */
import pg from "pg";
import { until } from "./until.ts";
import { Shop } from "./shop.ts";

describe("a standby that is gone", () => {
  let shop: Shop;
  let admin: pg.Client;

  beforeAll(async () => {
    admin = new pg.Client({ connectionString: process.env.DATABASE_URL });
    await admin.connect();
    shop = await Shop.open({ demo: true, own: true });
  });
  afterAll(async () => {
    await admin.query("alter system reset synchronous_standby_names");
    await admin.query("select pg_reload_conf()");
    await admin.end();
    await shop.close();
  });

  /** Every save of databases that ask for it waits until a standby of this name has it too. */
  async function follow(standby: string): Promise<void> {
    await admin.query(`alter system set synchronous_standby_names = '${standby}'`);
    await admin.query("select pg_reload_conf()");
  }

  it("keeps a save waiting, is told by readiness, and the save is there once it is let go", async () => {
    const pim = await shop.person("pim");
    const { body: jobs } = await pim.get("/api/jobs").expect(200);
    const id = (jobs as { id: string }[])[0]!.id;
    const { body: held } = await pim.get(`/api/jobs/${id}`).expect(200);
    const { revision } = held as { revision: number };
    // Other tests' databases do not wait for a standby, as they do not wait for the disk.
    const name = new URL(shop.databaseUrl).pathname.slice(1);
    await admin.query(`alter database ${name} set synchronous_commit = on`);
    await follow("nobody");
    await shop.cutConnections();
    await until(async () => (await pim.get("/api/jobs")).status === 200);

    const edits = [{ kind: "setOnce", entity: "card", field: "title", value: "On two machines" }];
    let answered = 0;
    const save = pim
      .post(`/api/jobs/${id}/edits`)
      .send({ baseRevision: revision, batchId: "held", edits })
      .then(({ status }) => (answered = status));
    const ready = await until(async () => {
      const answer = await shop.stranger().get("/api/ready");
      return answer.status === 503 && (answer.body as { wrong: string[] });
    });
    expect(ready.wrong).toEqual([
      expect.stringMatching(
        /^(a save waits|\d+ saves wait) for the standby, \d+ s by now: it is gone, far behind, or its disk is full$/,
      ),
    ]);
    expect(answered).toBe(0);
    await pim.get("/api/board").expect(200);

    await follow("");
    await save;
    expect(answered).toBe(200);
    const { body: now } = await pim.get(`/api/jobs/${id}`).expect(200);
    expect(now).toMatchObject({ document: { card: { title: "On two machines" } } });
    await until(async () => (await shop.stranger().get("/api/ready")).status === 200);
  });
});
