import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  uuid,
  varchar,
} from "drizzle-orm/pg-core";
import type { Job, JobSummary } from "@dragonet/core";
import { moment, orderText, shape } from "./columns.ts";

export const job = pgTable(
  "job",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    document: jsonb("document").$type<Job>().notNull(),
    shape: shape(),
    /** What the board shows: derived from the document at every change. */
    summary: jsonb("summary").$type<JobSummary>().notNull(),
    revision: integer("revision").notNull().default(1),
    createdAt: moment("created_at"),
    updatedAt: moment("updated_at"),
    /** When it was put in the bin, and by whom; null while it is not. */
    removedAt: timestamp("removed_at", { withTimezone: true }),
    removedBy: text("removed_by"),
    // What lists go by, out of the summary: kept by the database itself, so that nothing can forget to.
    /** Place of the stage among all of them, from 1. */
    stageRank: smallint("stage_rank")
      .notNull()
      .generatedAlwaysAs(sql`job_stage_rank(summary)`),
    /** Something is left to be done to it. */
    isOpen: boolean("is_open")
      .notNull()
      .generatedAlwaysAs(sql`job_is_open(summary)`),
    /** Jobs with work left by their promise; behind them the others, the latest first. */
    boardOrder: orderText("board_order")
      .notNull()
      .generatedAlwaysAs(sql`job_board_order(summary, updated_at)`),
    model: text("model")
      .notNull()
      .generatedAlwaysAs(sql`coalesce(summary->>'model', '')`),
    bench: text("bench")
      .notNull()
      .generatedAlwaysAs(sql`coalesce(summary->>'bench', '')`),
  },
  (t) => [
    index("job_updated").on(t.updatedAt),
    index("job_board")
      .on(t.stageRank, t.boardOrder, t.id)
      .where(sql`removed_at is null`),
    index("job_open")
      .on(t.boardOrder, t.id)
      .where(sql`removed_at is null and is_open`),
    index("job_bench")
      .on(t.bench, t.stageRank, t.boardOrder, t.id)
      .where(sql`removed_at is null and bench <> ''`),
    index("job_model")
      .on(t.model, t.boardOrder, t.id)
      .where(sql`removed_at is null`),
    index("job_waiting").using("gin", sql`(summary->'waiting') jsonb_path_ops`),
    index("job_free")
      .on(t.stageRank, t.boardOrder, t.id)
      .where(sql`removed_at is null and summary->'waiting' = '[]'::jsonb`),
    index("job_timed")
      .on(t.updatedAt)
      .where(sql`removed_at is null and summary->'time' <> '[]'::jsonb`),
    index("job_removed")
      .on(t.removedAt)
      .where(sql`removed_at is not null`),
    index("job_ledger")
      .on(sql`(document->'vehicle'->>'profileId')`, t.updatedAt)
      .where(
        sql`removed_at is null and (jsonb_array_length(document->'strip') > 0 or jsonb_array_length(document->'templates') > 0)`,
      ),
    // Which jobs hold a part, where its maker calls it back.
    index("job_parts").using("gin", sql`jsonb_path_query_array(document, '$.parts[*].id')`),
    index("job_shape").on(t.shape),
    check("job_revision", sql`${t.revision} >= 1`),
    check("job_bin", sql`(${t.removedAt} is null) = (${t.removedBy} is null)`),
  ],
);

const bytea = customType<{ data: Buffer }>({ dataType: () => "bytea" });

/** A picture of a job, bare of what the camera wrote beside it. */
export const photo = pgTable(
  "photo",
  {
    jobId: uuid("job_id")
      .notNull()
      .references(() => job.id, { onDelete: "cascade" }),
    id: varchar("id", { length: 64 }).notNull(),
    bytes: bytea("bytes").notNull(),
    at: moment("at"),
  },
  (t) => [primaryKey({ columns: [t.jobId, t.id] })],
);
