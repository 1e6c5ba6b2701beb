import equal from "fast-deep-equal";
import { clashed, differs, gone, hear, read, refused, taken, unreached } from "./answers.ts";
import { edit, redo, undo } from "./acts.ts";
import type { Batch } from "./batch.ts";
import type { Stepped, SyncEvent } from "./events.ts";
import { due, nothing } from "./moves.ts";
import { endedElsewhere, settle } from "./settle.ts";
import type { SyncState } from "./state.ts";

/** The clock: what is due goes, one batch at a time. */
function tick(state: SyncState, now: number): Stepped {
  const [first, ...rest] = state.queue;
  const may = first && state.sendAt !== null && state.sendAt <= now && state.line !== "signedOut";
  if (!may || state.flight !== null || state.clash !== null) return nothing(state);
  const batch: Batch = { ...first, sealed: true };
  return {
    state: { ...state, queue: [batch, ...rest], flight: batch.id, sendAt: null },
    effects: [...(first.sealed ? [] : [{ kind: "keep" as const, batch }]), { kind: "send", batch }],
  };
}

const ACTS: ReadonlySet<SyncEvent["kind"]> = new Set(["edit", "undo", "redo"]);

/**
 * One event of a page: the state after it, and what is to be done. Pure; the clock is handed in.
 * A document that is as it was stays the same object, so that nothing is worked out anew for
 * edits that were only saved.
 */
export function syncStep(state: SyncState, event: SyncEvent, now: number): Stepped {
  const { state: next, effects } = happened(state, event, now);
  // An act makes another document; only what comes from the server may make the same one again.
  const same = !ACTS.has(event.kind) && next.job !== state.job && equal(next.job, state.job);
  return { state: same ? { ...next, job: state.job } : next, effects };
}

function happened(state: SyncState, event: SyncEvent, now: number): Stepped {
  switch (event.kind) {
    case "edit":
      return edit(state, event.act, event.id, now);
    case "undo":
      return undo(state, event.id, now);
    case "redo":
      return redo(state, event.id, now);
    case "tick":
      return tick(state, now);
    case "taken":
      return taken(state, event.batchId, event.changes, now);
    case "differs":
      return differs(state, event, now);
    case "clashed":
      return clashed(state, event, now);
    case "refused":
      return refused(state, event.batchId, event.message, now);
    case "unreached":
      return unreached(state, event.afterMs, now);
    case "ahead": {
      const { state: waiting } = unreached(state, null, now);
      return { state: waiting, effects: [{ kind: "read", setBack: true }] };
    }
    case "signedOut":
      return nothing({ ...state, flight: null, line: "signedOut", sendAt: null });
    case "gone":
      return gone(state, event.message);
    case "heard":
      return hear(state, event.changes);
    case "read":
      return read(state, event, now);
    case "settle":
      return settle(state, event.keep, event.id, now);
    case "endedElsewhere":
      return endedElsewhere(state, event, now);
    case "lineClear":
      return nothing(due({ ...state, line: "clear", missed: 0 }, now));
    case "keeping":
      return nothing({ ...state, kept: event.kept });
    case "dropSetAside": {
      const setAside = state.setAside.filter(({ batch }) => batch.id !== event.batchId);
      return {
        state: { ...state, setAside },
        effects: [{ kind: "forgetSetAside", batchId: event.batchId }],
      };
    }
  }
}
