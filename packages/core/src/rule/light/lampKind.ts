import { lampWork, type Job, type Lamp } from "../../job/index.ts";
import type { LampKind } from "../../place/index.ts";

/** What a lamp is to a rule book; null for one that it does not name. */
export function lampKindOf(job: Job, lamp: Lamp): LampKind | null {
  const work = lampWork(job, lamp);
  if (work === "turnFront" || work === "turnRear") return "turn";
  return work === "stop" || work === "rearPosition" ? work : null;
}
