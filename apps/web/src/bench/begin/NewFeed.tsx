import { Controller, useForm } from "react-hook-form";
import {
  adoptPart,
  append,
  asId,
  createKitSwitch,
  createSupply,
  firstFeed,
  inputWord,
  type KitSwitchId,
  type Feed,
  type Input,
  type Job,
  type CircuitId,
  type SupplyId,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { PartPick } from "../../shelf/PartPick.tsx";
import { SOURCES, isAny, usePartChoices } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import { PickField, chosenOf, namedOptions } from "../../ui/forms/controlled.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { FeedChoice } from "../fields/FeedChoice.tsx";

interface NewFeedProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onMade: (ownerId: CircuitId) => void;
}

interface ControlOfKit {
  readonly id: string;
  readonly name: string;
  readonly inputs: readonly Input[];
}

/** Sets of positions that kits come with. */
const CONTROLS: readonly ControlOfKit[] = [
  { id: "turn", name: "turn switch: left, right", inputs: ["left", "right"] },
  { id: "hazard", name: "hazard switch", inputs: ["hazard"] },
  { id: "light", name: "light switch: park, low, high", inputs: ["park", "low", "high"] },
  { id: "brake", name: "brake switch", inputs: ["brake"] },
  { id: "horn", name: "horn button", inputs: ["horn"] },
  { id: "reverse", name: `${inputWord("reverse")} switch`, inputs: ["reverse"] },
];

function NewSupply({ onMade, onClose }: Omit<NewFeedProps, "open">) {
  const job = useJob();
  const edit = useEdit();
  const { control, watch, handleSubmit } = useForm({
    defaultValues: { partId: "", feed: firstFeed(job.vehicle) },
  });
  const choices = usePartChoices(SOURCES, isAny, watch("partId"));
  const part = chosenOf(choices.parts, watch("partId"));
  if (!part) return <p>Put a converter, hub, fuse block, battery or flasher on the shelf first.</p>;
  const make = handleSubmit(({ feed }) => {
    const id = asId<SupplyId>(mint("supply"));
    const supply = createSupply(id, part.name, part.id, job.vehicle);
    const gate = part.kind === "converter" ? ("key" as const) : supply.gate;
    edit([...adoptPart(job, part), append(job, "supply", { ...supply, feed, gate })]);
    onMade(asId<CircuitId>(id));
    onClose();
  });
  return (
    <form className="flex flex-wrap items-center gap-3" noValidate onSubmit={(e) => void make(e)}>
      <PartPick
        {...{ control, name: "partId", label: "Part that feeds", className: "w-72" }}
        choices={choices}
      />
      {part.kind !== "battery" && (
        <>
          <span>fed from</span>
          <Controller
            control={control}
            name="feed"
            render={({ field }) => (
              <FeedChoice job={job} feed={field.value} onChange={field.onChange} />
            )}
          />
        </>
      )}
      <Button look="main" type="submit">
        Add feed
      </Button>
    </form>
  );
}

const usualFeed = ({ supplies: [first], vehicle }: Job): Feed =>
  first ? { kind: "supply", supplyId: first.id } : firstFeed(vehicle);

function NewControl({ onMade, onClose }: Omit<NewFeedProps, "open">) {
  const job = useJob();
  const edit = useEdit();
  const { control, watch, register, handleSubmit } = useForm({
    defaultValues: { kind: "", name: "", feed: usualFeed(job) },
  });
  const kind = chosenOf(CONTROLS, watch("kind"));
  const usualName = kind?.name.split(":")[0] ?? "";
  const make = handleSubmit(({ name, feed }) => {
    const id = asId<KitSwitchId>(mint("control"));
    const words = name.trim() || usualName;
    const titled = words.charAt(0).toUpperCase() + words.slice(1);
    const inputs = kind?.inputs ?? [];
    edit([append(job, "control", createKitSwitch(id, titled, inputs, job.vehicle, feed))]);
    onMade(asId<CircuitId>(id));
    onClose();
  });
  return (
    <form className="flex flex-wrap items-center gap-3" noValidate onSubmit={(e) => void make(e)}>
      <PickField
        {...{ control, name: "kind", label: "Control of the kit", className: "w-64" }}
        options={namedOptions(CONTROLS)}
      />
      <input
        aria-label="Name of the control"
        placeholder={usualName}
        className="control w-44"
        maxLength={120}
        {...register("name")}
      />
      <span>fed from</span>
      <Controller
        control={control}
        name="feed"
        render={({ field }) => (
          <FeedChoice
            job={job}
            feed={field.value}
            label="Control fed from"
            onChange={field.onChange}
          />
        )}
      />
      <Button look="main" type="submit">
        Add control
      </Button>
    </form>
  );
}

/** Something that runs share: what feeds them, or a control that comes with the kit. */
export function NewFeed({ open, onClose, onMade }: NewFeedProps) {
  return (
    <Modal open={open} onClose={onClose} title="New supply or switch">
      <div className="flex flex-col gap-5">
        <section aria-label="Feed">
          <h3 className="mb-1">Feeds several circuits</h3>
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
