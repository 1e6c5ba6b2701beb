import { useEffect, useState } from "react";
import type { FindingGroup } from "@dragonet/core";
import type { BenchPlan } from "../worker/plan.worker.ts";
import { planner } from "../worker/planner.ts";

/** The causes of a plan, with the ways out as soon as each has been tried on the whole job. */
export function useRemedies(plan: BenchPlan): readonly FindingGroup[] {
  const [tried, setTried] = useState<{
    readonly plan: BenchPlan;
    readonly causes: readonly FindingGroup[];
  } | null>(null);
  useEffect(() => {
    if (plan.findings.every((f) => f.remedies.length === 0)) return;
    let stale = false;
    void planner()
      .remedies()
      .then((causes) => {
        if (!stale && causes) setTried({ plan, causes });
      });
    return () => {
      stale = true;
    };
  }, [plan]);
  return tried?.plan === plan ? tried.causes : plan.causes.map((c) => ({ ...c, remedies: [] }));
}
