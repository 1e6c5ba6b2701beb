import { useForm } from "react-hook-form";
import {
  LAMP_PLACES,
  boxOf,
  plugInModule,
  type BoxPart,
  type Lamp,
  type Part,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useJob } from "../../job/store/jobStore.ts";
import { PartSearch } from "../../shelf/PartPick.tsx";
import { usePartChoices } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import {
  CountField,
  PickField,
  chosenOf,
  namedOptions,
  wordOptions,
} from "../../ui/forms/controlled.tsx";
import { pinOptions, wiresToHangOn } from "../fields/factoryWires.ts";
import { FormLine } from "./FormLine.tsx";
import { useBegin, type BeginProps } from "./useBegin.ts";

const BOXES = ["box"];
const isPlugIn = (part: Part): part is BoxPart => part.kind === "box" && part.form === "plugIn";

interface Asked {
  readonly module: string;
  readonly channel: number;
  readonly pinId: string;
  readonly loadId: string;
  readonly place: Lamp["place"];
}

const UNASKED: Asked = { module: "", channel: 0, pinId: "", loadId: "", place: "front" };

/** A module between a factory plug and its lamp: no fuse, no splice, no added circuit. */
export function PlugInModule(props: BeginProps) {
  const job = useJob();
  const begin = useBegin(props);
  const fitted = job.supplies.filter((s) => boxOf(job, s.id)?.form === "plugIn");
  const wires = wiresToHangOn(job);
  const { baseLoads } = job.vehicle;
  const { control, watch, handleSubmit } = useForm<Asked>({ defaultValues: UNASKED });
  const chosen = watch("module");
  const choices = usePartChoices(BOXES, isPlugIn, chosen.replace(/^shelf /, ""));
  const shelf = choices.parts;
  const options = [
    ...fitted.map((s) => ({ value: `here ${s.id}`, label: `${s.name}, next channel` })),
    ...shelf.map((p) => ({ value: `shelf ${p.id}`, label: p.name })),
  ];
  const value = (options.find((o) => o.value === chosen) ?? options[0])?.value;
  const supply = fitted.find((s) => value === `here ${s.id}`);
  const part = shelf.find((p) => value === `shelf ${p.id}`);
  const module = supply ? { supplyId: supply.id } : part;
  const pin = chosenOf(wires, watch("pinId"));
  const load = chosenOf(baseLoads, watch("loadId"));
  if (!module) return <p>No plug-in module is on the shelf yet.</p>;
  if (!pin || !load) {
    return (
      <p>
        A module sits between a factory plug and its lamp: write the wire into the connector map,
        and what the lamp draws into the vehicle’s loads.
      </p>
    );
  }
  const make = handleSubmit(({ place, channel }) => {
    begin(plugInModule(job, { module, pinId: pin.id, baseLoadId: load.id, place, channel }, mint));
  });
  return (
    <form className="flex flex-col gap-4" noValidate onSubmit={(e) => void make(e)}>
      <FormLine label="Module">
        <PartSearch choices={choices} />
        <PickField
          {...{ control, name: "module", label: "Module to plug in", className: "w-72" }}
          options={options}
        />
        <span>channel</span>
        <CountField
          {...{ control, name: "channel", max: 48, className: "w-14" }}
          label="Channel of the module, 0 for the next free one"
        />
      </FormLine>
      <FormLine label="Between the plug of">
        <PickField
          {...{ control, name: "pinId", label: "Wire that goes in", className: "w-72" }}
          options={pinOptions(job, wires)}
        />
      </FormLine>
      <FormLine label="and the factory’s">
        <PickField
          {...{ control, name: "loadId", label: "Lamp behind it", className: "w-72" }}
          options={namedOptions(baseLoads)}
        />
        <PickField
          {...{ control, name: "place", label: "Where that sits", className: "w-24" }}
          options={wordOptions(LAMP_PLACES)}
        />
      </FormLine>
      <p className="text-small text-muted">
        Nothing is cut and nothing added to the factory’s fuse but the module itself. Further lamps
        go through its next channels: plug it in again for each.
      </p>
      <div>
        <Button look="main" type="submit">
          Plug in
        </Button>
      </div>
    </form>
  );
}
