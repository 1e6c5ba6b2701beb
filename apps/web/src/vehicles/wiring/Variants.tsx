import { Plus } from "lucide-react";
import { append, asId, type Edit, type VariantId } from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import type { VehicleEditing } from "../editing.ts";

/** Variants of a model whose wiring differs, and which of them this one is. */
export function Variants({ job, edit, canEdit }: VehicleEditing) {
  const { variants, variant, pins } = job.vehicle;
  const unsaid = (pinId: string): Edit => ({
    ...{ kind: "set", entity: "pin", id: pinId },
    ...{ field: "variant", value: "" },
  });
  const remove = (id: VariantId): Edit[] => {
    const edits = pins.filter((pin) => pin.variant === id).map((pin) => unsaid(pin.id));
    if (variant === id) {
      edits.push({ kind: "setOnce", entity: "vehicle", field: "variant", value: "" });
    }
    return [...edits, { kind: "remove", entity: "variant", id }];
  };
  return (
    <Section
      title="Variants"
      about="With and without audio, top box on or off: a wire that only one of them has is used only there."
      action={
        <Button
          look="quiet"
          onPressed={() =>
            edit([
              append(job, "variant", {
                id: asId<VariantId>(mint("variant")),
                name: `Variant ${variants.length + 1}`,
              }),
            ])
          }
        >
          <Plus size={15} aria-hidden /> Variant
        </Button>
      }
    >
      {variants.length === 0 && (
        <p className="text-muted">One wiring for all, as far as is known.</p>
      )}
      {variants.map((v) => (
        <div key={v.id} className="flex items-center gap-2 border-b border-hair py-1">
          <TextInput
            label="Name of the variant"
            value={v.name}
            className="w-60"
            maxLength={120}
            onCommit={(name) =>
              edit([{ kind: "set", entity: "variant", id: v.id, field: "name", value: name }])
            }
          />
          <RemoveButton what={v.name} onClick={() => edit(remove(v.id))} />
        </div>
      ))}
      {variants.length > 0 && (
        <div className="flex items-center gap-3 py-1">
          <span className="w-24 shrink-0">This one is</span>
          <Choice
            label="Variant of this vehicle"
            value={variant}
            disabled={!canEdit}
            className="w-60"
            options={[
              { value: "", label: "not told" },
              ...variants.map((v) => ({ value: v.id, label: v.name })),
            ]}
            onChange={(id) =>
              edit([
                {
                  kind: "setOnce",
                  entity: "vehicle",
                  field: "variant",
                  value: variants.find((v) => v.id === id)?.id ?? "",
                },
              ])
            }
          />
        </div>
      )}
    </Section>
  );
}
