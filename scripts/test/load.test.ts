/** The generator of the load: what it counts must be what happened, or its figures say nothing. */
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { setTimeout as sleep } from "node:timers/promises";
import { Load, printFigures } from "../lib/load.mjs";

/** A server that keeps saves, answers some questions "later", and may lose what it has acknowledged. */
class Stub {
  private readonly notes = new Map<string, string[]>();
  readonly asked: string[] = [];
  losesEvery = 0;
  laterEvery = 0;
  refuses = "";
  private saves = 0;
  private n = 0;
  readonly server: Server = createServer((req, res) => {
    let body = "";
    req.on("data", (chunk: Buffer) => (body += chunk.toString()));
    req.on("end", () => {
      const url = req.url ?? "";
      this.n += 1;
      const reply = (status: number, said: unknown): void => {
        res.writeHead(status, { "content-type": "application/json", "set-cookie": "s=1; Path=/" });
        res.end(JSON.stringify(said));
      };
      if (this.laterEvery > 0 && this.n % this.laterEvery === 0) return reply(503, {});
      this.asked.push(`${req.method} ${url}`);
      if (this.refuses !== "" && url.includes(this.refuses)) return reply(404, {});
      if (req.method === "POST" && url === "/api/jobs") {
        const id = `00000000-0000-4000-8000-${String(this.notes.size).padStart(12, "0")}`;
        this.notes.set(id, []);
        return reply(201, { id, revision: 1 });
      }
      const [, id = ""] = /jobs\/([^/?]+)/.exec(url) ?? [];
      const own = this.notes.get(id) ?? [];
      if (req.method === "POST" && url.endsWith("/edits")) {
        this.saves += 1;
        const { batchId } = JSON.parse(body) as { batchId: string };
        const loses = this.losesEvery > 0 && this.saves % this.losesEvery === 0;
        if (!loses) own.push(batchId);
        return reply(200, { revision: own.length + 1 });
      }
      if (url.includes("/history")) {
        const before = Number(/before=(\d+)/.exec(url)?.[1] ?? own.length + 2);
        // Three at a time, the latest first, down to the first revision.
        const page = own
          .map((note, i) => ({ revision: i + 2, lines: [`note → ${note}`] }))
          .filter(({ revision }) => revision < before)
          .reverse()
          .slice(0, 3);
        const reached = page.at(-1)?.revision ?? 2;
        return reply(200, reached <= 2 ? [...page, { revision: 1, lines: ["job opened"] }] : page);
      }
      reply(200, {});
    });
  });

  async open(): Promise<string> {
    await new Promise<void>((done) => void this.server.listen(0, "127.0.0.1", done));
    return `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }
}

/** Work for as long as it takes until something has come about: a slow machine does less in the same time. */
async function worked(stub: Stub, isEnough: (load: Load) => boolean): Promise<Load> {
  const load = new Load(await stub.open(), { people: 6, everyS: 0.02 });
  await load.begin();
  while (!isEnough(load)) await sleep(20);
  await load.end();
  return load;
}

const kindsOf = (load: Load): string[] => load.figures().kinds.map(({ kind }) => kind);
const EVERY_KIND = ["save", "board", "job", "search"];

describe("people at work", () => {
  let stub: Stub;
  beforeEach(() => {
    stub = new Stub();
  });
  afterEach(() => void stub.server.close());

  it("ask for everything, each on a job of their own, and their saves are all found again", async () => {
    const isEverything = (one: Load): boolean =>
      one.acknowledged.length > 5 && EVERY_KIND.every((kind) => kindsOf(one).includes(kind));
    const load = await worked(stub, isEverything);
    expect(stub.asked.filter((line) => line === "POST /api/jobs")).toHaveLength(6);
    expect(kindsOf(load)).toEqual(expect.arrayContaining(EVERY_KIND));
    expect(load.acknowledged.length).toBeGreaterThan(5);
    expect(await load.lost()).toBe(0);
    expect(load.later).toBe(0);
  });

  it("notice what was acknowledged and is not there", async () => {
    stub.losesEvery = 3;
    const load = await worked(stub, (one) => one.acknowledged.length > 6);
    expect(await load.lost()).toBe(Math.floor(load.acknowledged.length / 3));
  });

  it("ask again when they are told later, and count it", async () => {
    stub.laterEvery = 9;
    const load = await worked(stub, (one) => one.later > 0);
    expect(load.later).toBeGreaterThan(0);
    expect(await load.lost()).toBe(0);
    expect(load.refused.size).toBe(0);
  });

  it("count what is refused by its address, without the ids", async () => {
    stub.refuses = "/history";
    const load = await worked(stub, (one) => one.refused.size > 0);
    expect([...load.refused.keys()]).toEqual(["404 jobs/:id/history"]);
  });
});

describe("the figures", () => {
  it("are medians and high shares of what was waited, sheets apart", () => {
    const load = new Load("http://127.0.0.1:1", { people: 1 });
    load.times.set(
      "board",
      Array.from({ length: 100 }, (_, i) => 100 - i),
    );
    load.times.set("sheet", [5000]);
    const { all, kinds } = load.figures();
    expect(all).toEqual({ kind: "all", n: 100, p50: 51, p95: 96, p99: 100 });
    expect(kinds.map(({ kind, n }) => [kind, n])).toEqual([
      ["board", 100],
      ["sheet", 1],
    ]);
    expect(printFigures(load.figures())).toMatch(/^sheet +1 +5000 +5000 +5000$/m);
  });
});
