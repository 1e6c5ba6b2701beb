import { createStore, del, get, promisifyRequest, set, values } from "idb-keyval";
import type { Batch, SetAside } from "@dragonet/core";
import { forgetLast, keptAtLast } from "./lastMoment.ts";

/**
 * Edits that the server has not taken yet, of all jobs, in the browser's own database: a
 * closed page loses nothing. What the server will never take is kept beside it, to be shown.
 */
const batches = createStore("dragonet-outbox", "batches");
const aside = createStore("dragonet-set-aside", "batches");

/** Throws where the browser keeps nothing: full, or forbidden by its settings. */
export const keepBatch = (batch: Batch): Promise<void> => set(batch.id, batch, batches);

export const isKept = async (id: string): Promise<boolean> =>
  (await get<Batch>(id, batches)) !== undefined;

/** Forgets batches as they are given: one that another page has added to since stays. */
export async function forgetBatches(gone: readonly Batch[]): Promise<void> {
  for (const batch of gone) {
    const kept = await get<Batch>(batch.id, batches);
    if (kept && kept.acts.length <= batch.acts.length) await del(batch.id, batches);
    const last = keptAtLast().find(({ id }) => id === batch.id);
    if (last && last.acts.length <= batch.acts.length) forgetLast(batch.id);
  }
}

/** Takes up what pages wrote in their last moment, unless it had been kept as well. */
async function takeUpLast(): Promise<void> {
  for (const batch of keptAtLast()) {
    await batches("readwrite", async (store) => {
      const kept = await promisifyRequest<Batch | undefined>(store.get(batch.id));
      if ((kept?.acts.length ?? 0) < batch.acts.length) store.put(batch, batch.id);
      await promisifyRequest(store.transaction);
    });
    forgetLast(batch.id);
  }
}

const oldestFirst = (a: Batch, b: Batch): number => a.at - b.at || (a.id < b.id ? -1 : 1);

/** Everything that waits in this browser, of all people, oldest first. */
export async function allBatches(): Promise<Batch[]> {
  await takeUpLast();
  const all = await values<Batch | undefined>(batches);
  // An earlier version left empty entries where a batch was sent by two pages at once.
  return all.filter((b) => b !== undefined).sort(oldestFirst);
}

export const keepAside = (what: SetAside): Promise<void> => set(what.batch.id, what, aside);
export const forgetAside = (batchId: string): Promise<void> => del(batchId, aside);
export const allAside = (): Promise<SetAside[]> => values<SetAside>(aside);

/** What of a job waits here for a person, and what of it was set aside. */
export async function waitingOf(
  jobId: string,
  personId: string,
): Promise<{ readonly waiting: readonly Batch[]; readonly setAside: readonly SetAside[] }> {
  const mine = (batch: Batch): boolean => batch.jobId === jobId && batch.personId === personId;
  return {
    waiting: (await allBatches()).filter(mine),
    setAside: (await allAside()).filter((s) => mine(s.batch)),
  };
}

/** Marks a batch as sent, so that no page adds to it; answers it as it is kept, or null. */
export const sealBatch = (id: string): Promise<Batch | null> =>
  // Looked at and written in one go; what another page has sent meanwhile is not put back.
  batches("readwrite", async (store) => {
    const kept = await promisifyRequest<Batch | undefined>(store.get(id));
    if (!kept) return null;
    const sealed: Batch = { ...kept, sealed: true };
    store.put(sealed, id);
    await promisifyRequest(store.transaction);
    return sealed;
  });
