import type { Checked } from "@dragonet/contract";
import type {
  Bill,
  CalendarFile,
  CutList,
  Drawing,
  Edit,
  Invoice,
  Job,
  Offer,
  OfferChoice,
  Paper,
  Part,
  PrintedSchedule,
  TimeRecord,
} from "@dragonet/core";
import type { PaperOptions } from "../sheet/paper.ts";
import type { WorkedOut } from "../jobs/workOutEdits.ts";

/** What is handed to a worker thread: long enough that other requests would wait for it. */
export type Task =
  /** Nothing: the thread is there before the first save. */
  | { readonly kind: "warm" }
  | { readonly kind: "edits"; readonly document: Job; readonly edits: readonly Edit[] }
  | { readonly kind: "jobFile"; readonly text: string }
  /** What of a job is printed. */
  | {
      readonly kind: "wiringSheet" | "ownerSheet" | "wallSheet";
      readonly document: Job;
      readonly options: PaperOptions;
    }
  | {
      readonly kind: "offer";
      readonly document: Job;
      readonly shelf: readonly Part[];
      readonly shop: string;
      readonly records: readonly TimeRecord[];
      /** The day it is made, ISO 8601. */
      readonly today: string;
    }
  | {
      readonly kind: "bill";
      readonly document: Job;
      readonly shelf: readonly Part[];
      readonly records: readonly TimeRecord[];
      readonly from: BilledFrom;
    }
  | { readonly kind: "invoiceSheet"; readonly invoice: Invoice }
  | { readonly kind: "schedule"; readonly file: CalendarFile }
  | { readonly kind: "weekSheet"; readonly file: CalendarFile; readonly shop: string }
  | { readonly kind: "quoteSheet"; readonly offer: Offer }
  | { readonly kind: "labels"; readonly list: CutList; readonly title: string }
  | { readonly kind: "template"; readonly drawing: Drawing; readonly paper: Paper };

/** What a bill is made from: what was agreed, or the job as it stands. */
export type BilledFrom =
  | { readonly kind: "planned" | "taken" }
  | {
      readonly kind: "accepted";
      readonly choice: OfferChoice;
      readonly currency: string;
      readonly taxShare: number;
      /** The day on which it was accepted, ISO 8601. */
      readonly on: string;
    };

/** What comes back, by kind. */
export interface Answers {
  readonly warm: null;
  readonly edits: WorkedOut;
  readonly jobFile: Checked<Job>;
  readonly wiringSheet: Uint8Array;
  /** And what of it and of its options has no price. */
  readonly offer: { readonly offer: Offer; readonly unpriced: readonly string[] };
  readonly ownerSheet: Uint8Array;
  readonly wallSheet: Uint8Array;
  /** And what has no price, and why it cannot be billed; neither of what was agreed. */
  readonly bill: {
    readonly bill: Bill;
    readonly unpriced: readonly string[];
    readonly missing: readonly string[];
  };
  readonly invoiceSheet: Uint8Array;
  readonly schedule: PrintedSchedule;
  readonly weekSheet: Uint8Array;
  readonly quoteSheet: Uint8Array;
  readonly labels: Uint8Array;
  readonly template: Uint8Array;
}
