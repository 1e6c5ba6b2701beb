import type { Waiting } from "./waiting.ts";

export const changesWord = (count: number): string =>
  count === 1 ? "1 change" : `${count} changes`;

/** How much waits for a person, in all jobs or in one. */
export const waitingActs = (
  waiting: readonly Waiting[],
  personId: string,
  jobId: string | null = null,
): number =>
  waiting
    .filter((w) => w.personId === personId && (jobId === null || w.jobId === jobId))
    .reduce((sum, w) => sum + w.acts, 0);
