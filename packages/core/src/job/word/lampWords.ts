import type { Job } from "../job.ts";
import type { CircuitId } from "../ids.ts";
import type { Lamp } from "../record/wiring.ts";

/** Where a lamp sits, as it is said in a sentence. */
export const PLACE_WORDS: Readonly<Record<Lamp["place"], string>> = {
  front: "in front",
  rear: "at the back",
  left: "on the left",
  right: "on the right",
  inside: "inside",
};

/** Lamps of a circuit by what they are, "2 × 30 W spot pod"; with `where`, by their place as well. */
export function lampsText(job: Job, runId: CircuitId, where: boolean): string {
  const counts = new Map<string, number>();
  for (const lamp of job.lamps.filter((l) => l.runId === runId)) {
    const name = job.parts.find((p) => p.id === lamp.partId)?.name ?? lamp.label;
    const words = where ? `${name} ${PLACE_WORDS[lamp.place]}` : name;
    counts.set(words, (counts.get(words) ?? 0) + 1);
  }
  return [...counts].map(([words, n]) => (n === 1 ? words : `${n} × ${words}`)).join(", ");
}
