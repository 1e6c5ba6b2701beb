import { Plus } from "lucide-react";
import { LIGHT_COLOURS, ratingOf, type LoadPart, type Part, type PartLight } from "@dragonet/core";
import { Button } from "../../../ui/Button.tsx";
import { Choice } from "../../../ui/forms/Choice.tsx";
import { FactFields } from "../../../ui/forms/FactRow.tsx";
import { RemoveButton } from "../../../ui/RemoveButton.tsx";
import { TextInput } from "../../../ui/forms/TextInput.tsx";
import { withRating } from "./loadRating.ts";

/** Lights beside the main and the dim one in the same housing: brake, left, right, reverse. */
export function MoreLights({ part, onChange }: { part: LoadPart; onChange: (part: Part) => void }) {
  const set = (i: number, change: Partial<PartLight>): void =>
    onChange({
      ...part,
      lights: part.lights.map((light, k) => (k === i ? { ...light, ...change } : light)),
    });
  return (
    <section aria-label="Further lights" className="border-b border-hair py-2">
      <h3 className="text-small text-muted">Further lights in its housing, on its negative</h3>
      {part.lights.map((light, i) => (
        <div key={i} className="flex flex-wrap items-center gap-2 border-t border-hair py-1">
          <TextInput
            label={`Light ${i + 1}: name`}
            value={light.name}
            className="w-24"
            maxLength={40}
            onCommit={(name) => set(i, { name })}
          />
          <Choice
            label={`Light ${i + 1}: colour`}
            value={light.light}
            className="w-28"
            options={LIGHT_COLOURS.map((value) => ({ value, label: value }))}
            onChange={(colour) => set(i, { light: colour })}
          />
          <FactFields
            label={`Light ${i + 1}`}
            unit={light.load.kind === "constantCurrent" ? "A" : "W"}
            fact={ratingOf(light.load)}
            onChange={(fact) => set(i, { load: withRating(light.load, fact) })}
          />
          <RemoveButton
            what={`light ${light.name}`}
            onClick={() => onChange({ ...part, lights: part.lights.filter((_, k) => k !== i) })}
          />
        </div>
      ))}
      {part.lights.length < 8 && (
        <Button
          look="quiet"
          onClick={() =>
            onChange({
              ...part,
              lights: [
                ...part.lights,
                { name: `light ${part.lights.length + 1}`, light: part.light, load: part.load },
              ],
            })
          }
        >
          <Plus size={15} aria-hidden /> A further light
        </Button>
      )}
    </section>
  );
}
