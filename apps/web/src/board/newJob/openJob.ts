import { v4 as uuid } from "uuid";
import { OfflineError } from "../../base/api.ts";
import { keepJob } from "../../job/store/keptJobs.ts";
import { keepNewJob, postNewJob } from "../../sync/newJobs.ts";
import { waitingChanged } from "../../sync/waiting.ts";
import type { MadeJob } from "../../worker/makeJob.ts";

/**
 * Opens a job made on this page and answers its id. Without a way to the server it waits in this
 * browser, can be worked on at once, and is sent by itself. Throws where the server refuses it.
 */
export async function openJob(
  { document, text }: MadeJob,
  said: string,
  personId: string,
): Promise<string> {
  // The same id when an answer was lost: no job is opened twice. Also made at a plain address.
  const id = uuid();
  try {
    return (await postNewJob({ id, text, said })).id;
  } catch (error) {
    if (!(error instanceof OfflineError)) throw error;
    const { title } = document.card;
    await keepNewJob({ ...{ id, personId, title, text, said }, at: Date.now(), refused: "" });
    await keepJob({ id, revision: 1, document });
    waitingChanged();
    return id;
  }
}
