import { clear, createStore, get, set } from "idb-keyval";
import type { JobAnswer } from "@dragonet/contract";

/** Jobs as the server last had them, so that one opens where there is no network. */
const store = createStore("dragonet-jobs", "last-seen");

/** Keeping is a convenience: a browser that refuses its store still works with a network. */
export const keepJob = (job: JobAnswer): Promise<void> =>
  set(job.id, job, store).catch(() => undefined);

export const keptJob = (id: string): Promise<JobAnswer | undefined> =>
  get<JobAnswer>(id, store).catch(() => undefined);

export const forgetJobs = (): Promise<void> => clear(store).catch(() => undefined);
