import { isFinal, type Batch, type SyncEvent } from "@dragonet/core";
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

let running: Promise<void> | null = null;

async function sendAll(personId: string, openJob: () => string | null): Promise<void> {
  const stuck = new Set<string>();
  let sent = false;
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
