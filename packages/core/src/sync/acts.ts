import { applyEdits, integrityFaults } from "../job/index.ts";
import { actIdsOf, GROW_MS, type Act, type Batch } from "./batch.ts";
import type { Stepped } from "./events.ts";
import { nothing } from "./moves.ts";
import type { SyncState, UndoStep } from "./state.ts";
import { wholeText } from "./wholeText.ts";

/** Quiet time before edits are sent, ms. */
const QUIET_MS = 350;
/** Acts in a batch; what comes after goes into the next. */
const MOST_ACTS = 200;
/** Steps back that are kept; beyond it the history of the job still has them. */
const MOST_STEPS = 200;

/** The batch that may still grow: not sent, and made on the document that is seen now. */
function growing(state: SyncState, now: number): Batch | null {
  const last = state.queue.at(-1);
  const grows =
    last &&
    !last.sealed &&
    last.madeOn === state.revision &&
    last.acts.length < MOST_ACTS &&
    now - last.at < GROW_MS;
  return grows ? last : null;
}

function enqueue(state: SyncState, act: Act, id: string, now: number): Stepped {
  const open = growing(state, now);
  const named = { id, edits: act };
  const batch: Batch = open
    ? { ...open, acts: [...open.acts, named] }
    : {
        id,
        jobId: state.jobId,
        personId: state.personId,
        tab: state.tab,
        madeOn: state.revision,
        follows: state.queue.flatMap(actIdsOf),
        givenUp: [],
        acts: [named],
        sealed: false,
        single: false,
        at: now,
      };
  const queue = open ? state.queue.with(-1, batch) : [...state.queue, batch];
  const held = state.line === "signedOut" || state.flight !== null || state.clash !== null;
  // While the line is cut the pause that runs is kept: writing on does not put off the next try.
  const quiet = state.line === "cut" ? (state.sendAt ?? now) : now + QUIET_MS;
  return {
    state: { ...state, queue, sendAt: held ? state.sendAt : quiet },
    effects: [{ kind: "keep", batch }],
  };
}

/** Puts an act on the document as it is seen; refused here and now where it makes no sense. */
function put(
  state: SyncState,
  wanted: Act,
  id: string,
  now: number,
): Stepped & { readonly step: UndoStep | null } {
  const refuse = (message: string) => ({
    state,
    effects: [{ kind: "tell" as const, message }],
    step: null,
  });
  if (wanted.length === 0) return { ...nothing(state), step: null };
  const act = wholeText(wanted);
  const result = applyEdits(state.job, act);
  if (!result.ok) return refuse(result.message);
  const [fault] = integrityFaults(result.job);
  if (fault) return refuse(fault.message);
  const { state: next, effects } = enqueue({ ...state, job: result.job }, act, id, now);
  return { state: next, effects, step: { act, inverse: result.inverse } };
}

/** An act of the person, with the step that takes it back. */
export function edit(state: SyncState, act: Act, id: string, now: number): Stepped {
  const { state: next, effects, step } = put(state, act, id, now);
  if (!step) return { state: next, effects };
  const undoSteps = [...state.undoSteps, step].slice(-MOST_STEPS);
  return { state: { ...next, undoSteps, redoSteps: [] }, effects };
}

export function undo(state: SyncState, id: string, now: number): Stepped {
  const last = state.undoSteps.at(-1);
  if (!last) return nothing(state);
  const { state: next, effects, step } = put(state, last.inverse, id, now);
  if (!step) return { state: next, effects };
  return {
    state: {
      ...next,
      undoSteps: state.undoSteps.slice(0, -1),
      redoSteps: [...state.redoSteps, last],
    },
    effects,
  };
}

export function redo(state: SyncState, id: string, now: number): Stepped {
  const last = state.redoSteps.at(-1);
  if (!last) return nothing(state);
  const { state: next, effects, step } = put(state, last.act, id, now);
  if (!step) return { state: next, effects };
  return {
    state: {
      ...next,
      undoSteps: [...state.undoSteps, step],
      redoSteps: state.redoSteps.slice(0, -1),
    },
    effects,
  };
}
