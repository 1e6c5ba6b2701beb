import type { Behaviour, BoxPart } from "../part/index.ts";
import type { CircuitId } from "./ids.ts";
import type { Job } from "./job.ts";
import type { LightingCircuit } from "./record/wiring.ts";

/** The box that a supply is, switching the side that this job sets; null for any other supply. */
export function boxOf(job: Job, supplyId: string): BoxPart | null {
  const supply = job.supplies.find((s) => s.id === supplyId);
  const part = job.parts.find((p) => p.id === supply?.partId);
  if (!supply || part?.kind !== "box") return null;
  return supply.switches === "part" || supply.switches === part.switches
    ? part
    : { ...part, switches: supply.switches };
}

/** The supply whose channel a circuit takes: its box, or the module that it goes through. */
export const channelSupply = (run: LightingCircuit): string =>
  run.throughId !== "" ? run.throughId : run.feed.kind === "supply" ? run.feed.supplyId : "";

/**
 * Channels of the circuits on a box, 1 and up: those that are said first, the others take the
 * next free ones in the order of the job. Of two that say the same the second is moved on.
 */
export function channelsOf(job: Job, supplyId: string): ReadonlyMap<CircuitId, number> {
  const on = job.runs.filter((run) => channelSupply(run) === supplyId);
  const given = new Map<CircuitId, number>();
  const taken = new Set<number>();
  for (const { id, channel } of on) {
    if (channel === 0 || taken.has(channel)) continue;
    given.set(id, channel);
    taken.add(channel);
  }
  for (const { id } of on) {
    if (given.has(id)) continue;
    let next = 1;
    while (taken.has(next)) next += 1;
    given.set(id, next);
    taken.add(next);
  }
  return given;
}

/** The channel of a circuit on its box or module; 0 for one that is on neither. */
export function channelOf(job: Job, run: LightingCircuit): number {
  const supplyId = channelSupply(run);
  return supplyId === "" ? 0 : (channelsOf(job, supplyId).get(run.id) ?? 0);
}

/** What a circuit's channel is set to: by this job, or as its part comes; null where it plainly follows. */
export function programOf(job: Job, run: LightingCircuit): Behaviour | null {
  if (run.program) return run.program;
  const box = boxOf(job, channelSupply(run));
  return box?.behaviours[channelOf(job, run) - 1] ?? null;
}
