import { bringJob } from "../../sync/waiting.ts";
import { useJobStore } from "../store/jobStore.ts";

/** Ends when nothing of the open job is on its way any more: true when the server has all of it. */
function settled(): Promise<boolean> {
  return new Promise((done) => {
    const look = (): boolean => {
      const { saveState } = useJobStore.getState();
      if (saveState === "waiting" || saveState === "saving") return false;
      done(saveState === "saved");
      return true;
    };
    if (look()) return;
    const stop = useJobStore.subscribe(() => look() && stop());
  });
}

/**
 * Sends what waits, and ends when the server has what the page shows: whatever the server makes of
 * the open job, a file, an offer or an invoice, is made of that and of nothing older. Throws where
 * it cannot be saved now: no connection, nobody signed in, or two people wrote in the same place.
 */
export async function whenSaved(): Promise<void> {
  const { id, flush } = useJobStore.getState();
  void flush();
  // A job that is only in this browser goes first.
  const brought = (): Promise<boolean> =>
    bringJob(id ?? "").then(
      () => true,
      () => false,
    );
  if (!((await settled()) && (await brought())))
    throw new Error("what the page shows is not saved yet");
}
