import { useState } from "react";
import { LAMP_PLACES, type Lamp, type LightingCircuit, addLamps, removeLamp } from "@dragonet/core";
import { mint } from "../../../base/mint.ts";
import { useEdit, useJob } from "../../../job/store/jobStore.ts";
import { PartSearch } from "../../../shelf/PartPick.tsx";
import { LOADS, isLoad, usePartChoices } from "../../../shelf/parts.ts";
import { Button } from "../../../ui/Button.tsx";
import { Choice } from "../../../ui/forms/Choice.tsx";
import { RemoveButton } from "../../../ui/RemoveButton.tsx";
import { TextInput } from "../../../ui/forms/TextInput.tsx";
import { LampDetail } from "./LampDetail.tsx";

/** The lamps of a run, and more of them. */
export function LampList({ run }: { run: LightingCircuit }) {
  const job = useJob();
  const edit = useEdit();
  const [partId, setPartId] = useState("");
  const [place, setPlace] = useState<Lamp["place"]>("front");
  const choices = usePartChoices(LOADS, isLoad, partId);
  const loads = choices.parts;
  const chosen = loads.find((p) => p.id === partId) ?? loads[0];
  const lamps = job.lamps.filter((lamp) => lamp.runId === run.id);
  return (
    <div className="py-1">
      <ul>
        {lamps.map((lamp) => (
          <li key={lamp.id} className="flex flex-wrap items-center gap-2 border-t border-hair py-1">
            <TextInput
              label="Lamp label"
              value={lamp.label}
              className="w-40"
              maxLength={120}
              onCommit={(value) =>
                edit([{ kind: "set", entity: "lamp", id: lamp.id, field: "label", value }])
              }
            />
            <span className="text-small text-muted">{lamp.place}</span>
            <LampDetail lamp={lamp} />
            <span className="ml-auto" />
            <RemoveButton what={lamp.label} onClick={() => edit(removeLamp(job, lamp.id))} />
          </li>
        ))}
      </ul>
      {chosen && (
        <div className="mt-1 flex flex-wrap items-center gap-1">
          <PartSearch choices={choices} />
          <Choice
            label="Part to add"
            value={chosen.id}
            className="w-40"
            options={loads.map((p) => ({ value: p.id, label: p.name }))}
            onChange={setPartId}
          />
          <Choice<Lamp["place"]>
            label="Where on the vehicle"
            value={place}
            className="w-20"
            options={LAMP_PLACES.map((value) => ({ value, label: value }))}
            onChange={setPlace}
          />
          <Button onClick={() => edit(addLamps(job, run, chosen, 1, place, () => mint("lamp")))}>
            Add
          </Button>
        </div>
      )}
    </div>
  );
}
