import { useState } from "react";
import { LAMP_JOINTS, LAMP_PLACES, asId, replaceLamp, type Lamp, type PinId } from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useJob } from "../../job/store/jobStore.ts";
import { isLoad, useParts } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { NumberInput } from "../../ui/forms/TextInput.tsx";
import { firstChosen, pinOptions, wiresToHangOn } from "../fields/factoryWires.ts";
import { JOINT_WORDS } from "../fields/jointWords.ts";
import { FormLine } from "./FormLine.tsx";
import { useBegin, type BeginProps } from "./useBegin.ts";

/** A lamp in the place of one the vehicle has: the old load leaves the budget, its fuse stays. */
export function ReplaceLamp(props: BeginProps) {
  const job = useJob();
  const begin = useBegin(props);
  const { data } = useParts();
  const loads = (data ?? []).map((kept) => kept.value).filter(isLoad);
  const wires = wiresToHangOn(job);
  const [partId, setPartId] = useState("");
  const [count, setCount] = useState(1);
  const [place, setPlace] = useState<Lamp["place"]>("rear");
  const [pinId, setPinId] = useState("");
  const [replaces, setReplaces] = useState("");
  const [joint, setJoint] = useState<Lamp["joint"]>("plug");
  const part = loads.find((p) => p.id === partId) ?? loads[0];
  const pin = firstChosen(wires, pinId);
  if (!pin) {
    return (
      <p>
        No factory wire is known yet. Find the one that the lamp hangs on, and write it into the
        vehicle’s connector map.
      </p>
    );
  }
  if (!part) return <p>The shelf is empty: put the new lamp on it first.</p>;
  const make = (): void => {
    const name = `${part.name} on ${pin.carries}`;
    const what = { part, count, place, pinId: asId<PinId>(pin.id), replaces, joint, name };
    const edits = replaceLamp(job, what, mint);
    begin(edits);
  };
  return (
    <div className="flex flex-col gap-4">
      <FormLine label="Goes">
        <Choice
          label="What goes"
          value={replaces}
          className="w-72"
          options={[
            { value: "", label: "a lamp whose draw nobody has told" },
            ...job.vehicle.baseLoads.map((load) => ({ value: load.id, label: load.name })),
          ]}
          onChange={setReplaces}
        />
      </FormLine>
      <FormLine label="It hung on">
        <Choice
          label="Wire it hung on"
          value={pin.id}
          className="w-72"
          options={pinOptions(job, wires)}
          onChange={setPinId}
        />
      </FormLine>
      <FormLine label="Comes">
        <NumberInput
          label="How many come"
          value={count}
          min={1}
          max={20}
          className="w-14"
          onCommit={(n) => setCount(Math.round(n))}
        />
        <Choice
          label="Lamp that comes"
          value={part.id}
          className="w-64"
          options={loads.map((p) => ({ value: p.id, label: p.name }))}
          onChange={setPartId}
        />
        <Choice
          label="Where it sits"
          value={place}
          className="w-24"
          options={LAMP_PLACES.map((value) => ({ value, label: value }))}
          onChange={setPlace}
        />
      </FormLine>
      <FormLine label="Joined">
        <Choice
          label="How it joins"
          value={joint}
          className="w-72"
          options={LAMP_JOINTS.map((value) => ({ value, label: JOINT_WORDS[value] }))}
          onChange={setJoint}
        />
      </FormLine>
      <p className="text-small text-muted">
        Factory fuse and wire stay. What the vehicle’s flasher or monitor sees then is told on the
        signals page.
      </p>
      <div>
        <Button look="main" onClick={make}>
          Replace
        </Button>
      </div>
    </div>
  );
}
