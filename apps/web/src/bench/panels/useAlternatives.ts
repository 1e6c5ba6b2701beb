import { useCallback } from "react";
import type { Alternative, ChoiceKind, RunId } from "@dragonet/core";
import { useJob } from "../../job/store/jobStore.ts";
import { useParts } from "../../shelf/parts.ts";
import { planner } from "../../worker/planner.ts";
import { useWorked } from "../../worker/useWorked.ts";

/** Every way to pin a decision with its consequence, worked out anew after each edit. */
export function useAlternatives(runId: RunId, kind: ChoiceKind): readonly Alternative[] | null {
  const job = useJob();
  const { data: parts } = useParts();
  return useWorked(
    useCallback(
      async () =>
        planner().alternatives(
          job,
          runId,
          kind,
          (parts ?? []).map((kept) => kept.value),
        ),
      [job, runId, kind, parts],
    ),
  );
}
