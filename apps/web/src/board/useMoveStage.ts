import { useMutation, useQueryClient } from "@tanstack/react-query";
import { toast } from "sonner";
import type { Edit, Stage } from "@dragonet/core";
import type { ChangesAnswer, JobOnBoardAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { mint } from "../base/mint.ts";
import { STAGE_WORDS } from "../job/stages.ts";

interface Move {
  readonly job: JobOnBoardAnswer;
  readonly stage: Stage;
}

/** Puts a job to another stage from the board, as an edit of the job like any other; it can be taken back. */
export function useMoveStage(): (move: Move) => void {
  const queries = useQueryClient();
  const { mutate } = useMutation({
    scope: { id: "stage" },
    mutationFn: async ({ job, stage }: Move) => {
      const known = queries
        .getQueryData<JobOnBoardAnswer[]>(["jobs"])
        ?.find(({ id }) => id === job.id);
      const edit: Edit = { kind: "setOnce", entity: "card", field: "stage", value: stage };
      return ask<ChangesAnswer>(`jobs/${job.id}/edits`, "POST", {
        baseRevision: known?.revision ?? job.revision,
        batchId: mint("stage"),
        edits: [edit],
      });
    },
    onSuccess: async (_, { job, stage }) => {
      await queries.invalidateQueries({ queryKey: ["jobs"] });
      toast(`${job.title}: ${STAGE_WORDS[stage]}`, {
        action: { label: "Undo", onClick: () => mutate({ job, stage: job.stage }) },
      });
    },
    onError: (error) => toast.error(`Not done: ${error.message}`, { duration: 10_000 }),
  });
  return mutate;
}
