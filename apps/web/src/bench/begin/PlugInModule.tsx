import { useState } from "react";
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
import { useParts } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { NumberInput } from "../../ui/forms/TextInput.tsx";
import { firstChosen, pinOptions, wiresToHangOn } from "../fields/factoryWires.ts";
import { FormLine } from "./FormLine.tsx";
import { useBegin, type BeginProps } from "./useBegin.ts";

const isPlugIn = (part: Part): part is BoxPart => part.kind === "box" && part.form === "plugIn";

/** A module between a factory plug and its lamp: no fuse, no splice, no added circuit. */
export function PlugInModule(props: BeginProps) {
  const job = useJob();
  const begin = useBegin(props);
  const { data } = useParts();
  const shelf = (data ?? []).map((kept) => kept.value).filter(isPlugIn);
  const fitted = job.supplies.filter((s) => boxOf(job, s.id)?.form === "plugIn");
  const wires = wiresToHangOn(job);
  const { baseLoads } = job.vehicle;
  const [chosen, setChosen] = useState("");
  const [pinId, setPinId] = useState("");
  const [loadId, setLoadId] = useState("");
  const [place, setPlace] = useState<Lamp["place"]>("front");
  const [channel, setChannel] = useState(0);
  const options = [
    ...fitted.map((s) => ({ value: `here ${s.id}`, label: `${s.name}, next channel` })),
    ...shelf.map((p) => ({ value: `shelf ${p.id}`, label: p.name })),
  ];
  const value = options.some((o) => o.value === chosen) ? chosen : (options[0]?.value ?? "");
  const supply = fitted.find((s) => value === `here ${s.id}`);
  const part = shelf.find((p) => value === `shelf ${p.id}`);
  const module = supply ? { supplyId: supply.id } : part;
  const pin = firstChosen(wires, pinId);
  const load = baseLoads.find((l) => l.id === loadId) ?? baseLoads[0];
  if (!module) return <p>No plug-in module is on the shelf yet.</p>;
  if (!pin || !load) {
    return (
      <p>
        A module sits between a factory plug and its lamp: write the wire into the connector map,
        and what the lamp draws into the vehicle’s loads.
      </p>
    );
  }
  const make = (): void => {
    const what = { module, pinId: pin.id, baseLoadId: load.id, place, channel };
    const edits = plugInModule(job, what, mint);
    begin(edits);
  };
  return (
    <div className="flex flex-col gap-4">
      <FormLine label="Module">
        <Choice
          label="Module to plug in"
          value={value}
          className="w-72"
          options={options}
          onChange={setChosen}
        />
        <span>channel</span>
        <NumberInput
          label="Channel of the module, 0 for the next free one"
          value={channel}
          max={48}
          className="w-14"
          onCommit={(n) => setChannel(Math.round(n))}
        />
      </FormLine>
      <FormLine label="Between the plug of">
        <Choice
          label="Wire that goes in"
          value={pin.id}
          className="w-72"
          options={pinOptions(job, wires)}
          onChange={setPinId}
        />
      </FormLine>
      <FormLine label="and the factory’s">
        <Choice
          label="Lamp behind it"
          value={load.id}
          className="w-72"
          options={baseLoads.map((l) => ({ value: l.id, label: l.name }))}
          onChange={setLoadId}
        />
        <Choice
          label="Where that sits"
          value={place}
          className="w-24"
          options={LAMP_PLACES.map((v) => ({ value: v, label: v }))}
          onChange={setPlace}
        />
      </FormLine>
      <p className="text-small text-muted">
        Nothing is cut and nothing added to the factory’s fuse but the module itself. Further lamps
        go through its next channels: plug it in again for each.
      </p>
      <div>
        <Button look="main" onClick={make}>
          Plug in
        </Button>
      </div>
    </div>
  );
}
