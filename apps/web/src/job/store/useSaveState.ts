import { useWaitingStore } from "../../sync/waiting.ts";
import { useJobStore, type SaveState } from "./jobStore.ts";

/** Whether the server has all of the open job: one that is only in this browser is not saved. */
export function useSaveState(): SaveState {
  const { id, saveState } = useJobStore();
  const isNew = useWaitingStore((s) => s.newJobs.some((job) => job.id === id));
  return isNew && saveState === "saved" ? "offline" : saveState;
}
