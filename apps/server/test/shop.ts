import { spawn, type ChildProcess } from "node:child_process";
import { createServer } from "node:net";
import { join } from "node:path";
import pg from "pg";
import request, { type Agent } from "supertest";

const MAIN = join(__dirname, "../dist/main.js");

export const freePort = (): Promise<number> =>
  new Promise((done) => {
    const server = createServer();
    server.listen(0, "127.0.0.1", () => {
      const address = server.address();
      const port = typeof address === "object" && address ? address.port : 0;
      server.close(() => done(port));
    });
  });

interface ShopOptions {
  readonly demo: boolean;
  readonly signInLimit?: number;
  readonly trustProxy?: string;
  /** Where a meter is looked for. */
  readonly meter?: string;
}

async function serve(
  databaseUrl: string,
  port: number,
  options: ShopOptions,
): Promise<ChildProcess> {
  const child = spawn(process.execPath, [MAIN], {
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      DRAGONET_DEMO: options.demo ? "1" : "0",
      // What is provoked here on purpose is not worth a line.
      DRAGONET_LOG: "error",
      DRAGONET_SIGN_IN_LIMIT: String(options.signInLimit ?? 1000),
      ...(options.meter !== undefined && { DRAGONET_METER: options.meter }),
      ...(options.trustProxy !== undefined && { TRUST_PROXY: options.trustProxy }),
    },
    stdio: ["ignore", "inherit", "inherit", "ipc"],
  });
  await new Promise<void>((done, fail) => {
    child.once("message", () => done());
    child.once("exit", (code) => fail(new Error(`server ended with ${code}`)));
  });
  return child;
}

const DEMO = "demo_shop";

/** A database with the demo shop in it, made once: each test that wants one has a copy. */
export async function demoTemplate(admin: pg.Client, base: string): Promise<string> {
  // Two suites may want it first at the same moment.
  await admin.query("select pg_advisory_lock(1)");
  const { rowCount } = await admin.query("select 1 from pg_database where datname = $1", [DEMO]);
  if (rowCount === 0) {
    const making = `${DEMO}_${process.pid}`;
    await admin.query(`create database ${making}`);
    const child = await serve(base.replace(/\/[^/]*$/, `/${making}`), await freePort(), {
      demo: true,
    });
    const gone = new Promise((done) => child.once("exit", done));
    child.kill("SIGTERM");
    await gone;
    await admin.query(`alter database ${making} rename to ${DEMO}`);
  }
  await admin.query("select pg_advisory_unlock(1)");
  return DEMO;
}

/** The built server on a database of its own, on loopback. */
export class Shop {
  private constructor(
    readonly url: string,
    private child: ChildProcess,
    private readonly admin: pg.Client,
    readonly databaseUrl: string,
    private readonly database: string,
    private readonly port: number,
  ) {}

  static async open(options: ShopOptions): Promise<Shop> {
    const base = process.env.DATABASE_URL;
    if (!base) throw new Error("DATABASE_URL is not set: run the tests with npm test");
    const admin = new pg.Client({ connectionString: base });
    await admin.connect();
    const database = `test_${process.pid}_${Date.now()}_${Math.floor(Math.random() * 1e6)}`;
    const template = options.demo ? await demoTemplate(admin, base) : "template1";
    await admin.query(`create database ${database} template ${template}`);
    const databaseUrl = base.replace(/\/[^/]*$/, `/${database}`);
    const port = await freePort();
    const child = await serve(databaseUrl, port, options).catch(async (error: unknown) => {
      await admin.query(`drop database ${database} with (force)`);
      await admin.end();
      throw error;
    });
    return new Shop(`http://127.0.0.1:${port}`, child, admin, databaseUrl, database, port);
  }

  get pid(): number {
    return this.child.pid ?? 0;
  }

  private async stop(): Promise<void> {
    const gone = new Promise((done) => this.child.once("exit", done));
    this.child.kill("SIGTERM");
    await gone;
  }

  /** Stops the server and starts it again on the same database. */
  async restart(): Promise<void> {
    await this.stop();
    this.child = await serve(this.databaseUrl, this.port, { demo: true });
  }

  async close(): Promise<void> {
    await this.stop();
    await this.admin.query(`drop database ${this.database} with (force)`);
    await this.admin.end();
  }

  /** What its database says, on a connection of the test's own. */
  async query(text: string, values: unknown[] = []): Promise<pg.QueryResult> {
    const client = new pg.Client({ connectionString: this.databaseUrl });
    await client.connect();
    try {
      return await client.query(text, values);
    } finally {
      await client.end();
    }
  }

  stranger(): Agent {
    return request.agent(this.url);
  }

  /** Ends every connection that the server has to its database, as a restart of it would. */
  async cutConnections(): Promise<void> {
    await this.admin.query(
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = $1",
      [this.database],
    );
  }

  /** The session cookie of somebody of the demo shop, for requests that are no agent's. */
  async cookie(signIn: "ansa" | "pim" | "wren"): Promise<string> {
    const answer = await request(this.url)
      .post("/api/session")
      .send({ signIn, password: "lamp-and-loom" })
      .expect(204);
    return String(answer.headers["set-cookie"]).split(";")[0] ?? "";
  }

  /** Somebody of the demo shop, signed in. */
  async person(signIn: "ansa" | "pim" | "wren"): Promise<Agent> {
    const agent = this.stranger();
    await agent.post("/api/session").send({ signIn, password: "lamp-and-loom" }).expect(204);
    return agent;
  }
}
