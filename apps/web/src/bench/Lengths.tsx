import type { Fact } from "@dragonet/core";
import { FactFields } from "../ui/FactRow.tsx";

/** Lengths of a feed with their bounds, one a line. */
export function Lengths({
  fields,
  canEdit,
  onChange,
}: {
  fields: readonly (readonly [string, string, Fact])[];
  canEdit: boolean;
  onChange: (field: string, fact: Fact) => void;
}) {
  return fields.map(([field, label, fact]) => (
    <div
      key={field}
      className="flex flex-wrap items-baseline gap-x-2 gap-y-1 border-t border-hair py-1"
    >
      <span className="w-full text-small">{label}</span>
      <FactFields
        label={label}
        unit="m"
        fact={fact}
        disabled={!canEdit}
        onChange={(value) => onChange(field, value)}
      />
    </div>
  ));
}
