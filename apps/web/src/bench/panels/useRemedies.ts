import { useCallback } from "react";
import type { FindingGroup } from "@dragonet/core";
import type { ShownPlan } from "../../job/usePlan.ts";
import { planner } from "../../worker/port/planner.ts";
import { useWorked } from "../../worker/useWorked.ts";

/** The causes of a plan, with the ways out as soon as each has been tried on the whole job. */
export function useRemedies(plan: ShownPlan): readonly FindingGroup[] {
  const none = plan.findings.every((f) => f.remedies.length === 0);
  const ask = useCallback(
    async () => ({ plan, causes: await planner().remedies(plan.job) }),
    [plan],
  );
  const tried = useWorked(none ? null : ask);
  return tried?.causes && tried.plan === plan
    ? tried.causes
    : plan.causes.map((c) => ({ ...c, remedies: [] }));
}
