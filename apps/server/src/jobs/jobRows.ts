import { and, arrayOverlaps, asc, desc, eq, gt, sql } from "drizzle-orm";
import { SHAPE_VERSION, jobSummary, type Change, type Edit, type Job } from "@dragonet/core";
import type { Database, Transaction } from "../database/database.ts";
import { job, jobChange, person } from "../database/schema.ts";
import { gone, notFound, notValid, superseded } from "../http/refusal.ts";
import type { SignedIn } from "../people/access.ts";
import { noteFound, noteNew } from "../vehicles/found.ts";
import type { WorkPool } from "../work/pool.ts";

export type JobRow = typeof job.$inferSelect;

/** Changes told at once: a page that has missed more sees the gap and reads the job anew. */
export const MOST_CHANGES = 500;

const whoMade = sql<string>`coalesce(${person.name}, ${jobChange.who})`;

/** A new job with the first line of its history; under an id of its own where one is given. */
export async function insertJob(
  db: Database,
  document: Job,
  me: SignedIn,
  line: string,
  id?: string,
): Promise<JobRow> {
  return db.transaction(async (tx) => {
    const [row] = await tx
      .insert(job)
      .values({ ...(id !== undefined && { id }), document, summary: jobSummary(document) })
      .returning();
    if (!row) throw new Error("the database kept no row");
    await tx.insert(jobChange).values({
      jobId: row.id,
      revision: row.revision,
      batchId: `open-${row.id}`,
      personId: me.id,
      edits: [],
      inverse: [],
      lines: [line],
    });
    await noteNew(tx, row.id, document.vehicle, me.name);
    return row;
  });
}

/** Locks a job's row for the rest of the transaction. */
export async function lockedRow(tx: Transaction, id: string): Promise<JobRow> {
  const [row] = await tx.select().from(job).where(eq(job.id, id)).for("update");
  if (!row) throw notFound("job", id);
  // Brought up between a request's first look and its own.
  if (row.shape > SHAPE_VERSION) throw superseded();
  if (row.removedAt) throw gone("this job is in the bin: nothing was stored");
  return row;
}

/** Changes after a revision, in order. */
export async function changesAfter(
  db: Database | Transaction,
  id: string,
  revision: number,
): Promise<Change[]> {
  const rows = await db
    .select({
      revision: jobChange.revision,
      batchId: jobChange.batchId,
      who: whoMade,
      acts: jobChange.acts,
      edits: jobChange.edits,
    })
    .from(jobChange)
    .leftJoin(person, eq(jobChange.personId, person.id))
    .where(and(eq(jobChange.jobId, id), gt(jobChange.revision, revision)))
    .orderBy(asc(jobChange.revision));
  return rows.map((row) => ({ ...row, who: row.who || "somebody" }));
}

/** The change that a batch made, or null. */
export async function changeOfBatch(
  tx: Transaction,
  id: string,
  batchId: string,
): Promise<Change | null> {
  const [row] = await tx
    .select({
      revision: jobChange.revision,
      batchId: jobChange.batchId,
      acts: jobChange.acts,
      edits: jobChange.edits,
    })
    .from(jobChange)
    .where(and(eq(jobChange.jobId, id), eq(jobChange.batchId, batchId)));
  return row ? { ...row, who: "" } : null;
}

/** Which of these acts earlier changes took, or their person gave up. */
export async function closedActs(
  tx: Transaction,
  id: string,
  acts: readonly string[],
): Promise<ReadonlySet<string>> {
  const rows = await tx
    .select({ acts: jobChange.acts })
    .from(jobChange)
    .where(and(eq(jobChange.jobId, id), arrayOverlaps(jobChange.acts, [...acts])));
  const closed = new Set(rows.flatMap((row) => row.acts));
  return new Set(acts.filter((act) => closed.has(act)));
}

/** What takes a job back from its revision to an earlier one, newest first. */
export async function inversesAfter(
  tx: Transaction,
  id: string,
  revision: number,
): Promise<readonly Edit[]> {
  const rows = await tx
    .select({ inverse: jobChange.inverse })
    .from(jobChange)
    .where(and(eq(jobChange.jobId, id), gt(jobChange.revision, revision)))
    .orderBy(desc(jobChange.revision));
  return rows.flatMap((row) => row.inverse);
}

/**
 * Stores what edits make of a locked job, with its history, once they are worked out away from
 * the other requests. Answers the new revision; refuses with every fault and stores nothing.
 */
export async function storeEdits(
  tx: Transaction,
  pool: WorkPool,
  row: JobRow,
  {
    edits,
    batchId,
    acts = [],
    line,
  }: {
    readonly edits: readonly Edit[];
    readonly batchId: string;
    /** Names of the acts that it takes or closes. */
    readonly acts?: readonly string[];
    /** Told before the edits' own lines. */
    readonly line?: string;
  },
  me: SignedIn,
): Promise<number> {
  const made = await pool.run({ kind: "edits", document: row.document, edits });
  if (!made.ok) throw notValid(made.message, made.faults);
  const revision = row.revision + 1;
  await tx
    .update(job)
    .set({ document: made.job, summary: made.summary, revision, updatedAt: sql`now()` })
    .where(eq(job.id, row.id));
  await tx.insert(jobChange).values({
    jobId: row.id,
    revision,
    batchId,
    personId: me.id,
    acts: [...acts],
    edits,
    inverse: made.inverse,
    lines: line === undefined ? made.lines : [line, ...made.lines],
  });
  await noteFound(tx, row.id, row.document.vehicle, made.job.vehicle, me.name);
  return revision;
}

/** A job's history, newest first, before a revision where one is given. */
export async function historyOf(db: Database, id: string, before: number, most: number) {
  const rows = await db
    .select({
      revision: jobChange.revision,
      at: jobChange.at,
      who: whoMade,
      lines: jobChange.lines,
    })
    .from(jobChange)
    .leftJoin(person, eq(jobChange.personId, person.id))
    .where(and(eq(jobChange.jobId, id), sql`${jobChange.revision} < ${before}`))
    .orderBy(desc(jobChange.revision))
    .limit(most);
  return rows.map((r) => ({ ...r, at: r.at.toISOString(), who: r.who || "somebody" }));
}
