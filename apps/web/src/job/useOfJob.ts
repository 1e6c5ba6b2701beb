import type { Job } from "@dragonet/core";
import { useCallback } from "react";
import { useWorked } from "../worker/useWorked.ts";
import { useJob } from "./store/jobStore.ts";

/**
 * What is computed of the open job, anew after each edit; until then the last is shown. Null
 * before the first. `compute` stays the same function while it computes the same.
 */
export function useOfJob<T>(compute: (job: Job) => Promise<T>): T | null {
  const job = useJob();
  return useWorked<T>(useCallback(() => compute(job), [compute, job]));
}
