/** Lists of jobs a page at a time: in the order of the board, by whatever is asked for, each job once. */
import type { Agent } from "supertest";
import { STAGES, type Edit } from "@dragonet/core";
import type {
  BoardAnswer,
  JobOnBoardAnswer,
  JobsOfModelAnswer,
  JobsPageAnswer,
} from "@dragonet/contract";
import { fillJobs } from "../../../scripts/lib/fillShop.mjs";
import { Shop } from "./shop.ts";

let shop: Shop;
let pim: Agent;
let all: JobOnBoardAnswer[];

beforeAll(async () => {
  shop = await Shop.open({ demo: true });
  pim = await shop.person("pim");
  all = (await pim.get("/api/jobs?size=1000").expect(200)).body as JobOnBoardAnswer[];
});
afterAll(() => shop.close());

const asked = async <T>(path: string): Promise<T> => (await pim.get(path).expect(200)).body as T;

const refused = async (path: string): Promise<string> =>
  ((await pim.get(path).expect(422)).body as { message: string }).message;

/** Every job of a list, page by page. */
async function walked(query: string, size: number): Promise<JobOnBoardAnswer[]> {
  const jobs: JobOnBoardAnswer[] = [];
  let after = "";
  for (let n = 0; n < 100; n += 1) {
    const page = await asked<JobsPageAnswer>(
      `/api/board/page?${query}&size=${size}${after === "" ? "" : `&after=${after}`}`,
    );
    expect(page.jobs.length).toBeLessThanOrEqual(size);
    jobs.push(...page.jobs);
    if (page.next === "") return jobs;
    after = page.next;
  }
  throw new Error("a list without an end");
}

const ids = (jobs: readonly JobOnBoardAnswer[]): string[] => jobs.map(({ id }) => id);

describe("jobs in pages", () => {
  it("are each told once, whatever the size of a page, in one order", async () => {
    expect(all.length).toBeGreaterThan(20);
    for (const size of [1, 7, 1000]) expect(ids(await walked("", size))).toEqual(ids(all));
  });

  it("stand by stage, then by promise, those without one last", () => {
    const keys = all
      .filter(({ stage }) => stage !== "handOver")
      .map(({ stage, promised }) => `${STAGES.indexOf(stage)} ${promised || "9"}`);
    expect(keys).toEqual([...keys].sort());
    expect(all.at(-1)?.stage).toBe("handOver");
  });

  it("go on behind a job that was put elsewhere meanwhile, and lose none that was not", async () => {
    const first = await asked<JobsPageAnswer>("/api/board/page?size=5");
    const moved = first.jobs[4]!;
    const edit: Edit = { kind: "setOnce", entity: "card", field: "stage", value: "aim" };
    const save = (value: string, batchId: string, baseRevision: number) =>
      pim
        .post(`/api/jobs/${moved.id}/edits`)
        .send({ baseRevision, batchId, edits: [{ ...edit, value }] })
        .expect(200);
    const { body } = await save("aim", "board-move", moved.revision);
    const rest = await asked<JobsPageAnswer>(`/api/board/page?size=1000&after=${first.next}`);
    await save(moved.stage, "board-back", (body as { revision: number }).revision);
    const told = new Set([...ids(first.jobs), ...ids(rest.jobs)]);
    expect(ids(all).filter((id) => !told.has(id))).toEqual([]);
  });

  it("say where the rest is to whatever reads a list as it is", async () => {
    const first = await pim.get("/api/jobs?size=10").expect(200);
    expect(ids(first.body as JobOnBoardAnswer[])).toEqual(ids(all.slice(0, 10)));
    const next = /<([^>]+)>; rel="next"/.exec(first.headers.link ?? "")?.[1];
    const second = await pim.get(next!).expect(200);
    expect(ids(second.body as JobOnBoardAnswer[])).toEqual(ids(all.slice(10, 20)));
    expect((await pim.get("/api/jobs?size=1000")).headers.link).toBeUndefined();
  });
});

describe("what is looked at", () => {
  const same = async (query: string, has: (job: JobOnBoardAnswer) => boolean): Promise<number> => {
    const found = await walked(query, 6);
    expect(ids(found)).toEqual(ids(all.filter(has)));
    return found.length;
  };

  it("is one stage, one bench, one model", async () => {
    for (const stage of STAGES) await same(`stage=${stage}`, (job) => job.stage === stage);
    const at = all.find(({ bench }) => bench !== "")!.bench;
    expect(
      await same(`bench=${encodeURIComponent(at)}`, ({ bench }) => bench === at),
    ).toBeGreaterThan(0);
    const { model } = all[0]!;
    expect(
      await same(`model=${encodeURIComponent(model)}`, (job) => job.model === model),
    ).toBeGreaterThan(0);
  });

  it("is what waits for one thing, or for nothing", async () => {
    const kinds = new Set(all.flatMap(({ waiting }) => waiting.map(({ kind }) => kind)));
    expect(kinds.size).toBeGreaterThan(2);
    for (const kind of kinds) {
      await same(`waits=${kind}`, ({ waiting }) => waiting.some((w) => w.kind === kind));
    }
    await same("waits=nothing", ({ waiting }) => waiting.length === 0);
  });

  it("is what was promised before a day and is not handed over", async () => {
    const day = "2026-12-05";
    const late = ({ promised, stage }: JobOnBoardAnswer) =>
      promised !== "" && promised < day && stage !== "handOver";
    expect(await same(`before=${day}`, late)).toBeGreaterThan(0);
  });

  it("has every word that is asked for, begun at least", async () => {
    const { title } = all[3]!;
    const word = title.split(" ")[0]!.toLowerCase();
    const found = await walked(`q=${word.slice(0, 3)}`, 10);
    expect(ids(found)).toContain(all[3]!.id);
    expect(await walked("q=kettledrum", 10)).toEqual([]);
    // What is no word asks for nothing.
    expect(ids(await walked(`q=${encodeURIComponent("' | !")}`, 100))).toEqual(ids(all));
  });

  it("is refused by name where it cannot be meant", async () => {
    expect(await refused("/api/board?stage=shed")).toMatch(/^stage: "shed" is none of intake/);
    expect(await refused("/api/board?waits=rain")).toMatch(/^waits: "rain" is none of part/);
    expect(await refused("/api/board?before=soon")).toMatch(/^before: "soon" is no day/);
    expect(await refused("/api/board/page?size=0")).toMatch(/^size: "0"/);
    expect(await refused("/api/board/page?size=1001")).toMatch(/1 to 1000/);
    expect(await refused("/api/board/page?after=abc")).toMatch(/^after: /);
    expect(await refused(`/api/board?q=${"x".repeat(201)}`)).toMatch(/^q: /);
    expect(await refused("/api/board?q=a&q=b")).toMatch(/^q: /);
  });
});

describe("the board", () => {
  it("tells the first of each stage with their number, and what stands on the benches", async () => {
    const board = await asked<BoardAnswer>("/api/board");
    for (const { stage, jobs, count, uncounted } of board.stages) {
      const here = all.filter((job) => job.stage === stage);
      expect({ count, uncounted }).toEqual({ count: here.length, uncounted: false });
      expect(ids(jobs)).toEqual(ids(here.slice(0, 25)));
    }
    const benches = [...new Set(all.map(({ bench }) => bench))].filter((b) => b !== "").sort();
    expect(board.benches).toEqual(benches);
    expect(new Set(ids(board.onBenches))).toEqual(new Set(ids(all.filter((j) => j.bench !== ""))));
    expect(board.any).toBe(true);
  });

  it("tells jobs with work left for the plan of the benches", async () => {
    const open = await asked<JobOnBoardAnswer[]>("/api/board/open");
    const left = (job: JobOnBoardAnswer): boolean =>
      job.stage !== "handOver" || Object.values(job.work).some((minutes) => minutes > 0);
    expect(new Set(ids(open))).toEqual(new Set(ids(all.filter(left))));
    const promises = open.map(({ promised }) => promised || "9");
    expect(promises).toEqual([...promises].sort());
  });

  it("counts jobs by model, and names each customer once", async () => {
    const models = await asked<JobsOfModelAnswer[]>("/api/board/models");
    expect(models.reduce((sum, { count }) => sum + count, 0)).toBe(all.length);
    const customers = await asked<string[]>("/api/board/customers");
    expect([...customers].sort()).toEqual([...new Set(all.map((job) => job.customer))].sort());
  });
});

describe("words that nearly every job has", () => {
  it("bring the same jobs as when they are gathered one by one", async () => {
    // In what the demo's circuits are made of; not in all of them.
    const word = "relay";
    const gathered = await asked<BoardAnswer>(`/api/board?q=${word}`);
    const told = gathered.stages.flatMap(({ jobs }) => ids(jobs));
    expect(told.length).toBeGreaterThan(5);
    expect(told.length).toBeLessThan(all.length);
    // Entries of jobs that are nowhere: as many as make the database go another way.
    await shop.query(`select keep_search_entry('job', 'n' || i, '${word}', '', '${word}', now())
        from generate_series(1, 9000) i;
      analyze search_entry`);
    const sampled = await asked<BoardAnswer>(`/api/board?q=${word}`);
    expect(sampled.stages.flatMap(({ jobs }) => ids(jobs))).toEqual(told);
    expect(ids(await walked(`q=${word}`, 7))).toEqual(told);
    await shop.query(`delete from search_entry where id like 'n%' and kind = 'job'`);
  });
});

describe("jobs that are too many to be counted", () => {
  /** Fills the shop up with jobs of people's past, without the words that they would be found by. */
  const fill = (more: number) =>
    shop.query(`set session_replication_role = replica; ${fillJobs(more)}`);
  const handedOver = async () => {
    const { stages } = await asked<BoardAnswer>("/api/board?stage=handOver");
    const [{ count, uncounted } = { count: 0, uncounted: false }] = stages;
    return { count, uncounted };
  };

  it("are counted to a thousand, and told to be more than that", async () => {
    const rank = STAGES.indexOf("handOver") + 1;
    await fill(1100);
    await shop.query(`delete from job where id in
      (select id from job where stage_rank = ${rank} order by created_at offset 1000)`);
    expect(await handedOver()).toEqual({ count: 1000, uncounted: false });
    await fill(2);
    expect(await handedOver()).toEqual({ count: 1000, uncounted: true });
    await fill(400);
    expect(await handedOver()).toEqual({ count: 1000, uncounted: true });
  });
});
