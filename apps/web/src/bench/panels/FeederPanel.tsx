import {
  SUPPLY_GATES,
  asId,
  removeKitSwitch,
  removeSupply,
  setKitSwitch,
  setSupply,
  type KitSwitch,
  type KitSwitchId,
  type Edit,
  type JobPlan,
  type CircuitId,
  type Supply,
} from "@dragonet/core";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { Choice } from "../../ui/forms/Choice.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { ControlFields } from "../fields/ControlFields.tsx";
import { FeedChoice } from "../fields/FeedChoice.tsx";
import { FusePinFields } from "../fields/FusePinFields.tsx";
import { Lengths } from "./circuit/Lengths.tsx";
import { WireChoices } from "../fields/WireChoices.tsx";

interface FeederPanelProps {
  readonly plan: JobPlan;
  readonly ownerId: CircuitId;
  readonly canEdit: boolean;
}

const GATE_WORDS: Readonly<Record<Supply["gate"], string>> = {
  always: "always live",
  key: "live when the key is on, through a relay",
  switch: "live when a switch in its feed is on",
};

const GATE_WHY: Readonly<Record<Supply["gate"], string>> = {
  always: "Works whatever the key does; what it draws when idle it draws day and night.",
  key: "Off means off, and nobody has to think of it; nothing works with the key out.",
  switch: "Off means off, with the key out or in; somebody has to think of it.",
};

function Reasons({ plan, ownerId }: Pick<FeederPanelProps, "plan" | "ownerId">) {
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
      {part?.kind === "box" && (
        <div className="my-2 flex flex-wrap items-center gap-2">
          <span className="text-small text-muted">Its channels switch</span>
          <Choice
            label="Side that its channels switch"
            value={supply.switches}
            className="w-56"
            options={[
              { value: "part", label: `the ${part.switches}, as it comes` },
              { value: "positive", label: "the lamp’s positive" },
              { value: "ground", label: "the lamp’s ground" },
            ]}
            onChange={(switches) => edit([setSupply(supply.id, "switches", switches)])}
          />
        </div>
      )}
      {!own && (
        <FusePinFields
          what={supply.name}
          fuse={supply.fuse}
          wire={supply.wire}
          onFuse={(fuse) => edit([setSupply(supply.id, "fuse", fuse)])}
          onWire={(wire) => edit([setSupply(supply.id, "wire", wire)])}
        />
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

/** A supply or control: what feeds it, what makes it live, why it is sized as it is. */
export function FeederPanel({ plan, ownerId, canEdit }: FeederPanelProps) {
  const job = useJob();
  const edit = useEdit();
  const supply = job.supplies.find((s) => asId<CircuitId>(s.id) === ownerId);
  const control = job.controls.find((c) => asId<CircuitId>(c.id) === ownerId);
  const it = supply ?? control;
  if (!it) return <Reasons plan={plan} ownerId={ownerId} />;
  const rename = (name: string): Edit =>
    supply
      ? setSupply(supply.id, "name", name)
      : setKitSwitch((control ?? it).id as KitSwitch["id"], "name", name);
  const remove = (): Edit[] =>
    supply ? removeSupply(job, supply.id) : removeKitSwitch(job, asId<KitSwitchId>(it.id));
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
      <h3 className="mt-2 text-small text-muted">Wires one by one</h3>
      <fieldset disabled={!canEdit} className="min-w-0">
        <legend className="sr-only">Wires of {it.name}</legend>
        <WireChoices ownerId={ownerId} wires={[...plan.wires, ...plan.harnessWires]} />
      </fieldset>
      <Reasons plan={plan} ownerId={ownerId} />
    </section>
  );
}
