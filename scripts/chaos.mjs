/**
 * `npm run chaos`: kills the server, the database and its connections, cuts the network and
 * fills the disk while eight clients save, and counts what became of every acknowledged save.
 */
import { spawnSync } from "node:child_process";
import { closeSync, mkdirSync, openSync, rmSync, writeSync } from "node:fs";
import { connect, createServer } from "node:net";
import { setTimeout as sleep } from "node:timers/promises";
import { parseArgs } from "node:util";
import { Failure, main } from "./lib/fail.mjs";
import { startOwnShop } from "./lib/ownShop.mjs";
import { freePort } from "./lib/machine.mjs";
import { fromRoot } from "./lib/paths.mjs";
import { processesOf } from "./lib/processes.mjs";

const DATA = ".data-test-chaos";
const CLIENTS = 8;
const HEADERS = { "content-type": "application/json" };

/** How often the shop answered "later", by its status. */
const later = new Map();

/** Asks until there is an answer that says something: a killed shop comes back by itself. */
async function ask(base, path, init = {}) {
  for (let i = 0; ; i += 1) {
    try {
      const answer = await fetch(`${base}/api/${path}`, {
        ...init,
        signal: AbortSignal.timeout(5000),
      });
      if (![502, 503, 504, 507].includes(answer.status)) return answer;
      later.set(answer.status, (later.get(answer.status) ?? 0) + 1);
    } catch {
      // Killed just now.
    }
    if (i > 400) throw new Failure("the shop did not come back within a minute");
    await sleep(150);
  }
}

async function signIn(base) {
  const answer = await ask(base, "session", {
    method: "POST",
    headers: HEADERS,
    body: JSON.stringify({ signIn: "pim", password: "lamp-and-loom" }),
  });
  return answer.headers.get("set-cookie").split(";")[0];
}

/** One client: saves one after the other, each until it is acknowledged. */
async function client(base, cookie, jobId, name, count, done) {
  const headers = { ...HEADERS, cookie };
  let revision = 0;
  for (let n = 0; n < count; n += 1) {
    const batchId = `${name}-${n}`;
    const edits = [{ kind: "setOnce", entity: "card", field: "note", value: batchId }];
    for (;;) {
      const body = JSON.stringify({ baseRevision: revision, edits, batchId });
      const answer = await ask(base, `jobs/${jobId}/edits`, { method: "POST", headers, body });
      const said = await answer.json().catch(() => null);
      if (answer.status === 200 && said) {
        revision = said.revision;
        done.push(batchId);
        break;
      }
      if (answer.status >= 500 || said === null) continue;
      throw new Failure(`a save was answered ${answer.status}: ${said.message}`);
    }
    await sleep(Math.random() * 60);
  }
}

/** Every note that a job's history tells of, back to its beginning. */
async function notesOf(base, cookie, jobId) {
  const notes = [];
  for (let before = ""; ;) {
    const answer = await ask(base, `jobs/${jobId}/history${before}`, { headers: { cookie } });
    const items = await answer.json();
    for (const { lines } of items) {
      for (const line of lines) notes.push(...(/note → (c\d+-\d+)$/.exec(line)?.slice(1) ?? []));
    }
    const oldest = items.at(-1)?.revision ?? 1;
    if (oldest <= 1) return notes;
    before = `?before=${oldest}`;
  }
}

const KILLS = {
  server: "apps/server/dist/main.js",
  database: "postgres -D",
  connections: "postgres: dragonet dragonet",
};

/** Longest that the network or the disk is away, ms. */
const AWAY_MS = 2000;
/** Of the small disk that is filled; a shop with its journal takes about half. */
const DISK = "size=256m";

function kill(shop, kind) {
  for (const pid of processesOf(shop.pid, KILLS[kind])) {
    try {
      // A killed backend makes the database end all of them: a broken line is asked for politely.
      process.kill(pid, kind === "connections" ? "SIGTERM" : "SIGKILL");
    } catch {
      // Gone by itself.
    }
  }
}

/** The network between clients and shop: while it is cut, what is on its way is lost. */
class Network {
  lines = new Set();
  whole = true;

  constructor(shopPort) {
    this.server = createServer((near) => {
      if (!this.whole) return near.destroy();
      const far = connect(shopPort, "127.0.0.1");
      for (const [line, other] of [
        [near, far],
        [far, near],
      ]) {
        this.lines.add(line);
        line.on("error", () => other.destroy());
        line.once("close", () => {
          this.lines.delete(line);
          other.destroy();
        });
        line.pipe(other);
      }
    });
  }

  async open() {
    const port = await freePort();
    await new Promise((done) => this.server.listen(port, "127.0.0.1", done));
    return port;
  }

  async cut() {
    this.whole = false;
    for (const line of this.lines) line.destroy();
    await sleep(Math.random() * AWAY_MS);
    this.whole = true;
  }
}

/** A disk of its own for the shop, small enough to be filled; null where none can be had. */
function smallDisk() {
  const folder = fromRoot(DATA);
  mkdirSync(folder, { recursive: true });
  const { status } = spawnSync("mount", ["-t", "tmpfs", "-o", `${DISK},mode=755`, "tmpfs", folder]);
  if (status !== 0) return null;
  const filler = `${folder}/filler`;
  return {
    async fill() {
      const file = openSync(filler, "w");
      try {
        for (const size of [1 << 20, 1 << 12]) {
          const block = Buffer.alloc(size, 1);
          try {
            for (;;) writeSync(file, block);
          } catch (error) {
            if (error.code !== "ENOSPC") throw error;
          }
        }
        await sleep(500 + Math.random() * AWAY_MS);
      } finally {
        closeSync(file);
        rmSync(filler);
      }
    },
    remove: () => spawnSync("umount", ["-l", folder]),
  };
}

await main(async () => {
  const { values } = parseArgs({
    options: {
      kills: { type: "string", default: "50" },
      saves: { type: "string", default: "1000" },
    },
  });
  const [kills, saves] = [Number(values.kills), Number(values.saves)];
  const port = await freePort();
  rmSync(fromRoot(DATA), { recursive: true, force: true });
  const disk = smallDisk();
  const network = new Network(port);
  let shop = null;
  try {
    shop = await startOwnShop(port, DATA);
    const base = `http://127.0.0.1:${await network.open()}`;
    await run({ shop, network, disk }, base, kills, saves);
  } finally {
    if (shop && shop.exitCode === null && shop.signalCode === null) {
      const gone = new Promise((done) => shop.once("exit", done));
      shop.kill("SIGTERM");
      await gone;
    }
    network.server.close();
    disk?.remove();
    rmSync(fromRoot(DATA), { recursive: true, force: true });
  }
  process.exit();
});

async function run({ shop, network, disk }, base, kills, saves) {
  let ended = null;
  shop.once("exit", (code) => (ended = code));
  const cookie = await signIn(base);
  const jobs = (await (await ask(base, "jobs", { headers: { cookie } })).json()).slice(0, CLIENTS);
  const acknowledged = [];
  const clients = jobs.map(({ id }, i) =>
    client(base, cookie, id, `c${i}`, Math.ceil(saves / CLIENTS), acknowledged),
  );
  let working = true;
  const all = Promise.all(clients).finally(() => (working = false));
  all.catch(() => undefined);
  let [killed, back] = [0, 0];
  const kinds = [...Object.keys(KILLS), "network", ...(disk ? ["disk"] : [])];
  const slowest = { kind: "", ms: 0 };
  while (killed < kills && working) {
    await sleep(300 + Math.random() * 700);
    const kind = kinds[killed % kinds.length];
    if (kind === "network") await network.cut();
    else if (kind === "disk") await disk.fill();
    else kill(shop, kind);
    const began = Date.now();
    killed += 1;
    const answer = await ask(base, "ready");
    if (answer.status === 200 && ended === null) back += 1;
    const ms = Date.now() - began;
    if (ms > slowest.ms) Object.assign(slowest, { kind, ms });
  }
  await all;
  const there = (await Promise.all(jobs.map(({ id }) => notesOf(base, cookie, id)))).flat();
  const lost = acknowledged.filter((id) => !there.includes(id)).length;
  const twice = there.length - new Set(there).size;
  process.stdout.write(
    `${killed} blows (${kinds.join(", ")} in turn), ${CLIENTS} clients\n` +
      (disk ? "" : "no full disk: this machine lets none be mounted (it takes root)\n") +
      `longest until it answered again: ${(slowest.ms / 1000).toFixed(1)} s (${slowest.kind})\n` +
      `answered "later": ${[...later].map(([status, n]) => `${n} times ${status}`).join(", ") || "never"}\n` +
      `acknowledged ${acknowledged.length}   lost ${lost}   twice ${twice}   recovered alone ${back} of ${killed}\n`,
  );
  if (lost > 0 || twice > 0 || back < killed) process.exitCode = 1;
}
