import type { Job } from "../job.ts";

/** What the user calls a run, supply or control, by its id. */
export function ownerName(job: Job, id: string): string {
  const named = [...job.runs, ...job.supplies, ...job.controls].find((x) => x.id === id);
  if (named) return named.name;
  const harness = job.harnesses.find((h) => id === `harness.${h.id}`);
  if (harness) return harness.name;
  const shared = /^(ground-block|control-feed)(?:-(\d+))?$/.exec(id);
  if (!shared) return id;
  const words = shared[1] === "ground-block" ? "Ground block" : "Control feed";
  return shared[2] === undefined ? words : `${words} ${shared[2]}`;
}
