import { useEffect, useState } from "react";
import type { BenchView } from "@dragonet/core";
import { useMe } from "../app/session.ts";
import type { BenchPlan } from "../worker/plan.worker.ts";
import { planner } from "../worker/planner.ts";
import type { Pressed } from "./controls.ts";

/** The circuit solved for the controls as they are pressed, anew after each plan. */
export function useBench(plan: BenchPlan | null, pressed: Pressed | null): BenchView | null {
  const { units } = useMe().preferences;
  const [view, setView] = useState<BenchView | null>(null);
  useEffect(() => {
    if (!plan || !pressed) return;
    let stale = false;
    void planner()
      .bench(pressed.inputs, pressed.switches, units)
      .then((made) => {
        if (!stale) setView(made);
      });
    return () => {
      stale = true;
    };
  }, [plan, pressed, units]);
  return view;
}
