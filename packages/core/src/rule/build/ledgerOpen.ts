import { notClosed } from "../../fit/index.ts";
import { STAGES } from "../../job/index.ts";
import type { Rule } from "../finding.ts";

const PROVED = STAGES.indexOf("prove");

/** Panels still off, fasteners and plugs unaccounted for once the job has gone past proving. */
export const ledgerOpen: Rule = {
  id: "ledger-open",
  source: "common practice",
  check: ({ job }) => {
    const open = notClosed(job);
    if (open.length === 0 || STAGES.indexOf(job.card.stage) <= PROVED) return [];
    return [
      {
        rule: "ledger-open",
        severity: "stop",
        place: { runId: null, elementId: null, words: "Take apart" },
        title: "The ledger will not close",
        figures: [{ label: "open", value: String(open.length), limit: "nothing left over" }],
        why: `${open.slice(0, 4).join(". ")}${open.length > 4 ? `, and ${open.length - 4} more` : ""}.`,
        remedies: [],
      },
    ];
  },
};
