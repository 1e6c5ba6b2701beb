import { Plus } from "lucide-react";
import type { KitLine, KitPart, Part } from "@dragonet/core";
import { Button } from "../../ui/Button.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";

/** What a kit's box holds, and what it lays out; its circuits are taken from a job. */
export function KitFields({ part, onChange }: { part: KitPart; onChange: (part: Part) => void }) {
  const { content } = part;
  const set = (i: number, change: Partial<KitLine>): void =>
    onChange({ ...part, items: part.items.map((l, k) => (k === i ? { ...l, ...change } : l)) });
  return (
    <section aria-label="What is in the kit" className="border-b border-hair py-2">
      <p className="text-small text-muted">
        Lays out {content.runs.length} circuits with {content.lamps.length} lights,{" "}
        {content.controls.length} controls, {content.supplies.length} that feed,{" "}
        {content.harnesses.length} harnesses. They are taken from a job: New circuit, Unbox a kit,
        Keep as a kit.
      </p>
      {part.items.map((item, i) => (
        <div key={i} className="flex flex-wrap items-center gap-2 border-t border-hair py-1">
          <NumberInput
            label={`Pieces of ${item.name}`}
            value={item.count}
            max={9999}
            className="w-14"
            onCommit={(n) => set(i, { count: Math.round(n) })}
          />
          <TextInput
            label={`Kit item ${i + 1}`}
            value={item.name}
            className="w-72"
            maxLength={160}
            onCommit={(name) => set(i, { name })}
          />
          <RemoveButton
            what={item.name}
            onClick={() => onChange({ ...part, items: part.items.filter((_, k) => k !== i) })}
          />
        </div>
      ))}
      <Button
        look="quiet"
        onClick={() =>
          onChange({ ...part, items: [...part.items, { name: "New item", count: 1 }] })
        }
      >
        <Plus size={15} aria-hidden /> Item in the box
      </Button>
    </section>
  );
}
