import { useQuery } from "@tanstack/react-query";
import type { JobSummary } from "@dragonet/core";
import { ask } from "../app/api.ts";

export interface JobListItem extends JobSummary {
  readonly id: string;
  readonly revision: number;
  readonly updatedAt: string;
}

export const useJobs = () =>
  useQuery({
    queryKey: ["jobs"],
    queryFn: () => ask<JobListItem[]>("jobs"),
    refetchInterval: 30_000,
  });

/** Whether every word of the search is somewhere on the card. */
export function matches(job: JobListItem, search: string): boolean {
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
