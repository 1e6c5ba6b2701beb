import { create } from "zustand";
import {
  openSync,
  syncStep,
  type Batch,
  type ConflictShown,
  type Edit,
  type Job,
  type SetAside,
  type SyncEffect,
  type SyncEvent,
  type SyncState,
  type UndoStep,
} from "@dragonet/core";
import type { JobAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";
import { mint } from "../../base/mint.ts";
import { keepAtLast } from "../../sync/lastMoment.ts";
import {
  forgetAside,
  forgetBatches,
  isKept,
  keepAside,
  keepBatch,
  waitingOf,
} from "../../sync/outbox.ts";
import { tabName, tellPages } from "../../sync/pages.ts";
import { changesSince, postBatch } from "../../sync/post.ts";
import { waitingChanged } from "../../sync/waiting.ts";
import { afterPaint, doWhatWaits } from "../../ui/press/afterPaint.ts";

export type SaveState =
  | "saved"
  | "waiting"
  | "saving"
  | "offline"
  | "signedOut"
  | "clash"
  /** Not saved, and this browser cannot keep it either. */
  | "unkept";

interface JobState {
  readonly id: string | null;
  /** As the server has it. */
  readonly base: Job | null;
  readonly revision: number;
  /** As the person sees it: base, and what waits. */
  readonly job: Job | null;
  readonly undoSteps: readonly UndoStep[];
  readonly redoSteps: readonly UndoStep[];
  readonly saveState: SaveState;
  readonly clash: ConflictShown | null;
  readonly setAside: readonly SetAside[];
  /** Last thing that could not be done, for a message. */
  readonly refusal: string | null;
}

interface JobActions {
  open(id: string, revision: number, document: Job, personId: string): Promise<void>;
  close(): void;
  edit(edits: readonly Edit[]): void;
  undo(): void;
  redo(): void;
  /** Sends what waits now; done when nothing waits any more or nothing can be sent. */
  flush(leaving?: boolean): Promise<void>;
  /** Looks for what others saved. */
  look(): Promise<void>;
  /** Another page of this browser has settled these. */
  endedElsewhere(batches: readonly Batch[]): void;
  settleClash(keep: "mine" | "theirs"): void;
  dropSetAside(batchId: string): void;
  clearRefusal(): void;
}

const CLOSED: JobState = {
  id: null,
  base: null,
  revision: 0,
  job: null,
  undoSteps: [],
  redoSteps: [],
  saveState: "saved",
  clash: null,
  setAside: [],
  refusal: null,
};

function saveStateOf({ clash, queue, flight, line, kept }: SyncState): SaveState {
  if (clash) return "clash";
  if (queue.length === 0) return "saved";
  if (!kept) return "unkept";
  if (line === "signedOut") return "signedOut";
  if (line === "cut") return "offline";
  return flight === null ? "waiting" : "saving";
}

const shownOf = (state: SyncState): Partial<JobState> => ({
  id: state.jobId,
  base: state.base,
  revision: state.revision,
  job: state.job,
  undoSteps: state.undoSteps,
  redoSteps: state.redoSteps,
  saveState: saveStateOf(state),
  clash: state.clash,
  setAside: state.setAside,
});

/** How long the browser's store is waited for before a batch goes unkept, in ms. */
const MOST_WRITING_MS = 1000;

const freshId = (): string => mint("batch");

export const useJobStore = create<JobState & JobActions>()((set) => {
  /** The page's side of the job that is open: core decides, this does what it says. */
  let sync: SyncState | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  /** Counts openings, so that an answer for a job that was closed reaches no other. */
  let opening = 0;
  let leaving = false;
  /** Writing to the browser's store goes in order, one after the other. */
  let writing: Promise<unknown> = Promise.resolve();
  /** How many acts of a batch the browser's store has had. */
  const kept = new Map<string, number>();
  const idle: (() => void)[] = [];

  const write = (work: () => Promise<unknown>): void => {
    writing = writing.then(work).then(
      () => {
        const again = sync?.kept === false && sync.queue.every((batch) => kept.has(batch.id));
        if (again) happen({ kind: "keeping", kept: true });
        waitingChanged();
      },
      () => happen({ kind: "keeping", kept: false }),
    );
  };

  const happen = (event: SyncEvent): void => {
    if (!sync) return;
    const { state, effects } = syncStep(sync, event, Date.now());
    sync = state;
    set(shownOf(state));
    // Keeping and sending come when the edit is on the screen, and before the next press.
    const turn = opening;
    for (const effect of effects) afterPaint(() => perform(effect, turn));
    schedule();
    if (state.queue.length === 0 || state.line !== "clear" || state.clash) {
      for (const done of idle.splice(0)) done();
    }
  };

  const schedule = (): void => {
    clearTimeout(timer);
    const at = sync?.sendAt ?? null;
    if (at === null) return;
    timer = setTimeout(() => happen({ kind: "tick" }), Math.max(0, at - Date.now()));
  };

  /** Whether another page has brought a batch to its end since this one took it up. */
  const endedElsewhere = async (batch: Batch): Promise<boolean> => {
    // A page that goes away has no time to look.
    if (leaving) return false;
    // Kept first; but a browser whose store does not answer holds nothing up.
    await Promise.race([writing, new Promise((done) => setTimeout(done, MOST_WRITING_MS))]);
    return kept.has(batch.id) && !(await isKept(batch.id).catch(() => true));
  };

  const send = async (batch: Batch, turn: number): Promise<void> => {
    const event: SyncEvent = (await endedElsewhere(batch))
      ? { kind: "endedElsewhere", batches: [batch], ids: [freshId()] }
      : await postBatch(batch, sync?.revision ?? batch.madeOn, leaving);
    if (turn === opening) happen(event);
    else if (event.kind === "taken") await forgetBatches([batch]).then(waitingChanged);
  };

  const read = async (setBack: boolean, turn: number): Promise<void> => {
    const id = sync?.jobId;
    if (id === undefined) return;
    // Where it cannot be read now, the next answer asks for it again.
    const fresh = await ask<JobAnswer>(`jobs/${id}`).catch(() => null);
    if (!fresh || turn !== opening) return;
    happen({ kind: "read", revision: fresh.revision, document: fresh.document, setBack });
  };

  const perform = (effect: SyncEffect, turn: number): void => {
    switch (effect.kind) {
      case "keep":
        write(async () => {
          await keepBatch(effect.batch);
          kept.set(effect.batch.id, effect.batch.acts.length);
        });
        break;
      case "forget":
        write(() => forgetBatches(effect.batches));
        break;
      case "end":
        write(() => forgetBatches(effect.batches));
        tellPages({ kind: "ended", batches: effect.batches });
        break;
      case "setAside":
        write(() => keepAside(effect));
        break;
      case "forgetSetAside":
        write(() => forgetAside(effect.batchId));
        break;
      case "send":
        void send(effect.batch, turn);
        break;
      case "read":
        void read(effect.setBack, turn);
        break;
      case "tell":
        set({ refusal: effect.message });
        break;
    }
  };

  return {
    ...CLOSED,

    async open(id, revision, document, personId) {
      const turn = (opening += 1);
      const { waiting, setAside } = await waitingOf(id, personId).catch(() => ({
        waiting: [],
        setAside: [],
      }));
      if (turn !== opening) return;
      clearTimeout(timer);
      for (const batch of waiting) kept.set(batch.id, batch.acts.length);
      sync = openSync(
        { jobId: id, personId, tab: tabName(), revision, document, waiting, setAside },
        Date.now(),
      );
      set({ ...CLOSED, ...shownOf(sync) });
      schedule();
    },

    close() {
      // A field that was left with the page has something to say yet.
      doWhatWaits();
      // What is due goes now; its answer only clears the browser's store.
      happen({ kind: "lineClear" });
      happen({ kind: "tick" });
      doWhatWaits();
      opening += 1;
      sync = null;
      clearTimeout(timer);
      for (const done of idle.splice(0)) done();
      set(CLOSED);
    },

    edit: (edits) => happen({ kind: "edit", act: edits, id: freshId() }),
    undo: () => happen({ kind: "undo", id: freshId() }),
    redo: () => happen({ kind: "redo", id: freshId() }),

    async flush(asLeaving = false) {
      leaving = asLeaving;
      // A page that goes away paints nothing any more.
      if (leaving) doWhatWaits();
      happen({ kind: "lineClear" });
      happen({ kind: "tick" });
      if (leaving) {
        doWhatWaits();
        for (const batch of sync?.queue ?? []) {
          if ((kept.get(batch.id) ?? 0) < batch.acts.length) keepAtLast(batch);
        }
      }
      if (!sync || sync.queue.length === 0 || sync.clash) return;
      await new Promise<void>((done) => idle.push(done));
    },

    async look() {
      if (!sync) return;
      const turn = opening;
      const changes = await changesSince(sync.jobId, sync.revision);
      if (turn === opening) happen({ kind: "heard", changes });
    },

    endedElsewhere: (batches) =>
      happen({ kind: "endedElsewhere", batches, ids: batches.map(freshId) }),
    settleClash: (keep) => happen({ kind: "settle", keep, id: freshId() }),
    dropSetAside: (batchId) => happen({ kind: "dropSetAside", batchId }),
    clearRefusal: () => set({ refusal: null }),
  };
});

/** The open document; only for what is shown while one is open. */
export function useJob(): Job {
  const job = useJobStore((s) => s.job);
  if (!job) throw new Error("no job is open");
  return job;
}

export const useEdit = () => useJobStore((s) => s.edit);
