import { memo } from "react";
import {
  type Condition,
  type Edit,
  type JobPlan,
  type LightingCircuit,
  type CircuitId,
  removeCircuit,
  setCircuit,
  usualShares,
} from "@dragonet/core";
import { useEdit, useJob } from "../../../job/store/jobStore.ts";
import { Choice } from "../../../ui/forms/Choice.tsx";
import { RemoveButton } from "../../../ui/RemoveButton.tsx";
import { NumberInput } from "../../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../../ui/forms/TextInput.tsx";
import { ConditionField } from "../../fields/ConditionField.tsx";
import { LampList } from "./LampList.tsx";
import { CircuitMore } from "./CircuitMore.tsx";

interface CircuitPanelProps {
  readonly plan: JobPlan;
  readonly runId: CircuitId;
  readonly canEdit: boolean;
}

/** A run's own settings: what is on it, when it is on, how it is fed, how long its wires are. */
export const CircuitPanel = memo(function CircuitPanel({
  plan,
  runId,
  canEdit,
}: CircuitPanelProps) {
  const job = useJob();
  const edit = useEdit();
  const run = job.runs.find((r) => r.id === runId);
  if (!run) return null;
  const set = <F extends keyof LightingCircuit>(field: F, value: LightingCircuit[F]): void =>
    edit([setCircuit(runId, field, value)]);
  const setCondition = (condition: Condition): void => {
    const before = usualShares(run.condition);
    const untouched = Object.entries(before).every(
      ([k, v]) => run[k as keyof LightingCircuit] === v,
    );
    const shares: Edit[] = untouched
      ? Object.entries(usualShares(condition)).map(([k, v]) =>
          setCircuit(runId, k as keyof LightingCircuit, v as never),
        )
      : [];
    edit([setCircuit(runId, "condition", condition), ...shares]);
  };
  return (
    <section aria-label={`Circuit ${run.name}`}>
      <fieldset disabled={!canEdit} className="min-w-0">
        <legend className="sr-only">Circuit</legend>
        <div className="flex items-center gap-2 pb-2">
          <span className="flex-1 *:w-full">
            <TextInput
              label="Name of the circuit"
              value={run.name}
              className="w-full font-bold"
              maxLength={120}
              onCommit={(value) => set("name", value)}
            />
          </span>
          <RemoveButton what={run.name} onClick={() => edit(removeCircuit(job, runId))} />
        </div>
        <h3 className="text-small text-muted">On it</h3>
        <LampList run={run} />
        <h3 className="mt-2 text-small text-muted">Lights when</h3>
        <ConditionField condition={run.condition} onChange={setCondition} />
        <div className="my-2 flex items-center gap-2">
          <span className="text-small text-muted">Return through</span>
          <Choice
            label="Return"
            value={run.return}
            disabled={!canEdit}
            className="w-32"
            options={[
              { value: "chassis", label: "chassis" },
              { value: "wire", label: "its own wire" },
              { value: "block", label: "ground block" },
            ]}
            onChange={(value) => set("return", value)}
          />
        </div>
        <div className="my-2 flex flex-wrap items-center gap-2">
          <span className="text-small text-muted">Lamps stand</span>
          <Choice
            label="Lamps stand"
            value={run.arrangement}
            disabled={!canEdit}
            className="w-32"
            options={[
              { value: "parallel", label: "parallel" },
              { value: "series", label: "in series" },
            ]}
            onChange={(value) => set("arrangement", value)}
          />
          {run.arrangement === "series" && (
            <NumberInput
              label="Lamps in parallel in each step"
              unit="a step"
              value={run.perStep}
              min={1}
              max={50}
              className="w-12"
              onCommit={(n) => set("perStep", Math.round(n))}
            />
          )}
        </div>
        <CircuitMore plan={plan} run={run} canEdit={canEdit} />
      </fieldset>
    </section>
  );
});
