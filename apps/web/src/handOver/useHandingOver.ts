import { useCallback, useMemo, useState } from "react";
import { insteadOf, unpricedIn, type Job } from "@dragonet/core";
import { useCurrentUser } from "../base/session.ts";
import { useTimes } from "../board/jobs.ts";
import { useJob } from "../job/store/jobStore.ts";
import { useOfJob } from "../job/useOfJob.ts";
import { SINGLE_PARTS, useAtHand, useNamedParts } from "../shelf/parts.ts";
import type { HandingOver } from "../worker/handingOver.ts";
import { planner } from "../worker/port/planner.ts";

const NOBODY: readonly string[] = [];

/** Everything that stage 8 shows of the open job; null while it is worked out. */
export function useHandingOver(): HandingOver | null {
  const { units } = useCurrentUser().preferences;
  const { options } = useJob();
  const { data: times } = useTimes();
  const atHand = useAtHand(SINGLE_PARTS);
  const instead = useMemo(() => insteadOf({ options }), [options]);
  // What had no price at first is looked for behind what is at hand, once.
  const [asked, setAsked] = useState(NOBODY);
  const named = useNamedParts(asked, instead);
  const shop = useMemo(
    () => ({ shelf: [...atHand, ...(named ?? [])], records: times ?? [] }),
    [atHand, named, times],
  );
  const made = useOfJob<HandingOver>(
    useCallback((job: Job) => planner().handingOver(job, shop, units), [shop, units]),
  );
  const unknown = made ? unpricedIn(made).filter((name) => !asked.includes(name)) : NOBODY;
  if (atHand.length > 0 && unknown.length > 0) setAsked([...asked, ...unknown]);
  return named === null ? null : made;
}
