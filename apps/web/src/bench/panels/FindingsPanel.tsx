import { memo } from "react";
import type { FindingGroup, FoundAt } from "@dragonet/core";
import { useEdit } from "../../job/store/jobStore.ts";
import type { ShownPlan } from "../../job/usePlan.ts";
import { Button } from "../../ui/Button.tsx";
import { SeverityMark } from "../../ui/Severity.tsx";
import type { Selection } from "../selection.ts";
import { useRemedies } from "./useRemedies.ts";

interface FindingsPanelProps {
  readonly plan: ShownPlan;
  readonly canEdit: boolean;
  readonly onPlace: (selection: Selection) => void;
}

function FoundPlace({
  found: { place, figures },
  onPlace,
}: { found: FoundAt } & Pick<FindingsPanelProps, "onPlace">) {
  const { runId } = place;
  return (
    <div className="mt-0.5 text-small">
      {runId === null ? (
        place.words
      ) : (
        <button
          type="button"
          className="text-left text-accent underline underline-offset-2"
          onClick={() => onPlace({ kind: "run", runId })}
        >
          {place.words}
        </button>
      )}
      {figures.map((f) => (
        <p key={f.label}>
          {f.label} <span className="num font-bold">{f.value}</span>{" "}
          <span className="text-muted">should be {f.limit}</span>
        </p>
      ))}
    </div>
  );
}

function CauseItem({
  cause,
  canEdit,
  onPlace,
}: Omit<FindingsPanelProps, "plan"> & { cause: FindingGroup }) {
  const edit = useEdit();
  return (
    <li className="border-t border-hair py-2">
      <h3 className="flex items-start gap-2 leading-tight">
        <SeverityMark severity={cause.severity} />
        <span>
          {cause.title}
          {cause.places.length > 1 && (
            <span className="font-normal text-muted">, at {cause.places.length} places</span>
          )}
        </span>
      </h3>
      {cause.places.map((found, i) => (
        <FoundPlace key={`${found.place.words} ${i}`} found={found} onPlace={onPlace} />
      ))}
      <p className="mt-1 text-small">{cause.why}</p>
      <p className="text-small text-muted">Source: {cause.source}</p>
      {canEdit && cause.remedies.length > 0 && (
        <div className="mt-1 flex flex-wrap gap-2">
          {cause.remedies.map((remedy) => (
            <Button key={remedy.label} onClick={() => edit(remedy.edits)}>
              {remedy.label}
            </Button>
          ))}
        </div>
      )}
    </li>
  );
}

/** Every cause, gravest first, with its places and numbers, its source and its way out. */
export const FindingsPanel = memo(function FindingsPanel({
  plan,
  canEdit,
  onPlace,
}: FindingsPanelProps) {
  const causes = useRemedies(plan);
  return (
    <section aria-label="Findings">
      {causes.length === 0 ? (
        <p className="border-t border-hair py-2">
          {plan.strips.running.length === 0
            ? "Nothing is planned yet."
            : "Nothing to stop for. Prove every function on the vehicle before a panel goes back."}
        </p>
      ) : (
        <ul>
          {causes.map((cause, i) => (
            <CauseItem
              key={`${cause.rule}-${i}`}
              cause={cause}
              canEdit={canEdit}
              onPlace={onPlace}
            />
          ))}
        </ul>
      )}
    </section>
  );
});
