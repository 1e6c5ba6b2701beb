import { useForm } from "react-hook-form";
import {
  boxOf,
  plugInModule,
  type BoxPart,
  type ConnectorPin,
  type Job,
  type Lamp,
  type Part,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useJob } from "../../job/store/jobStore.ts";
import { PartSearch } from "../../shelf/PartPick.tsx";
import { usePartChoices } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import { PickField, chosenOf, namedOptions, wordOptions } from "../../ui/forms/controlled.tsx";
import { litLoads, pinOptions, placesFor, wiresToHangOn } from "../fields/factoryWires.ts";
import { FormLine } from "./FormLine.tsx";
import { useBegin, type BeginProps } from "./useBegin.ts";

const BOXES = ["box"];
const isPlugIn = (part: Part): part is BoxPart => part.kind === "box" && part.form === "plugIn";

interface Asked {
  readonly module: string;
  /** Counted from 1; "0" for the next free one. */
  readonly channel: string;
  readonly pinId: string;
  readonly loadId: string;
  /** "" for where such a lamp sits. */
  readonly place: Lamp["place"] | "";
}

const UNASKED: Asked = { module: "", channel: "0", pinId: "", loadId: "", place: "" };

/** Wires a module may go into; one that flashes is mostly for the brake lamp. */
function wiresFor(job: Job, box: BoxPart | null): readonly ConnectorPin[] {
  const wires = wiresToHangOn(job);
  if (!box?.behaviours.some(({ flashes }) => flashes !== 0)) return wires;
  return [...wires].sort((a, b) => Number(b.liveWhen === "brake") - Number(a.liveWhen === "brake"));
}

/** A module between a factory plug and its lamp: no fuse, no splice, no added circuit. */
export function PlugInModule(props: BeginProps) {
  const job = useJob();
  const begin = useBegin(props);
  const fitted = job.supplies.filter((s) => boxOf(job, s.id)?.form === "plugIn");
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
  const box = supply ? boxOf(job, supply.id) : part;
  const wires = wiresFor(job, box ?? null);
  const pin = chosenOf(wires, watch("pinId"));
  if (!module) return <p>No plug-in module is on the shelf yet.</p>;
  if (!pin) {
    return (
      <p>
        A module sits between a factory plug and its lamp: write the wire into the connector map.
      </p>
    );
  }
  const places = placesFor(job, pin);
  const make = handleSubmit(({ place, channel, loadId }) => {
    const sits = places.find((p) => p === place) ?? places[0] ?? "rear";
    const asked = { module, pinId: pin.id, baseLoadId: loadId, place: sits };
    begin(plugInModule(job, { ...asked, channel: Number(channel) }, mint));
  });
  return (
    <form className="flex flex-col gap-4" noValidate onSubmit={(e) => void make(e)}>
      <FormLine label="Module">
        <PartSearch choices={choices} />
        <PickField
          {...{ control, name: "module", label: "Module to plug in", className: "w-72" }}
          options={options}
        />
        <PickField
          {...{ control, name: "channel", label: "Channel of the module", className: "w-40" }}
          options={[
            { value: "0", label: "next free channel" },
            ...Array.from({ length: box?.ways ?? 0 }, (_, i) => ({
              value: String(i + 1),
              label: `channel ${i + 1}`,
            })),
          ]}
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
          options={[
            { value: "", label: "lamp on this wire, as such bulbs draw" },
            ...namedOptions(litLoads(job)),
          ]}
        />
        <PickField
          {...{ control, name: "place", label: "Where that sits", className: "w-24" }}
          options={wordOptions(places)}
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
