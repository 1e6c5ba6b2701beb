import type { Job, Lamp } from "../job/index.ts";
import type { LampKind } from "../place/index.ts";

/** What a lamp is to a rule book, by what turns it on; null for one that it does not name. */
export function lampKindOf(job: Job, lamp: Lamp): LampKind | null {
  const run = job.runs.find((r) => r.id === lamp.runId);
  const part = job.parts.find((p) => p.id === lamp.partId);
  if (!run || part?.kind !== "load" || part.family !== "lamp") return null;
  const on = new Set(run.condition.anyOf.flat().flatMap((t) => (t.negated ? [] : [t.input])));
  if (on.has("left") || on.has("right")) return "turn";
  const rear = lamp.place !== "front" && lamp.place !== "inside";
  if (rear && on.has("brake")) return "stop";
  if (rear && on.has("park")) return "rearPosition";
  return null;
}
