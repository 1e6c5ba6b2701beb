/** Servers that start: several at one moment, on a database of another version, without rights. */
import { spawn } from "node:child_process";
import { join } from "node:path";
import pg from "pg";
import { demoJobs, DEMO_PEOPLE } from "@dragonet/core/demo";
import { SHAPE_VERSION } from "@dragonet/core";
import { demoTemplate, freePort } from "./shop.ts";

const MAIN = join(__dirname, "../dist/main.js");

interface Started {
  /** Whether it came so far as to serve. */
  readonly ready: boolean;
  readonly said: string;
  stop(): Promise<void>;
}

/** A server on a database, until it serves or has given up. */
async function start(databaseUrl: string, demo: boolean, directUrl = ""): Promise<Started> {
  const child = spawn(process.execPath, [MAIN], {
    env: {
      ...process.env,
      ...{ DATABASE_URL: databaseUrl, DATABASE_DIRECT_URL: directUrl },
      PORT: String(await freePort()),
      ...{ DRAGONET_DEMO: demo ? "1" : "0", DRAGONET_LOG: "error" },
    },
    stdio: ["ignore", "ignore", "pipe", "ipc"],
  });
  let said = "";
  child.stderr!.on("data", (text: Buffer) => void (said += text.toString()));
  const gone = new Promise<void>((done) => child.once("exit", () => done()));
  const ready = await Promise.race([
    new Promise<boolean>((done) => child.once("message", () => done(true))),
    gone.then(() => false),
  ]);
  const stop = async (): Promise<void> => {
    child.kill("SIGTERM");
    await gone;
  };
  return { ready, said, stop };
}

describe("servers that start", () => {
  const base = process.env.DATABASE_URL ?? "";
  let admin: pg.Client;
  const made: string[] = [];

  beforeAll(async () => {
    admin = new pg.Client({ connectionString: base });
    await admin.connect();
  });
  afterAll(async () => {
    for (const name of made) await admin.query(`drop database if exists ${name} with (force)`);
    await admin.query("drop role if exists dragonet_reader");
    await admin.end();
  });

  /** A database of its own, empty or with the demo shop in it. */
  async function database(template = "template1") {
    const name = `up_${process.pid}_${made.length}`;
    await admin.query(`create database ${name} template ${template}`);
    made.push(name);
    return { name, url: base.replace(/\/[^/]*$/, `/${name}`) };
  }
  const withDemo = async () => database(await demoTemplate(admin, base));

  async function asked<T extends pg.QueryResultRow>(url: string, text: string): Promise<T[]> {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    const { rows } = await client.query<T>(text);
    await client.end();
    return rows;
  }

  it("three at one moment on one empty database all serve, and it holds one demo shop", async () => {
    const { url } = await database();
    const servers = await Promise.all([1, 2, 3].map(() => start(url, true)));
    expect(servers.map(({ ready, said }) => ({ ready, said }))).toEqual(
      servers.map(() => ({ ready: true, said: "" })),
    );
    const [n] = await asked<{ people: string; jobs: string; shops: string }>(
      url,
      `select (select count(*) from person) as people, (select count(*) from job) as jobs,
        (select count(*) from shop) as shops`,
    );
    expect(n).toEqual({
      people: String(DEMO_PEOPLE.length),
      jobs: String(demoJobs().length),
      shops: "1",
    });
    await Promise.all(servers.map((server) => server.stop()));
  });

  it("refuse documents of a later version in a sentence, and leave them as they are", async () => {
    const { url } = await withDemo();
    const later = SHAPE_VERSION + 1;
    await asked(
      url,
      `update job set shape = ${later}, document = jsonb_set(document, '{format}', '"dragonet-job/${later}"')
        where id = (select id from job limit 1)`,
    );
    const text = "select md5(string_agg(document::text || shape, '' order by id)) as sum from job";
    const before = await asked(url, text);
    const { ready, said } = await start(url, false);
    expect(ready).toBe(false);
    expect(said).toMatch(
      new RegExp(
        `cannot be used: documents of version ${later} were written by a later Dragonet, and this one knows up to ${SHAPE_VERSION}: start the later one`,
      ),
    );
    expect(said.trim().split("\n")).toHaveLength(1);
    expect(await asked(url, text)).toEqual(before);
  });

  it("bring up documents of an earlier version, and more of them than are held at once", async () => {
    const { url } = await withDemo();
    await asked(
      url,
      `insert into job (document, summary, shape)
        select document, summary - 'work', 1 from job cross join generate_series(1, 7)`,
    );
    const [all] = await asked<{ n: string }>(url, "select count(*) as n from job");
    const server = await start(url, false);
    expect(server.ready).toBe(true);
    const [now] = await asked(
      url,
      `select count(*) as n from job where shape = ${SHAPE_VERSION} and summary ? 'work'`,
    );
    expect(now).toEqual(all);
    expect(Number(all!.n)).toBeGreaterThan(200);
    await server.stop();
  });

  it("know what was measured on jobs of before models were known, when and by whom", async () => {
    const { url } = await withDemo();
    const fact = { value: 19.3, low: 19, high: 19.6, provenance: "measured" };
    const edit = { kind: "set", entity: "chargingPoint", id: "p3", field: "outputA", value: fact };
    await asked(
      url,
      `delete from measurement;
      delete from job_change;
      update vehicle_profile set shape = 7;
      update job set shape = 7,
        document = jsonb_set(document, '{vehicle,system,charging,points,2,outputA}', '${JSON.stringify(fact)}')
        where id = (select id from job where document->'vehicle'->>'profileId' = 'fellrunner-420' limit 1);
      insert into job_change (job_id, revision, batch_id, who, edits, inverse, lines, at)
        select id, 1, 'then', 'Old hand', '${JSON.stringify([edit])}', '[]', '[]', '2026-05-04T12:00Z'
        from job where shape = 7;
      insert into job_change (job_id, revision, batch_id, who, edits, inverse, lines, at)
        select id, 2, 'later', 'Somebody', '[]', '[]', '[]', '2026-06-04T12:00Z' from job where shape = 7`,
    );
    const server = await start(url, false);
    expect(server.ready).toBe(true);
    const rows = await asked(
      url,
      "select key, value, who, day from measurement where value is not null",
    );
    expect(rows).toEqual([
      { key: "output at 3500 rpm", value: 19.3, who: "Old hand", day: "2026-05-04" },
    ]);
    await server.stop();
  });

  it("say what a user of the database lacks that may not make tables", async () => {
    const { url, name } = await database();
    await admin.query("create role dragonet_reader login");
    const { ready, said } = await start(url.replace(/\/\/[^@]*@/, "//dragonet_reader@"), false);
    expect(ready).toBe(false);
    expect(said).toMatch(/cannot be used: its user may not make tables there: make it the owner/);
    expect(await asked(url, "select tablename from pg_tables where schemaname = 'public'")).toEqual(
      [],
    );
    expect(name).not.toBe("");
  });

  it("say of a pooler between that nothing answers there, and print nothing of what is kept", async () => {
    const { url } = await withDemo();
    const { ready, said } = await start("postgresql://dragonet@127.0.0.1:1/x", false, url);
    expect(ready).toBe(false);
    expect(said).toMatch(/^the database at 127\.0\.0\.1:1 cannot be used: .*ECONNREFUSED/);
    expect(said.trim().split("\n")).toHaveLength(1);
  });

  it("say of a database that takes no writes that it is a standby", async () => {
    const { url, name } = await database();
    await admin.query(`alter database ${name} set default_transaction_read_only = on`);
    const { ready, said } = await start(url, false);
    expect(ready).toBe(false);
    expect(said).toMatch(/cannot be used: it is a standby and takes no writes/);
  });
});
