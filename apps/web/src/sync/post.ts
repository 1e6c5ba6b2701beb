import { editsOf, type Batch, type Change, type SyncEvent } from "@dragonet/core";
import type { ChangesAnswer } from "@dragonet/contract";
import { ApiError, OfflineError, ask } from "../base/api.ts";
import { mint } from "../base/mint.ts";
import { bringJob, isOnlyHere } from "./waiting.ts";

/** What a conflict carries besides its words. */
interface Conflict {
  readonly reason?: "clash" | "differs" | "ahead";
  readonly who?: string;
  readonly changes?: readonly Change[];
  readonly closed?: readonly string[];
}

/** Answers that mean "later", whoever gave them: the server, or a proxy in front of it. */
const LATER = new Set([408, 425, 429, 500, 502, 503, 504, 507]);

function ofConflict(batch: Batch, body: Conflict, message: string): SyncEvent {
  const { reason, who = "somebody", changes = [], closed = [] } = body;
  switch (reason) {
    case "clash":
      return { kind: "clashed", batchId: batch.id, who, changes };
    case "differs":
      return { kind: "differs", batchId: batch.id, closed, changes, id: mint("batch") };
    case "ahead":
      return { kind: "ahead", batchId: batch.id };
    case undefined:
      return { kind: "refused", batchId: batch.id, message };
  }
}

function ofTrouble(batch: Batch, error: unknown): SyncEvent {
  if (!(error instanceof ApiError)) {
    const afterMs = error instanceof OfflineError ? error.retryAfterMs : null;
    return { kind: "unreached", batchId: batch.id, afterMs };
  }
  const { status, body, message, retryAfterMs } = error;
  if (LATER.has(status)) return { kind: "unreached", batchId: batch.id, afterMs: retryAfterMs };
  if (status === 401) return { kind: "signedOut", batchId: batch.id };
  if (status === 404 || status === 410) return { kind: "gone", message };
  if (status === 409) return ofConflict(batch, body as Conflict, message);
  return { kind: "refused", batchId: batch.id, message };
}

/** Sends a batch; whatever comes of it is an event for the page that has the job open. */
export async function postBatch(batch: Batch, known: number, leaving = false): Promise<SyncEvent> {
  const body = {
    baseRevision: batch.madeOn,
    follows: batch.follows,
    givenUp: batch.givenUp,
    acts: batch.acts.map(({ id, edits }) => ({ id, edits: edits.length })),
    known,
    edits: editsOf(batch),
    batchId: batch.id,
  };
  try {
    // A job that is only in this browser goes before what was changed in it. A page that goes away
    // has no time to look into the browser's database, and knows by then.
    if (!leaving || isOnlyHere(batch.jobId)) await bringJob(batch.jobId);
  } catch (error) {
    const isSignedOut = error instanceof ApiError && error.status === 401;
    return isSignedOut
      ? { kind: "signedOut", batchId: batch.id }
      : { kind: "unreached", batchId: batch.id, afterMs: null };
  }
  try {
    const path = `jobs/${batch.jobId}/edits`;
    const { changes } = await ask<ChangesAnswer>(path, "POST", body, { leaving });
    return { kind: "taken", batchId: batch.id, changes };
  } catch (error) {
    return ofTrouble(batch, error);
  }
}

/** What was saved to a job after a revision. */
export async function changesSince(jobId: string, revision: number): Promise<readonly Change[]> {
  await bringJob(jobId);
  return (await ask<ChangesAnswer>(`jobs/${jobId}/changes?since=${revision}`)).changes;
}
