import { clashes } from "../job/index.ts";
import { actIdsOf, editsOf, type Change } from "./batch.ts";
import type { Stepped, SyncEvent } from "./events.ts";
import { alone, due, nothing, restOf } from "./moves.ts";
import { advance, layOn, type Disputed, type SyncState } from "./state.ts";

/** First pause before a batch is sent again, and the longest, ms. */
const PAUSE_MS = 1500;
const LONGEST_PAUSE_MS = 30_000;

/** Takes in what the server has by now; one's own batches among it wait no longer. */
export function hear(state: SyncState, changes: readonly Change[]): Stepped {
  const next = advance(state.base, state.revision, changes);
  if (!next) return { state, effects: [{ kind: "read", setBack: false }] };
  if (next.revision === state.revision) return nothing(state);
  const landed = new Set(changes.map((change) => change.batchId));
  const done = state.queue.filter((batch) => landed.has(batch.id) && batch.sealed);
  const queue = state.queue.filter((batch) => !done.includes(batch));
  const heard = { ...state, ...next, queue, job: layOn(next.base, queue) };
  return {
    state: heard.sendAt === null ? heard : due(heard, heard.sendAt),
    effects: done.length === 0 ? [] : [{ kind: "forget", batches: done }],
  };
}

const landed = (state: SyncState): SyncState => ({
  ...state,
  flight: null,
  line: "clear",
  missed: 0,
});

export function taken(
  state: SyncState,
  batchId: string,
  changes: readonly Change[],
  now: number,
): Stepped {
  const arrived = landed(state);
  const done = arrived.queue.filter((batch) => batch.id === batchId);
  const queue = arrived.queue.filter((batch) => batch.id !== batchId);
  const heard = hear({ ...arrived, queue }, changes);
  // Where a change is missing between, the document is read anew; what waits stays on top.
  return {
    state: due(heard.state, now),
    effects: [{ kind: "forget", batches: done }, ...heard.effects],
  };
}

/**
 * Under the id was taken what another page had of the batch; what is not closed of it goes anew.
 */
export function differs(
  state: SyncState,
  event: Extract<SyncEvent, { kind: "differs" }>,
  now: number,
): Stepped {
  const batch = state.queue.find((b) => b.id === event.batchId);
  if (!batch) return taken(state, event.batchId, event.changes, now);
  const rest = batch.acts.filter((act) => !event.closed.includes(act.id));
  if (rest.length === 0) return taken(state, event.batchId, event.changes, now);
  const next = restOf(batch, rest, event.id);
  const queue = state.queue.map((b) => (b === batch ? next : b));
  const heard = hear({ ...landed(state), queue }, event.changes);
  return {
    state: due(heard.state, now),
    effects: [
      { kind: "keep", batch: next },
      { kind: "forget", batches: [batch] },
      ...heard.effects,
    ],
  };
}

export function clashed(
  state: SyncState,
  event: Extract<SyncEvent, { kind: "clashed" }>,
  now: number,
): Stepped {
  const batch = state.queue.find((b) => b.id === event.batchId);
  const heard = hear(landed(state), event.changes);
  if (!batch) return { state: due(heard.state, now), effects: heard.effects };
  const { queue } = heard.state;
  const disputed = queue.flatMap((waiting): Disputed[] => {
    const own = new Set([...waiting.follows, ...actIdsOf(waiting)]);
    const theirs = event.changes
      .filter((c) => c.revision > waiting.madeOn && !c.acts.some((id) => own.has(id)))
      .flatMap((c) => c.edits);
    const pairs = clashes(editsOf(waiting), theirs);
    return pairs.length === 0 ? [] : [{ batchId: waiting.id, theirs, pairs }];
  });
  if (disputed.length === 0) return { state: due(heard.state, now), effects: heard.effects };
  const clash = { who: event.who, revision: heard.state.revision, disputed };
  return { state: { ...heard.state, sendAt: null, clash }, effects: heard.effects };
}

/** The acts of a batch that will never be taken as one: each by itself, or set aside. */
export function refused(state: SyncState, batchId: string, message: string, now: number): Stepped {
  const arrived = landed(state);
  const batch = arrived.queue.find((b) => b.id === batchId);
  if (!batch) return { state: due(arrived, now), effects: [] };
  const [first] = batch.acts;
  if (first && batch.acts.length === 1) {
    const queue = arrived.queue.filter((b) => b !== batch);
    // By the name it has where another page sent it with more: it is set aside once.
    const lone = alone(batch, first);
    const setAside = [
      ...arrived.setAside.filter((s) => s.batch.id !== lone.id),
      { batch: lone, message },
    ];
    return {
      state: due(
        {
          ...arrived,
          queue,
          setAside,
          job: layOn(arrived.base, queue),
          undoSteps: [],
          redoSteps: [],
        },
        now,
      ),
      effects: [
        { kind: "setAside", batch: lone, message },
        { kind: "end", batches: [batch] },
        { kind: "tell", message },
      ],
    };
  }
  const singles = batch.acts.map((act, i) => ({
    ...alone(batch, act),
    follows: [...batch.follows, ...actIdsOf(batch).slice(0, i)],
  }));
  const queue = arrived.queue.flatMap((b) => (b === batch ? singles : [b]));
  return {
    state: due({ ...arrived, queue }, now),
    effects: [
      ...singles.map((single) => ({ kind: "keep" as const, batch: single })),
      { kind: "forget", batches: [batch] },
    ],
  };
}

export function unreached(state: SyncState, afterMs: number | null, now: number): Stepped {
  const pause = afterMs ?? Math.min(LONGEST_PAUSE_MS, PAUSE_MS * 2 ** state.missed);
  const waiting = { ...state, flight: null, line: "cut" as const, missed: state.missed + 1 };
  return nothing({ ...waiting, sendAt: state.queue.length > 0 ? now + pause : null });
}

export function gone(state: SyncState, message: string): Stepped {
  const setAside = [...state.setAside, ...state.queue.map((batch) => ({ batch, message }))];
  return {
    state: { ...state, queue: [], setAside, flight: null, sendAt: null, clash: null },
    effects: [
      ...state.queue.map((batch) => ({ kind: "setAside" as const, batch, message })),
      { kind: "end", batches: state.queue },
      { kind: "tell", message },
    ],
  };
}

/** The job as it was read anew; what was made on a later state than that is made on this one. */
export function read(
  state: SyncState,
  { revision, document, setBack }: Extract<SyncEvent, { kind: "read" }>,
  now: number,
): Stepped {
  if (revision < state.revision && !setBack) return nothing(state);
  const queue = state.queue.map((batch) =>
    batch.madeOn > revision ? { ...batch, madeOn: revision } : batch,
  );
  const next = { ...state, base: document, revision, queue, job: layOn(document, queue) };
  const moved = queue.filter((batch, i) => batch !== state.queue[i]);
  return {
    state: due({ ...next, undoSteps: [], redoSteps: [] }, now),
    effects: moved.map((batch) => ({ kind: "keep", batch })),
  };
}
