import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import type { JobOnBoardAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { followLive } from "../base/live.ts";

/** Changes that come within this time are looked at together, ms. */
const TOGETHER_MS = 300;

export function useJobs() {
  const queries = useQueryClient();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = followLive(() => {
      // Several changes within a moment are one look.
      timer ??= setTimeout(() => {
        timer = undefined;
        void queries.invalidateQueries({ queryKey: ["jobs"] });
      }, TOGETHER_MS);
    });
    return () => {
      stop();
      clearTimeout(timer);
    };
  }, [queries]);
  return useQuery({ queryKey: ["jobs"], queryFn: () => ask<JobOnBoardAnswer[]>("jobs") });
}

/** Whether every word of the search is somewhere on the card. */
export function matches(job: JobOnBoardAnswer, search: string): boolean {
  const text = [
    job.title,
    job.customer,
    job.model,
    job.machine,
    job.bench,
    ...job.waiting.map((w) => w.text),
  ]
    .join(" ")
    .toLowerCase();
  return search
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
