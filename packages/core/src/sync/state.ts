import { applyEdits, integrityFaults, type Conflict, type Edit, type Job } from "../job/index.ts";
import { isFinal, type Act, type Batch, type Change } from "./batch.ts";

/** A batch that waits, and what others saved without it having been seen. */
export interface Disputed {
  readonly batchId: string;
  readonly theirs: readonly Edit[];
  readonly pairs: readonly Conflict[];
}

/** Two people wanted different things of one place: one choice for all that waits. */
export interface ConflictShown {
  readonly who: string;
  readonly revision: number;
  readonly disputed: readonly Disputed[];
}

/** What the server will never take, kept and shown. */
export interface SetAside {
  readonly batch: Batch;
  readonly message: string;
}

/** One step back: what was done, and what takes it back. */
export interface UndoStep {
  readonly act: Act;
  readonly inverse: Act;
}

/** Between this page and the server. */
export type Line = "clear" | "cut" | "signedOut";

/** A job as one page has it: what the server has, and what waits to be taken. */
export interface SyncState {
  readonly jobId: string;
  readonly personId: string;
  readonly tab: string;
  /** As the server has it at `revision`, to the letter. */
  readonly base: Job;
  readonly revision: number;
  /** As the person sees it: base, with what waits on top as far as it fits. */
  readonly job: Job;
  /** What waits, in the order in which it was made. */
  readonly queue: readonly Batch[];
  /** Id of the batch on its way. */
  readonly flight: string | null;
  /** When the next batch is to go, ms since 1970; null while nothing is to be sent. */
  readonly sendAt: number | null;
  readonly line: Line;
  /** Tries in a row that did not reach the server. */
  readonly missed: number;
  readonly clash: ConflictShown | null;
  readonly setAside: readonly SetAside[];
  readonly undoSteps: readonly UndoStep[];
  readonly redoSteps: readonly UndoStep[];
  /** Whether the browser keeps what waits, so that a closed page loses nothing. */
  readonly kept: boolean;
}

/** A job as it was read, and what of it waits in this browser. */
export interface Opening {
  readonly jobId: string;
  readonly personId: string;
  readonly tab: string;
  readonly revision: number;
  readonly document: Job;
  readonly waiting: readonly Batch[];
  readonly setAside: readonly SetAside[];
}

/** Acts on a document as far as they fit: one that makes no sense any more is left out. */
export function layOn(base: Job, queue: readonly Batch[]): Job {
  let job = base;
  for (const { acts } of queue) {
    for (const { edits } of acts) {
      const result = applyEdits(job, edits);
      if (result.ok && integrityFaults(result.job).length === 0) job = result.job;
    }
  }
  return job;
}

/**
 * The document after changes of the server, or null where one is missing between: then the
 * job has to be read anew.
 */
export function advance(
  base: Job,
  revision: number,
  changes: readonly Change[],
): { readonly base: Job; readonly revision: number } | null {
  let at = { base, revision };
  for (const change of changes) {
    if (change.revision <= at.revision) continue;
    const result = applyEdits(at.base, change.edits);
    if (change.revision !== at.revision + 1 || !result.ok) return null;
    at = { base: result.job, revision: change.revision };
  }
  return at;
}

/** A page's state of a job that it has just read. */
export function openSync(opening: Opening, now: number): SyncState {
  const { jobId, personId, tab, revision, document, setAside } = opening;
  const queue = opening.waiting
    // What another page may still add to is left to it.
    .filter((batch) => batch.tab === tab || isFinal(batch, now))
    .map((batch) => ({ ...batch, sealed: true }))
    .sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  return {
    jobId,
    personId,
    tab,
    base: document,
    revision,
    job: layOn(document, queue),
    queue,
    flight: null,
    sendAt: queue.length > 0 ? now : null,
    line: "clear",
    missed: 0,
    clash: null,
    setAside,
    undoSteps: [],
    redoSteps: [],
    kept: true,
  };
}
