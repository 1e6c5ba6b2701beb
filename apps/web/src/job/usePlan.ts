import type { Job } from "@dragonet/core";
import { useCallback } from "react";
import { useMe } from "../base/session.ts";
import type { BenchPlan } from "../worker/plan.worker.ts";
import { planner } from "../worker/planner.ts";
import { useOfJob } from "./useOfJob.ts";

/** The plan of the open job, computed in the worker after each edit. */
export function usePlan(): BenchPlan | null {
  const { units } = useMe().preferences;
  return useOfJob<BenchPlan>(useCallback((job: Job) => planner().plan(job, units), [units]));
}
