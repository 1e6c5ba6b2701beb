import { useMemo } from "react";
import type { BenchView, Finding, StripLamp } from "@dragonet/core";
import type { ShownPlan } from "../job/usePlan.ts";
import type { TrialReport } from "../worker/plan.worker.ts";
import { overlayOf } from "./strips/overlay.ts";
import type { StripsShown } from "./strips/stripsShown.ts";

/** What the bench shows: the same objects while they say the same, so that a press draws no more than it moves. */
interface Shown {
  readonly strips: StripsShown;
  readonly lamps: readonly StripLamp[];
  readonly marks: readonly Finding[];
}

const NOTHING: Shown = { strips: { strips: [], trunks: [] }, lamps: [], marks: [] };

/** Circuits in the position that was solved last, their lamps, and what is marked on them. */
export function useShown(
  plan: ShownPlan | null,
  view: BenchView | null,
  report: TrialReport | null,
): Shown {
  const shown = useMemo(() => {
    if (!plan || !view) return NOTHING;
    const strips = view.kind === "solved" ? view.strips : plan.strips.engineOff;
    const trunks = view.kind === "solved" ? view.trunks : plan.trunks;
    return { strips: { strips, trunks }, lamps: strips.flatMap((s) => s.lamps) };
  }, [plan, view]);
  const marks = useMemo(
    () => (report ? overlayOf(report) : (plan?.findings ?? NOTHING.marks)),
    [plan, report],
  );
  return { ...shown, marks };
}
