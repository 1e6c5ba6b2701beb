import type { Use } from "@dragonet/core";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Section } from "../ui/page/Section.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";

const FIELDS: readonly (readonly [keyof Use, string, string, number, number])[] = [
  ["eveningH", "Lamps burn on an evening", "h", 0, 24],
  ["eveningsPerSeason", "Evenings a season", "", 0, 366],
  ["dayKm", "Driven on such a day", "km", 0, 1000],
  ["ageYears", "Battery is", "years old", 0, 30],
  ["coldestC", "Coldest morning", "°C", -50, 50],
];

/** How the vehicle is used: what the verdicts on evenings, seasons and mornings hang on. */
export function UseFields({ canEdit }: { canEdit: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const pack = job.vehicle.system.kind !== "engine";
  const shown = FIELDS.filter(([field]) => pack || field === "ageYears" || field === "coldestC");
  return (
    <Section title="How it is used">
      <fieldset disabled={!canEdit}>
        <legend className="sr-only">Use</legend>
        {shown.map(([field, label, unit, min, max]) => (
          <div key={field} className="flex items-baseline gap-3 border-b border-hair py-1">
            <span className="flex-1">{label}</span>
            <NumberInput
              label={label}
              {...(unit === "" ? {} : { unit })}
              value={job.use[field]}
              min={min}
              max={max}
              onCommit={(value) => edit([{ kind: "setOnce", entity: "use", field, value }])}
            />
          </div>
        ))}
      </fieldset>
    </Section>
  );
}
