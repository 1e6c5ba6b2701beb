import { applyEdits, integrityFaults, withoutClashing, type Edit, type Job } from "@dragonet/core";
import { create } from "zustand";
import { ApiError, OfflineError, ask } from "../app/api.ts";
import { mint } from "../app/mint.ts";
import { forgetOutbox, readOutbox, writeOutbox, type Outbox } from "./outbox.ts";

/** A batch on its way to the server. Sent again under the same id, it is taken once. */
interface Batch {
  readonly id: string;
  readonly edits: readonly Edit[];
}

export interface ClashInfo {
  /** Edits of mine that nobody else is in the way of. */
  readonly undisputed: readonly Edit[];
  readonly who: string;
  readonly revision: number;
  readonly missed: readonly Edit[];
  readonly pairs: readonly { readonly mine: string; readonly theirs: string }[];
}

export type SaveState = "saved" | "waiting" | "saving" | "offline" | "clash";

interface Step {
  readonly edits: readonly Edit[];
  readonly inverse: readonly Edit[];
}

interface JobState {
  readonly id: string | null;
  /** As the server has it. */
  readonly base: Job | null;
  readonly revision: number;
  /** As the person sees it: base, what is on its way, what waits. */
  readonly job: Job | null;
  readonly inFlight: Batch | null;
  readonly pending: readonly Edit[];
  readonly undoSteps: readonly Step[];
  readonly redoSteps: readonly Step[];
  readonly saveState: SaveState;
  readonly clash: ClashInfo | null;
  /** Last thing that could not be done, for a message. */
  readonly refusal: string | null;
}

interface JobActions {
  open(id: string, revision: number, document: Job): void;
  close(): void;
  edit(edits: readonly Edit[]): void;
  undo(): void;
  redo(): void;
  flush(): Promise<void>;
  /** Takes in what others saved. */
  receive(revision: number, missed: readonly Edit[]): void;
  settleClash(keep: "mine" | "theirs"): Promise<void>;
  clearRefusal(): void;
}

const CLOSED: JobState = {
  id: null,
  base: null,
  revision: 0,
  job: null,
  inFlight: null,
  pending: [],
  undoSteps: [],
  redoSteps: [],
  saveState: "saved",
  clash: null,
  refusal: null,
};

/** Steps back that are kept; beyond it the history of the job still has them. */
const MOST_STEPS = 200;
/** Quiet time before edits are sent, and before sending is tried again, in ms. */
const QUIET_MS = 350;
const RETRY_MS = 3000;

/** Edits applied as far as they can be: one that no longer makes sense is left out. */
function applyWhatFits(job: Job, edits: readonly Edit[]): { job: Job; fitting: Edit[] } {
  let current = job;
  const fitting: Edit[] = [];
  for (const edit of edits) {
    const result = applyEdits(current, [edit]);
    if (!result.ok) continue;
    current = result.job;
    fitting.push(edit);
  }
  return { job: current, fitting };
}

interface SavedAnswer {
  readonly revision: number;
  readonly missed: readonly Edit[];
}

const newId = (): string => mint("batch");

let timer: ReturnType<typeof setTimeout> | undefined;
/** One batch at a time is on its way. */
let sending = false;

export const useJobStore = create<JobState & JobActions>()((set, get) => {
  const schedule = (ms: number): void => {
    clearTimeout(timer);
    timer = setTimeout(() => void get().flush(), ms);
  };

  const keepOutbox = (): void => {
    const { id, revision, inFlight, pending } = get();
    if (id === null) return;
    const edits = [...(inFlight?.edits ?? []), ...pending];
    if (edits.length === 0) forgetOutbox(id);
    else writeOutbox(id, { revision, edits });
  };

  /** Puts edits on the document without making an undo step of them. */
  const put = (edits: readonly Edit[]): Step | null => {
    const { job } = get();
    if (!job || edits.length === 0) return null;
    const result = applyEdits(job, edits);
    if (!result.ok) {
      set({ refusal: result.message });
      return null;
    }
    // Told here and now, rather than by the server after what was done since.
    const [fault] = integrityFaults(result.job);
    if (fault) {
      set({ refusal: fault.message });
      return null;
    }
    set((s) => ({
      job: result.job,
      pending: [...s.pending, ...edits],
      saveState: s.saveState === "clash" ? "clash" : "waiting",
    }));
    keepOutbox();
    schedule(QUIET_MS);
    return { edits, inverse: result.inverse };
  };

  const confirm = (batch: Batch, answer: SavedAnswer): void => {
    const { base, pending } = get();
    if (!base) return;
    const { job: nextBase } = applyWhatFits(base, [...answer.missed, ...batch.edits]);
    const { job, fitting } = applyWhatFits(nextBase, pending);
    set({
      base: nextBase,
      job,
      pending: fitting,
      revision: answer.revision,
      inFlight: null,
      saveState: fitting.length > 0 ? "waiting" : "saved",
    });
    keepOutbox();
    if (fitting.length > 0) schedule(0);
  };

  /** The server will not have this batch: back to what it has, with what waits on top. */
  const reject = (message: string): void => {
    const { base, pending } = get();
    if (!base) return;
    const { job, fitting } = applyWhatFits(base, pending);
    set({
      job,
      pending: fitting,
      inFlight: null,
      undoSteps: [],
      redoSteps: [],
      saveState: fitting.length > 0 ? "waiting" : "saved",
      refusal: message,
    });
    keepOutbox();
    if (fitting.length > 0) schedule(0);
  };

  const meetTrouble = (error: unknown): void => {
    if (error instanceof ApiError && error.status === 409 && Array.isArray(error.body.clashes)) {
      const {
        clashes: pairs,
        missed,
        revision,
        who,
      } = error.body as unknown as {
        clashes: ClashInfo["pairs"];
        missed: readonly Edit[];
        revision: number;
        who: string;
      };
      const undisputed = withoutClashing(get().inFlight?.edits ?? [], missed);
      set({ saveState: "clash", clash: { undisputed, who, revision, missed, pairs } });
      return;
    }
    if (error instanceof ApiError && error.status < 500 && error.status !== 429) {
      if (error.status === 401) {
        set({ saveState: "offline", refusal: "signed out: sign in again, nothing is lost" });
        return;
      }
      reject(error.message);
      return;
    }
    set({ saveState: "offline" });
    if (!(error instanceof OfflineError)) set({ refusal: (error as Error).message });
    schedule(RETRY_MS);
  };

  /**
   * Takes up at once what an earlier visit could not send; sending it compares it with what
   * was saved since, by the revision it was made on.
   */
  const resume = (kept: Outbox): void => {
    const { base, revision } = get();
    if (!base) return;
    const { job, fitting } = applyWhatFits(base, kept.edits);
    // A document that is older than the edits cannot judge them.
    const pending = kept.revision > revision ? kept.edits : fitting;
    // An entry that is there already was taken, though its answer was lost.
    const gone = kept.edits.filter((e) => e.kind !== "add" && !pending.includes(e));
    set({
      job,
      pending,
      revision: kept.revision,
      saveState: pending.length > 0 ? "waiting" : "saved",
      ...(gone.length > 0 && { refusal: "somebody removed what an unsaved change belongs to" }),
    });
    keepOutbox();
    if (pending.length > 0) schedule(0);
    else set({ revision });
  };

  return {
    ...CLOSED,

    open(id, revision, document) {
      clearTimeout(timer);
      set({ ...CLOSED, id, revision, base: document, job: document });
      const kept = readOutbox(id);
      if (kept) resume(kept);
    },

    close() {
      void get().flush();
      clearTimeout(timer);
      set(CLOSED);
    },

    edit(edits) {
      const step = put(edits);
      if (!step) return;
      set((s) => ({ undoSteps: [...s.undoSteps, step].slice(-MOST_STEPS), redoSteps: [] }));
    },

    undo() {
      const { undoSteps } = get();
      const last = undoSteps.at(-1);
      if (!last || !put(last.inverse)) return;
      set((s) => ({ undoSteps: undoSteps.slice(0, -1), redoSteps: [...s.redoSteps, last] }));
    },

    redo() {
      const { redoSteps } = get();
      const last = redoSteps.at(-1);
      if (!last || !put(last.edits)) return;
      set((s) => ({ redoSteps: redoSteps.slice(0, -1), undoSteps: [...s.undoSteps, last] }));
    },

    async flush() {
      const { id, revision, pending, saveState } = get();
      if (id === null || saveState === "clash" || sending) return;
      const batch = get().inFlight ?? { id: newId(), edits: pending };
      if (batch.edits.length === 0) return;
      if (get().inFlight === null) set({ inFlight: batch, pending: [] });
      set({ saveState: "saving" });
      sending = true;
      try {
        const answer = await ask<SavedAnswer>(`jobs/${id}/edits`, "POST", {
          baseRevision: revision,
          edits: batch.edits,
          batchId: batch.id,
        });
        sending = false;
        if (get().id === id) confirm(batch, answer);
        else forgetOutbox(id);
      } catch (error) {
        sending = false;
        if (get().id === id) meetTrouble(error);
      }
    },

    receive(revision, missed) {
      const { base, pending, inFlight } = get();
      if (!base || inFlight || revision <= get().revision) return;
      const { job: nextBase } = applyWhatFits(base, missed);
      // What waits is not laid over a clash in silence: the server compares it at saving,
      // against the revision it was made on.
      if (pending.length > 0) return;
      set({ base: nextBase, job: nextBase, revision });
    },

    async settleClash(keep) {
      const { base, clash, inFlight, pending } = get();
      if (!base || !clash || !inFlight) return;
      const mine = keep === "mine" ? inFlight.edits : clash.undisputed;
      const { job: nextBase } = applyWhatFits(base, clash.missed);
      const { job, fitting } = applyWhatFits(nextBase, [...mine, ...pending]);
      set({
        base: nextBase,
        revision: clash.revision,
        job,
        pending: fitting,
        inFlight: null,
        clash: null,
        undoSteps: [],
        redoSteps: [],
        saveState: fitting.length > 0 ? "waiting" : "saved",
      });
      keepOutbox();
      await get().flush();
    },

    clearRefusal() {
      set({ refusal: null });
    },
  };
});

/** The open document; only for what is shown while one is open. */
export function useJob(): Job {
  const job = useJobStore((s) => s.job);
  if (!job) throw new Error("no job is open");
  return job;
}

export const useEdit = () => useJobStore((s) => s.edit);
