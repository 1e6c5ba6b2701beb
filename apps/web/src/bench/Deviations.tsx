import { useState } from "react";
import { DEVIATION_KINDS, append, type Deviation, type RunId } from "@dragonet/core";
import { mint } from "../app/mint.ts";
import { useEdit, useJob } from "../job/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/Choice.tsx";
import { DEVIATION_WORDS, deviationText, mendDeviation } from "./deviations.ts";

/** How the vehicle is really wired where that differs from the plan: as found, or to try it. */
export function Deviations({ runId, canEdit }: { runId: RunId; canEdit: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const [kind, setKind] = useState<Deviation["kind"]>("joined");
  const [other, setOther] = useState("");
  const others = job.runs.filter((r) => r.id !== runId);
  const chosen = others.find((r) => r.id === other) ?? others[0];
  const here = job.deviations.filter((d) => d.runId === runId || d.otherRunId === runId);
  return (
    <div>
      <ul>
        {here.map((d) => (
          <li key={d.id} className="border-t border-hair py-1 text-small">
            {deviationText(job, d)}
            <Button look="quiet" className="px-1" onClick={() => edit([mendDeviation(d)])}>
              Wire it as planned
            </Button>
          </li>
        ))}
      </ul>
      {chosen ? (
        <div className="flex flex-wrap items-center gap-1 border-t border-hair py-1">
          <Choice<Deviation["kind"]>
            label="How it is wired"
            value={kind}
            disabled={!canEdit}
            className="w-full"
            options={DEVIATION_KINDS.map((value) => ({ value, label: DEVIATION_WORDS[value] }))}
            onChange={setKind}
          />
          <Choice
            label="With which run"
            value={chosen.id}
            disabled={!canEdit}
            className="w-44"
            options={others.map((r) => ({ value: r.id, label: r.name }))}
            onChange={setOther}
          />
          <Button
            onClick={() =>
              edit([
                append(job, "deviation", {
                  id: mint("deviation"),
                  kind,
                  runId,
                  otherRunId: chosen.id,
                }),
              ])
            }
          >
            Add
          </Button>
        </div>
      ) : (
        <p className="text-small text-muted">It takes a second run to be wired across.</p>
      )}
    </div>
  );
}
