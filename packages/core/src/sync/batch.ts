import type { Edit } from "../job/index.ts";

/** Edits that belong together: all of them are taken or none. One act of a person. */
export type Act = readonly Edit[];

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
  /** Batches that lay on that document as well, not yet taken by the server. */
  readonly follows: readonly string[];
  /**
   * Batches that it was made of when a person had to choose. Where one of them landed after all,
   * from another page of theirs, this one has nothing more to say, and the other way round.
   */
  readonly replaces: readonly string[];
  readonly acts: readonly Act[];
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

export const editsOf = (batch: Pick<Batch, "acts">): readonly Edit[] => batch.acts.flat();
