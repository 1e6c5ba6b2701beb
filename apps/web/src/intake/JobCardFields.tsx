import type { JobCard } from "@dragonet/core";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Section } from "../ui/page/Section.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";

type TextField = Exclude<keyof JobCard, "stage">;

const FIELDS: readonly { readonly field: TextField; readonly label: string }[] = [
  { field: "title", label: "Job" },
  { field: "customer", label: "Customer" },
  { field: "bench", label: "Bench" },
  { field: "promised", label: "Promised" },
  { field: "note", label: "Note" },
];

export function JobCardFields() {
  const { card, vehicle } = useJob();
  const edit = useEdit();
  return (
    <Section title="Job card">
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-24 shrink-0">Machine</span>
        <span className="flex-1 *:w-full">
          <TextInput
            label="Machine: its plate, frame number or name"
            value={vehicle.machine}
            className="w-full"
            maxLength={120}
            onCommit={(value) =>
              edit([{ kind: "setOnce", entity: "vehicle", field: "machine", value }])
            }
          />
        </span>
      </div>
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-24 shrink-0">Model year</span>
        <NumberInput
          label="Model year"
          none="not known"
          className="w-28"
          value={vehicle.year}
          max={2100}
          onCommit={(n) =>
            edit([{ kind: "setOnce", entity: "vehicle", field: "year", value: Math.round(n) }])
          }
        />
      </div>
      {FIELDS.map(({ field, label }) => (
        <div key={field} className="flex items-center gap-3 border-b border-hair py-1">
          <span className="w-24 shrink-0">{label}</span>
          <span className="flex-1 *:w-full">
            <TextInput
              label={label}
              value={card[field]}
              type={field === "promised" ? "date" : "text"}
              className="w-full"
              maxLength={field === "note" ? 4000 : field === "bench" ? 60 : 160}
              onCommit={(value) => edit([{ kind: "setOnce", entity: "card", field, value }])}
            />
          </span>
        </div>
      ))}
    </Section>
  );
}
