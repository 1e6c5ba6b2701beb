import type { Circuit } from "../circuit/index.ts";
import { conditionText, programOf, type Job, type LightingCircuit } from "../job/index.ts";
import { decimal } from "../quantity/index.ts";
import { sideFlashes, type SideFlash } from "../signal/index.ts";

/** One added lamp as an inspector asks of it. */
export interface InspectorLine {
  readonly id: string;
  readonly label: string;
  readonly place: string;
  readonly light: string;
  readonly when: string;
  readonly overTime: string;
}

/** What a flasher makes of a circuit that hangs on a side; null for one that hangs on none, or has none before it. */
function flashText(run: LightingCircuit, sides: readonly SideFlash[]): string | null {
  const asked = run.condition.anyOf.flat();
  const found = sides.find(({ side }) => asked.some((t) => t.input === side && !t.negated));
  if (!found) return null;
  const { flashes, onS, offS } = found.timing;
  return flashes
    ? `flashes ${decimal(60 / (onS + offS), 0)} a minute`
    : "lights and does not flash";
}

/** Every lamp that a job adds, with what turns it on and what it does over time. */
export function inspectorLines(job: Job, circuit: Circuit): InspectorLine[] {
  const sides = sideFlashes(job, circuit);
  return job.lamps.flatMap((lamp): InspectorLine[] => {
    const run = job.runs.find((r) => r.id === lamp.runId);
    const part = job.parts.find((p) => p.id === lamp.partId);
    if (!run || part?.kind !== "load" || part.family !== "lamp") return [];
    const own = programOf(job, run)?.label ?? part.behaviour?.label;
    return [
      {
        id: lamp.id,
        label: lamp.label,
        place: lamp.place,
        light: part.light,
        when: conditionText(run.condition),
        overTime: own ?? flashText(run, sides) ?? "steady",
      },
    ];
  });
}
