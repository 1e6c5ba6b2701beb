import { decimal, span } from "../quantity/index.ts";
import type { ChargingBudget } from "../budget/index.ts";
import type { Found, Rule, Severity } from "./finding.ts";

/** Short at cruise drains the battery on every ride; short at idle only while it idles. */
const SHORT_SEVERITY: Readonly<Record<ChargingBudget["state"], Severity>> = {
  idle: "note",
  town: "fix",
  cruise: "stop",
};

function finding(b: ChargingBudget): Found[] {
  if (b.verdict === "carries") return [];
  const short = b.verdict === "short";
  const first = b.toMeasure[0];
  return [
    {
      rule: "charging-short",
      severity: short ? SHORT_SEVERITY[b.state] : "note",
      place: { runId: null, elementId: null, words: `Budget: ${b.state}` },
      title: short ? `Charging falls short at ${b.state}` : `Charging may fall short at ${b.state}`,
      figures: [
        { label: "to spare", value: `${span(b.spareA)} A`, limit: "0 A or more" },
        {
          label: "load",
          value: `${span(b.loadA)} A`,
          limit: `at most the output, ${decimal(b.outputA.low)}–${decimal(b.outputA.high)} A`,
        },
      ],
      why: short
        ? "What the charging system does not give comes out of the battery, until it will not start."
        : `The bounds straddle zero. Measure first: ${first ? first.what : "the draw of the new lamps"}.`,
      remedies: [],
    },
  ];
}

export const chargingShort: Rule = {
  id: "charging-short",
  source: "common practice",
  check: ({ budget, job }) => (job.runs.length === 0 ? [] : budget.running.flatMap(finding)),
};
