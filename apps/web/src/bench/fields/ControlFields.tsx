import {
  adoptPart,
  setKitSwitch,
  type KitSwitch,
  type Part,
  type SwitchPart,
} from "@dragonet/core";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { PartSearch } from "../../shelf/PartPick.tsx";
import { usePartChoices } from "../../shelf/parts.ts";
import { Choice } from "../../ui/forms/Choice.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";
import { FeedChoice } from "./FeedChoice.tsx";
import { FusePinFields } from "./FusePinFields.tsx";
import { Lengths } from "../panels/circuit/Lengths.tsx";

const SWITCHES = ["switch"];
const isSwitch = (part: Part): part is SwitchPart => part.kind === "switch";

/** A control of the kit: what feeds it, what it switches, and in whose switch it sits. */
export function ControlFields({ control, canEdit }: { control: KitSwitch; canEdit: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const choices = usePartChoices(SWITCHES, isSwitch, control.switchPartId ?? "");
  const switches = choices.parts;
  const set = <F extends keyof KitSwitch>(field: F, value: KitSwitch[F]): void =>
    edit([setKitSwitch(control.id, field, value)]);
  const setSwitch = (id: string): void => {
    const part = switches.find((p) => p.id === id);
    edit([
      ...(part ? adoptPart(job, part) : []),
      setKitSwitch(control.id, "switchPartId", part ? part.id : null),
    ]);
  };
  const guests = job.controls.some((c) => c.housing === control.id);
  const hosts = job.controls.filter((c) => c.id !== control.id && c.housing === "");
  const grounds = control.switches === "ground";
  return (
    <>
      <p className="text-small text-muted">Positions: {control.inputs.join(", ")}</p>
      <div className="my-2 flex flex-wrap items-center gap-2">
        <Choice
          label="What it switches"
          value={control.switches}
          disabled={!canEdit}
          className="w-56"
          options={[
            { value: "positive", label: "gives its feed on" },
            { value: "ground", label: "ties to ground: works coils" },
          ]}
          onChange={(value) => set("switches", value)}
        />
        <Tick
          checked={control.momentary}
          disabled={!canEdit}
          onChange={(on) => set("momentary", on)}
        >
          springs back
        </Tick>
      </div>
      <div className="my-2 flex flex-wrap items-center gap-2">
        <span className="text-small text-muted">{grounds ? "Ground of" : "Fed from"}</span>
        <FeedChoice
          job={job}
          feed={control.feed}
          disabled={!canEdit}
          onChange={(feed) => set("feed", feed)}
        />
      </div>
      {!guests && hosts.length > 0 && (
        <div className="my-2 flex flex-wrap items-center gap-2">
          <span className="text-small text-muted">Sits in</span>
          <Choice
            label="Switch that it sits in"
            value={control.housing}
            disabled={!canEdit}
            className="w-56"
            options={[
              { value: "", label: "a switch of its own" },
              ...hosts.map((c) => ({ value: c.id, label: `one switch with ${c.name}` })),
            ]}
            onChange={(id) => set("housing", hosts.find((c) => c.id === id)?.id ?? "")}
          />
        </div>
      )}
      <div className="my-2 flex flex-wrap items-center gap-2">
        <span className="text-small text-muted">Poles in each position</span>
        <NumberInput
          label="Poles in each position"
          value={control.poles}
          min={1}
          max={12}
          className="w-14"
          onCommit={(n) => set("poles", Math.round(n))}
        />
      </div>
      <PartSearch choices={choices} />
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
      {!grounds && (
        <FusePinFields
          what={control.name}
          fuse={control.fuse}
          wire={control.wire}
          onFuse={(fuse) => set("fuse", fuse)}
          onWire={(wire) => set("wire", wire)}
        />
      )}
      <Lengths
        canEdit={canEdit}
        fields={[["feedM", "its feed, to the control", control.feedM]]}
        onChange={(_, fact) => set("feedM", fact)}
      />
    </>
  );
}
