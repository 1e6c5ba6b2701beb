import {
  SUPPLY_GATES,
  adoptPart,
  asId,
  removeSupply,
  setControl,
  setSupply,
  type Control,
  type Edit,
  type JobPlan,
  type RunId,
  type Supply,
  type SwitchPart,
} from "@dragonet/core";
import { useEdit, useJob } from "../job/jobStore.ts";
import { useParts } from "../shelf/parts.ts";
import { Choice } from "../ui/Choice.tsx";
import { FactFields } from "../ui/FactRow.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { NumberInput, TextInput } from "../ui/TextInput.tsx";
import { FeedChoice } from "./FeedChoice.tsx";

interface TrunkPanelProps {
  readonly plan: JobPlan;
  readonly ownerId: RunId;
  readonly canEdit: boolean;
}

const GATE_WORDS: Readonly<Record<Supply["gate"], string>> = {
  always: "always live",
  key: "live with the key, through a relay",
  switch: "live with a switch in its feed",
};

const GATE_WHY: Readonly<Record<Supply["gate"], string>> = {
  always: "Works whatever the key does; what it draws when idle it draws day and night.",
  key: "Off means off, and nobody has to think of it; nothing works with the key out.",
  switch: "Off means off, with the key out or in; somebody has to think of it.",
};

function Lengths({
  fields,
  canEdit,
  onChange,
}: {
  fields: readonly (readonly [string, string, Supply["feedM"]])[];
  canEdit: boolean;
  onChange: (field: string, fact: Supply["feedM"]) => void;
}) {
  return fields.map(([field, label, fact]) => (
    <div
      key={field}
      className="flex flex-wrap items-baseline gap-x-2 gap-y-1 border-t border-hair py-1"
    >
      <span className="w-full text-small">{label}</span>
      <FactFields
        label={label}
        unit="m"
        fact={fact}
        disabled={!canEdit}
        onChange={(value) => onChange(field, value)}
      />
    </div>
  ));
}

function Reasons({ plan, ownerId }: Pick<TrunkPanelProps, "plan" | "ownerId">) {
  return (
    <dl className="my-2">
      {plan.choices
        .filter((c) => c.runId === ownerId)
        .map((c) => (
          <div key={c.kind} className="border-t border-hair py-1">
            <dt className="font-bold">
              {c.kind}: {c.picked}
              {c.pinned && <span className="ml-2 text-small font-normal">pinned</span>}
            </dt>
            <dd className="text-small">{c.reason}</dd>
          </div>
        ))}
    </dl>
  );
}

function SupplyFields({ supply, canEdit }: { supply: Supply; canEdit: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const part = job.parts.find((p) => p.id === supply.partId);
  const own = part?.kind === "battery";
  const gated = part?.kind === "converter" || part?.kind === "box";
  return (
    <>
      <p className="text-small text-muted">{part?.name}</p>
      {!own && (
        <div className="my-2 flex flex-wrap items-center gap-2">
          <span className="text-small text-muted">Fed from</span>
          <FeedChoice
            job={job}
            feed={supply.feed}
            disabled={!canEdit}
            without={supply.id}
            onChange={(feed) => edit([setSupply(supply.id, "feed", feed)])}
          />
        </div>
      )}
      {gated && (
        <div className="my-2">
          <Choice
            label="What makes it live"
            value={supply.gate}
            disabled={!canEdit}
            className="w-full"
            options={SUPPLY_GATES.map((value) => ({ value, label: GATE_WORDS[value] }))}
            onChange={(gate) => edit([setSupply(supply.id, "gate", gate)])}
          />
          <p className="text-small text-muted">{GATE_WHY[supply.gate]}</p>
        </div>
      )}
      {!own && (
        <Lengths
          canEdit={canEdit}
          fields={[
            ["fuseAtM", "source to its fuse", supply.fuseAtM],
            ["feedM", "fuse to it", supply.feedM],
          ]}
          onChange={(field, fact) =>
            edit([setSupply(supply.id, field as "feedM" | "fuseAtM", fact)])
          }
        />
      )}
    </>
  );
}

function ControlFields({ control, canEdit }: { control: Control; canEdit: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const { data } = useParts();
  const switches = (data ?? [])
    .map((kept) => kept.value)
    .filter((p): p is SwitchPart => p.kind === "switch");
  const setSwitch = (id: string): void => {
    const part = switches.find((p) => p.id === id);
    edit([
      ...(part ? adoptPart(job, part) : []),
      setControl(control.id, "switchPartId", part ? part.id : null),
    ]);
  };
  return (
    <>
      <p className="text-small text-muted">Positions: {control.inputs.join(", ")}</p>
      <div className="my-2 flex flex-wrap items-center gap-2">
        <span className="text-small text-muted">Fed from</span>
        <FeedChoice
          job={job}
          feed={control.feed}
          disabled={!canEdit}
          onChange={(feed) => edit([setControl(control.id, "feed", feed)])}
        />
      </div>
      <div className="my-2 flex flex-wrap items-center gap-2">
        <span className="text-small text-muted">Poles in each position</span>
        <NumberInput
          label="Poles in each position"
          value={control.poles}
          min={1}
          max={12}
          className="w-14"
          onCommit={(n) => edit([setControl(control.id, "poles", Math.round(n))])}
        />
      </div>
      <Choice
        label="Switch of the control"
        value={control.switchPartId ?? ""}
        disabled={!canEdit}
        className="w-full"
        options={[
          { value: "", label: "plain 10 A switch" },
          ...switches.map((p) => ({ value: p.id, label: p.name })),
        ]}
        onChange={setSwitch}
      />
      <Lengths
        canEdit={canEdit}
        fields={[["feedM", "its feed, to the control", control.feedM]]}
        onChange={(_, fact) => edit([setControl(control.id, "feedM", fact)])}
      />
    </>
  );
}

/** A supply or control: what feeds it, what makes it live, why it is sized as it is. */
export function TrunkPanel({ plan, ownerId, canEdit }: TrunkPanelProps) {
  const job = useJob();
  const edit = useEdit();
  const supply = job.supplies.find((s) => asId<RunId>(s.id) === ownerId);
  const control = job.controls.find((c) => asId<RunId>(c.id) === ownerId);
  const it = supply ?? control;
  if (!it) return <Reasons plan={plan} ownerId={ownerId} />;
  const rename = (name: string): Edit =>
    supply
      ? setSupply(supply.id, "name", name)
      : setControl((control ?? it).id as Control["id"], "name", name);
  const remove = (): Edit[] =>
    supply ? removeSupply(job, supply.id) : [{ kind: "remove", entity: "control", id: it.id }];
  return (
    <section aria-label={`${supply ? "Feed" : "Control"} ${it.name}`}>
      <fieldset disabled={!canEdit} className="min-w-0">
        <legend className="sr-only">{supply ? "Feed" : "Control"}</legend>
        <div className="flex items-center gap-2 pb-1">
          <span className="flex-1 *:w-full">
            <TextInput
              label={supply ? "Name of the feed" : "Name of the control"}
              value={it.name}
              className="w-full font-bold"
              maxLength={120}
              onCommit={(name) => edit([rename(name)])}
            />
          </span>
          <RemoveButton what={it.name} onClick={() => edit(remove())} />
        </div>
        {supply && <SupplyFields supply={supply} canEdit={canEdit} />}
        {control && <ControlFields control={control} canEdit={canEdit} />}
      </fieldset>
      <Reasons plan={plan} ownerId={ownerId} />
    </section>
  );
}
