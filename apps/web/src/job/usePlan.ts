import { useEffect, useState } from "react";
import { useMe } from "../app/session.ts";
import type { BenchPlan } from "../worker/plan.worker.ts";
import { planner } from "../worker/planner.ts";
import { useJobStore } from "./jobStore.ts";

/**
 * The plan of the open job, computed in the worker after each edit. Until the next one
 * is there the last one is shown; null before the first.
 */
export function usePlan(): BenchPlan | null {
  const job = useJobStore((s) => s.job);
  const { units } = useMe().preferences;
  const [plan, setPlan] = useState<BenchPlan | null>(null);
  useEffect(() => {
    if (!job) return;
    let stale = false;
    void planner()
      .plan(job, units)
      .then((made) => {
        if (!stale) setPlan(made);
      });
    return () => {
      stale = true;
    };
  }, [job, units]);
  return plan;
}
