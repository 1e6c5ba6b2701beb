import { clear, createStore, get, set } from "idb-keyval";
import type { Job } from "@dragonet/core";

/** Jobs as the server last had them, so that one opens where there is no network. */
const store = createStore("dragonet-jobs", "last-seen");

export interface KeptJob {
  readonly id: string;
  readonly revision: number;
  readonly document: Job;
}

/** Keeping is a convenience: a browser that refuses its store still works with a network. */
export const keepJob = (job: KeptJob): Promise<void> =>
  set(job.id, job, store).catch(() => undefined);

export const keptJob = (id: string): Promise<KeptJob | undefined> =>
  get<KeptJob>(id, store).catch(() => undefined);

export const forgetJobs = (): Promise<void> => clear(store).catch(() => undefined);
