import { toast } from "sonner";
import { bringJob } from "../sync/waiting.ts";
import { useJobStore } from "./store/jobStore.ts";

/** When the server has what the page shows; false where it cannot be reached, or asks. */
function whenSaved(): Promise<boolean> {
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

/** Opens a file of the open job, made by the server of what the page shows now. */
export function useOpenFile(): (path: string) => void {
  const { id, flush } = useJobStore();
  return (path) => {
    void flush();
    void whenSaved().then(async (saved) => {
      // A job that is only in this browser goes first; where it does not go, there is no file of it.
      const isThere = await bringJob(id ?? "").then(
        () => true,
        () => false,
      );
      if (saved && isThere) window.open(`/api/jobs/${id}/${path}`, "_blank", "noopener");
      else toast.error("Not opened: what the page shows is not saved yet");
    });
  };
}
