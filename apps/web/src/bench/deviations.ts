import type { Deviation, Edit, Job } from "@dragonet/core";

export const DEVIATION_WORDS: Readonly<Record<Deviation["kind"], string>> = {
  lampsSwapped: "lamps on each other’s feed",
  joined: "feeds tied together (hazards on a single pole)",
  thinSharedReturn: "one thin return for both",
};

/** A deviation in one line: what, and between which runs. */
export function deviationText(job: Job, d: Deviation): string {
  const name = (id: string): string => job.runs.find((r) => r.id === id)?.name ?? id;
  return `${name(d.runId)} and ${name(d.otherRunId)}: ${DEVIATION_WORDS[d.kind]}`;
}

export const mendDeviation = (d: Deviation): Edit => ({
  kind: "remove",
  entity: "deviation",
  id: d.id,
});
