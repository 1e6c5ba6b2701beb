import { toast } from "sonner";
import { useJobStore } from "../store/jobStore.ts";
import { whenSaved } from "./whenSaved.ts";

/** Opens a file of the open job, made by the server of what the page shows now. */
export function useOpenFile(): (path: string) => void {
  const id = useJobStore((s) => s.id);
  return (path) =>
    void whenSaved().then(
      () => window.open(`/api/jobs/${id}/${path}`, "_blank", "noopener"),
      (why: Error) => toast.error(`Not opened: ${why.message}`),
    );
}
