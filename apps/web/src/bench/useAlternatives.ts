import { useEffect, useState } from "react";
import type { Alternative, ChoiceKind, RunId } from "@dragonet/core";
import { useJob } from "../job/jobStore.ts";
import { useParts } from "../shelf/parts.ts";
import { planner } from "../worker/planner.ts";

/** Every way to pin a decision with its consequence, worked out anew after each edit. */
export function useAlternatives(runId: RunId, kind: ChoiceKind): readonly Alternative[] | null {
  const job = useJob();
  const { data: parts } = useParts();
  const [found, setFound] = useState<readonly Alternative[] | null>(null);
  useEffect(() => {
    let stale = false;
    void planner()
      .alternatives(
        job,
        runId,
        kind,
        (parts ?? []).map((kept) => kept.value),
      )
      .then((list) => {
        if (!stale) setFound(list);
      });
    return () => {
      stale = true;
    };
  }, [job, runId, kind, parts]);
  return found;
}
