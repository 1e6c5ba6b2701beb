import { useJobStore } from "./jobStore.ts";

/** Opens a file of the open job, made by the server of what the page shows now. */
export function useOpenFile(): (path: string) => void {
  const { id, flush } = useJobStore();
  return (path) =>
    void flush().then(() => window.open(`/api/jobs/${id}/${path}`, "_blank", "noopener"));
}
