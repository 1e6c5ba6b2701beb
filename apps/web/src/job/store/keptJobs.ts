import { clear, createStore, delMany, entries, get, set } from "idb-keyval";
import type { JobAnswer } from "@dragonet/contract";

/** Jobs as the server last had them, so that one opens where there is no network. */
const store = createStore("dragonet-jobs", "last-seen");

/** Jobs that are kept, the latest: every job of a day's work, and not all of a year. */
const MOST_KEPT = 100;

/** A job as it was kept, and when, ms since 1970; an earlier version said no moment. */
type KeptJob = JobAnswer & { readonly keptAt?: number };

/** Keeping is a convenience: a browser that refuses its store still works with a network. */
export const keepJob = (job: JobAnswer): Promise<void> =>
  set(job.id, { ...job, keptAt: Date.now() } satisfies KeptJob, store).catch(() => undefined);

export async function keptJob(id: string): Promise<JobAnswer | undefined> {
  const kept = await get<KeptJob>(id, store).catch(() => undefined);
  return kept && { id: kept.id, revision: kept.revision, document: kept.document };
}

export const forgetJobs = (): Promise<void> => clear(store).catch(() => undefined);

/** Forgets the oldest where there are more than are kept; those that something here waits for stay. */
export async function forgetOldJobs(waitedFor: ReadonlySet<string>): Promise<void> {
  const all = await entries<string, KeptJob>(store).catch(() => []);
  const old = all
    .sort(([, a], [, b]) => (b.keptAt ?? 0) - (a.keptAt ?? 0))
    .slice(MOST_KEPT)
    .map(([id]) => id);
  await delMany(
    old.filter((id) => !waitedFor.has(id)),
    store,
  ).catch(() => undefined);
}
