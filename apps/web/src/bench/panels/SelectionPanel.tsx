import type { ElementId } from "@dragonet/core";
import { useCanEdit } from "../../base/session.ts";
import { useJob } from "../../job/store/jobStore.ts";
import type { ShownPlan } from "../../job/usePlan.ts";
import type { TrialReport } from "../../worker/plan.worker.ts";
import type { Selection } from "../selection.ts";
import type { DiagramsShown } from "../diagrams/diagramsShown.ts";
import { FindingsPanel } from "./FindingsPanel.tsx";
import { PartPanel } from "./PartPanel.tsx";
import { CircuitPanel } from "./circuit/CircuitPanel.tsx";
import { TrialPanel } from "./TrialPanel.tsx";
import { FeederPanel } from "./FeederPanel.tsx";

interface SelectionPanelProps {
  readonly plan: ShownPlan;
  readonly view: DiagramsShown;
  readonly shown: Selection;
  readonly select: (selection: Selection) => void;
  readonly onReport: (report: TrialReport | null) => void;
}

/** What is said of what was pressed: findings, a part and its reason, a circuit, a trial. */
export function SelectionPanel({ plan, view, shown, select, onReport }: SelectionPanelProps) {
  const job = useJob();
  const canEdit = useCanEdit();
  const isRun = shown.kind === "run" && job.runs.some((run) => run.id === shown.runId);
  const reading = (elementId: ElementId) =>
    [
      ...view.strips.flatMap((s) => [
        ...s.out,
        ...s.back,
        ...s.control.flatMap((lane) => lane.parts),
      ]),
      ...view.feeders.flatMap((t) => [...t.parts, ...t.gate]),
    ].find((part) => part.elementId === elementId) ?? null;
  return (
    <>
      {shown.kind === "trial" && (
        <TrialPanel key={job.runs.length} plan={plan} onPlace={select} onReport={onReport} />
      )}
      {shown.kind === "findings" && (
        <FindingsPanel plan={plan} canEdit={canEdit} onPlace={select} />
      )}
      {shown.kind === "part" && (
        <PartPanel
          key={`${shown.runId} ${shown.choice}`}
          plan={plan}
          reading={reading(shown.elementId)}
          runId={shown.runId}
          choice={shown.choice}
          canEdit={canEdit}
        />
      )}
      {shown.kind === "run" && !isRun && (
        <FeederPanel key={shown.runId} plan={plan} ownerId={shown.runId} canEdit={canEdit} />
      )}
      {isRun && (
        <CircuitPanel key={shown.runId} plan={plan} runId={shown.runId} canEdit={canEdit} />
      )}
    </>
  );
}
