import { isFinal, type Batch, type SyncEvent } from "@dragonet/core";
import { allNewJobs, newJob, sendNewJob } from "./newJobs.ts";
import { allBatches, forgetBatches, keepAside, sealBatch } from "./outbox.ts";
import { tellPages } from "./pages.ts";
import { postBatch } from "./post.ts";
import { waitingChanged } from "./waiting.ts";

/** What becomes of a batch that was sent while its job is not open here. */
async function conclude(batch: Batch, event: SyncEvent): Promise<"done" | "stays"> {
  switch (event.kind) {
    case "taken":
      await forgetBatches([batch]);
      return "done";
    case "gone":
      await keepAside({ batch, message: event.message });
      await forgetBatches([batch]);
      tellPages({ kind: "ended", batches: [batch] });
      return "done";
    default:
      // A clash or a refusal wants a person to look: it is shown when the job is opened.
      return "stays";
  }
}

/** Sends jobs that a person opened without a network; answers whether one went or was refused. */
async function sendNewJobs(personId: string): Promise<boolean> {
  let changed = false;
  for (const { id, personId: whose, refused } of await allNewJobs()) {
    if (whose !== personId || refused !== "") continue;
    // Where it does not go it waits on, and what was changed in it behind it.
    await sendNewJob(id).catch(() => undefined);
    const still = await newJob(id);
    if (!still || still.refused !== "") changed = true;
  }
  return changed;
}

let running: Promise<void> | null = null;

async function sendAll(personId: string, openJob: () => string | null): Promise<void> {
  const stuck = new Set<string>();
  let sent = await sendNewJobs(personId);
  for (const waiting of await allBatches()) {
    const { id, jobId } = waiting;
    const leave = waiting.personId !== personId || jobId === openJob() || stuck.has(jobId);
    if (leave || !isFinal(waiting, Date.now())) continue;
    const batch = await sealBatch(id);
    if (!batch) continue;
    const event = await postBatch(batch, batch.madeOn);
    if (event.kind === "signedOut") break;
    // What follows in the same job was made on top of this one.
    if ((await conclude(batch, event)) === "stays") stuck.add(jobId);
    else sent = true;
  }
  if (sent) waitingChanged();
}

/**
 * Sends what waits of a person's jobs that are not open in this page, in order: edits made
 * without a network go when there is one again, without their job being opened.
 */
export function sendWaiting(personId: string, openJob: () => string | null): Promise<void> {
  running ??= sendAll(personId, openJob)
    .catch(() => undefined)
    .finally(() => {
      running = null;
    });
  return running;
}
