import { withoutClashing } from "../job/index.ts";
import { actIdsOf, type Batch } from "./batch.ts";
import type { Stepped, SyncEvent } from "./events.ts";
import { due, nothing, restOf } from "./moves.ts";
import { layOn, type SyncState } from "./state.ts";

/**
 * One choice for all that is disputed. Each batch is made anew where it stood, on what is
 * known now: what came before and after it may lean on it.
 */
export function settle(
  state: SyncState,
  keep: "mine" | "theirs",
  id: string,
  now: number,
): Stepped {
  const { clash } = state;
  if (!clash) return nothing(state);
  const renewed: Batch[] = [];
  const ended: Batch[] = [];
  const queue = state.queue.flatMap((batch) => {
    const dispute = clash.disputed.find((d) => d.batchId === batch.id);
    if (!dispute) return [batch];
    ended.push(batch);
    const left = batch.acts.map(({ id: name, edits }) => ({
      id: name,
      edits: keep === "mine" ? edits : withoutClashing(edits, dispute.theirs),
    }));
    const acts = left.filter((act) => act.edits.length > 0);
    if (acts.length === 0) return [];
    const up = left.filter((act) => act.edits.length === 0).map((act) => act.id);
    const next: Batch = {
      ...batch,
      id: `${id}-${renewed.length}`,
      madeOn: clash.revision,
      givenUp: [...batch.givenUp, ...up],
      acts,
      sealed: false,
      at: now,
    };
    renewed.push(next);
    return [next];
  });
  const linked = queue.map((batch) => ({
    ...batch,
    follows: [
      ...new Set([...batch.follows, ...renewed.filter((b) => b !== batch).flatMap(actIdsOf)]),
    ],
  }));
  const open = { ...state, queue: linked, clash: null, undoSteps: [], redoSteps: [] };
  return {
    state: due({ ...open, job: layOn(state.base, linked) }, now),
    effects: [
      ...renewed.map((batch) => ({ kind: "keep" as const, batch })),
      { kind: "end", batches: ended },
    ],
  };
}

/** What another page of this person has brought to its end waits here no longer. */
export function endedElsewhere(
  state: SyncState,
  event: Extract<SyncEvent, { kind: "endedElsewhere" }>,
  now: number,
): Stepped {
  const ended = new Map(event.batches.map((b) => [b.id, new Set(actIdsOf(b))]));
  if (!state.queue.some((batch) => ended.has(batch.id))) return nothing(state);
  const kept: Batch[] = [];
  const queue = state.queue.flatMap((batch) => {
    const acts = ended.get(batch.id);
    if (!acts) return [batch];
    // What was added here after the other page had looked was not chosen about.
    const rest = batch.acts.filter((act) => !acts.has(act.id));
    if (rest.length === 0) return [];
    const left = restOf(batch, rest, event.ids[kept.length] ?? `${batch.id}-rest`);
    kept.push(left);
    return [left];
  });
  const flight = queue.some((batch) => batch.id === state.flight) ? state.flight : null;
  const next = { ...state, queue, flight, clash: null, job: layOn(state.base, queue) };
  return { state: due(next, now), effects: kept.map((batch) => ({ kind: "keep", batch })) };
}
