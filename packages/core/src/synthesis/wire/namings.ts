import type { CircuitId, Job } from "../../job/index.ts";
import { harnessOwner } from "../../job/index.ts";
import { ownerOf } from "../decide/decideFeeders.ts";
import type { LaidOut } from "../layOut/layOut.ts";
import { colourForCircuit, type Naming } from "./nameWires.ts";

/** Names by owner: circuits by their place in the job, what they share by a letter. */
export function namingsOf(
  job: Job,
  { blocks, controlFeeds }: LaidOut,
): ReadonlyMap<CircuitId, Naming> {
  return new Map<CircuitId, Naming>([
    ...job.supplies.map((s, i) => [ownerOf(s.id), { prefix: `S${i + 1}`, colour: "red" }] as const),
    ...job.controls.map(
      (c, i) => [ownerOf(c.id), { prefix: `C${i + 1}`, colour: "grey" }] as const,
    ),
    ...controlFeeds.map(
      (f, i) => [f.ownerId, { prefix: `K${i === 0 ? "" : i + 1}`, colour: "grey" }] as const,
    ),
    ...[...blocks.values()].map(
      (b, i) => [b.ownerId, { prefix: i === 0 ? "G" : `G${i + 1}`, colour: "black" }] as const,
    ),
    ...job.harnesses.map((h, i) => [harnessOwner(h), { prefix: `H${i + 1}`, colour: "" }] as const),
    ...job.runs.map(
      (r, i) => [r.id, { prefix: String(i + 1), colour: colourForCircuit(job, r, i) }] as const,
    ),
  ]);
}
