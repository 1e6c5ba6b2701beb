import { shelfName } from "../fit/index.ts";
import type { Edit, Job } from "../job/index.ts";

/** Whether something that is waited for, in somebody's own words, is a part of the shelf. */
export const isFor = (text: string, partName: string): boolean => {
  const name = shelfName(partName).trim();
  return name !== "" && text.toLowerCase().includes(name);
};

/** What a part that has come in takes out of a job's way: what waits for it by name, and what its kit lacked of it. */
export const freedBy = (job: Job, partName: string): Edit[] => [
  ...job.blockers.flatMap(({ id, kind, text }): Edit[] =>
    kind === "part" && isFor(text, partName) ? [{ kind: "remove", entity: "blocker", id }] : [],
  ),
  ...job.kit.flatMap(({ id, name, needed, inBox }): Edit[] =>
    inBox < needed && shelfName(name) === shelfName(partName)
      ? [{ kind: "set", entity: "kitItem", id, field: "inBox", value: needed }]
      : [],
  ),
];
