import { Collapsible } from "radix-ui";
import { conditionText, setCircuit, type JobPlan, type LightingCircuit } from "@dragonet/core";
import { useEdit } from "../../../job/store/jobStore.ts";
import { LENGTH_WORDS, type LengthField } from "../../../job/lengthWords.ts";
import { NumberInput } from "../../../ui/forms/number/NumberInput.tsx";
import { ChannelFields } from "../../fields/ChannelFields.tsx";
import { Deviations } from "../../fields/Deviations.tsx";
import { WireChoices } from "../../fields/WireChoices.tsx";
import { Alternatives } from "../Alternatives.tsx";
import { Lengths } from "./Lengths.tsx";

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

interface CircuitMoreProps {
  readonly plan: JobPlan;
  readonly run: LightingCircuit;
  readonly canEdit: boolean;
}

/** What of a run is looked at once and not each time: each folded away under its name. */
export function CircuitMore({ plan, run, canEdit }: CircuitMoreProps) {
  const edit = useEdit();
  const runId = run.id;
  const set = <F extends keyof LightingCircuit>(field: F, value: LightingCircuit[F]): void =>
    edit([setCircuit(runId, field, value)]);
  return (
    <>
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
        <Lengths
          fields={LENGTHS.map(([field, label]) => [field, label, run[field]])}
          canEdit={canEdit}
          onChange={(field, fact) => set(field as LengthField, fact)}
        />
      </More>
      <More title="Share of time on">
        <p className="text-small text-muted">For the budget. “{conditionText(run.condition)}”.</p>
        <div className="flex flex-wrap gap-3 py-1">
          {SHARES.map(([field, label]) => (
            <span key={field} className="inline-flex items-baseline gap-1 text-small">
              {label}
              <NumberInput
                label={`Share of time on, ${label}`}
                value={run[field]}
                share
                className="w-14"
                onCommit={(value) => set(field, value)}
              />
            </span>
          ))}
        </div>
      </More>
    </>
  );
}
