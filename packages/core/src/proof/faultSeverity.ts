import type { Severity } from "../rule/index.ts";
import type { FaultResult } from "./faults.ts";

/** How grave a fault is, for every place that marks it. */
export const faultSeverity = (
  f: Pick<FaultResult, "outcome" | "overheats" | "ridesHome">,
): Severity =>
  f.outcome !== "solved" || f.overheats !== null || f.ridesHome === "no"
    ? "stop"
    : f.ridesHome === "yes"
      ? "note"
      : "fix";
