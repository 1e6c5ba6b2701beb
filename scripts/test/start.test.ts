import { spawn, spawnSync, type ChildProcess } from "node:child_process";
import { X509Certificate } from "node:crypto";
import { existsSync, readFileSync, rmSync, statSync, truncateSync } from "node:fs";
import type { IncomingHttpHeaders } from "node:http";
import { request, type RequestOptions } from "node:https";
import { createServer, type Server } from "node:net";
import { networkInterfaces } from "node:os";
import { join } from "node:path";
import { processesOf } from "../lib/processes.mjs";

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
  child.stdout.on("data", (chunk) => (text += String(chunk)));
  child.stderr.on("data", (chunk) => (text += String(chunk)));
  const ended = new Promise<number | null>((done) => child.once("exit", (code) => done(code)));
  return { child, said: () => text, ended };
}

async function ready(started: Started): Promise<void> {
  while (!started.said().includes("Dragonet is ready")) {
    if (started.child.exitCode !== null) {
      throw new Error(`did not start:\n${started.said()}`);
    }
    await new Promise((done) => setTimeout(done, 50));
  }
}

async function untilFree(port: number): Promise<void> {
  for (;;) {
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null);
    if (!answer) return;
    await new Promise((done) => setTimeout(done, 100));
  }
}

const signIn = (port: number, name: string, password = "lamp-and-loom") =>
  fetch(`http://127.0.0.1:${port}/api/session`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ signIn: name, password }),
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

  it("is started again by itself when server or database are killed", async () => {
    const shop = start(["--port", String(port)]);
    await ready(shop);
    const answers = async (): Promise<boolean> => {
      const answer = await fetch(`http://127.0.0.1:${port}/api/ready`).catch(() => null);
      return answer?.status === 200;
    };
    for (const [word, name] of [
      ["apps/server/dist/main.js", "The server"],
      [`${DATA}/postgres -p`, "PostgreSQL"],
    ] as const) {
      const mine = processesOf(shop.child.pid ?? 0, word);
      expect(mine.length).toBeGreaterThan(0);
      for (const pid of mine) process.kill(pid, "SIGKILL");
      while (!shop.said().includes(`${name} ended`) || !(await answers())) {
        await new Promise((done) => setTimeout(done, 100));
      }
    }
    shop.child.kill("SIGTERM");
    expect(await shop.ended).toBe(0);
    expect(processes()).toBe("");
  });

  it("keeps a shop in a backup, and the restored one is the same", async () => {
    const shop = start(["--port", String(port)]);
    await ready(shop);
    const read = async (): Promise<unknown[]> => {
      const cookie = String((await signIn(port, "ansa")).headers.get("set-cookie")).split(";")[0];
      const headers = { cookie };
      const ask = async (path: string): Promise<unknown> =>
        (await fetch(`http://127.0.0.1:${port}/api/${path}`, { headers })).json();
      const jobs = (await ask("jobs")) as { id: string }[];
      const each = jobs.flatMap(({ id }) => [ask(`jobs/${id}`), ask(`jobs/${id}/history`)]);
      return [jobs, ...(await Promise.all(each)), await ask("parts"), await ask("people")];
    };
    const before = await read();
    const env = { ...process.env, DRAGONET_DATA: DATA };
    delete (env as Record<string, string | undefined>).DATABASE_URL;
    const run = (...args: string[]) =>
      spawnSync(process.execPath, args, { cwd: ROOT, env, encoding: "utf8" });
    const file = join(ROOT, `${DATA}-backup.dump`);
    expect(run("scripts/backup.mjs", file).stdout).toMatch(/\d+ jobs, \d+ changes/);
    expect(run("scripts/restore.mjs", file).stderr).toMatch(/holds a shop already/);
    shop.child.kill("SIGTERM");
    await shop.ended;
    rmSync(join(ROOT, DATA), { recursive: true, force: true });
    const restored = run("scripts/restore.mjs", file);
    expect(restored.stderr).toBe("");
    const again = start(["--port", String(port)]);
    await ready(again);
    expect(await read()).toEqual(before);
    again.child.kill("SIGTERM");
    await again.ended;
    // One that was cut short is found out before anything is made of it.
    truncateSync(file, 20_000);
    expect(run("scripts/restore.mjs", file, "--data", `${DATA}-cut`).stderr).toMatch(
      /is not what its manifest says/,
    );
    rmSync(file);
    rmSync(`${file}.json`);
  });

  it("keeps the data at the second start, and installs and builds nothing", async () => {
    const second = start(["--port", String(port)]);
    await ready(second);
    expect(second.said()).not.toMatch(/Installing|Building/);
    expect(second.said()).toContain(`Dragonet is ready:  http://127.0.0.1:${port}`);
    expect((await signIn(port, "pim")).status).toBe(204);
    second.child.kill("SIGINT");
    expect(await second.ended).toBe(0);
  });

  it("makes passwords of its own for the demo where others can reach it", async () => {
    const open = start(["--port", String(port), "--host", "0.0.0.0"]);
    await ready(open);
    const [, password = ""] = /pim +password (\S+)/.exec(open.said()) ?? [];
    expect(password).toMatch(/^[\w-]{12}$/);
    expect((await signIn(port, "pim")).status).toBe(401);
    expect((await signIn(port, "pim", password)).status).toBe(204);
    open.child.kill("SIGTERM");
    await open.ended;
    const closed = start(["--port", String(port)]);
    await ready(closed);
    expect((await signIn(port, "pim")).status).toBe(204);
    closed.child.kill("SIGTERM");
    await closed.ended;
  });

  it("asks the first owner of an empty shop for the link that it printed", async () => {
    const data = `${DATA}-empty`;
    const open = start(["--port", String(port), "--host", "0.0.0.0", "--empty"], {
      DRAGONET_DATA: data,
    });
    await ready(open);
    const [, word = ""] = /\?first=(\S+)/.exec(open.said()) ?? [];
    const own = (more: object) =>
      fetch(`http://127.0.0.1:${port}/api/session/first-owner`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({
          ...{ shop: "New", name: "First", signIn: "first", password: "long enough" },
          ...{ role: "owner", ...more },
        }),
      });
    expect((await own({})).status).toBe(403);
    expect((await own({ word: "guessed" })).status).toBe(403);
    expect((await own({ word })).status).toBe(204);
    open.child.kill("SIGTERM");
    await open.ended;
    rmSync(join(ROOT, data), { recursive: true, force: true });
  });

  it("speaks https by an authority of the shop's own, which devices can be told to trust", async () => {
    const shop = start(["--port", String(port), "--https"]);
    await ready(shop);
    const folder = join(ROOT, DATA, "https");
    const ca = readFileSync(join(folder, "authority.crt"));
    const ask = (path: string, options: RequestOptions, body = "") =>
      new Promise<{ status: number; headers: IncomingHttpHeaders; text: string }>((done, fail) => {
        const asked = request(`https://localhost:${port}${path}`, options, (answer) => {
          let text = "";
          answer.on("data", (chunk) => (text += String(chunk)));
          const { statusCode: status = 0, headers } = answer;
          answer.on("end", () => done({ status, headers, text }));
        });
        asked.once("error", fail);
        asked.end(body);
      });
    // Who does not trust the authority is warned; it is there to be taken, by its fingerprint.
    await expect(ask("/", {})).rejects.toThrow(
      /self-signed certificate in certificate chain|unable/,
    );
    const taken = await ask("/authority.crt", { rejectUnauthorized: false });
    expect(taken.headers["content-type"]).toBe("application/x-x509-ca-cert");
    expect(taken.text).toBe(ca.toString());
    const { fingerprint256 } = new X509Certificate(ca);
    expect(shop.said().replaceAll(/\s+/g, ":")).toContain(fingerprint256);
    const page = await ask("/", { ca });
    expect(page.status).toBe(200);
    expect(page.headers["strict-transport-security"]).toMatch(/max-age=31536000/);
    const body = JSON.stringify({ signIn: "pim", password: "lamp-and-loom" });
    const headers = { "content-type": "application/json", "content-length": body.length };
    const inside = await ask("/api/session", { ca, method: "POST", headers }, body);
    expect(inside.status).toBe(204);
    expect(inside.headers["set-cookie"]?.join()).toMatch(/; Secure/);
    for (const key of ["authority.key", "server.key"]) {
      expect(statSync(join(folder, key)).mode & 0o077).toBe(0);
    }
    shop.child.kill("SIGTERM");
    expect(await shop.ended).toBe(0);
    // At the next start they are the same: devices trust it still. With a name more it is renewed.
    const again = (names: string) =>
      spawnSync(process.execPath, [
        "--input-type=module",
        "-e",
        `const { ensureCertificate } = await import("./scripts/lib/certificate.mjs");
         await ensureCertificate(${JSON.stringify(folder)}, ${names});`,
      ]);
    const own = JSON.stringify(
      Object.values(networkInterfaces())
        .flatMap((list) => list ?? [])
        .flatMap((a) => (a.family === "IPv4" && !a.internal ? [a.address] : [])),
    );
    const before = readFileSync(join(folder, "server.crt"), "utf8");
    expect(again(own).status).toBe(0);
    expect(readFileSync(join(folder, "server.crt"), "utf8")).toBe(before);
    expect(again('["192.0.2.7"]').status).toBe(0);
    const renewed = new X509Certificate(readFileSync(join(folder, "server.crt")));
    expect(renewed.subjectAltName).toContain("192.0.2.7");
    expect(renewed.checkIssued(new X509Certificate(ca))).toBe(true);
    expect(readFileSync(join(folder, "authority.crt"))).toEqual(ca);
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
