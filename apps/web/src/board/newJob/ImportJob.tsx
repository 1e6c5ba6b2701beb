import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import type { JobAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../../base/api.ts";
import { FileButton } from "../../ui/forms/FileButton.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { FaultList } from "../../ui/page/states.tsx";

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
      <Modal open={take.error !== null} onClose={take.reset} title="This file was not taken in">
        <p className="font-bold">{take.error?.message}</p>
        {take.error instanceof ApiError && <FaultList error={take.error} />}
      </Modal>
    </>
  );
}
