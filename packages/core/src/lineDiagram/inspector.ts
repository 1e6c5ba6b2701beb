import { conditionText, programOf, type Job } from "../job/index.ts";

/** One added lamp as an inspector asks of it. */
export interface InspectorLine {
  readonly id: string;
  readonly label: string;
  readonly place: string;
  readonly light: string;
  readonly when: string;
  readonly overTime: string;
}

/** Every lamp that a job adds, with what turns it on and what it does over time. */
export function inspectorLines(job: Job): InspectorLine[] {
  return job.lamps.flatMap((lamp): InspectorLine[] => {
    const run = job.runs.find((r) => r.id === lamp.runId);
    const part = job.parts.find((p) => p.id === lamp.partId);
    if (!run || part?.kind !== "load" || part.family !== "lamp") return [];
    return [
      {
        id: lamp.id,
        label: lamp.label,
        place: lamp.place,
        light: part.light,
        when: conditionText(run.condition),
        overTime: programOf(job, run)?.label ?? part.behaviour?.label ?? "steady",
      },
    ];
  });
}
