import type { Finding } from "@dragonet/core";
import { useEdit } from "../job/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { SeverityMark } from "../ui/Severity.tsx";
import type { Selection } from "./selection.ts";

interface FindingsPanelProps {
  readonly findings: readonly Finding[];
  readonly canEdit: boolean;
  readonly onPlace: (selection: Selection) => void;
}

function FindingItem({
  finding,
  canEdit,
  onPlace,
}: Omit<FindingsPanelProps, "findings"> & { finding: Finding }) {
  const edit = useEdit();
  const { place } = finding;
  return (
    <li className="border-t border-hair py-2">
      <h3 className="flex items-start gap-2 leading-tight">
        <SeverityMark severity={finding.severity} />
        <span>{finding.title}</span>
      </h3>
      <p className="text-small">
        {place.runId === null ? (
          place.words
        ) : (
          <button
            type="button"
            className="text-left text-accent underline underline-offset-2"
            onClick={() => place.runId && onPlace({ kind: "run", runId: place.runId })}
          >
            {place.words}
          </button>
        )}
      </p>
      {finding.figures.map((f) => (
        <p key={f.label} className="text-small">
          {f.label} <span className="num font-bold">{f.value}</span>{" "}
          <span className="text-muted">should be {f.limit}</span>
        </p>
      ))}
      <p className="mt-1 text-small">{finding.why}</p>
      <p className="text-small text-muted">Source: {finding.source}</p>
      {canEdit && finding.remedies.length > 0 && (
        <div className="mt-1 flex flex-wrap gap-2">
          {finding.remedies.map((remedy) => (
            <Button key={remedy.label} onClick={() => edit(remedy.edits)}>
              {remedy.label}
            </Button>
          ))}
        </div>
      )}
    </li>
  );
}

/** Every finding, gravest first, each with its numbers, its source and its way out. */
export function FindingsPanel({ findings, canEdit, onPlace }: FindingsPanelProps) {
  return (
    <section aria-label="Findings">
      {findings.length === 0 ? (
        <p className="border-t border-hair py-2">
          Nothing to stop for. Prove every function on the vehicle before a panel goes back.
        </p>
      ) : (
        <ul>
          {findings.map((f, i) => (
            <FindingItem key={`${f.rule}-${i}`} finding={f} canEdit={canEdit} onPlace={onPlace} />
          ))}
        </ul>
      )}
    </section>
  );
}
