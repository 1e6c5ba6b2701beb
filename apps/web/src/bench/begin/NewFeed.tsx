import { useState } from "react";
import {
  INPUTS,
  adoptPart,
  append,
  asId,
  createControl,
  createSupply,
  firstFeed,
  inputWord,
  type ControlId,
  type Feed,
  type Input,
  type Part,
  type RunId,
  type SupplyId,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { useParts } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { FeedChoice } from "../fields/FeedChoice.tsx";

interface NewFeedProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onMade: (ownerId: RunId) => void;
}

const FEEDING: ReadonlySet<Part["kind"]> = new Set(["converter", "box", "battery", "flasher"]);

/** Sets of positions that kits come with. */
const CONTROLS: readonly { readonly label: string; readonly inputs: readonly Input[] }[] = [
  { label: "turn switch: left, right", inputs: ["left", "right"] },
  { label: "hazard switch", inputs: ["hazard"] },
  { label: "light switch: park, low, high", inputs: ["park", "low", "high"] },
  { label: "brake switch", inputs: ["brake"] },
  { label: "horn button", inputs: ["horn"] },
  ...INPUTS.filter((i) => i === "reverse").map((input) => ({
    label: `${inputWord(input)} switch`,
    inputs: [input],
  })),
];

function NewSupply({ onMade, onClose }: Omit<NewFeedProps, "open">) {
  const job = useJob();
  const edit = useEdit();
  const { data } = useParts();
  const parts = (data ?? []).map((kept) => kept.value).filter((p) => FEEDING.has(p.kind));
  const [partId, setPartId] = useState("");
  const [feed, setFeed] = useState<Feed>(firstFeed(job.vehicle));
  const part = parts.find((p) => p.id === partId) ?? parts[0];
  if (!part) return <p>Put a converter, hub, fuse block, battery or flasher on the shelf first.</p>;
  const make = (): void => {
    const id = asId<SupplyId>(mint("supply"));
    const supply = createSupply(id, part.name, part.id, job.vehicle);
    const gate = part.kind === "converter" ? ("key" as const) : supply.gate;
    edit([...adoptPart(job, part), append(job, "supply", { ...supply, feed, gate })]);
    onMade(asId<RunId>(id));
    onClose();
  };
  return (
    <div className="flex flex-wrap items-center gap-3">
      <Choice
        label="Part that feeds"
        value={part.id}
        className="w-72"
        options={parts.map((p) => ({ value: p.id, label: p.name }))}
        onChange={setPartId}
      />
      {part.kind !== "battery" && (
        <>
          <span>fed from</span>
          <FeedChoice job={job} feed={feed} onChange={setFeed} />
        </>
      )}
      <Button look="main" onClick={make}>
        Add feed
      </Button>
    </div>
  );
}

function NewControl({ onMade, onClose }: Omit<NewFeedProps, "open">) {
  const job = useJob();
  const edit = useEdit();
  const [kind, setKind] = useState(0);
  const [name, setName] = useState("");
  const first = job.supplies[0];
  const [feed, setFeed] = useState<Feed>(
    first ? { kind: "supply", supplyId: first.id } : firstFeed(job.vehicle),
  );
  const { label, inputs } = CONTROLS[kind]!;
  const make = (): void => {
    const id = asId<ControlId>(mint("control"));
    const words = name === "" ? label.split(":")[0]! : name;
    const titled = words.charAt(0).toUpperCase() + words.slice(1);
    edit([append(job, "control", createControl(id, titled, inputs, job.vehicle, feed))]);
    onMade(asId<RunId>(id));
    onClose();
  };
  return (
    <div className="flex flex-wrap items-center gap-3">
      <Choice
        label="Control of the kit"
        value={String(kind)}
        className="w-64"
        options={CONTROLS.map((c, i) => ({ value: String(i), label: c.label }))}
        onChange={(v) => setKind(Number(v))}
      />
      <TextInput
        label="Name of the control"
        value={name}
        placeholder={label.split(":")[0] ?? ""}
        className="w-44"
        maxLength={120}
        onCommit={setName}
      />
      <span>fed from</span>
      <FeedChoice job={job} feed={feed} label="Control fed from" onChange={setFeed} />
      <Button look="main" onClick={make}>
        Add control
      </Button>
    </div>
  );
}

/** Something that runs share: what feeds them, or a control that comes with the kit. */
export function NewFeed({ open, onClose, onMade }: NewFeedProps) {
  return (
    <Modal open={open} onClose={onClose} title="New feed or control">
      <div className="flex flex-col gap-5">
        <section aria-label="Feed">
          <h3 className="mb-1">Feeds several runs</h3>
          <p className="mb-2 text-small text-muted">
            A converter, a fuse block, a hub or relay board, a flasher, or a battery of its own.
          </p>
          <NewSupply onClose={onClose} onMade={onMade} />
        </section>
        <section aria-label="Control" className="border-t border-hair pt-3">
          <h3 className="mb-1">Control that comes with the kit</h3>
          <p className="mb-2 text-small text-muted">
            For signals that no wire of the vehicle carries.
          </p>
          <NewControl onClose={onClose} onMade={onMade} />
        </section>
      </div>
    </Modal>
  );
}
