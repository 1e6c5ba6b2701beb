import { actIdsOf, type Batch, type NamedAct } from "./batch.ts";
import type { Stepped } from "./events.ts";
import type { SyncState } from "./state.ts";

export const nothing = (state: SyncState): Stepped => ({ state, effects: [] });

/** The next batch is due at once, or as soon as it may be. */
export const due = (state: SyncState, now: number): SyncState => ({
  ...state,
  sendAt: state.queue.length === 0 || state.clash !== null || state.flight !== null ? null : now,
});

/** What is left of a batch of which some acts went another way, under an id of its own. */
export const restOf = (batch: Batch, acts: readonly NamedAct[], id: string): Batch => ({
  ...batch,
  id,
  follows: [...batch.follows, ...actIdsOf(batch)],
  acts,
  sealed: false,
});

/** An act by itself, under the same id on whichever page it is parted from its batch. */
export const alone = (batch: Batch, act: NamedAct): Batch => ({
  ...batch,
  id: `${act.id}-1`,
  acts: [act],
  sealed: false,
  single: true,
});
