import equal from "fast-deep-equal";
import { clashes, type Conflict, type Edit } from "../job/index.ts";
import { actIdsOf, editsOf, type Batch, type Change, type NamedAct } from "./batch.ts";

/** A batch as it comes to the server. */
export type BatchRequest = Pick<Batch, "id" | "madeOn" | "follows" | "givenUp" | "acts">;

/** What a server does with a batch. */
export type Taking =
  /** New, and in nobody's way: these acts of it. */
  | { readonly kind: "new"; readonly acts: readonly NamedAct[] }
  /** Taken before: the answer was lost on its way, or another page sent it in another batch. */
  | { readonly kind: "again" }
  /** An earlier batch of this id held other edits; of the acts of this one, some are closed. */
  | {
      readonly kind: "differs";
      readonly taken: readonly Edit[];
      readonly closed: readonly string[];
    }
  /** Made on a revision that is not known here: the shop was set back to an older state. */
  | { readonly kind: "ahead" }
  | { readonly kind: "clash"; readonly pairs: readonly Conflict[]; readonly who: string };

const within = (some: readonly Edit[], all: readonly Edit[]): boolean =>
  some.every((edit) => all.some((other) => equal(edit, other)));

/**
 * What the server does with a batch, decided on the job's row while it is locked.
 *
 * @param revision the job's revision now
 * @param taken the change that this batch's id made before, or null
 * @param closed acts of this batch that earlier changes took, or that their person gave up
 * @param since changes after the revision that the batch was made on, in order
 */
export function takeBatch(
  request: BatchRequest,
  revision: number,
  taken: Change | null,
  closed: ReadonlySet<string>,
  since: readonly Change[],
): Taking {
  // The names first: what was taken is taken, whatever it was made on.
  const acts = request.acts.filter((act) => !closed.has(act.id));
  const edits = editsOf(request);
  // Another page may have sent more acts of it, or some had gone before in other batches; an act
  // with more edits than were taken is other content under the same name.
  const several = request.acts.length > 1;
  const same = !taken || within(edits, taken.edits) || (several && within(taken.edits, edits));
  if ((acts.length === 0 && same) || (taken && equal(taken.edits, edits))) return { kind: "again" };
  if (taken) return { kind: "differs", taken: taken.edits, closed: [...closed] };
  if (request.madeOn > revision) return { kind: "ahead" };
  const own = new Set([...request.follows, ...actIdsOf(request)]);
  const others = since.filter((change) => !change.acts.some((id) => own.has(id)));
  const pairs = clashes(
    editsOf({ acts }),
    others.flatMap((change) => change.edits),
  );
  if (pairs.length === 0) return { kind: "new", acts };
  const theirs = others.findLast((change) => pairs.some((p) => change.edits.includes(p.theirs)));
  return { kind: "clash", pairs, who: theirs?.who ?? "somebody" };
}
