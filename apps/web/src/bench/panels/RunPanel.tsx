import { Collapsible } from "radix-ui";
import { useState } from "react";
import {
  LAMP_PLACES,
  addLamps,
  conditionText,
  removeLamp,
  removeRun,
  setRun,
  usualShares,
  type Condition,
  type Edit,
  type Fact,
  type JobPlan,
  type Lamp,
  type Run,
  type RunId,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { isLoad, useParts } from "../../shelf/parts.ts";
import { LENGTH_WORDS, type LengthField } from "../../job/lengthWords.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { FactFields } from "../../ui/forms/FactRow.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { NumberInput, TextInput } from "../../ui/forms/TextInput.tsx";
import { Alternatives } from "./Alternatives.tsx";
import { ChannelFields } from "../fields/ChannelFields.tsx";
import { Deviations } from "../fields/Deviations.tsx";
import { LampDetail } from "./LampDetail.tsx";
import { WireChoices } from "../fields/WireChoices.tsx";
import { ConditionField } from "../fields/ConditionField.tsx";

interface RunPanelProps {
  readonly plan: JobPlan;
  readonly runId: RunId;
  readonly canEdit: boolean;
}

const LENGTHS = Object.entries(LENGTH_WORDS) as [LengthField, string][];

const SHARES = [
  ["onEngineOff", "engine off"],
  ["onIdle", "idle"],
  ["onTown", "town"],
  ["onCruise", "cruise"],
] as const;

function More({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Collapsible.Root className="border-t border-hair py-1">
      <Collapsible.Trigger className="touch w-full text-left text-accent">
        {title}
      </Collapsible.Trigger>
      <Collapsible.Content className="pt-1">{children}</Collapsible.Content>
    </Collapsible.Root>
  );
}

function LampList({ run }: { run: Run }) {
  const job = useJob();
  const edit = useEdit();
  const { data: parts } = useParts();
  const [partId, setPartId] = useState("");
  const [place, setPlace] = useState<Lamp["place"]>("front");
  const loads = (parts ?? []).map((kept) => kept.value).filter(isLoad);
  const chosen = loads.find((p) => p.id === partId) ?? loads[0];
  const lamps = job.lamps.filter((lamp) => lamp.runId === run.id);
  return (
    <div className="py-1">
      <ul>
        {lamps.map((lamp) => (
          <li key={lamp.id} className="flex flex-wrap items-center gap-2 border-t border-hair py-1">
            <TextInput
              label="Lamp label"
              value={lamp.label}
              className="w-40"
              maxLength={120}
              onCommit={(value) =>
                edit([{ kind: "set", entity: "lamp", id: lamp.id, field: "label", value }])
              }
            />
            <span className="text-small text-muted">{lamp.place}</span>
            <LampDetail lamp={lamp} />
            <span className="ml-auto" />
            <RemoveButton what={lamp.label} onClick={() => edit(removeLamp(job, lamp.id))} />
          </li>
        ))}
      </ul>
      {chosen && (
        <div className="mt-1 flex flex-wrap items-center gap-1">
          <Choice
            label="Part to add"
            value={chosen.id}
            className="w-40"
            options={loads.map((p) => ({ value: p.id, label: p.name }))}
            onChange={setPartId}
          />
          <Choice<Lamp["place"]>
            label="Where on the vehicle"
            value={place}
            className="w-20"
            options={LAMP_PLACES.map((value) => ({ value, label: value }))}
            onChange={setPlace}
          />
          <Button onClick={() => edit(addLamps(job, run, chosen, 1, place, () => mint("lamp")))}>
            Add
          </Button>
        </div>
      )}
    </div>
  );
}

/** A run's own settings: what is on it, when it is on, how it is fed, how long its wires are. */
export function RunPanel({ plan, runId, canEdit }: RunPanelProps) {
  const job = useJob();
  const edit = useEdit();
  const run = job.runs.find((r) => r.id === runId);
  if (!run) return null;
  const set = <F extends keyof Run>(field: F, value: Run[F]): void =>
    edit([setRun(runId, field, value)]);
  const setCondition = (condition: Condition): void => {
    const before = usualShares(run.condition);
    const untouched = Object.entries(before).every(([k, v]) => run[k as keyof Run] === v);
    const shares: Edit[] = untouched
      ? Object.entries(usualShares(condition)).map(([k, v]) =>
          setRun(runId, k as keyof Run, v as never),
        )
      : [];
    edit([setRun(runId, "condition", condition), ...shares]);
  };
  return (
    <section aria-label={`Run ${run.name}`}>
      <fieldset disabled={!canEdit} className="min-w-0">
        <legend className="sr-only">Run</legend>
        <div className="flex items-center gap-2 pb-2">
          <span className="flex-1 *:w-full">
            <TextInput
              label="Name of the run"
              value={run.name}
              className="w-full font-bold"
              maxLength={120}
              onCommit={(value) => set("name", value)}
            />
          </span>
          <RemoveButton what={run.name} onClick={() => edit(removeRun(job, runId))} />
        </div>
        <h3 className="text-small text-muted">On it</h3>
        <LampList run={run} />
        <h3 className="mt-2 text-small text-muted">On with all of</h3>
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
              { value: "parallel", label: "side by side" },
              { value: "series", label: "in series" },
            ]}
            onChange={(value) => set("arrangement", value)}
          />
          {run.arrangement === "series" && (
            <NumberInput
              label="Lamps side by side in each step"
              unit="a step"
              value={run.perStep}
              min={1}
              max={50}
              className="w-12"
              onCommit={(n) => set("perStep", Math.round(n))}
            />
          )}
        </div>
        <More title="Feed">
          <Alternatives runId={runId} kind="feed" canEdit={canEdit} />
        </More>
        <More title="Relay">
          <Alternatives runId={runId} kind="relay" canEdit={canEdit} />
        </More>
        <More title="Switch">
          <Alternatives runId={runId} kind="switch" canEdit={canEdit} />
        </More>
        <More title="Plug">
          <Alternatives runId={runId} kind="plug" canEdit={canEdit} />
        </More>
        <More title="Channel, module, programme">
          <ChannelFields run={run} />
        </More>
        <More title="Wires one by one: colour, size, harness">
          <WireChoices ownerId={runId} wires={[...plan.wires, ...plan.harnessWires]} />
        </More>
        <More title="Wired wrong (what if)">
          <Deviations runId={runId} wires={plan.wires} canEdit={canEdit} />
        </More>
        <More title="Lengths">
          {LENGTHS.map(([field, label]) => (
            <div
              key={field}
              className="flex flex-wrap items-baseline gap-x-2 gap-y-1 border-t border-hair py-1"
            >
              <span className="w-full text-small">{label}</span>
              <FactFields
                label={label}
                unit="m"
                fact={run[field]}
                disabled={!canEdit}
                onChange={(value: Fact) => set(field, value)}
              />
            </div>
          ))}
        </More>
        <More title="Share of time on">
          <p className="text-small text-muted">
            0 to 1, for the budget. “{conditionText(run.condition)}”.
          </p>
          <div className="flex flex-wrap gap-3 py-1">
            {SHARES.map(([field, label]) => (
              <span key={field} className="inline-flex items-baseline gap-1 text-small">
                {label}
                <NumberInput
                  label={`Share of time on, ${label}`}
                  value={run[field]}
                  max={1}
                  className="w-14"
                  onCommit={(value) => set(field, value)}
                />
              </span>
            ))}
          </div>
        </More>
      </fieldset>
    </section>
  );
}
