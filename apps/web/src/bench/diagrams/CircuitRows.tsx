import { memo } from "react";
import type { Finding } from "@dragonet/core";
import { useJob } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import { Empty } from "../../ui/page/states.tsx";
import { BEGIN_WITH, type BeginWith } from "../begin/beginWith.ts";
import type { Selection } from "../selection.ts";
import { useAlongCircuits } from "./alongCircuits.ts";
import { useRoomy } from "./roomy.ts";
import type { DiagramsShown } from "./diagramsShown.ts";
import { CircuitRow } from "./CircuitRow.tsx";
import { FeederRow } from "./FeederRow.tsx";

interface CircuitRowsProps {
  readonly view: DiagramsShown;
  readonly marks: readonly Finding[];
  readonly selection: Selection;
  readonly select: (selection: Selection) => void;
  /** Begins a circuit; null for who only looks. */
  readonly begin: ((by: BeginWith) => void) | null;
}

/** All circuits below each other, what they share before them; the arrow keys go along them. */
export const CircuitRows = memo(function CircuitRows({
  view,
  marks,
  selection,
  select,
  begin,
}: CircuitRowsProps) {
  const { strips, feeders } = view;
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
      {feeders.map((feeder) => (
        <FeederRow
          key={feeder.ownerId}
          feeder={feeder}
          findings={marks}
          selection={selection}
          select={select}
        />
      ))}
      {feeders.length > 0 && <div className="border-b border-ink" />}
      {strips.map((strip) => (
        <CircuitRow
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
            {begin && (
              <span className="mt-3 flex flex-wrap gap-2">
                {BEGIN_WITH.map(({ value, label }) => (
                  <Button key={value} onClick={() => begin(value)}>
                    {label}
                  </Button>
                ))}
              </span>
            )}
          </Empty>
        </div>
      )}
    </div>
  );
});
