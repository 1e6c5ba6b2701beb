import { useMemo } from "react";
import type { BenchView, Finding, DiagramLamp } from "@dragonet/core";
import type { ShownPlan } from "../job/usePlan.ts";
import type { TrialReport } from "../worker/plan.worker.ts";
import { overlayOf } from "./diagrams/overlay.ts";
import type { DiagramsShown } from "./diagrams/diagramsShown.ts";

/** What the bench shows: the same objects while they say the same, so that a press draws no more than it moves. */
interface Shown {
  readonly strips: DiagramsShown;
  readonly lamps: readonly DiagramLamp[];
  readonly marks: readonly Finding[];
}

const NOTHING: Shown = { strips: { strips: [], feeders: [] }, lamps: [], marks: [] };

/** Circuits in the position that was solved last, their lamps, and what is marked on them. */
export function useShown(
  plan: ShownPlan | null,
  view: BenchView | null,
  report: TrialReport | null,
): Shown {
  const shown = useMemo(() => {
    if (!plan || !view) return NOTHING;
    const strips = view.kind === "solved" ? view.strips : plan.strips.engineOff;
    const feeders = view.kind === "solved" ? view.feeders : plan.feeders;
    return { strips: { strips, feeders }, lamps: strips.flatMap((s) => s.lamps) };
  }, [plan, view]);
  const marks = useMemo(
    () => (report ? overlayOf(report) : (plan?.findings ?? NOTHING.marks)),
    [plan, report],
  );
  return { ...shown, marks };
}
