import { BATTERY_CHEMISTRIES, type BatteryFacts, type BoundedValue, setOnce } from "@dragonet/core";
import { Choice } from "../../ui/forms/Choice.tsx";
import { FactRow } from "../../ui/forms/FactRow.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { Section } from "../../ui/page/Section.tsx";
import type { VehicleEditing } from "../editing.ts";

const CHEMISTRY_WORDS: Readonly<Record<BatteryFacts["chemistry"], string>> = {
  flooded: "flooded lead",
  agm: "lead, glass mat",
  gel: "lead, gel",
  lithiumIron: "lithium iron",
  lithiumIon: "lithium-ion",
};

/** A battery: what it is, what it holds, and below what it starts no engine. */
export function BatterySection({
  battery,
  edit,
  canEdit,
}: { battery: BatteryFacts } & Omit<VehicleEditing, "job">) {
  const set = (field: keyof BatteryFacts) => (value: BoundedValue) =>
    edit([setOnce("battery", field, value)]);
  return (
    <Section title="Battery">
      <div className="flex flex-wrap items-center gap-3 border-b border-hair py-1">
        <span className="w-44 shrink-0">Kind</span>
        <Choice
          label="Battery kind"
          value={battery.chemistry}
          disabled={!canEdit}
          className="w-44"
          options={BATTERY_CHEMISTRIES.map((value) => ({ value, label: CHEMISTRY_WORDS[value] }))}
          onChange={(value) => edit([setOnce("battery", "chemistry", value)])}
        />
        <span className="text-muted">capacity at the</span>
        <NumberInput
          label="Hour rate"
          unit="h rate"
          value={battery.hourRate}
          min={1}
          max={100}
          className="w-14"
          onCommit={(value) => edit([setOnce("battery", "hourRate", value)])}
        />
        <span className="text-muted">cells in series</span>
        <NumberInput
          label="Cells in series, 0 for those of 12 V"
          value={battery.cells}
          max={24}
          className="w-14"
          onCommit={(n) => edit([setOnce("battery", "cells", Math.round(n))])}
        />
      </div>
      <FactRow
        label="Capacity"
        unit="Ah"
        fact={battery.capacityAh}
        onChange={set("capacityAh")}
        disabled={!canEdit}
      />
      <FactRow
        label="Charger of its own"
        unit="A"
        fact={battery.chargerA}
        onChange={set("chargerA")}
        disabled={!canEdit}
      />
      <FactRow
        label="Won’t start below"
        unit=""
        share
        fact={battery.noStartSoc}
        onChange={set("noStartSoc")}
        disabled={!canEdit}
      />
      <details>
        <summary className="touch min-h-6 cursor-pointer py-0.5 text-accent">
          More of the battery
        </summary>
        <p className="text-small text-muted">
          A battery that is emptied fast gives less: 1.15 is usual for lead, 1.05 for lithium.
        </p>
        <FactRow
          label="Fades faster at high draw (Peukert)"
          unit=""
          fact={battery.peukert}
          onChange={set("peukert")}
          max={2}
          disabled={!canEdit}
        />
      </details>
    </Section>
  );
}
