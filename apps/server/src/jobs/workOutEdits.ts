import {
  applyEdits,
  checkedCircuit,
  describeEdit,
  jobSummary,
  notHandedOver,
  testReport,
  type Edit,
  type Fault,
  type Job,
  type JobSummary,
} from "@dragonet/core";
import { checkJobDocument } from "@dragonet/contract";

/** Lines of history for one batch; more of them than this tell nobody anything. */
const MOST_LINES = 40;

/** What edits make of a job: everything that is stored of them, or every fault. */
export type WorkedOut =
  | {
      readonly ok: true;
      readonly job: Job;
      readonly summary: JobSummary;
      readonly inverse: readonly Edit[];
      readonly lines: readonly string[];
    }
  | { readonly ok: false; readonly message: string; readonly faults: readonly Fault[] };

/** What edits did, a line each, as a history tells it. */
export function linesOf(edits: readonly Edit[], before: Job, after: Job): string[] {
  const lines = edits.map((e) => describeEdit(e, e.kind === "remove" ? before : after));
  return lines.length > MOST_LINES
    ? [...lines.slice(0, MOST_LINES), `and ${lines.length - MOST_LINES} more`]
    : lines;
}

/** Whether edits put a name under the hand-over itself. */
const handsOver = (edits: readonly Edit[]): boolean =>
  edits.some((e) => e.kind === "add" && e.entity === "signature" && e.value.gate === "");

/** Applies edits, checks the whole document after them, and solves it for its summary. */
export function workOutEdits(document: Job, edits: readonly Edit[]): WorkedOut {
  const applied = applyEdits(document, edits);
  if (!applied.ok) {
    const { path, message } = applied;
    return { ok: false, message: `${path}: ${message}`, faults: [{ path, message }] };
  }
  const checked = checkJobDocument(applied.job);
  if (!checked.ok) {
    const [first] = checked.faults;
    return {
      ok: false,
      message: `${first?.path}: ${first?.message}; nothing was stored`,
      faults: checked.faults,
    };
  }
  const missing = handsOver(edits)
    ? notHandedOver(applied.job, checkedCircuit(applied.job).findings, testReport(applied.job))
    : "";
  if (missing !== "") {
    return { ok: false, message: missing, faults: [{ path: "signatures", message: missing }] };
  }
  return {
    ok: true,
    job: applied.job,
    summary: jobSummary(applied.job),
    inverse: applied.inverse,
    lines: linesOf(edits, document, applied.job),
  };
}
