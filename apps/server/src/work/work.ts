/** A worker thread's side: does what it is handed, on the same core, away from the requests. */
import "reflect-metadata";
import { setPriority } from "node:os";
import { readJobFile } from "@dragonet/contract";
import { offerOf, paceOf, planCalendar, unpricedIn, workedQuote } from "@dragonet/core";
import { workOutEdits } from "../jobs/workOutEdits.ts";
import { billOf } from "../invoices/billOf.ts";
import { paperPriority } from "./paperPriority.ts";
import type { Answers, Task } from "./tasks.ts";

let yielding = false;

/** From the first sheet on this thread stands behind those that answer. */
function yieldToRequests(): void {
  if (yielding) return;
  yielding = true;
  const priority = paperPriority();
  try {
    setPriority(0, priority);
  } catch {
    // Where that may not be done it goes on beside them.
  }
}

const IN_A_SAVE: ReadonlySet<Task["kind"]> = new Set(["warm", "edits"]);

export default async function work(task: Task): Promise<Answers[Task["kind"]]> {
  // Saves have a thread of their own.
  if (!IN_A_SAVE.has(task.kind)) yieldToRequests();
  switch (task.kind) {
    case "warm":
      return null;
    case "edits":
      return workOutEdits(task.document, task.edits);
    case "jobFile":
      return readJobFile(task.text);
    // What draws paper is loaded where it is asked for: the thread that works out saves never does.
    case "wiringSheet":
      return (await import("../sheet/wiring/wiringSheetPdf.ts")).wiringSheetPdf(
        task.document,
        task.options,
      );
    case "offer": {
      const { document, shelf, shop, today, records } = task;
      const worked = workedQuote(document, shelf, paceOf(records));
      return {
        offer: offerOf(document, worked, { shop, today: new Date(today) }),
        unpriced: unpricedIn(worked),
      };
    }
    case "bill":
      return billOf(task);
    case "invoiceSheet":
      return (await import("../sheet/invoicePdf.ts")).invoicePdf(task.invoice);
    case "ownerSheet":
      return (await import("../sheet/ownerSheetPdf.ts")).ownerSheetPdf(task.document, task.options);
    case "wallSheet":
      return (await import("../sheet/wallSheetPdf.ts")).wallSheetPdf(task.document, task.options);
    case "schedule":
      return planCalendar(task.file);
    case "weekSheet":
      return (await import("../sheet/weekSheetPdf.ts")).weekSheetPdf(task.file, task.shop);
    case "quoteSheet":
      return (await import("../sheet/quotePdf.ts")).quotePdf(task.offer);
    case "labels":
      return (await import("../sheet/labelsPdf.ts")).labelsPdf(task.list, task.title);
    case "template":
      return (await import("../sheet/templatePdf.ts")).templatePdf(task.drawing, task.paper);
  }
}
