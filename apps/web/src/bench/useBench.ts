import { useCallback } from "react";
import type { BenchView } from "@dragonet/core";
import { useCurrentUser } from "../base/session.ts";
import type { ShownPlan } from "../job/usePlan.ts";
import { planner } from "../worker/port/planner.ts";
import { useWorked } from "../worker/useWorked.ts";
import type { Pressed } from "./controls.ts";

/** The circuit solved for the controls as they are pressed, anew after each plan. */
export function useBench(plan: ShownPlan | null, pressed: Pressed | null): BenchView | null {
  const { units } = useCurrentUser().preferences;
  const ask = useCallback(
    async () => (plan && pressed ? planner().bench(plan.job, pressed, units) : null),
    [plan, pressed, units],
  );
  return useWorked(plan && pressed ? ask : null, "atOnce");
}
