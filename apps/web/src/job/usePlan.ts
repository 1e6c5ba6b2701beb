import type { Job } from "@dragonet/core";
import { useCallback } from "react";
import { useCurrentUser } from "../base/session.ts";
import type { BenchPlan } from "../worker/plan.worker.ts";
import { planner } from "../worker/port/planner.ts";
import { useOfJob } from "./useOfJob.ts";

/** A plan with the job that it is of: while a newer one is planned the page still shows this. */
export interface ShownPlan extends BenchPlan {
  readonly job: Job;
}

/** The plan of the open job, computed in the worker after each edit. */
export function usePlan(): ShownPlan | null {
  const { units } = useCurrentUser().preferences;
  return useOfJob<ShownPlan>(
    useCallback(async (job: Job) => ({ job, ...(await planner().plan(job, units)) }), [units]),
  );
}
