import type { Job } from "@dragonet/core";
import { useEffect, useState } from "react";
import { useJob } from "./jobStore.ts";

/**
 * What is computed of the open job, anew after each edit; until then the last is shown. Null
 * before the first. `compute` stays the same function while it computes the same.
 */
export function useOfJob<T>(compute: (job: Job) => Promise<T>): T | null {
  const job = useJob();
  const [made, setMade] = useState<T | null>(null);
  useEffect(() => {
    let stale = false;
    compute(job)
      .then((next) => {
        if (!stale) setMade(next);
      })
      .catch((error: unknown) => {
        // Thrown while rendering, so that the page says it and the way on.
        if (!stale) {
          setMade(() => {
            throw error;
          });
        }
      });
    return () => {
      stale = true;
    };
  }, [job, compute]);
  return made;
}
