import { faultSeverity, type Finding } from "@dragonet/core";
import type { TrialReport } from "../../worker/plan.worker.ts";

const at = (
  rule: string,
  severity: Finding["severity"],
  place: Finding["place"],
  title: string,
): Finding => ({
  rule,
  severity,
  place,
  title,
  figures: [],
  why: "",
  source: "",
  remedies: [],
});

/** What proof and faults found, as marks on the strips at the places where it happens. */
export function overlayOf(report: TrialReport): Finding[] {
  const differences = report.differences.flatMap((d) => {
    const severity = d.kind === "dim" ? ("fix" as const) : ("stop" as const);
    const words = d.words;
    return [
      at(
        `proof ${d.lampId} ${d.kind}`,
        severity,
        { runId: d.runId, elementId: d.elementId, words },
        words,
      ),
      at(
        `proof ${d.lampId} ${d.kind} run`,
        severity,
        { runId: d.runId, elementId: null, words },
        words,
      ),
    ];
  });
  const faults = report.faults.flatMap((f) => {
    const severity = faultSeverity(f);
    return severity === "note"
      ? []
      : [
          at(
            `fault ${f.kind}`,
            severity,
            { runId: f.runId, elementId: f.elementId, words: f.words },
            f.words,
          ),
        ];
  });
  return [...differences, ...faults];
}
