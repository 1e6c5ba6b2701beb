import type { ChoiceKind, CircuitId } from "@dragonet/core";
import { useEdit } from "../../job/store/jobStore.ts";
import { SeverityMark } from "../../ui/Severity.tsx";
import { useAlternatives } from "./useAlternatives.ts";

interface AlternativesProps {
  readonly runId: CircuitId;
  readonly kind: ChoiceKind;
  readonly canEdit: boolean;
}

/** What else could be picked, and what would come of each: pressing one picks it. */
export function Alternatives({ runId, kind, canEdit }: AlternativesProps) {
  const edit = useEdit();
  const list = useAlternatives(runId, kind);
  if (!list) return <p className="text-muted">Trying every alternative …</p>;
  return (
    <ul aria-label="Alternatives">
      {list.map((a) => (
        <li key={a.label} className="border-t border-hair">
          <button
            type="button"
            aria-pressed={a.current}
            disabled={!canEdit}
            className={`touch w-full px-1 py-1.5 text-left ${a.current ? "bg-accent-wash" : "hover:bg-accent-wash"}`}
            onClick={() => !a.current && edit(a.edits)}
          >
            <span className="flex items-center gap-2">
              <span className={a.current ? "font-bold" : "text-accent"}>{a.label}</span>
              {a.current && <span className="text-small text-muted">current choice</span>}
              {a.severity && (
                <span className="ml-auto text-small">
                  <SeverityMark severity={a.severity} />
                </span>
              )}
            </span>
            <span className="block text-small text-muted">{a.consequence}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
