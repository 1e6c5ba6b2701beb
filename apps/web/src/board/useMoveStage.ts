import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import type { Edit, Stage } from "@dragonet/core";
import type { ChangesAnswer, JobOnBoardAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { mint } from "../base/mint.ts";
import { STAGE_WORDS } from "../job/stages.ts";

/** They come when there is something to say: the board is the first page. */
const messages = () => import("sonner");

interface Move {
  readonly job: JobOnBoardAnswer;
  readonly stage: Stage;
}

/** Puts a job to another stage from the board, as an edit of the job like any other; it can be taken back. */
export function useMoveStage(): (move: Move) => void {
  const queries = useQueryClient();
  // One that is taken back at once goes on from what the move itself made.
  const revisions = useRef(new Map<string, number>());
  const { mutate } = useMutation({
    scope: { id: "stage" },
    mutationFn: async ({ job, stage }: Move) => {
      const edit: Edit = { kind: "setOnce", entity: "card", field: "stage", value: stage };
      return ask<ChangesAnswer>(`jobs/${job.id}/edits`, "POST", {
        baseRevision: revisions.current.get(job.id) ?? job.revision,
        batchId: mint("stage"),
        edits: [edit],
      });
    },
    onSuccess: async ({ revision }, { job, stage }) => {
      revisions.current.set(job.id, revision);
      await queries.invalidateQueries({ queryKey: ["jobs"] });
      const { toast } = await messages();
      toast(`${job.title}: ${STAGE_WORDS[stage]}`, {
        action: { label: "Undo", onClick: () => mutate({ job, stage: job.stage }) },
      });
    },
    onError: async (error) => {
      const { toast } = await messages();
      toast.error(`Not done: ${error.message}`, { duration: 10_000 });
    },
  });
  return mutate;
}
