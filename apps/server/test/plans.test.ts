/**
 * How the database answers what lists ask, read from its own plans: by an index that begins where the list
 * begins, never by reading all jobs. Plans as auto_explain (PostgreSQL's own) tells them to the client.
 */
import { drizzle } from "drizzle-orm/node-postgres";
import pg from "pg";
import { sql } from "drizzle-orm";
import { STAGES, type Vehicle } from "@dragonet/core";
import { Audit } from "../src/audit/audit.ts";
import * as schema from "../src/database/schema.ts";
import { CalendarService } from "../src/calendar/calendar.service.ts";
import { BoardService } from "../src/jobs/board.service.ts";
import { readBoardQuery } from "../src/jobs/boardQuery.ts";
import { historyOf } from "../src/jobs/jobRows.ts";
import { JobsService } from "../src/jobs/jobs.service.ts";
import { CatalogueLists, readCataloguePlace } from "../src/http/catalogueLists.ts";
import { ShelfService } from "../src/shelf/shelf.service.ts";
import { ModelsService } from "../src/vehicles/models.service.ts";
import { somePeople } from "../src/people/peopleList.ts";
import { SearchService } from "../src/search/search.service.ts";
import { fillJobs, fillParts } from "../../../scripts/lib/fillShop.mjs";
import { Shop } from "./shop.ts";

interface Node {
  readonly "Node Type": string;
  readonly "Relation Name"?: string;
  readonly "Index Name"?: string;
  readonly "Index Cond"?: string;
  readonly Plans?: readonly Node[];
}

const LARGE = new Set([
  ...["job", "job_change", "search_entry", "audit", "photo"],
  ...["part", "vehicle_profile", "measurement", "person", "booking"],
]);

/** Nodes of a plan, each with whether what is above it stops it early. */
function nodesOf(node: Node, stopped = false): { node: Node; stopped: boolean }[] {
  const below = node["Node Type"] === "Sort" ? false : stopped || node["Node Type"] === "Limit";
  return [{ node, stopped }, ...(node.Plans ?? []).flatMap((one) => nodesOf(one, below))];
}

/** A bitmap of an index names no table: indexes are named after theirs. */
const tableOf = (index = ""): string => [...LARGE].find((table) => index.startsWith(table)) ?? "";

/** Indexes of few things, which are read whole: what there is too little of. */
const OF_FEW = new Set(["part_below_least"]);

/** What of a plan reads a whole large table, in words. */
const readsAll = (plan: Node): string[] =>
  nodesOf(plan).flatMap(({ node, stopped }) => {
    const table = node["Relation Name"] ?? tableOf(node["Index Name"]);
    if (!LARGE.has(table)) return [];
    if (node["Node Type"] === "Seq Scan") return [`all of ${table}`];
    const kind = node["Node Type"];
    const byIndex = /^(Bitmap )?Index/.test(kind) && node["Index Cond"] === undefined;
    if (OF_FEW.has(node["Index Name"] ?? "")) return [];
    return byIndex && !stopped ? [`all of ${table} by ${node["Index Name"]}`] : [];
  });

describe("what lists ask of the database", () => {
  let shop: Shop;
  let pool: pg.Pool;
  let plans: Node[] = [];
  let board: BoardService;
  let jobs: JobsService;
  let shelf: ShelfService;
  let search: SearchService;
  let models: ModelsService;
  let audit: Audit;
  let calendar: CalendarService;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    // Many jobs, without the words that a search would find them by.
    await shop.query(
      `set session_replication_role = replica; ${fillJobs(2000)}; ${fillParts(2000)};
        insert into measurement (profile_id, key, words, unit, value, low, high, said, machine, year, variant, who, day, from_shop)
          select 'm' || n % 500, 'k', 'k', 'A', 1, 1, 1, '', n::text, 0, '', '', '2026-01-01', '' from generate_series(1, 20000) n;
        insert into person (name, sign_in, password_hash, role, preferences)
          select 'Hand ' || n, 'hand' || n, (select password_hash from person limit 1), 'viewer',
            (select preferences from person limit 1) from generate_series(1, 2000) n;
        insert into booking (job_id, not_before, by, start, bench)
          select id, '2026-12-01', 'Ansa', '', '' from job on conflict do nothing;
        analyze`,
    );
    const options = [
      ...["session_preload_libraries=auto_explain", "auto_explain.log_min_duration=0"],
      ...["auto_explain.log_level=notice", "auto_explain.log_format=json"],
      // Of few rows reading all is quickest: what is asked is whether an index would do.
      ...["auto_explain.log_nested_statements=on", "client_min_messages=notice"],
      "enable_seqscan=off",
    ];
    pool = new pg.Pool({
      ...{ connectionString: shop.databaseUrl, max: 1 },
      options: options.map((one) => `-c ${one}`).join(" "),
    });
    pool.on("connect", (client) =>
      client.on("notice", ({ message = "" }) => {
        const json = message.slice(message.indexOf("{"));
        if (json.startsWith("{")) plans.push((JSON.parse(json) as { Plan: Node }).Plan);
      }),
    );
    const db = drizzle(pool, { schema });
    board = new BoardService(db);
    jobs = new JobsService(db, pool, null as never, null as never);
    models = new ModelsService(db);
    shelf = new ShelfService(db, board, null as never);
    search = new SearchService(db);
    audit = new Audit(db);
    calendar = new CalendarService(db, board, null as never);
  });
  afterAll(async () => {
    await pool.end();
    await shop.close();
  });

  /** What a question reads that it should not; fails where no plan was told at all. */
  async function asked(question: () => Promise<unknown>): Promise<string[]> {
    plans = [];
    await question();
    expect(plans.length).toBeGreaterThan(0);
    return plans.flatMap(readsAll);
  }
  const by = (query: object) => readBoardQuery(query as Record<string, unknown>);

  it("is told, and a question that reads all jobs is seen to", async () => {
    const all = () => pool.query("select count(*) from job where document->>'none' = 'x'");
    expect((await asked(all)).join()).toContain("all of job");
  });

  it("is answered by an index: the board, and each stage from any place", async () => {
    expect(await asked(() => board.board(by({})))).toEqual([]);
    const { next } = await board.page(by({}), 5, null);
    expect(next).not.toBe("");
    for (const stage of STAGES) {
      const place = { stageRank: 3, boardOrder: "2026-01-01", id: crypto.randomUUID() };
      expect(await asked(() => board.page(by({ stage }), 50, place))).toEqual([]);
    }
    expect(await asked(() => board.page(by({}), 50, null))).toEqual([]);
  });

  it("is answered by an index for every way to look at the board", async () => {
    for (const query of [
      ...[{ q: "pods" }, { q: "a b" }, { waits: "part" }, { waits: "nothing" }],
      ...[{ bench: "Bench 1" }, { model: "x" }, { before: "2026-12-01" }],
      ...[
        { q: "pods", waits: "stop", stage: "fit" },
        { bench: "Bench 1", before: "2026-12-01" },
      ],
    ]) {
      expect([query, await asked(() => board.page(by(query), 50, null))]).toEqual([query, []]);
    }
  });

  it("is answered by an index for what other pages list", async () => {
    expect(await asked(() => board.open())).toEqual([]);
    expect(await asked(() => board.times())).toEqual([]);
    expect(await asked(() => board.figures())).toEqual([]);
    expect(await asked(() => board.customers())).toEqual([]);
    expect(await asked(() => board.models())).toEqual([]);
    expect(await asked(() => jobs.bin())).toEqual([]);
    expect(await asked(() => jobs.ledgerBefore("fellrunner-420", null))).toEqual([]);
    const { jobs: some } = await board.page(by({}), 1, null);
    const { id } = some[0]!;
    expect(await asked(() => jobs.readText(id))).toEqual([]);
    expect(await asked(() => historyOf(drizzle(pool, { schema }), id, 99, 100))).toEqual([]);
  });

  it("is answered by an index for the shelf and for the vehicles", async () => {
    expect(await asked(() => shelf.shelf({}))).toEqual([]);
    expect(await asked(() => shelf.shelf({ q: "pod" }))).toEqual([]);
    const { next } = await shelf.page({ size: "5" });
    for (const query of [{}, { kind: "relay" }, { after: next }, { kind: "load", after: next }]) {
      expect([query, await asked(() => shelf.page(query))]).toEqual([query, []]);
    }
    expect(await asked(() => shelf.choices({ sorts: "lamp,relay" }))).toEqual([]);
    expect(await asked(() => shelf.choices({ sorts: "lamp", q: "pod" }))).toEqual([]);
    expect(await asked(() => shelf.near({ text: "two pods of 18 W" }))).toEqual([]);
    expect(await asked(() => shelf.named(["wire 16 awg"], ["pod-18"]))).toEqual([]);
    expect(await asked(() => shelf.needs())).toEqual([]);
    expect(await asked(() => shelf.jobsWith("pod-18", {}))).toEqual([]);
    const profiles = new CatalogueLists<Vehicle>(
      drizzle(pool, { schema }),
      schema.vehicleProfile,
      "vehicle",
    );
    const { next: place } = await profiles.page({ kind: "any" }, sql`true`, 2, null);
    const after = readCataloguePlace({ after: place });
    expect(await asked(() => profiles.page({ kind: "any" }, sql`true`, 2, after))).toEqual([]);
    expect(await asked(() => models.measurements("m7"))).toEqual([]);
    expect(await asked(() => jobs.ledgerBefore("m7", null))).toEqual([]);
  });

  it("is answered by an index for people and for the calendar, however many jobs were booked once", async () => {
    const db = drizzle(pool, { schema });
    const first = await somePeople(db, null);
    expect(first).toHaveLength(50);
    expect(await asked(() => somePeople(db, null))).toEqual([]);
    expect(await asked(() => somePeople(db, first.at(-1)!.id))).toEqual([]);
    expect((await calendar.read()).bookings.length).toBeGreaterThan(0);
    expect(await asked(() => calendar.read())).toEqual([]);
  });

  it("is answered by an index for searches and for the record", async () => {
    for (const words of ["pods", "pods quad", "podz"]) {
      expect([words, await asked(() => search.find(words))]).toEqual([words, []]);
    }
    expect(await asked(() => audit.list(null, ""))).toEqual([]);
    expect(await asked(() => audit.list(50, "changed shelf"))).toEqual([]);
  });
});
