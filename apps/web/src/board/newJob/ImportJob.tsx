import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Suspense, lazy } from "react";
import { useNavigate } from "react-router";
import type { JobAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";
import { FileButton } from "../../ui/forms/FileButton.tsx";

const NotTaken = lazy(async () => ({ default: (await import("./NotTaken.tsx")).NotTaken }));

/** Takes a job file in; a file that cannot be read is answered with every fault. */
export function ImportJob() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: (text: string) => ask<JobAnswer>("jobs/import", "POST", { text }),
    onSuccess: async ({ id }) => {
      await queries.invalidateQueries({ queryKey: ["jobs"] });
      await navigate(`/jobs/${id}`);
    },
  });
  return (
    <>
      <FileButton label="Job file in" accept=".json,application/json" onText={take.mutate} />
      {take.error && (
        <Suspense fallback={null}>
          <NotTaken error={take.error} onClose={take.reset} />
        </Suspense>
      )}
    </>
  );
}
