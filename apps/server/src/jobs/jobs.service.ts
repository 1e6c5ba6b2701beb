import { Inject, Injectable } from "@nestjs/common";
import { and, asc, desc, eq, gt, ne, sql } from "drizzle-orm";
import type pg from "pg";
import {
  DEFAULT_PRACTICES,
  applyEdits,
  carriedOver,
  clashes,
  createJob,
  describeEdit,
  jobSummary,
  type CarriedOver,
  type Edit,
  type Job,
  type JobSummary,
} from "@dragonet/core";
import { checkJobDocument, readJobFile, type NewJobRequest } from "@dragonet/contract";
import { CONNECTION, DATABASE, type Database, type Transaction } from "../database/database.ts";
import { job, jobChange, person, shop, vehicleProfile } from "../database/schema.ts";
import { conflict, notFound, notValid } from "../http/refusal.ts";
import type { SignedIn } from "../people/access.ts";

export interface JobListItem extends JobSummary {
  readonly id: string;
  readonly revision: number;
  readonly updatedAt: string;
}

export interface JobView {
  readonly id: string;
  readonly revision: number;
  readonly document: Job;
}

/** What saving answers: the new revision, and what others did meanwhile. */
export interface Saved {
  readonly revision: number;
  readonly missed: readonly Edit[];
}

export interface HistoryItem {
  readonly revision: number;
  readonly at: string;
  readonly who: string;
  readonly lines: readonly string[];
}

type Row = typeof job.$inferSelect;

/** Lines of history for one batch; more of them than this tell nobody anything. */
const MOST_LINES = 40;

function linesOf(edits: readonly Edit[], before: Job, after: Job): string[] {
  const lines = edits.map((e) => describeEdit(e, e.kind === "remove" ? before : after));
  return lines.length > MOST_LINES
    ? [...lines.slice(0, MOST_LINES), `and ${lines.length - MOST_LINES} more`]
    : lines;
}

@Injectable()
export class JobsService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(CONNECTION) private readonly pool: pg.Pool,
  ) {}

  async list(): Promise<JobListItem[]> {
    const rows = await this.db
      .select({
        id: job.id,
        revision: job.revision,
        summary: job.summary,
        updatedAt: job.updatedAt,
      })
      .from(job)
      .orderBy(desc(job.updatedAt));
    return rows.map(({ id, revision, summary, updatedAt }) => ({
      ...summary,
      id,
      revision,
      updatedAt: updatedAt.toISOString(),
    }));
  }

  async read(id: string): Promise<JobView> {
    const [row] = await this.db.select().from(job).where(eq(job.id, id));
    if (!row) throw notFound("job", id);
    return { id: row.id, revision: row.revision, document: row.document };
  }

  /**
   * A job as JSON text, the document as the database has it: reading is what pages do
   * most, and the document need not be taken apart for it.
   */
  async readText(id: string): Promise<string> {
    const { rows } = await this.pool.query<{ revision: number; document: string }>({
      name: "read-job",
      text: "select revision, document::text as document from job where id = $1",
      values: [id],
    });
    const [row] = rows;
    if (!row) throw notFound("job", id);
    return `{"id":"${id}","revision":${row.revision},"document":${row.document}}`;
  }

  /** A new job on its own copy of a vehicle profile, with the shop's practices. */
  async create(wanted: NewJobRequest, me: SignedIn): Promise<JobView> {
    const [profile] = await this.db
      .select()
      .from(vehicleProfile)
      .where(eq(vehicleProfile.id, wanted.profileId));
    if (!profile) throw notFound("vehicle profile", wanted.profileId);
    const [row] = await this.db.select({ practices: shop.practices }).from(shop);
    const vehicle = { ...profile.value, machine: wanted.machine };
    const made = createJob(
      wanted.title,
      wanted.customer,
      vehicle,
      row?.practices ?? DEFAULT_PRACTICES,
    );
    const before = await this.ledgerBefore(wanted.profileId, null);
    return before
      ? this.insert(
          { ...made, ...before.carried },
          me,
          `job opened; ledger and templates of “${before.title}” taken over`,
        )
      : this.insert(made, me, "job opened");
  }

  /** What the last job on a model found out about it; null when none kept a ledger. */
  async ledgerBefore(
    profileId: string,
    notId: string | null,
  ): Promise<{ readonly title: string; readonly carried: CarriedOver } | null> {
    const rows = await this.db
      .select({ document: job.document })
      .from(job)
      .where(
        and(
          sql`${job.document}->'vehicle'->>'profileId' = ${profileId}`,
          sql`(jsonb_array_length(${job.document}->'strip') > 0
            or jsonb_array_length(${job.document}->'templates') > 0)`,
          ...(notId === null ? [] : [ne(job.id, notId)]),
        ),
      )
      .orderBy(desc(job.updatedAt))
      .limit(1);
    const document = rows[0]?.document;
    return document ? { title: document.card.title, carried: carriedOver(document) } : null;
  }

  /** Takes a job file in. Every fault is told with its path, and then nothing is stored. */
  async importFile(text: string, me: SignedIn): Promise<JobView> {
    const read = readJobFile(text);
    if (!read.ok) throw notValid("this job file cannot be read; nothing was stored", read.faults);
    return this.insert(read.value, me, "job imported from a file");
  }

  private async insert(document: Job, me: SignedIn, line: string): Promise<JobView> {
    return this.db.transaction(async (tx) => {
      const [row] = await tx
        .insert(job)
        .values({ document, summary: jobSummary(document) })
        .returning();
      await this.record(tx, row!, `open-${row!.id}`, me, { edits: [], inverse: [], lines: [line] });
      return { id: row!.id, revision: row!.revision, document };
    });
  }

  private async record(
    tx: Transaction,
    row: Row,
    batchId: string,
    me: SignedIn,
    what: { edits: readonly Edit[]; inverse: readonly Edit[]; lines: readonly string[] },
  ): Promise<void> {
    await tx
      .insert(jobChange)
      .values({ jobId: row.id, revision: row.revision, batchId, personId: me.id, ...what });
  }

  /** Locks a job's row for the rest of the transaction. */
  private async locked(tx: Transaction, id: string): Promise<Row> {
    const [row] = await tx.select().from(job).where(eq(job.id, id)).for("update");
    if (!row) throw notFound("job", id);
    return row;
  }

  private async store(
    tx: Transaction,
    row: Row,
    edits: readonly Edit[],
    batchId: string,
    me: SignedIn,
    extraLine?: string,
  ): Promise<number> {
    const applied = applyEdits(row.document, edits);
    if (!applied.ok) {
      throw notValid(`${applied.path}: ${applied.message}`, [
        { path: applied.path, message: applied.message },
      ]);
    }
    const checked = checkJobDocument(applied.job);
    if (!checked.ok) {
      const [first] = checked.faults;
      throw notValid(`${first!.path}: ${first!.message}; nothing was stored`, checked.faults);
    }
    const [next] = await tx
      .update(job)
      .set({
        document: applied.job,
        summary: jobSummary(applied.job),
        revision: row.revision + 1,
        updatedAt: sql`now()`,
      })
      .where(eq(job.id, row.id))
      .returning();
    const lines = linesOf(edits, row.document, applied.job);
    await this.record(tx, next!, batchId, me, {
      edits,
      inverse: applied.inverse,
      lines: extraLine === undefined ? lines : [extraLine, ...lines],
    });
    return next!.revision;
  }

  /**
   * Saves a batch of edits made on a known revision. What others saved since is merged
   * when it touches other places; where both want the same place nothing is stored and
   * the clash is answered. A batch that arrives twice is taken once.
   */
  async save(
    id: string,
    baseRevision: number,
    edits: readonly Edit[],
    batchId: string,
    me: SignedIn,
  ): Promise<Saved> {
    return this.db.transaction(async (tx) => {
      const row = await this.locked(tx, id);
      const since = await tx
        .select()
        .from(jobChange)
        .where(and(eq(jobChange.jobId, id), gt(jobChange.revision, baseRevision)))
        .orderBy(asc(jobChange.revision));
      const again = since.find((change) => change.batchId === batchId);
      if (again) {
        const missed = since.filter((c) => c !== again).flatMap((c) => c.edits);
        return { revision: row.revision, missed };
      }
      if (baseRevision > row.revision) {
        throw conflict(`revision ${baseRevision} is not known here; reload the job`);
      }
      const missed = since.flatMap((change) => change.edits);
      const clash = clashes(edits, missed);
      if (clash.length > 0) {
        throw conflict("somebody changed the same place", {
          revision: row.revision,
          missed,
          clashes: clash.map(({ mine, theirs }) => ({
            mine: describeEdit(mine, row.document),
            theirs: describeEdit(theirs, row.document),
          })),
          who: await this.nameOf(tx, since.at(-1)?.personId ?? null),
        });
      }
      return { revision: await this.store(tx, row, edits, batchId, me), missed };
    });
  }

  private async nameOf(tx: Transaction, personId: string | null): Promise<string> {
    if (personId === null) return "somebody";
    const [row] = await tx
      .select({ name: person.name })
      .from(person)
      .where(eq(person.id, personId));
    return row?.name ?? "somebody";
  }

  /** What was saved after a revision: for pages that look whether others have been at it. */
  async changesSince(id: string, revision: number): Promise<Saved> {
    const [row] = await this.db.select({ revision: job.revision }).from(job).where(eq(job.id, id));
    if (!row) throw notFound("job", id);
    if (row.revision === revision) return { revision, missed: [] };
    const rows = await this.db
      .select({ edits: jobChange.edits, revision: jobChange.revision })
      .from(jobChange)
      .where(and(eq(jobChange.jobId, id), gt(jobChange.revision, revision)))
      .orderBy(asc(jobChange.revision));
    return {
      revision: rows.at(-1)?.revision ?? revision,
      missed: rows.flatMap((r) => r.edits),
    };
  }

  async history(id: string): Promise<HistoryItem[]> {
    const rows = await this.db
      .select({
        revision: jobChange.revision,
        at: jobChange.at,
        who: person.name,
        lines: jobChange.lines,
      })
      .from(jobChange)
      .leftJoin(person, eq(jobChange.personId, person.id))
      .where(eq(jobChange.jobId, id))
      .orderBy(desc(jobChange.revision))
      .limit(500);
    if (rows.length === 0) throw notFound("job", id);
    return rows.map((r) => ({ ...r, at: r.at.toISOString(), who: r.who ?? "somebody" }));
  }

  /** Takes a job back to how it was at a revision, as one more change on top. */
  async restore(id: string, revision: number, me: SignedIn): Promise<Saved> {
    return this.db.transaction(async (tx) => {
      const row = await this.locked(tx, id);
      const later = await tx
        .select({ inverse: jobChange.inverse })
        .from(jobChange)
        .where(and(eq(jobChange.jobId, id), gt(jobChange.revision, revision)))
        .orderBy(desc(jobChange.revision));
      const edits = later.flatMap((change) => change.inverse);
      if (edits.length === 0) return { revision: row.revision, missed: [] };
      const batchId = `restore-${row.revision}-${revision}`;
      const line = `taken back to revision ${revision}`;
      return { revision: await this.store(tx, row, edits, batchId, me, line), missed: edits };
    });
  }

  async remove(id: string): Promise<void> {
    const gone = await this.db.delete(job).where(eq(job.id, id)).returning({ id: job.id });
    if (gone.length === 0) throw notFound("job", id);
  }
}
