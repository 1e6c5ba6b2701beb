import { Plus } from "lucide-react";
import {
  CHARGING_KINDS,
  PACK_CHEMISTRIES,
  append,
  assumed,
  type ChargingFacts,
  type PackFacts,
  setOnce,
} from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { FactFields, FactRow } from "../ui/forms/FactRow.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { BatterySection } from "./electrics/BatterySection.tsx";
import type { VehicleEditing } from "./editing.ts";
import { BaseLoads } from "./BaseLoads.tsx";
import { FactoryBeams } from "./FactoryBeams.tsx";
import { FactoryLampFields } from "./FactoryLampFields.tsx";

const SPEEDS = [
  ["idleRpm", "Idle speed"],
  ["townRpm", "Town speed"],
  ["cruiseRpm", "Cruise speed"],
] as const;

function Charging({ charging, job, edit, canEdit }: { charging: ChargingFacts } & VehicleEditing) {
  const last = charging.points.at(-1);
  return (
    <Section
      title="Charging"
      action={
        <Button
          look="quiet"
          onClick={() =>
            edit([
              append(job, "chargingPoint", {
                id: mint("point"),
                rpm: (last?.rpm ?? 1000) + 1000,
                outputA: assumed(last?.outputA.value ?? 10),
              }),
            ])
          }
        >
          <Plus size={15} aria-hidden /> Point
        </Button>
      }
    >
      <div className="flex flex-wrap items-center gap-3 border-b border-hair py-1">
        <span className="w-44 shrink-0">Kind</span>
        <Choice
          label="Charging kind"
          value={charging.kind}
          disabled={!canEdit}
          className="w-32"
          options={CHARGING_KINDS.map((value) => ({ value, label: value }))}
          onChange={(value) => edit([setOnce("charging", "kind", value)])}
        />
      </div>
      <FactRow
        label="Regulated"
        unit="V"
        fact={charging.regulatedV}
        onChange={(value) => edit([setOnce("charging", "regulatedV", value)])}
        disabled={!canEdit}
      />
      {SPEEDS.map(([field, label]) => (
        <FactRow
          key={field}
          label={label}
          unit="rpm"
          fact={charging[field]}
          onChange={(value) => edit([setOnce("charging", field, value)])}
          disabled={!canEdit}
        />
      ))}
      {charging.points.map((point) => (
        <div
          key={point.id}
          className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-hair py-1"
        >
          <span className="inline-flex w-44 shrink-0 items-baseline gap-2">
            <span className="text-muted">at</span>
            <NumberInput
              label="Engine speed of this point"
              unit="rpm"
              value={point.rpm}
              max={30000}
              onCommit={(value) =>
                edit([{ kind: "set", entity: "chargingPoint", id: point.id, field: "rpm", value }])
              }
            />
          </span>
          <FactFields
            label={`Output at ${point.rpm} rpm`}
            unit="A"
            fact={point.outputA}
            disabled={!canEdit}
            onChange={(value) =>
              edit([
                { kind: "set", entity: "chargingPoint", id: point.id, field: "outputA", value },
              ])
            }
          />
          {charging.points.length > 2 && (
            <RemoveButton
              what={`point at ${point.rpm} rpm`}
              onClick={() => edit([{ kind: "remove", entity: "chargingPoint", id: point.id }])}
            />
          )}
        </div>
      ))}
    </Section>
  );
}

const PACK_WORDS: Readonly<Record<PackFacts["chemistry"], string>> = {
  leadBlocks: "lead blocks",
  lithium: "lithium",
  lithiumIron: "lithium iron",
};

function Pack({ pack, edit, canEdit }: { pack: PackFacts } & Omit<VehicleEditing, "job">) {
  return (
    <Section
      title="Traction pack"
      about="What everything across it must bear: from empty to straight off the charger."
    >
      <div className="flex flex-wrap items-baseline gap-3 border-b border-hair py-1">
        <span className="w-44 shrink-0">Nominal</span>
        <NumberInput
          label="Nominal voltage"
          unit="V"
          value={pack.nominalV}
          min={6}
          max={1000}
          onCommit={(value) => edit([setOnce("pack", "nominalV", value)])}
        />
        <NumberInput
          label="Blocks in series"
          unit="in series"
          value={pack.blocks}
          min={1}
          max={100}
          className="w-14"
          onCommit={(value) => edit([setOnce("pack", "blocks", Math.round(value))])}
        />
        <NumberInput
          label="Cells in series"
          unit="cells"
          value={pack.cells}
          min={1}
          max={400}
          className="w-14"
          onCommit={(value) => edit([setOnce("pack", "cells", Math.round(value))])}
        />
        <Choice
          label="Pack chemistry"
          value={pack.chemistry}
          disabled={!canEdit}
          className="w-36"
          options={PACK_CHEMISTRIES.map((value) => ({ value, label: PACK_WORDS[value] }))}
          onChange={(value) => edit([setOnce("pack", "chemistry", value)])}
        />
      </div>
      <FactRow
        label="Top of charge"
        unit="V"
        fact={pack.topOfChargeV}
        onChange={(value) => edit([setOnce("pack", "topOfChargeV", value)])}
        disabled={!canEdit}
      />
      <FactRow
        label="Capacity"
        unit="Ah"
        fact={pack.capacityAh}
        onChange={(value) => edit([setOnce("pack", "capacityAh", value)])}
        disabled={!canEdit}
      />
      <FactRow
        label="Resistance"
        unit="Ω"
        fact={pack.resistanceOhm}
        onChange={(value) => edit([setOnce("pack", "resistanceOhm", value)])}
        disabled={!canEdit}
      />
      <FactRow
        label="Charger"
        unit="A"
        fact={pack.chargerA}
        onChange={(value) => edit([setOnce("pack", "chargerA", value)])}
        disabled={!canEdit}
      />
      <FactRow
        label="Goes on a charge"
        unit="km"
        fact={pack.rangeKm}
        onChange={(value) => edit([setOnce("pack", "rangeKm", value)])}
        disabled={!canEdit}
      />
      <div className="flex flex-wrap items-baseline gap-3 border-b border-hair py-1">
        <span className="w-44 shrink-0">Outlet of the charger</span>
        <NumberInput
          label="Outlet voltage"
          unit="V"
          value={pack.inletV}
          min={50}
          max={500}
          onCommit={(value) => edit([setOnce("pack", "inletV", value)])}
        />
      </div>
    </Section>
  );
}

const REACHES = [
  ["frontM", "Battery to front"],
  ["rearM", "Battery to rear"],
  ["controlsM", "Battery to controls"],
] as const;

/** The electrical facts of a vehicle, each with its bounds and how it is known. */
export function VehicleFacts({ job, edit, canEdit }: VehicleEditing) {
  const { system, reaches } = job.vehicle;
  return (
    <div>
      {system.kind === "engine" && (
        <Charging charging={system.charging} job={job} edit={edit} canEdit={canEdit} />
      )}
      {system.kind !== "engine" && <Pack pack={system.pack} edit={edit} canEdit={canEdit} />}
      {system.kind !== "pack" && (
        <BatterySection battery={system.battery} edit={edit} canEdit={canEdit} />
      )}
      <BaseLoads job={job} edit={edit} canEdit={canEdit} />
      <FactoryLampFields job={job} edit={edit} canEdit={canEdit} />
      <FactoryBeams job={job} edit={edit} canEdit={canEdit} />
      <Section
        title="Cable distances"
        about="Along the factory loom; a new circuit takes its lengths from these."
      >
        {REACHES.map(([field, label]) => (
          <FactRow
            key={field}
            label={label}
            unit="m"
            fact={reaches[field]}
            onChange={(value) => edit([setOnce("reaches", field, value)])}
            disabled={!canEdit}
          />
        ))}
      </Section>
    </div>
  );
}
