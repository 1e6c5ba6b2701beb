import { useEffect, useState } from "react";
import { USUAL_SCRIPT } from "@dragonet/core";
import { useJob } from "../job/jobStore.ts";
import { useParts } from "../shelf/parts.ts";
import type { PlayReport } from "../worker/plan.worker.ts";
import { planner } from "../worker/planner.ts";

/** The job's own script, or the usual one until somebody writes another. */
export const scriptOf = (script: string): string => (script === "" ? USUAL_SCRIPT : script);

/** The job's script played in the worker, anew after each edit. */
export function usePlay(): PlayReport | null {
  const job = useJob();
  const { data: parts } = useParts();
  const [report, setReport] = useState<PlayReport | null>(null);
  useEffect(() => {
    let stale = false;
    void planner()
      .play(
        job,
        scriptOf(job.signals.script),
        (parts ?? []).map((kept) => kept.value),
      )
      .then((made) => !stale && setReport(made));
    return () => {
      stale = true;
    };
  }, [job, parts]);
  return report;
}
