import type { Part } from "../part/index.ts";
import type { Job } from "./job.ts";

/** Where a job says which part it takes: the list, and the field of its entries. */
export const PART_PLACES = [
  ["lamps", "partId"],
  ["supplies", "partId"],
  ["runs", "relayPartId"],
  ["runs", "switchPartId"],
  ["runs", "connectorPartId"],
  ["controls", "switchPartId"],
] as const satisfies readonly (readonly [keyof Job, string])[];

/** Parts that a job takes by name, with how many of each: what a maker may call back. */
export function piecesOf(job: Job): { readonly part: Part; readonly pieces: number }[] {
  const taken = PART_PLACES.flatMap(([list, field]) =>
    job[list].map((entry) => (entry as unknown as Record<string, unknown>)[field]),
  );
  return job.parts.flatMap((part) => {
    const pieces = taken.filter((id) => id === part.id).length;
    return pieces === 0 ? [] : [{ part, pieces }];
  });
}
