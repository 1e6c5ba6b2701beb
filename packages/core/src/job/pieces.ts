import type { Part } from "../part/index.ts";
import type { Job } from "./job.ts";

/** Parts that a job takes by name, with how many of each: what a maker may call back. */
export function piecesOf(job: Job): { readonly part: Part; readonly pieces: number }[] {
  const taken = [
    ...[...job.lamps, ...job.supplies].map(({ partId }) => partId),
    ...job.runs.flatMap((run) => [run.relayPartId, run.switchPartId]),
    ...job.controls.map((control) => control.switchPartId),
  ];
  return job.parts.flatMap((part) => {
    const pieces = taken.filter((id) => id === part.id).length;
    return pieces === 0 ? [] : [{ part, pieces }];
  });
}
