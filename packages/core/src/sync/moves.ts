import type { Act, Batch } from "./batch.ts";
import type { Stepped } from "./events.ts";
import type { SyncState } from "./state.ts";

export const nothing = (state: SyncState): Stepped => ({ state, effects: [] });

/** The next batch is due at once, or as soon as it may be. */
export const due = (state: SyncState, now: number): SyncState => ({
  ...state,
  sendAt: state.queue.length === 0 || state.clash !== null || state.flight !== null ? null : now,
});

/** The acts after so many edits. */
export function actsAfter(acts: readonly Act[], edits: number): readonly Act[] {
  let count = 0;
  return acts.filter((act) => {
    count += act.length;
    return count > edits;
  });
}

/** What is left of a batch whose first acts went another way, under an id of its own. */
export const restOf = (batch: Batch, acts: readonly Act[], id: string): Batch => ({
  ...batch,
  id,
  follows: [...batch.follows, batch.id],
  acts,
  sealed: false,
});

export const singleId = (batch: Batch, act: number): string => `${batch.id}-${act + 1}`;
