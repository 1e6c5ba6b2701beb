import { useEffect } from "react";
import { useJobStore } from "../job/store/jobStore.ts";
import { sendWaiting } from "./sendWaiting.ts";
import { followWaiting } from "./waiting.ts";

/** How often what waits of jobs that are not open is tried again, in ms. */
const AGAIN_MS = 10_000;

/** Sends what waits in this browser for a person, whichever page is shown. */
export function useSending(personId: string): void {
  useEffect(() => {
    const openJob = (): string | null => useJobStore.getState().id;
    const go = (): void => void sendWaiting(personId, openJob);
    const stopFollowing = followWaiting();
    const stopStore = useJobStore.subscribe(({ id }, before) => {
      if (before.id !== null && before.id !== id) go();
    });
    go();
    const timer = setInterval(go, AGAIN_MS);
    window.addEventListener("online", go);
    return () => {
      stopFollowing();
      stopStore();
      clearInterval(timer);
      window.removeEventListener("online", go);
    };
  }, [personId]);
}
