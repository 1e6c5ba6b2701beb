import { Plus } from "lucide-react";
import type { ConnectorPart, LeadColours, Part } from "@dragonet/core";
import { Button } from "../../ui/Button.tsx";
import { checkColour } from "../../ui/forms/checkColour.ts";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { PartLine } from "./PartLine.tsx";

/** Colours of an adapter lead's wires, at the factory's plug and at the lamp's. */
export function LeadFields({
  part,
  onChange,
}: {
  part: ConnectorPart;
  onChange: (part: Part) => void;
}) {
  const { leads } = part;
  const set = (next: readonly LeadColours[]): void => onChange({ ...part, leads: next });
  return (
    <PartLine label="As an adapter">
      <div>
        <p className="text-small text-muted">
          Colours of its wires at the factory’s plug and at the lamp’s; live ones first, the ground
          last.
        </p>
        <ol aria-label="Wires of the adapter">
          {leads.map((lead, i) => (
            <li key={i} className="flex flex-wrap items-center gap-2 py-0.5">
              {(["factory", "lamp"] as const).map((end) => (
                <TextInput
                  key={end}
                  label={`Wire ${i + 1} at the ${end}’s plug`}
                  value={lead[end]}
                  placeholder={end}
                  className="w-32"
                  maxLength={40}
                  check={checkColour}
                  onCommit={(colour) =>
                    set(leads.map((l, k) => (k === i ? { ...l, [end]: colour } : l)))
                  }
                />
              ))}
              <RemoveButton
                what={`wire ${i + 1}`}
                onClick={() => set(leads.filter((_, k) => k !== i))}
              />
            </li>
          ))}
        </ol>
        <Button onClick={() => set([...leads, { factory: "", lamp: "" }])}>
          <Plus size={15} aria-hidden /> Wire
        </Button>
      </div>
    </PartLine>
  );
}
