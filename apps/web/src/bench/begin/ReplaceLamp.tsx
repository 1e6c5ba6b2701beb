import { useForm } from "react-hook-form";
import { LAMP_JOINTS, asId, replaceLamp, type Lamp, type PinId } from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useJob } from "../../job/store/jobStore.ts";
import { PartPick } from "../../shelf/PartPick.tsx";
import { LOADS, isLoad, usePartChoices } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import {
  CountField,
  PickField,
  chosenOf,
  namedOptions,
  wordOptions,
} from "../../ui/forms/controlled.tsx";
import { litLoads, pinOptions, placesFor, wiresToHangOn } from "../fields/factoryWires.ts";
import { JOINT_WORDS } from "../fields/jointWords.ts";
import { FormLine } from "./FormLine.tsx";
import { useBegin, type BeginProps } from "./useBegin.ts";

interface Asked {
  readonly replaces: string;
  readonly pinId: string;
  readonly partId: string;
  readonly count: number;
  /** "" for where such a lamp sits. */
  readonly place: Lamp["place"] | "";
  readonly joint: Lamp["joint"];
}

const UNASKED: Asked = {
  ...{ replaces: "", pinId: "", partId: "" },
  ...{ count: 1, place: "", joint: "plug" },
};

/** A lamp in the place of one the vehicle has: the old load leaves the budget, its fuse stays. */
export function ReplaceLamp(props: BeginProps) {
  const job = useJob();
  const begin = useBegin(props);
  const wires = wiresToHangOn(job);
  const { control, watch, handleSubmit } = useForm<Asked>({ defaultValues: UNASKED });
  const choices = usePartChoices(LOADS, isLoad, watch("partId"));
  const part = chosenOf(choices.parts, watch("partId"));
  const pin = chosenOf(wires, watch("pinId"));
  if (!pin) {
    return (
      <p>
        No factory wire is known yet. Find the one that the lamp hangs on, and write it into the
        vehicle’s connector map.
      </p>
    );
  }
  const places = placesFor(job, pin);
  if (!part) return <p>The shelf is empty: put the new lamp on it first.</p>;
  const make = handleSubmit(({ count, place, replaces, joint }) => {
    const sits = places.find((p) => p === place) ?? places[0] ?? "rear";
    const name = `${part.name} on ${pin.carries}`;
    const what = { part, count, pinId: asId<PinId>(pin.id), replaces, joint, name };
    begin(replaceLamp(job, { ...what, place: sits }, mint));
  });
  return (
    <form className="flex flex-col gap-4" noValidate onSubmit={(e) => void make(e)}>
      <FormLine label="Goes">
        <PickField
          {...{ control, name: "replaces", label: "What goes", className: "w-72" }}
          options={[
            { value: "", label: "a lamp whose draw nobody has told" },
            ...namedOptions(litLoads(job)),
          ]}
        />
      </FormLine>
      <FormLine label="It hung on">
        <PickField
          {...{ control, name: "pinId", label: "Wire it hung on", className: "w-72" }}
          options={pinOptions(job, wires)}
        />
      </FormLine>
      <FormLine label="Comes">
        <CountField
          {...{ control, name: "count", label: "How many come", min: 1, max: 20 }}
          className="w-14"
        />
        <PartPick
          {...{ control, name: "partId", label: "Lamp that comes", className: "w-64" }}
          choices={choices}
        />
        <PickField
          {...{ control, name: "place", label: "Where it sits", className: "w-24" }}
          options={wordOptions(places)}
        />
      </FormLine>
      <FormLine label="Joined">
        <PickField
          {...{ control, name: "joint", label: "How it joins", className: "w-72" }}
          options={LAMP_JOINTS.map((value) => ({ value, label: JOINT_WORDS[value] }))}
        />
      </FormLine>
      <p className="text-small text-muted">
        Factory fuse and wire stay. What the vehicle’s flasher or monitor sees then is told on the
        signals page.
      </p>
      <div>
        <Button look="main" type="submit">
          Replace
        </Button>
      </div>
    </form>
  );
}
