import { create } from "zustand";
import type { SetAside } from "@dragonet/core";
import { allNewJobs, forgetNewJob, sendNewJob, type NewJob } from "./newJobs.ts";
import { allAside, allBatches, forgetBatches } from "./outbox.ts";
import { hearPages, tellPages } from "./pages.ts";

/** What waits in this browser: for the board, the job and signing out. */
export interface Waiting {
  readonly jobId: string;
  readonly personId: string;
  readonly acts: number;
}

interface WaitingState {
  readonly waiting: readonly Waiting[];
  readonly setAside: readonly SetAside[];
  /** Jobs that are only in this browser. */
  readonly newJobs: readonly NewJob[];
}

const NOTHING: WaitingState = { waiting: [], setAside: [], newJobs: [] };

export const useWaitingStore = create<WaitingState>()(() => NOTHING);

/** How many jobs of a person are only in this browser. */
export const newJobsOf = ({ newJobs }: WaitingState, personId: string): number =>
  newJobs.filter((job) => job.personId === personId).length;

/** Whether a job is only in this browser, as far as is known here. */
export const isOnlyHere = (jobId: string): boolean =>
  useWaitingStore.getState().newJobs.some(({ id }) => id === jobId);

async function look(): Promise<void> {
  try {
    const counts = new Map<string, Waiting>();
    for (const { jobId, personId, acts } of await allBatches()) {
      const key = `${jobId} ${personId}`;
      const before = counts.get(key)?.acts ?? 0;
      counts.set(key, { jobId, personId, acts: before + acts.length });
    }
    useWaitingStore.setState({
      waiting: [...counts.values()],
      setAside: await allAside(),
      newJobs: await allNewJobs(),
    });
  } catch {
    // A browser that keeps nothing has nothing waiting in its store.
    useWaitingStore.setState(NOTHING);
  }
}

/** Looks anew at what waits, here and in the other pages of this browser. */
export function waitingChanged(): void {
  void look();
  tellPages({ kind: "waiting" });
}

/** Ids of jobs that something here waits to be sent for. */
export async function jobsWaitedFor(): Promise<ReadonlySet<string>> {
  const [batches, jobs] = await Promise.all([allBatches(), allNewJobs()]);
  return new Set([...batches.map(({ jobId }) => jobId), ...jobs.map(({ id }) => id)]);
}

/** Sends a job that is only in this browser, where it is, before anything that names it. Throws as `sendNewJob` does. */
export async function bringJob(id: string): Promise<void> {
  if (await sendNewJob(id)) waitingChanged();
}

/** Lets a job go that is only in this browser, with what was changed in it. */
export async function letGoOf(jobId: string): Promise<void> {
  await forgetBatches((await allBatches()).filter((batch) => batch.jobId === jobId));
  await forgetNewJob(jobId);
  waitingChanged();
}

/** Follows what other pages keep and send; answers how to stop. */
export function followWaiting(): () => void {
  void look();
  return hearPages((news) => {
    if (news.kind === "waiting") void look();
  });
}
