import { useState } from "react";
import { decimal } from "@dragonet/core";
import { useCanEdit } from "../base/session.ts";
import { Button } from "../ui/Button.tsx";
import type { ShownDiagnosis, ShownSuspect } from "../worker/proving.ts";
import { MendDialog } from "./MendDialog.tsx";
import { ReadingField } from "./ReadingField.tsx";
import { expectedWords } from "./StepLine.tsx";
import { SuspectDiagrams } from "./SuspectDiagrams.tsx";
import type { Readings } from "./useReadings.ts";

/** What may be wrong by what was read, the likeliest first, and where to put the tips next. */
export function DiagnosisPanel({
  diagnosis,
  readings,
}: {
  diagnosis: ShownDiagnosis;
  readings: Readings;
}) {
  const canEdit = useCanEdit();
  const { suspects, alike, noneOfThem, next } = diagnosis;
  const [mending, setMending] = useState<ShownSuspect | null>(null);
  return (
    <div role="status" className="my-3 border-l-4 border-ink bg-sunk p-3">
      <h3 className="font-bold">
        {noneOfThem ? "None of the suspects explains what was read" : "What may be wrong"}
      </h3>
      {noneOfThem && (
        <p>Look whether the readings are of the steps they stand at, then look at it itself.</p>
      )}
      <ol>
        {suspects.map((suspect) => (
          <li
            key={suspect.id}
            className="grid grid-cols-[3.5rem_minmax(0,1fr)_auto] items-center gap-2 border-t border-hair py-1"
          >
            <span className="num text-right">
              {decimal(100 * suspect.share, suspect.share < 0.1 ? 1 : 0)} %
            </span>
            <span>
              {suspect.words}
              <span
                aria-hidden
                className="mt-0.5 block h-1 bg-accent"
                style={{ width: `${Math.max(1, 100 * suspect.share)}%` }}
              />
            </span>
            {canEdit && suspect.elementIds.length > 0 && (
              <Button look="quiet" onClick={() => setMending(suspect)}>
                Mend it<span className="sr-only"> {suspect.words}</span>
              </Button>
            )}
          </li>
        ))}
      </ol>
      {alike.length > 0 && (
        <p className="text-small text-muted">
          No tip tells the first from: {alike.join("; ")}. Look at each.
        </p>
      )}
      {next ? (
        <div className="mt-2 border-t border-ink pt-2">
          <p>
            <b>Next:</b> {next.words}, with {next.controls}. As built {expectedWords(next)}.
            {next.panels.length > 0 && ` First off: ${next.panels.join(", ")}.`}
          </p>
          <div className="mt-1">
            <ReadingField
              key={next.id}
              step={next}
              reading={readings.latest.get(next.id)}
              disabled={!canEdit}
              onTake={(value) => readings.take(next.id, value)}
            />
          </div>
          {readings.refused.get(next.id) !== undefined && (
            <p role="alert" className="font-bold">
              {readings.refused.get(next.id)}
            </p>
          )}
        </div>
      ) : (
        <p className="mt-2 border-t border-ink pt-2">
          Nothing that a tip can reach tells more. Mend the first, and read its steps again.
        </p>
      )}
      <SuspectDiagrams suspects={suspects} />
      {mending && <MendDialog suspect={mending} onClose={() => setMending(null)} />}
    </div>
  );
}
