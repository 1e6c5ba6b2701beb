import { memo } from "react";
import type { Finding } from "@dragonet/core";
import { useJob } from "../../job/store/jobStore.ts";
import { Empty } from "../../ui/page/states.tsx";
import type { Selection } from "../selection.ts";
import { useAlongCircuits } from "./alongCircuits.ts";
import { useRoomy } from "./roomy.ts";
import type { StripsShown } from "./stripsShown.ts";
import { StripRow } from "./StripRow.tsx";
import { TrunkRow } from "./TrunkRow.tsx";

interface CircuitRowsProps {
  readonly view: StripsShown;
  readonly marks: readonly Finding[];
  readonly selection: Selection;
  readonly select: (selection: Selection) => void;
}

/** All circuits below each other, what they share before them; the arrow keys go along them. */
export const CircuitRows = memo(function CircuitRows({
  view,
  marks,
  selection,
  select,
}: CircuitRowsProps) {
  const { strips, trunks } = view;
  const job = useJob();
  const roomy = useRoomy(view);
  const circuits = useAlongCircuits();
  const unplanned = job.runs.filter((run) => !strips.some((s) => s.runId === run.id));
  return (
    <div
      role="group"
      aria-label="Circuits"
      className={`border-t border-ink ${roomy ? "roomy" : ""}`}
      ref={circuits}
    >
      {trunks.map((trunk) => (
        <TrunkRow
          key={trunk.ownerId}
          trunk={trunk}
          findings={marks}
          selection={selection}
          select={select}
        />
      ))}
      {trunks.length > 0 && <div className="border-b border-ink" />}
      {strips.map((strip) => (
        <StripRow
          key={strip.runId}
          strip={strip}
          roomy={roomy}
          findings={marks}
          dropTarget={job.practices.dropTarget}
          selection={selection}
          select={select}
        />
      ))}
      {unplanned.map((run) => (
        <p key={run.id} className="border-b border-hair py-2">
          <button
            type="button"
            className="font-bold text-accent"
            onClick={() => select({ kind: "run", runId: run.id })}
          >
            {run.name}
          </button>{" "}
          has nothing to feed it yet.
        </p>
      ))}
      {job.runs.length === 0 && (
        <div className="py-6">
          <Empty title="No circuit yet">
            A circuit is lamps that are fed and controlled together. Say which, and its wires are
            worked out here.
          </Empty>
        </div>
      )}
    </div>
  );
});
