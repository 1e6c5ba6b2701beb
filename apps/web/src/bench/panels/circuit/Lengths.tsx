import type { BoundedValue } from "@dragonet/core";
import { useJob } from "../../../job/store/jobStore.ts";
import { FactFields } from "../../../ui/forms/FactRow.tsx";

/** Lengths of a feed with their bounds, one a line. */
export function Lengths({
  fields,
  canEdit,
  onChange,
}: {
  fields: readonly (readonly [string, string, BoundedValue])[];
  canEdit: boolean;
  onChange: (field: string, fact: BoundedValue) => void;
}) {
  const mapped = useJob().vehicle.places.length > 0;
  const guessed = fields.some(([, , fact]) => fact.provenance === "assumed");
  const lines = fields.map(([field, label, fact]) => (
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
  return (
    <>
      {mapped && guessed && (
        <p className="text-small text-muted">
          Guessed lengths give way to the route map’s. What is measured or told stands.
        </p>
      )}
      {lines}
    </>
  );
}
