import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import type { JobAnswer, JobOnBoardAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";
import { keepJob, keptJob } from "../../job/store/keptJobs.ts";
import { savesData } from "../../sync/savesData.ts";

/** Time in which the board has the network to itself, in ms. */
const SETTLE_MS = 3_000;
/** Jobs that are kept ahead: those of the benches, then the first of each stage. */
const MOST_AHEAD = 24;

/** Fetches what a new job is made of, so that one can be opened where there is no network. */
export function useNewJobAhead(wanted: boolean): void {
  const queries = useQueryClient();
  useEffect(() => {
    if (!wanted || savesData()) return;
    const fetchAll = (): void =>
      void import("./askAheadOfJob.ts")
        .then(({ askAheadOfJob }) => askAheadOfJob(queries))
        .catch(() => undefined);
    const timer = setTimeout(fetchAll, SETTLE_MS);
    return () => clearTimeout(timer);
  }, [queries, wanted]);
}

/** Keeps the jobs at hand as the server has them now, so that they open where there is no network. */
export function useKeptAtHand(jobs: readonly JobOnBoardAnswer[]): void {
  useEffect(() => {
    if (savesData()) return;
    let left = false;
    const fetchAll = async (): Promise<void> => {
      for (const { id, revision } of jobs.slice(0, MOST_AHEAD)) {
        if ((await keptJob(id))?.revision === revision) continue;
        if (left) return;
        // Without a way to the server there is nothing to fetch, and the board says so.
        const job = await ask<JobAnswer>(`jobs/${id}`).catch(() => null);
        if (!job) return;
        await keepJob(job);
      }
    };
    const timer = setTimeout(() => void fetchAll(), SETTLE_MS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [jobs]);
}
