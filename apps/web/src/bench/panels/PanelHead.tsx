import { memo } from "react";
import { SEVERITIES, decimal, type JobPlan } from "@dragonet/core";
import { Button } from "../../ui/Button.tsx";
import { SeverityMark } from "../../ui/Severity.tsx";
import type { Selection } from "../selection.ts";

function FindingCounts({ plan, onShow }: { plan: JobPlan; onShow: () => void }) {
  const counts = SEVERITIES.map(
    (severity) => [severity, plan.causes.filter((f) => f.severity === severity).length] as const,
  ).filter(([, n]) => n > 0);
  return (
    <button
      type="button"
      className="touch inline-flex items-center gap-3 text-accent"
      onClick={onShow}
    >
      {counts.length === 0
        ? "No findings"
        : counts.map(([severity, n]) => (
            <span key={severity} className="inline-flex items-center gap-1 text-ink">
              <span className="num">{decimal(n, 0)}</span> <SeverityMark severity={severity} />
            </span>
          ))}
    </button>
  );
}

interface PanelHeadProps {
  readonly plan: JobPlan;
  readonly shown: Selection;
  readonly select: (selection: Selection) => void;
  /** Whether there is a circuit that can be proven. */
  readonly canProve: boolean;
}

/** How many findings there are, and the ways to them and to the proof. */
export const PanelHead = memo(function PanelHead({
  plan,
  shown,
  select,
  canProve,
}: PanelHeadProps) {
  return (
    <div className="mb-2 flex items-center justify-between gap-2">
      <FindingCounts plan={plan} onShow={() => select({ kind: "findings" })} />
      <span className="inline-flex gap-1">
        {shown.kind !== "findings" && (
          <Button look="quiet" className="px-1" onClick={() => select({ kind: "findings" })}>
            Findings
          </Button>
        )}
        {shown.kind !== "trial" && canProve && (
          <Button onClick={() => select({ kind: "trial" })}>Prove</Button>
        )}
      </span>
    </div>
  );
});
