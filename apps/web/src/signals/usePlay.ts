import { USUAL_SCRIPT, type Job } from "@dragonet/core";
import { useCallback } from "react";
import { useOfJob } from "../job/useOfJob.ts";
import { useAtHand } from "../shelf/parts.ts";
import type { PlayReport } from "../worker/plan.worker.ts";
import { planner } from "../worker/port/planner.ts";

/** The job's own script, or the usual one until somebody writes another. */
export const scriptOf = (script: string): string => (script === "" ? USUAL_SCRIPT : script);

/** What a wrong flash is mended with. */
const REMEDIES = ["flasher", "equaliser", "resistor"];

/** The job's script played in the worker, anew after each edit. */
export function usePlay(): PlayReport | null {
  const shelf = useAtHand(REMEDIES);
  return useOfJob<PlayReport>(
    useCallback((job: Job) => planner().play(job, scriptOf(job.signals.script), shelf), [shelf]),
  );
}
