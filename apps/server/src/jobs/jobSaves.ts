import { randomUUID } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import { eq } from "drizzle-orm";
import {
  actIdsOf,
  describeEdit,
  editsOf,
  takeBatch,
  type BatchRequest,
  type Change,
  type Edit,
  type Job,
  type NamedAct,
} from "@dragonet/core";
import type { ChangesAnswer } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { job } from "../database/schema.ts";
import { conflict, notFound } from "../http/refusal.ts";
import type { SignedIn } from "../people/access.ts";
import { WorkPool } from "../work/pool.ts";
import {
  changeOfBatch,
  changesAfter,
  closedActs,
  inversesAfter,
  MOST_CHANGES,
  lockedRow,
  storeEdits,
  type JobRow,
} from "./jobRows.ts";

/** Saving jobs: batches, what others have missed, and the way back. */
@Injectable()
export class JobSaves {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(WorkPool) private readonly pool: WorkPool,
  ) {}

  /**
   * Saves a batch of edits made on a known revision. What others saved since is merged
   * when it touches other places; where both want the same place nothing is stored and
   * the clash is answered. A batch that arrives twice is taken once.
   *
   * @param known revision of the page: it is told the changes after it
   */
  async save(
    id: string,
    request: BatchRequest,
    known: number,
    me: SignedIn,
  ): Promise<ChangesAnswer> {
    return this.db.transaction(async (tx) => {
      const row = await lockedRow(tx, id);
      const taken = await changeOfBatch(tx, id, request.id);
      const since = await changesAfter(tx, id, Math.min(known, request.madeOn));
      const others = since.filter((change) => change.revision > request.madeOn);
      const closed = await closedActs(tx, id, actIdsOf(request));
      const taking = takeBatch(request, row.revision, taken, closed, others);
      const told = since.slice(-MOST_CHANGES);
      const now = { revision: row.revision, changes: told };
      switch (taking.kind) {
        case "again":
          return now;
        case "differs":
          throw conflict("this batch was taken before with other edits", {
            reason: "differs",
            taken: taking.taken,
            closed: taking.closed,
            ...now,
          });
        case "ahead":
          throw conflict(`revision ${request.madeOn} is not known here; reload the job`, {
            reason: "ahead",
            revision: row.revision,
          });
        case "clash":
          throw conflict("somebody changed the same place", {
            reason: "clash",
            clashes: taking.pairs.map(({ mine, theirs }) => ({
              mine: describeEdit(mine, row.document),
              theirs: describeEdit(theirs, row.document),
            })),
            who: taking.who,
            ...now,
          });
        case "new":
          return this.store(tx, row, request, taking.acts, told, me);
      }
    });
  }

  private async store(
    tx: Parameters<typeof storeEdits>[0],
    row: JobRow,
    { id: batchId, givenUp }: BatchRequest,
    taken: readonly NamedAct[],
    since: readonly Change[],
    me: SignedIn,
  ): Promise<ChangesAnswer> {
    const edits = editsOf({ acts: taken });
    const acts = [...actIdsOf({ acts: taken }), ...givenUp];
    const revision = await storeEdits(tx, this.pool, row, { edits, batchId, acts }, me);
    return { revision, changes: [...since, { revision, batchId, who: me.name, acts, edits }] };
  }

  /** Makes edits of a job as it is at this moment; false where there are none to be made. */
  async apply(
    id: string,
    make: (document: Job) => readonly Edit[],
    line: string,
    me: SignedIn,
  ): Promise<boolean> {
    return this.db.transaction(async (tx) => {
      const row = await lockedRow(tx, id);
      const edits = make(row.document);
      if (edits.length === 0) return false;
      const batchId = `server-${row.revision}-${randomUUID()}`;
      await storeEdits(tx, this.pool, row, { edits, batchId, line }, me);
      return true;
    });
  }

  /** What was saved after a revision: for pages that look whether others have been at it. */
  async changesSince(id: string, revision: number): Promise<ChangesAnswer> {
    const [row] = await this.db.select({ revision: job.revision }).from(job).where(eq(job.id, id));
    if (!row) throw notFound("job", id);
    const changes = row.revision === revision ? [] : await changesAfter(this.db, id, revision);
    return {
      revision: changes.at(-1)?.revision ?? row.revision,
      changes: changes.slice(-MOST_CHANGES),
    };
  }

  /** Takes a job back to how it was at a revision, as one more change on top. */
  async restore(id: string, revision: number, me: SignedIn): Promise<ChangesAnswer> {
    return this.db.transaction(async (tx) => {
      const row = await lockedRow(tx, id);
      const edits = await inversesAfter(tx, id, revision);
      if (edits.length === 0) return { revision: row.revision, changes: [] };
      const batchId = `restore-${row.revision}-${revision}`;
      const line = `taken back to revision ${revision}`;
      const next = await storeEdits(tx, this.pool, row, { edits, batchId, line }, me);
      return {
        revision: next,
        changes: [{ revision: next, batchId, who: me.name, acts: [], edits }],
      };
    });
  }
}
