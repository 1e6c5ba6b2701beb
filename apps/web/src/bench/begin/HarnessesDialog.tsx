import { Plus } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import {
  append,
  asId,
  removeHarness,
  setHarness,
  type Harness,
  type HarnessId,
  type HarnessJoint,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";

interface HarnessesDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly canEdit: boolean;
}

/** Gives what was just added the focus: its first field, once it is there. */
function useFirstField(isNew: boolean) {
  const item = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isNew) item.current?.querySelector<HTMLElement>("input, [role=combobox]")?.focus();
  }, [isNew]);
  return item;
}

/** One factory connector that a harness parts, and what tells its plugs from the others. */
function JointLine({
  joint,
  nth,
  of,
  isNew,
  onChange,
  onRemove,
}: {
  joint: HarnessJoint;
  nth: number;
  of: Harness;
  isNew: boolean;
  onChange: (joint: HarnessJoint) => void;
  onRemove: () => void;
}) {
  const { connectors } = useJob().vehicle;
  const where = `Plugs ${nth} of ${of.name}`;
  const item = useFirstField(isNew);
  return (
    <li ref={item} className="flex flex-wrap items-center gap-2 border-t border-hair py-1">
      <Choice
        label={`${where}: between the halves of`}
        value={joint.connectorId}
        className="w-60 max-w-full"
        options={[
          { value: "", label: "which connector?" },
          ...connectors.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(connectorId) => onChange({ ...joint, connectorId })}
      />
      <TextInput
        label={`${where}: told from the others by`}
        value={joint.mark}
        placeholder="told by: white sleeve"
        className="w-44"
        maxLength={40}
        onCommit={(mark) => onChange({ ...joint, mark })}
      />
      <RemoveButton what={where} onClick={onRemove} />
    </li>
  );
}

function HarnessItem({ harness, isNew }: { harness: Harness; isNew: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const { joints } = harness;
  const item = useFirstField(isNew);
  const [added, setAdded] = useState("");
  const setJoints = (next: readonly HarnessJoint[]): void =>
    edit([setHarness(harness.id, "joints", next)]);
  const spoken = job.wireChoices.filter((c) => c.harnessId === harness.id).length;
  return (
    <li ref={item} className="border-b-2 border-hair pb-3">
      <div className="flex flex-wrap items-center gap-2">
        <TextInput
          label={`Name of ${harness.name}`}
          value={harness.name}
          className="w-60 max-w-full font-bold"
          maxLength={120}
          onCommit={(name) => edit([setHarness(harness.id, "name", name)])}
        />
        <TextInput
          label={`Note on ${harness.name}`}
          value={harness.note}
          placeholder="note"
          className="w-44"
          onCommit={(note) => edit([setHarness(harness.id, "note", note)])}
        />
        <RemoveButton what={harness.name} onClick={() => edit(removeHarness(job, harness.id))} />
      </div>
      <p className="text-small text-muted">
        {joints.length > 0
          ? `Goes between ${joints.length === 1 ? "one connector" : `${joints.length} connectors`} of the vehicle, ${2 * joints.length} plugs: what is taken from a wire there is taken from its leads.`
          : "Lies beside the vehicle’s own loom."}
        {spoken > 0 && ` ${spoken} wires of the circuit come in it.`}
      </p>
      <ol aria-label={`Plugs of ${harness.name}`}>
        {joints.map((joint, i) => (
          <JointLine
            key={joint.id}
            {...{ joint, nth: i + 1, of: harness, isNew: joint.id === added }}
            onChange={(next) => setJoints(joints.map((j) => (j.id === joint.id ? next : j)))}
            onRemove={() => setJoints(joints.filter((j) => j.id !== joint.id))}
          />
        ))}
      </ol>
      <Button
        onClick={() => {
          const joint: HarnessJoint = { id: mint("joint"), connectorId: "", mark: "" };
          setAdded(joint.id);
          setJoints([...joints, joint]);
        }}
      >
        <Plus size={15} aria-hidden /> Pair of plugs
      </Button>
    </li>
  );
}

/** Harnesses that come made up: what they are called, and which factory plugs they go between. */
export function HarnessesDialog({ open, onClose, canEdit }: HarnessesDialogProps) {
  const job = useJob();
  const edit = useEdit();
  const [added, setAdded] = useState("");
  const add = (): void => {
    const harness: Harness = {
      ...{ id: asId<HarnessId>(mint("harness")), name: `Harness ${job.harnesses.length + 1}` },
      ...{ note: "", joints: [] },
    };
    setAdded(harness.id);
    edit([append(job, "harness", harness)]);
  };
  return (
    <Modal
      open={open}
      onClose={onClose}
      title="Ready-made harnesses"
      about="Bought or made beforehand: neither cut nor counted by the metre."
    >
      <fieldset disabled={!canEdit} className="min-w-0">
        <p className="mb-3 text-small text-muted">
          One that passes through is plugged between the halves of a factory connector: nothing is
          cut, and the factory’s lamps stay on behind it. Wires of a circuit are put into a harness
          at the circuit itself.
        </p>
        <ul className="flex flex-col gap-3">
          {job.harnesses.map((harness) => (
            <HarnessItem key={harness.id} harness={harness} isNew={harness.id === added} />
          ))}
        </ul>
        {job.harnesses.length === 0 && <p className="mb-3">None on this job yet.</p>}
        <Button look="main" className="mt-3" onClick={add}>
          <Plus size={16} aria-hidden /> Harness
        </Button>
      </fieldset>
    </Modal>
  );
}
