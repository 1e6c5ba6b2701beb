import { spawn, type ChildProcess } from "node:child_process";
import { createServer } from "node:net";
import { join } from "node:path";
import pg from "pg";
import request, { type Agent } from "supertest";
import { until } from "./until.ts";

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
  /** A server that no other test has had or will have: what it has become is looked at, or would stay. */
  readonly own?: boolean;
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
    await ended(child);
    await admin.query(`alter database ${making} rename to ${DEMO}`);
  }
  await admin.query("select pg_advisory_unlock(1)");
  return DEMO;
}

/** A server and its database that nobody has just now. */
interface Idle {
  readonly child: ChildProcess;
  readonly port: number;
  readonly database: string;
}

/**
 * The server that was let go last: the next test that wants one like it has it, on its database made anew.
 * A server keeps nothing of its own, and takes seconds to start and to warm up.
 */
let idle: Idle | null = null;

const ended = (child: ChildProcess): Promise<void> => {
  const gone = new Promise<void>((done) => child.once("exit", () => done()));
  child.kill("SIGTERM");
  return gone;
};

// Where several files run as one, the first that asks for this stands before all of them.
afterAll(async () => {
  if (idle) await ended(idle.child);
  idle = null;
});

/** Takes the idle server on a database made anew; it is there when the server hears of changes in it again. */
async function takeIdle(admin: pg.Client, base: string): Promise<Idle | null> {
  const taken = idle;
  if (!taken) return null;
  idle = null;
  const template = await demoTemplate(admin, base);
  await admin.query(`drop database ${taken.database} with (force)`);
  await admin.query(`create database ${taken.database} template ${template}`);
  await until(async () => {
    const { rowCount } = await admin.query(
      "select 1 from pg_stat_activity where datname = $1 and query like 'listen %'",
      [taken.database],
    );
    const ready = await fetch(`http://127.0.0.1:${taken.port}/api/ready`);
    return rowCount === 1 && ready.ok;
  });
  return taken;
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
    /** Whether another test may have the server after this one. */
    private readonly isPlain: boolean,
  ) {}

  static async open(options: ShopOptions): Promise<Shop> {
    const base = process.env.DATABASE_URL;
    if (!base) throw new Error("DATABASE_URL is not set: run the tests with npm test");
    const admin = new pg.Client({ connectionString: base });
    await admin.connect();
    const isPlain = options.demo && Object.keys(options).length === 1;
    const made =
      (isPlain && (await takeIdle(admin, base))) || (await Shop.begin(admin, base, options));
    const { child, port, database } = made;
    const databaseUrl = base.replace(/\/[^/]*$/, `/${database}`);
    return new Shop(`http://127.0.0.1:${port}`, child, admin, databaseUrl, database, port, isPlain);
  }

  /** A server that starts on a database of its own. */
  private static async begin(admin: pg.Client, base: string, options: ShopOptions): Promise<Idle> {
    const database = `test_${process.pid}_${Date.now()}_${Math.floor(Math.random() * 1e6)}`;
    const template = options.demo ? await demoTemplate(admin, base) : "template1";
    await admin.query(`create database ${database} template ${template}`);
    const port = await freePort();
    const url = base.replace(/\/[^/]*$/, `/${database}`);
    const child = await serve(url, port, options).catch(async (error: unknown) => {
      await admin.query(`drop database ${database} with (force)`);
      await admin.end();
      throw error;
    });
    return { child, port, database };
  }

  get pid(): number {
    return this.child.pid ?? 0;
  }

  /** Stops the server and starts it again on the same database. */
  async restart(): Promise<void> {
    await ended(this.child);
    this.child = await serve(this.databaseUrl, this.port, { demo: true });
  }

  async close(): Promise<void> {
    const { child, port, database } = this;
    if (this.isPlain && idle === null && child.exitCode === null) {
      idle = { child, port, database };
    } else {
      await ended(child);
      await this.admin.query(`drop database ${database} with (force)`);
    }
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
