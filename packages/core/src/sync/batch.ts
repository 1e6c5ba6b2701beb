import type { Edit } from "../job/index.ts";

/** Edits that belong together: all of them are taken or none. One act of a person. */
export type Act = readonly Edit[];

/**
 * An act under the name that it keeps in whatever batch it comes to the server: batches are
 * parted, made anew and sent by several pages, and by its name the server takes it once.
 */
export interface NamedAct {
  readonly id: string;
  readonly edits: Act;
}

/**
 * Acts that go to the server under one id. It is kept in the browser before it is sent, and
 * from then on never changes, so that the server can take it once however often it comes.
 */
export interface Batch {
  readonly id: string;
  readonly jobId: string;
  readonly personId: string;
  /** The page that made it. */
  readonly tab: string;
  /** Revision of the document that the person had before them. */
  readonly madeOn: number;
  /** Acts that lay on that document as well, not yet taken by the server. */
  readonly follows: readonly string[];
  /** Acts that the person gave up when asked: not to be taken from another page any more. */
  readonly givenUp: readonly string[];
  readonly acts: readonly NamedAct[];
  /** Sent once at least: nothing is added to it any more. */
  readonly sealed: boolean;
  /** One act of a batch that was refused as a whole. */
  readonly single: boolean;
  /** When it was begun, ms since 1970, to bring the batches of several pages in order. */
  readonly at: number;
}

/** A batch as the server has taken it. */
export interface Change {
  readonly revision: number;
  readonly batchId: string;
  readonly who: string;
  /** Names of the acts that it took or closed; none where a client does not name them. */
  readonly acts: readonly string[];
  readonly edits: readonly Edit[];
}

/** How long acts are added to a batch, ms: after it nobody has another version of it. */
export const GROW_MS = 2000;

/**
 * Whether a batch in the browser's store will not change any more, so that another page may
 * take it up or send it. Twice the time, for a page whose clock ticks late.
 */
export const isFinal = (batch: Batch, now: number): boolean =>
  batch.sealed || now - batch.at > 2 * GROW_MS;

/** All edits of a batch, in order. */
export const editsOf = (batch: Pick<Batch, "acts">): readonly Edit[] =>
  batch.acts.flatMap((act) => act.edits);

/** Names of the acts in a batch. */
export const actIdsOf = (batch: Pick<Batch, "acts">): readonly string[] =>
  batch.acts.map((act) => act.id);
