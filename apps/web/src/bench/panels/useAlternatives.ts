import { useCallback } from "react";
import type { Alternative, ChoiceKind, CircuitId } from "@dragonet/core";
import { useJob } from "../../job/store/jobStore.ts";
import { useAtHand } from "../../shelf/parts.ts";
import { planner } from "../../worker/port/planner.ts";
import { useWorked } from "../../worker/useWorked.ts";

/** What decisions choose from the shelf. */
const CHOSEN = ["relay", "switch"];

/** Every way to pin a decision with its consequence, worked out anew after each edit. */
export function useAlternatives(runId: CircuitId, kind: ChoiceKind): readonly Alternative[] | null {
  const job = useJob();
  const parts = useAtHand(CHOSEN);
  return useWorked(
    useCallback(
      async () => planner().alternatives(job, runId, kind, parts),
      [job, runId, kind, parts],
    ),
  );
}
