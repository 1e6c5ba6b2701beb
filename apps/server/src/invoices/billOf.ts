import {
  billAccepted,
  billPlanned,
  billTaken,
  checkedCircuit,
  notBillable,
  paceOf,
  quoteOf,
} from "@dragonet/core";
import type { Answers, Task } from "../work/tasks.ts";

/** What a job is billed, and what stands in the way of that. */
export function billOf(task: Extract<Task, { kind: "bill" }>): Answers["bill"] {
  const { document, shelf, records, from } = task;
  if (from.kind === "accepted") {
    return { bill: billAccepted(document, from.choice, from), unpriced: [], missing: [] };
  }
  const { circuit } = checkedCircuit(document);
  const quote = quoteOf(document, circuit, shelf, paceOf(records));
  const bill = from.kind === "taken" ? billTaken(document, quote) : billPlanned(document, quote);
  const noTime =
    from.kind === "taken" && document.worked.length === 0
      ? ["no time was written down at the lift"]
      : [];
  return { bill, unpriced: quote.unpriced, missing: [...notBillable(quote), ...noTime] };
}
