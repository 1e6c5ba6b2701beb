import { Inject, Injectable } from "@nestjs/common";
import { and, asc, desc, eq, inArray, sql, type SQL } from "drizzle-orm";
import {
  STAGES,
  shopFigures,
  type JobSummary,
  type ShopFigures,
  type TimeRecord,
} from "@dragonet/core";
import type {
  BoardAnswer,
  JobOnBoardAnswer,
  JobsOfModelAnswer,
  JobsPageAnswer,
} from "@dragonet/contract";
import { askByIndex } from "../database/byIndex.ts";
import { MOST_COUNTED, countSome, countedOf } from "../database/counted.ts";
import { DATABASE, type Database } from "../database/database.ts";
import { job } from "../database/schema.ts";
import { hasWords, having, type Having } from "../search/having.ts";
import { printJobPlace, type BoardQuery, type Place } from "./boardQuery.ts";

/** Jobs of each stage that the board tells. */
const OF_EACH_STAGE = 25;
const MOST_ON_BENCHES = 60;
/** Jobs with work left that are told at once: benches are planned with them. */
const MOST_OPEN = 1000;
/** Timed jobs that the shop's pace is learned from, the latest. */
const MOST_TIMED = 400;
/** Jobs that are closed and that figures are made of, the latest. */
const MOST_CLOSED = 1000;
const MOST_CUSTOMERS = 500;

const COLUMNS = {
  id: job.id,
  revision: job.revision,
  summary: job.summary,
  updatedAt: job.updatedAt,
  stageRank: job.stageRank,
  boardOrder: job.boardOrder,
};

/** What figures are made of: the rest of what a row tells stays in the database. */
const FIGURED = {
  updatedAt: job.updatedAt,
  stage: sql<JobSummary["stage"]>`summary->>'stage'`,
  time: sql<JobSummary["time"]>`summary->'time'`,
  waiting: sql<JobSummary["waiting"]>`summary->'waiting'`,
  needs: sql<JobSummary["needs"]>`summary->'needs'`,
  mends: sql<JobSummary["mends"]>`summary->'mends'`,
};

type StageList = BoardAnswer["stages"][number];
type Row = Pick<typeof job.$inferSelect, keyof typeof COLUMNS>;

const onBoard = ({ id, revision, summary, updatedAt }: Row): JobOnBoardAnswer => ({
  ...summary,
  ...{ id, revision, updatedAt: updatedAt.toISOString() },
});

// Written as the indexes have them: what is a parameter is not known to be the same.
const HERE = sql`removed_at is null`;
const OPEN = sql`removed_at is null and is_open`;
const ORDER = [asc(job.stageRank), asc(job.boardOrder), asc(job.id)];
const rankOf = (stage: (typeof STAGES)[number]): number => STAGES.indexOf(stage) + 1;

/** What of the jobs is looked at. */
function seen({ waits, bench, stage, model, before }: BoardQuery, had: Having): SQL {
  const all: SQL[] = [];
  if (stage) all.push(eq(job.stageRank, rankOf(stage)));
  // "bench <> ''" as the index of benches has it.
  if (bench !== "") all.push(sql`bench <> ''`, eq(job.bench, bench));
  if (model !== "") all.push(eq(job.model, model));
  if (waits === "nothing") all.push(sql`summary->'waiting' = '[]'::jsonb`);
  else if (waits !== "") {
    all.push(sql`summary->'waiting' @> ${JSON.stringify([{ kind: waits }])}::jsonb`);
  }
  if (before !== "") {
    all.push(sql`is_open`, sql`board_order < ${before}`, sql`stage_rank < ${rankOf("handOver")}`);
  }
  all.push(...hasWords(had, job.id, "uuid"));
  return and(HERE, ...all) ?? HERE;
}

/** Names told at once; one costs a step down an index. */
const MOST_NAMES = 5000;

/**
 * Each value of a column once, from one to the next by its index: what stands at each is not read. A
 * common table "named" with a column "name", which ends in null.
 */
function namesOf(column: "bench" | "model", more: SQL): SQL {
  const name = sql.identifier(column);
  return sql`named(name, nth) as (
    (select ${name}, 1 from job where removed_at is null ${more} order by ${name} limit 1)
    union all
    select (select job.${name} from job where removed_at is null ${more} and job.${name} > named.name
      order by job.${name} limit 1), nth + 1
    from named where named.name is not null and nth < ${MOST_NAMES}
  )`;
}

/** Lists of jobs: each looks at few rows, however many there are. */
@Injectable()
export class BoardService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** Some jobs after a place, by stage, promise, and the latest first of those with nothing left. */
  async page(query: BoardQuery, size: number, after: Place | null): Promise<JobsPageAnswer> {
    return this.after(query, await having(this.db, "job", query.words), size, after);
  }

  private async after(query: BoardQuery, had: Having, size: number, after: Place | null) {
    const place = after
      ? sql`(stage_rank, board_order, id) > (${after.stageRank}, ${after.boardOrder} collate "C", ${after.id}::uuid)`
      : sql`true`;
    const rows = await this.db
      .select(COLUMNS)
      .from(job)
      .where(and(seen(query, had), place))
      .orderBy(...ORDER)
      .limit(size + 1);
    const told = rows.slice(0, size);
    const last = told[told.length - 1];
    return { jobs: told.map(onBoard), next: rows.length > size && last ? printJobPlace(last) : "" };
  }

  /** The first jobs of every stage. */
  async board(query: BoardQuery): Promise<BoardAnswer> {
    const had = await having(this.db, "job", query.words);
    const [lists, onBenches, benches, [any]] = await Promise.all([
      had.kind === "few" ? this.stagesOfFew(query, had) : this.stagesOfMany(query, had),
      this.db
        .select(COLUMNS)
        .from(job)
        .where(and(HERE, sql`bench <> ''`))
        .orderBy(asc(job.bench), ...ORDER)
        .limit(MOST_ON_BENCHES),
      this.benches(),
      this.db.select({ id: job.id }).from(job).where(HERE).limit(1),
    ]);
    return {
      stages: lists.filter(({ jobs }) => jobs.length > 0),
      onBenches: onBenches.map(onBoard),
      ...{ benches, any: any !== undefined },
    };
  }

  /** Where few are looked at each of them is met once, whatever its stage: which are the first, and how many there are. */
  private async stagesOfFew(query: BoardQuery, had: Having): Promise<StageList[]> {
    const { rows } = await askByIndex<{ id: string; count: number }>(
      this.db,
      sql`
      select id, count from (
        select id, stage_rank, board_order,
          row_number() over (partition by stage_rank order by board_order, id) as nth,
          (count(*) over (partition by stage_rank))::int as count
        from job where ${seen(query, had)}
      ) as met where nth <= ${OF_EACH_STAGE} order by stage_rank, board_order, id`,
    );
    const ids = rows.map(({ id }) => id);
    if (ids.length === 0) return [];
    const told = await this.db.select(COLUMNS).from(job).where(inArray(job.id, ids));
    const byId = new Map(told.map((row) => [row.id, row]));
    const lists = new Map<number, { jobs: JobOnBoardAnswer[]; count: number }>();
    for (const { id, count } of rows) {
      const row = byId.get(id);
      if (!row) continue;
      const list = lists.get(row.stageRank) ?? { jobs: [], count };
      list.jobs.push(onBoard(row));
      lists.set(row.stageRank, list);
    }
    return STAGES.flatMap((stage) => {
      const list = lists.get(rankOf(stage));
      return list ? [{ stage, jobs: list.jobs, ...countedOf(list.count) }] : [];
    });
  }

  /** Where most are looked at each stage is gone down until there are enough of it. */
  private stagesOfMany(query: BoardQuery, had: Having): Promise<StageList[]> {
    const stages = STAGES.filter((stage) => query.stage === null || stage === query.stage);
    return Promise.all(
      stages.map(async (stage) => {
        const own = { ...query, stage };
        const { jobs, next } = await this.after(own, had, OF_EACH_STAGE, null);
        const counted =
          next === "" || had.kind === "many"
            ? { count: jobs.length, uncounted: next !== "" }
            : await countSome(this.db, job, seen(own, had));
        return { stage, jobs, ...counted };
      }),
    );
  }

  private async benches(): Promise<string[]> {
    const { rows } = await this.db.execute(sql`
      with recursive ${namesOf("bench", sql`and bench <> ''`)} select name from named where name is not null`);
    return rows.map(({ name }) => name as string);
  }

  /** Jobs with work left, the first promised first. */
  async open(): Promise<JobOnBoardAnswer[]> {
    const rows = await this.db
      .select(COLUMNS)
      .from(job)
      .where(OPEN)
      .orderBy(asc(job.boardOrder), asc(job.id))
      .limit(MOST_OPEN);
    return rows.map(onBoard);
  }

  /** Time planned and taken on the latest jobs that were timed, the oldest first. */
  async times(): Promise<TimeRecord[]> {
    const rows = await this.db
      .select({ time: sql<TimeRecord[]>`summary->'time'` })
      .from(job)
      .where(sql`removed_at is null and summary->'time' <> '[]'::jsonb`)
      .orderBy(desc(job.updatedAt))
      .limit(MOST_TIMED);
    return rows.reverse().flatMap(({ time }) => time);
  }

  /** What the shop's jobs say about the shop: all that are open, and the latest of those that are not. */
  async figures(): Promise<ShopFigures> {
    const [open, closed] = await Promise.all([
      this.db
        .select(FIGURED)
        .from(job)
        .where(OPEN)
        .orderBy(asc(job.boardOrder), asc(job.id))
        .limit(MOST_OPEN),
      this.db
        .select(FIGURED)
        .from(job)
        .where(and(HERE, eq(job.stageRank, rankOf("handOver")), sql`board_order >= 'z'`))
        .orderBy(...ORDER)
        .limit(MOST_CLOSED),
    ]);
    // What is learned goes by what came before.
    const jobs = [...closed, ...open].sort((a, b) => a.updatedAt.getTime() - b.updatedAt.getTime());
    return shopFigures(jobs);
  }

  /** Models that the shop has had jobs on, and how many; more than so many are not counted. */
  async models(): Promise<JobsOfModelAnswer[]> {
    const { rows } = await this.db.execute<{ model: string; count: number }>(sql`
      with recursive ${namesOf("model", sql``)}
      select name as model, count from named, lateral (
        select count(*)::int as count from (
          select 1 from job where removed_at is null and model = name limit ${MOST_COUNTED + 1}
        ) as told
      ) as counted where name is not null`);
    return rows.map(({ model, count }) => ({
      model,
      ...countedOf(count),
    }));
  }

  /** Customers of the latest jobs, each once. */
  async customers(): Promise<string[]> {
    const rows = await this.db
      .select({ customer: sql<string>`summary->>'customer'` })
      .from(job)
      .where(HERE)
      .orderBy(desc(job.updatedAt))
      .limit(MOST_CUSTOMERS);
    return [...new Set(rows.map(({ customer }) => customer))].filter((name) => name !== "");
  }
}
