import { Plus } from "lucide-react";
import {
  BASE_LOAD_KINDS,
  VEHICLE_STATES,
  append,
  assumed,
  removeBaseLoad,
  type BaseLoadKind,
  type VehicleState,
  type BaseLoad,
  setIn,
} from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { FactFields } from "../ui/forms/FactRow.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";
import type { VehicleEditing } from "./editing.ts";
import { PlaceChoice } from "./PlaceChoice.tsx";

const STATE_WORDS: Readonly<Record<VehicleState, string>> = {
  parked: "parked",
  engineOff: "engine off",
  idle: "idle",
  town: "town",
  cruise: "cruise",
};

const KIND_WORDS: Readonly<Record<BaseLoadKind, string>> = {
  lamp: "lamp",
  motor: "motor or pump",
  heat: "heat",
  electronics: "electronics",
  radio: "radio",
  other: "something else",
};

/** What the vehicle draws already, and the share of time it is on in each state. */
export function BaseLoads({ job, edit, canEdit }: VehicleEditing) {
  const set = <F extends keyof BaseLoad>(id: string, field: F, value: BaseLoad[F]): void =>
    edit([setIn("baseLoad", id, field, value)]);
  return (
    <Section
      title="Loads already there"
      about="Amps while on, and the share of time on in each state."
      action={
        <Button
          look="quiet"
          onPressed={() =>
            edit([
              append(job, "baseLoad", {
                id: mint("load"),
                name: "New load",
                ...{ kind: "other", at: "" },
                currentA: assumed(1),
                parked: 0,
                engineOff: 0,
                idle: 1,
                town: 1,
                cruise: 1,
              }),
            ])
          }
        >
          <Plus size={15} aria-hidden /> Load
        </Button>
      }
    >
      <ul>
        {job.vehicle.baseLoads.map((load) => (
          <li key={load.id} className="border-b border-hair py-1">
            <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
              <TextInput
                label="Load"
                value={load.name}
                className="w-52"
                onCommit={(value) => set(load.id, "name", value)}
              />
              <FactFields
                label={load.name}
                unit="A"
                fact={load.currentA}
                disabled={!canEdit}
                onChange={(value) => set(load.id, "currentA", value)}
              />
              <Choice
                label={`${load.name}: what it is`}
                value={load.kind}
                disabled={!canEdit}
                className="w-40"
                options={BASE_LOAD_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
                onChange={(value) => set(load.id, "kind", value)}
              />
              {job.vehicle.places.length > 0 && (
                <PlaceChoice
                  label={`${load.name}: where it sits`}
                  places={job.vehicle.places}
                  value={load.at}
                  none="somewhere"
                  disabled={!canEdit}
                  onChange={(at) => set(load.id, "at", at)}
                />
              )}
              <RemoveButton what={load.name} onClick={() => edit(removeBaseLoad(job, load.id))} />
            </div>
            <div className="mt-1 flex flex-wrap gap-x-3 gap-y-1 text-small text-muted">
              {VEHICLE_STATES.map((state) => (
                <span key={state} className="inline-flex items-baseline gap-1">
                  {STATE_WORDS[state]}
                  <NumberInput
                    label={`${load.name}: share of time on, ${STATE_WORDS[state]}`}
                    value={load[state]}
                    share
                    className="w-14"
                    onCommit={(value) => set(load.id, state, value)}
                  />
                </span>
              ))}
            </div>
          </li>
        ))}
      </ul>
    </Section>
  );
}
