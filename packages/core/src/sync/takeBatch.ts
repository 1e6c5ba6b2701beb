import equal from "fast-deep-equal";
import { clashes, type Clash, type Edit } from "../job/index.ts";
import type { Change } from "./batch.ts";

export interface BatchRequest {
  readonly batchId: string;
  readonly madeOn: number;
  readonly follows: readonly string[];
  readonly replaces: readonly string[];
  readonly edits: readonly Edit[];
}

export type Taking =
  /** New, and in nobody's way. */
  | { readonly kind: "new" }
  /** Taken before: the answer was lost on its way. */
  | { readonly kind: "again" }
  /** An earlier batch of this id held other edits. */
  | { readonly kind: "differs"; readonly taken: readonly Edit[] }
  /** Made on a revision that is not known here: the shop was set back to an older state. */
  | { readonly kind: "ahead" }
  | { readonly kind: "clash"; readonly pairs: readonly Clash[]; readonly who: string };

/**
 * What the server does with a batch, decided on the job's row while it is locked.
 *
 * @param revision the job's revision now
 * @param taken the change that this batch's id made before, or null
 * @param replaced whether a batch that this one replaces was taken, or one that replaces it
 * @param since changes after the revision that the batch was made on, in order
 */
export function takeBatch(
  request: BatchRequest,
  revision: number,
  taken: Change | null,
  replaced: boolean,
  since: readonly Change[],
): Taking {
  // The id first: a batch that was taken is taken, whatever it was made on.
  if (taken) {
    return equal(taken.edits, request.edits)
      ? { kind: "again" }
      : { kind: "differs", taken: taken.edits };
  }
  if (replaced) return { kind: "again" };
  if (request.madeOn > revision) return { kind: "ahead" };
  const others = since.filter((change) => !request.follows.includes(change.batchId));
  const pairs = clashes(
    request.edits,
    others.flatMap((change) => change.edits),
  );
  if (pairs.length === 0) return { kind: "new" };
  const theirs = others.findLast((change) => pairs.some((p) => change.edits.includes(p.theirs)));
  return { kind: "clash", pairs, who: theirs?.who ?? "somebody" };
}
