/** People at work on a shop, each with a request every few seconds: the generator of `npm run load`. */
import { setTimeout as sleep } from "node:timers/promises";

const HEADERS = { "content-type": "application/json" };
/** Answers that mean "in a moment". */
const LATER = new Set([429, 502, 503, 504]);
const PATIENCE_MS = 20_000;
/** How many are let in at one moment: a password takes its time to be checked. */
const AT_ONCE = 4;

/** What people ask for, by how often of a hundred. */
const WORK = [
  ["save", 25],
  ["board", 25],
  ["job", 25],
  ["search", 10],
  ["open", 5],
  ["parts", 5],
  ["history", 5],
];

const WORDS = ["pods", "bar", "quad", "tail", "horn", "relay", "farm", "rescue"];

export class Load {
  /** Milliseconds of each answer, by kind of question. */
  times = new Map();
  refused = new Map();
  acknowledged = [];
  later = 0;

  constructor(base, { people, everyS = 5, random = Math.random }) {
    Object.assign(this, { base, people, everyS, random, working: true });
  }

  note(kind, ms) {
    const times = this.times.get(kind);
    if (times) times.push(ms);
    else this.times.set(kind, [ms]);
  }

  /** Asks until there is an answer that says something; `kind` is what its time is noted as. */
  async ask(kind, path, init = {}) {
    const began = performance.now();
    for (let tries = 0; ; tries += 1) {
      try {
        const answer = await fetch(`${this.base}/api/${path}`, {
          ...init,
          signal: AbortSignal.timeout(PATIENCE_MS),
        });
        if (!LATER.has(answer.status)) {
          const text = await answer.text();
          this.note(kind, performance.now() - began);
          if (!answer.ok) {
            const line = `${answer.status} ${path.replaceAll(/[0-9a-f-]{36}/g, ":id")}`;
            this.refused.set(line, (this.refused.get(line) ?? 0) + 1);
          }
          return { status: answer.status, headers: answer.headers, text };
        }
      } catch {
        // On its way when something was taken down.
      }
      this.later += 1;
      if (tries > 300) throw new Error(`${path} had no answer for a minute`);
      await sleep(200);
    }
  }

  async signIn() {
    const { headers } = await this.ask("sign in", "session", {
      ...{ method: "POST", headers: HEADERS },
      body: JSON.stringify({ signIn: "pim", password: "lamp-and-loom" }),
    });
    return headers.get("set-cookie").split(";")[0];
  }

  /** Somebody with a job of their own. */
  async enter(n) {
    const headers = { ...HEADERS, cookie: await this.signIn() };
    const opened = await this.ask("open a job", "jobs", {
      ...{ method: "POST", headers },
      body: JSON.stringify({
        ...{ title: `Load ${n}`, customer: "", machine: "", profileId: "fellrunner-420" },
      }),
    });
    const { id, revision } = JSON.parse(opened.text);
    return { n, headers, id, revision, saves: 0 };
  }

  async one(who) {
    const { headers } = who;
    let at = this.random() * 100;
    const [kind] = WORK.find(([, share]) => (at -= share) < 0) ?? WORK[0];
    const read = (path) => this.ask(kind, path, { headers });
    switch (kind) {
      case "save":
        return this.save(who);
      case "board":
        return read("board");
      case "job":
        return read(`jobs/${who.id}`);
      case "search":
        return read(`search?q=${WORDS[Math.floor(this.random() * WORDS.length)]}`);
      case "open":
        return read("board/open");
      case "parts":
        return read("parts");
      default:
        return read(`jobs/${who.id}/history`);
    }
  }

  async save(who) {
    const batchId = `load-${who.n}-${who.saves}`;
    who.saves += 1;
    const { status, text } = await this.ask("save", `jobs/${who.id}/edits`, {
      ...{ method: "POST", headers: who.headers },
      body: JSON.stringify({
        ...{ baseRevision: who.revision, batchId },
        edits: [{ kind: "setOnce", entity: "card", field: "note", value: batchId }],
      }),
    });
    if (status !== 200) return;
    who.revision = JSON.parse(text).revision;
    this.acknowledged.push({ id: who.id, batchId });
  }

  async work(who) {
    // Not all at the same moment.
    await sleep(this.random() * this.everyS * 1000);
    while (this.working) {
      const began = performance.now();
      await this.one(who);
      const pause = this.everyS * 1000 * (0.5 + this.random()) - (performance.now() - began);
      if (pause > 0) await sleep(pause);
    }
  }

  /** Everybody in, some at a time. */
  async begin() {
    const waiting = Array.from({ length: this.people }, (_, i) => i);
    this.all = [];
    await Promise.all(
      Array.from({ length: AT_ONCE }, async () => {
        for (let n = waiting.shift(); n !== undefined; n = waiting.shift()) {
          this.all.push(await this.enter(n));
        }
      }),
    );
    this.times.clear();
    this.running = Promise.all(this.all.map((who) => this.work(who)));
  }

  async end() {
    this.working = false;
    await this.running;
  }

  /** Acknowledged saves that the history of their jobs does not tell of. */
  async lost() {
    let lost = 0;
    for (const { id, headers } of this.all) {
      const notes = new Set();
      for (let before = ""; ;) {
        const { text } = await this.ask("look back", `jobs/${id}/history${before}`, { headers });
        const items = JSON.parse(text);
        for (const { lines } of items) {
          for (const line of lines)
            for (const [word] of line.matchAll(/load-\d+-\d+/g)) notes.add(word);
        }
        const oldest = items.at(-1)?.revision ?? 1;
        if (oldest <= 1) break;
        before = `?before=${oldest}`;
      }
      lost += this.acknowledged.filter((a) => a.id === id && !notes.has(a.batchId)).length;
    }
    return lost;
  }

  /** What people waited for: median, 95th and 99th of a hundred, by kind and in all. */
  figures() {
    const at = (list, share) =>
      list[Math.min(list.length - 1, Math.floor(share * list.length))] ?? 0;
    const line = (kind, list) => {
      const sorted = [...list].sort((a, b) => a - b);
      return {
        kind,
        n: sorted.length,
        p50: at(sorted, 0.5),
        p95: at(sorted, 0.95),
        p99: at(sorted, 0.99),
      };
    };
    const kinds = [...this.times].filter(([kind]) => kind !== "sheet" && kind !== "look back");
    return {
      all: line(
        "all",
        kinds.flatMap(([, list]) => list),
      ),
      kinds: [...this.times].map(([kind, list]) => line(kind, list)),
    };
  }
}

export function printFigures({ all, kinds }) {
  const row = ({ kind, n, p50, p95, p99 }) =>
    `${kind.padEnd(12)} ${String(n).padStart(7)} ${[p50, p95, p99].map((ms) => ms.toFixed(0).padStart(7)).join(" ")}`;
  return [
    `${"".padEnd(12)} ${"answers".padStart(7)}  p50 ms  p95 ms  p99 ms`,
    ...kinds.map(row),
    row(all),
  ].join("\n");
}

/** Megabytes that a server's process holds, by its own measures. */
export async function heldMb(url) {
  const text = await (await fetch(`${url}/api/metrics`)).text();
  const [, bytes] = /^process_resident_memory_bytes (\S+)$/m.exec(text) ?? [];
  return Number(bytes) / 1e6;
}
