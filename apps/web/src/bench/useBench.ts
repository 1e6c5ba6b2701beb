import { useCallback } from "react";
import type { BenchView } from "@dragonet/core";
import { useMe } from "../base/session.ts";
import type { BenchPlan } from "../worker/plan.worker.ts";
import { planner } from "../worker/planner.ts";
import { useWorked } from "../worker/useWorked.ts";
import type { Pressed } from "./controls.ts";

/** The circuit solved for the controls as they are pressed, anew after each plan. */
export function useBench(plan: BenchPlan | null, pressed: Pressed | null): BenchView | null {
  const { units } = useMe().preferences;
  const ask = useCallback(
    // Asked anew for each plan: the worker holds the circuit that was planned last.
    async () => (plan && pressed ? planner().bench(pressed.inputs, pressed.switches, units) : null),
    [plan, pressed, units],
  );
  return useWorked(plan && pressed ? ask : null);
}
