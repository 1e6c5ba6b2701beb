import type { Waiting } from "./waiting.ts";

export const changesWord = (count: number): string =>
  count === 1 ? "1 change" : `${count} changes`;

/** What has not reached the server, in words: "1 new job and 3 changes"; "" where all has. */
export const waitsWord = (acts: number, jobs: number): string =>
  [
    ...(jobs > 0 ? [jobs === 1 ? "1 new job" : `${jobs} new jobs`] : []),
    ...(acts > 0 ? [changesWord(acts)] : []),
  ].join(" and ");

/** How much waits for a person, in all jobs or in one. */
export const waitingActs = (
  waiting: readonly Waiting[],
  personId: string,
  jobId: string | null = null,
): number =>
  waiting
    .filter((w) => w.personId === personId && (jobId === null || w.jobId === jobId))
    .reduce((sum, w) => sum + w.acts, 0);
