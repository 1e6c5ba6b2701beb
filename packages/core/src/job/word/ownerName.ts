import { asId, type CircuitId } from "../ids.ts";
import type { Job } from "../job.ts";
import type { Harness } from "../record/wiring.ts";

/** A harness as owner of elements: no id of a document has a dot in it. */
export const harnessOwner = ({ id }: Pick<Harness, "id">): CircuitId =>
  asId<CircuitId>(`harness.${id}`);

/** The harness that owns an element or a unit; undefined where no harness does. */
export const harnessOf = (job: Job, ownerId: string): Harness | undefined =>
  job.harnesses.find((harness) => harnessOwner(harness) === ownerId);

/** What the user calls a run, supply, control or harness, by its id. */
export function ownerName(job: Job, id: string): string {
  const named = [...job.runs, ...job.supplies, ...job.controls].find((x) => x.id === id);
  if (named) return named.name;
  const harness = harnessOf(job, id);
  if (harness) return harness.name;
  const shared = /^(ground-block|control-feed)(?:-(\d+))?$/.exec(id);
  if (!shared) return id;
  const words = shared[1] === "ground-block" ? "Ground block" : "Control feed";
  return shared[2] === undefined ? words : `${words} ${shared[2]}`;
}
