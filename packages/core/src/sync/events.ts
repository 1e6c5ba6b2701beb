import type { Job } from "../job/index.ts";
import type { Act, Batch, Change } from "./batch.ts";
import type { SyncState } from "./state.ts";

/** What happens to a page. `id` is a fresh id for an act or a batch that may have to be made. */
export type SyncEvent =
  | { readonly kind: "edit"; readonly act: Act; readonly id: string }
  | { readonly kind: "undo" | "redo"; readonly id: string }
  /** The clock: what is due goes. */
  | { readonly kind: "tick" }
  /** The server has taken a batch; `changes` are those since the page's revision. */
  | { readonly kind: "taken"; readonly batchId: string; readonly changes: readonly Change[] }
  /** The id was taken with other acts than the batch has by now; these of them are closed. */
  | {
      readonly kind: "differs";
      readonly batchId: string;
      readonly closed: readonly string[];
      readonly changes: readonly Change[];
      readonly id: string;
    }
  | {
      readonly kind: "clashed";
      readonly batchId: string;
      readonly who: string;
      readonly changes: readonly Change[];
    }
  /** The server will never take it. */
  | { readonly kind: "refused"; readonly batchId: string; readonly message: string }
  /** No answer, or one that says "later". */
  | { readonly kind: "unreached"; readonly batchId: string; readonly afterMs: number | null }
  | { readonly kind: "signedOut"; readonly batchId: string }
  /** The job is no more. */
  | { readonly kind: "gone"; readonly message: string }
  /** Others' changes, or one's own through another page. */
  | { readonly kind: "heard"; readonly changes: readonly Change[] }
  /** The batch was made on a revision that the server does not know: it was set back. */
  | { readonly kind: "ahead"; readonly batchId: string }
  /** The job was read anew; `setBack` when it may be older than what the page had. */
  | {
      readonly kind: "read";
      readonly revision: number;
      readonly document: Job;
      readonly setBack: boolean;
    }
  | { readonly kind: "settle"; readonly keep: "mine" | "theirs"; readonly id: string }
  /**
   * Another page of this person has settled these batches or set them aside, or they are gone
   * from the browser's store; `ids` are fresh ones, as many.
   */
  | {
      readonly kind: "endedElsewhere";
      readonly batches: readonly Batch[];
      readonly ids: readonly string[];
    }
  | { readonly kind: "lineClear" }
  | { readonly kind: "keeping"; readonly kept: boolean }
  | { readonly kind: "dropSetAside"; readonly batchId: string };

/** What the page has to do for it. */
export type SyncEffect =
  | { readonly kind: "keep"; readonly batch: Batch }
  /** As they are here: one that another page has added to since stays. */
  | { readonly kind: "forget"; readonly batches: readonly Batch[] }
  /** As forget, and this person's other pages are told. */
  | { readonly kind: "end"; readonly batches: readonly Batch[] }
  | { readonly kind: "setAside"; readonly batch: Batch; readonly message: string }
  | { readonly kind: "forgetSetAside"; readonly batchId: string }
  | { readonly kind: "send"; readonly batch: Batch }
  | { readonly kind: "read"; readonly setBack: boolean }
  | { readonly kind: "tell"; readonly message: string };

/** The state after an event, and what is to be done. */
export interface Stepped {
  readonly state: SyncState;
  readonly effects: readonly SyncEffect[];
}
