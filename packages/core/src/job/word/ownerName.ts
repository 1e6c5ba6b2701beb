import type { Job } from "../job.ts";

/** What the user calls a run, supply or control, by its id. */
export function ownerName(job: Job, id: string): string {
  const named = [...job.runs, ...job.supplies, ...job.controls].find((x) => x.id === id);
  return named?.name ?? (id === "ground-block" ? "Ground block" : id);
}
