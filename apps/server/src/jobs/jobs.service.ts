import { Inject, Injectable } from "@nestjs/common";
import { and, desc, eq, isNotNull, isNull, ne, sql } from "drizzle-orm";
import type pg from "pg";
import {
  DEFAULT_PRACTICES,
  carriedOver,
  createJob,
  knowledgeOf,
  startFrom,
  whichOf,
  type CarriedOver,
  type Job,
} from "@dragonet/core";
import {
  MOST_REVISION,
  type BinnedJobAnswer,
  type JobAnswer,
  type NewJobRequest,
  type RevisionAnswer,
  JobFileRequest,
} from "@dragonet/contract";
import { databaseUrl, directUrl } from "../database/addresses.ts";
import { CONNECTION, DATABASE, type Database } from "../database/database.ts";
import { job, jobChange, shop, vehicleProfile } from "../database/schema.ts";
import { conflict, gone, notFound, notValid } from "../http/refusal.ts";
import type { SignedIn } from "../people/access.ts";
import { ModelsService } from "../vehicles/models.service.ts";
import { WorkPool } from "../work/pool.ts";
import { historyOf, insertJob } from "./jobRows.ts";

interface TextRow {
  readonly revision: number;
  readonly document: string;
  readonly removed_at: Date | null;
  readonly removed_by: string | null;
}

const inBin = (by: string | null) =>
  gone(`this job was put in the bin by ${by ?? "somebody"}; an owner can take it out again`);

/** Revisions of history told at once; older ones are asked for by the last that was told. */
const MOST_HISTORY = 100;

/** Jobs of the bin that are told, the latest: older ones are found when these are gone. */
const MOST_BINNED = 200;

@Injectable()
export class JobsService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(CONNECTION) private readonly connection: pg.Pool,
    @Inject(WorkPool) private readonly pool: WorkPool,
    @Inject(ModelsService) private readonly models: ModelsService,
  ) {}

  async read(id: string): Promise<JobAnswer> {
    const [row] = await this.db.select().from(job).where(eq(job.id, id));
    if (!row) throw notFound("job", id);
    if (row.removedAt) throw inBin(row.removedBy);
    return { id: row.id, revision: row.revision, document: row.document };
  }

  /**
   * A job as JSON text, the document as the database has it: reading is what pages do
   * most, and the document need not be taken apart for it.
   */
  async readText(id: string): Promise<string> {
    const { rows } = await this.connection.query<TextRow>({
      // Named where one connection is one server's: a pooler between hands it to anybody.
      ...(directUrl() === databaseUrl() && { name: "read-job" }),
      text: "select revision, document::text as document, removed_at, removed_by from job where id = $1",
      values: [id],
    });
    const [row] = rows;
    if (!row) throw notFound("job", id);
    if (row.removed_at) throw inBin(row.removed_by);
    return `{"id":"${id}","revision":${row.revision},"document":${row.document}}`;
  }

  /** A new job on its own copy of a vehicle profile, with the shop's practices. */
  async create(wanted: NewJobRequest, me: SignedIn): Promise<JobAnswer> {
    const [profile] = await this.db
      .select()
      .from(vehicleProfile)
      .where(eq(vehicleProfile.id, wanted.profileId));
    if (!profile) throw notFound("vehicle profile", wanted.profileId);
    const [row] = await this.db.select({ practices: shop.practices }).from(shop);
    const { value } = profile;
    const known = knowledgeOf(await this.models.measurements(profile.id), whichOf(value));
    const vehicle = startFrom(value, known, wanted.machine);
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
          // As its index has it.
          sql`removed_at is null and document->'vehicle'->>'profileId' = ${profileId}`,
          sql`(jsonb_array_length(document->'strip') > 0
            or jsonb_array_length(document->'templates') > 0)`,
          ...(notId === null ? [] : [ne(job.id, notId)]),
        ),
      )
      .orderBy(desc(job.updatedAt))
      .limit(1);
    const document = rows[0]?.document;
    return document ? { title: document.card.title, carried: carriedOver(document) } : null;
  }

  /** Takes a job file in. Every fault is told with its path, and then nothing is stored. */
  async importFile({ id, text, said = "" }: JobFileRequest, me: SignedIn): Promise<JobAnswer> {
    const opened = id === undefined ? null : await this.openedBy(id, me);
    if (opened) return opened;
    const read = await this.pool.run<"jobFile">({ kind: "jobFile", text });
    if (!read.ok) throw notValid("this job file cannot be read; nothing was stored", read.faults);
    const sentence = said.replace(/\s+/g, " ").trim();
    const line = sentence === "" ? "job imported from a file" : `job planned from “${sentence}”`;
    try {
      return await this.insert(read.value, me, line, id);
    } catch (error) {
      // Two pages of one browser may send it at once.
      const other = id === undefined ? null : await this.openedBy(id, me);
      if (other) return other;
      throw error;
    }
  }

  /** A job that a person has opened by an id before; refuses an id that is another's. */
  private async openedBy(id: string, me: SignedIn): Promise<JobAnswer | null> {
    const [opening] = await this.db
      .select({ personId: jobChange.personId })
      .from(jobChange)
      .where(and(eq(jobChange.jobId, id), eq(jobChange.batchId, `open-${id}`)));
    if (!opening) return null;
    if (opening.personId !== me.id) {
      throw conflict("another job has this id: nothing was stored; send it under a new one");
    }
    return this.read(id);
  }

  private async insert(document: Job, me: SignedIn, line: string, id?: string): Promise<JobAnswer> {
    const row = await insertJob(this.db, document, me, line, id);
    return { id: row.id, revision: row.revision, document };
  }

  /** A page of a job's history, newest first, before a revision where one is given. */
  async history(id: string, before: number | null): Promise<RevisionAnswer[]> {
    const items = await historyOf(this.db, id, before ?? MOST_REVISION, MOST_HISTORY);
    if (items.length === 0 && before === null) throw notFound("job", id);
    return items;
  }

  /** Puts a job in the bin: off the board, its history and pictures kept. */
  async remove(id: string, me: SignedIn): Promise<string> {
    const [row] = await this.db
      .update(job)
      .set({ removedAt: sql`now()`, removedBy: me.name })
      .where(and(eq(job.id, id), isNull(job.removedAt)))
      .returning({ summary: job.summary });
    if (!row) throw notFound("job", id);
    return row.summary.title;
  }

  async bin(): Promise<BinnedJobAnswer[]> {
    const rows = await this.db
      .select()
      .from(job)
      .where(isNotNull(job.removedAt))
      .orderBy(desc(job.removedAt))
      .limit(MOST_BINNED);
    return rows.map(({ id, summary, removedAt, removedBy }) => ({
      id,
      title: summary.title,
      customer: summary.customer,
      removedAt: removedAt?.toISOString() ?? "",
      removedBy: removedBy ?? "somebody",
    }));
  }

  async takeOut(id: string): Promise<string> {
    const [row] = await this.db
      .update(job)
      .set({ removedAt: null, removedBy: null })
      .where(and(eq(job.id, id), isNotNull(job.removedAt)))
      .returning({ summary: job.summary });
    if (!row) throw notFound("job in the bin", id);
    return row.summary.title;
  }
}
