import { spawn, spawnSync, type ChildProcess } from "node:child_process";
import { createServer, type Server } from "node:net";
import { existsSync, rmSync } from "node:fs";
import { join } from "node:path";

const ROOT = join(__dirname, "../..");
const DATA = ".data-test-start";

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const server = createServer();
    server.listen(0, "127.0.0.1", () => {
      const address = server.address();
      server.close(() => done(typeof address === "object" && address ? address.port : 0));
    });
  });

const children: ChildProcess[] = [];

interface Started {
  readonly child: ChildProcess;
  readonly said: () => string;
  readonly ended: Promise<number | null>;
}

/** The start script itself, on a data folder of the test's own. */
function start(args: readonly string[], env: Record<string, string> = {}): Started {
  const rest = { ...process.env };
  delete rest.DATABASE_URL;
  const child = spawn(process.execPath, [join(ROOT, "scripts/start.mjs"), ...args], {
    cwd: ROOT,
    env: { ...rest, DRAGONET_DATA: DATA, ...env },
  });
  children.push(child);
  let text = "";
  child.stdout?.on("data", (chunk) => (text += String(chunk)));
  child.stderr?.on("data", (chunk) => (text += String(chunk)));
  const ended = new Promise<number | null>((done) => child.once("exit", (code) => done(code)));
  return { child, said: () => text, ended };
}

async function ready(started: Started): Promise<void> {
  const began = Date.now();
  while (!started.said().includes("Dragonet is ready")) {
    if (started.child.exitCode !== null || Date.now() - began > 60_000) {
      throw new Error(`did not start:\n${started.said()}`);
    }
    await new Promise((done) => setTimeout(done, 50));
  }
}

async function untilFree(port: number): Promise<void> {
  for (let i = 0; i < 100; i += 1) {
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null);
    if (!answer) return;
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Error(`port ${port} is still held`);
}

const signIn = (port: number, name: string) =>
  fetch(`http://127.0.0.1:${port}/api/session`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ signIn: name, password: "lamp-and-loom" }),
  });

const processes = (): string =>
  spawnSync("ps", ["-eo", "pid,args"], { encoding: "utf8" })
    .stdout.split("\n")
    .filter((line) => line.includes(DATA))
    .join("\n");

describe("npm start", () => {
  let port: number;
  beforeAll(async () => {
    port = await freePort();
  });
  afterAll(async () => {
    for (const child of children) if (child.exitCode === null) child.kill("SIGTERM");
    rmSync(join(ROOT, DATA), { recursive: true, force: true });
  });

  it("loads the demo, says how to get in, and stops cleanly on SIGTERM", async () => {
    const first = start(["--port", String(port), "--reset"]);
    await ready(first);
    expect(first.said()).toContain(`http://127.0.0.1:${port}`);
    expect(first.said()).toMatch(/ansa +password lamp-and-loom/);
    expect((await signIn(port, "ansa")).status).toBe(204);
    const page = await fetch(`http://127.0.0.1:${port}/`);
    expect(await page.text()).toContain("<title>Dragonet</title>");
    first.child.kill("SIGTERM");
    expect(await first.ended).toBe(0);
    expect(processes()).toBe("");
  });

  it("keeps the data at the second start, and installs and builds nothing", async () => {
    const second = start(["--port", String(port), "--empty", "--host", "0.0.0.0"]);
    await ready(second);
    expect(second.said()).not.toMatch(/Installing|Building/);
    expect(second.said()).toContain(`Dragonet is ready:  http://127.0.0.1:${port}`);
    expect((await signIn(port, "pim")).status).toBe(204);
    second.child.kill("SIGINT");
    expect(await second.ended).toBe(0);
  });

  it("recovers after it was killed outright", async () => {
    const third = start(["--port", String(port)]);
    await ready(third);
    third.child.kill("SIGKILL");
    await third.ended;
    expect(processes()).not.toBe("");
    // The server ends with whoever started it, the database is taken over by the next start.
    await untilFree(port);
    const fourth = start(["--port", String(port)]);
    await ready(fourth);
    fourth.child.kill("SIGTERM");
    expect(await fourth.ended).toBe(0);
  });

  it("says in one line what is in its way", async () => {
    const blocker: Server = createServer();
    const busy = await freePort();
    await new Promise<void>((done) => blocker.listen(busy, "127.0.0.1", done));
    const refused = start(["--port", String(busy)]);
    expect(await refused.ended).toBe(1);
    expect(refused.said()).toBe(
      `Port ${busy} is busy: stop what uses it, or choose another with --port.\n`,
    );
    blocker.close();
    const wrong = start(["--port", "many"]);
    expect(await wrong.ended).toBe(1);
    expect(wrong.said()).toContain("invalid port: many");
    const foreign = start(["--reset"], {
      DATABASE_URL: "postgresql://x@127.0.0.1:1/x",
      PORT: String(port),
    });
    expect(await foreign.ended).toBe(1);
    expect(foreign.said()).toContain("--reset does not touch somebody else's PostgreSQL");
  });

  it("uses somebody else's PostgreSQL when DATABASE_URL names it, and says when it cannot", async () => {
    const before = existsSync(join(ROOT, DATA));
    const lost = start(["--port", String(await freePort())], {
      DATABASE_URL: "postgresql://nobody@127.0.0.1:1/none",
    });
    expect(await lost.ended).toBe(1);
    expect(lost.said()).toMatch(/^the database at 127\.0\.0\.1:1 cannot be used: .*ECONNREFUSED/m);
    expect(existsSync(join(ROOT, DATA))).toBe(before);
  });
});
