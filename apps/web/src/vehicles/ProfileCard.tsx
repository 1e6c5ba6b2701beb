import {
  VEHICLE_KINDS,
  VEHICLE_KIND_WORDS,
  takeKind,
  usualSystem,
  type ElectricalSystem,
} from "@dragonet/core";
import { Choice } from "../ui/forms/Choice.tsx";
import { Section } from "../ui/page/Section.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";
import type { VehicleEditing } from "./editing.ts";

const SYSTEM_WORDS: readonly {
  readonly value: ElectricalSystem["kind"];
  readonly label: string;
}[] = [
  { value: "engine", label: "engine, charging, 12 V battery" },
  { value: "pack", label: "traction pack" },
  { value: "packAndBattery", label: "traction pack and 12 V battery" },
];

/** What the vehicle is, and what it runs on. */
export function ProfileCard({ job, edit, canEdit }: VehicleEditing) {
  const { vehicle } = job;
  const set = (field: "model" | "note", value: string): void =>
    edit([{ kind: "setOnce", entity: "vehicle", field, value }]);
  return (
    <Section title="Vehicle">
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-24 shrink-0">Model</span>
        <TextInput
          label="Model"
          value={vehicle.model}
          className="w-60"
          maxLength={120}
          onCommit={(v) => set("model", v)}
        />
      </div>
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-24 shrink-0">Kind</span>
        <Choice
          label="Kind of vehicle"
          value={vehicle.kind}
          disabled={!canEdit}
          className="w-40"
          options={VEHICLE_KINDS.map((value) => ({ value, label: VEHICLE_KIND_WORDS[value] }))}
          onChange={(kind) => edit(takeKind(vehicle, kind))}
        />
      </div>
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-24 shrink-0">Electrics</span>
        <Choice
          label="Electrical system"
          value={vehicle.system.kind}
          disabled={!canEdit}
          className="w-64"
          options={SYSTEM_WORDS}
          onChange={(kind) =>
            edit([{ kind: "replaceSystem", value: usualSystem(vehicle.kind, kind) }])
          }
        />
      </div>
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-24 shrink-0">Note</span>
        <span className="flex-1 *:w-full">
          <TextInput
            label="Note"
            lines={2}
            value={vehicle.note}
            className="w-full"
            maxLength={2000}
            onCommit={(v) => set("note", v)}
          />
        </span>
      </div>
    </Section>
  );
}
