import { type Part, decimal, ratedVOf } from "@dragonet/core";
import { Choice } from "../../ui/forms/Choice.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { newPart } from "../newPart.ts";
import { BeamFields } from "./BeamFields.tsx";
import { BehaviourFields } from "./BehaviourFields.tsx";
import { PartLine as Line } from "./PartLine.tsx";
import { KitFields } from "./KitFields.tsx";
import { LeadFields } from "./LeadFields.tsx";
import { MoreLights } from "./load/MoreLights.tsx";
import { WayRatings } from "./WayRatings.tsx";
import { SourceFields } from "./SourceFields.tsx";
import { LoadFields } from "./load/LoadFields.tsx";
import { RelayFields, SwitchFields } from "./SmallPartFields.tsx";

/** Whether a part is one that breaks a current. */
const breaks = (part: Part): boolean => Number.isFinite(ratedVOf({ ...part, ratedV: 0 }));

interface PartFieldsProps {
  readonly part: Part;
  readonly isNew: boolean;
  readonly onChange: (part: Part) => void;
}

/** What a new part is; what it is called and costs stays as it is changed. */
function KindLine({ part, onChange }: Omit<PartFieldsProps, "isNew">) {
  return (
    <Line label="Kind">
      <Choice
        label="Kind of part"
        value={part.kind}
        className="w-56"
        options={[
          { value: "load", label: "lamp, horn, heater, outlet" },
          { value: "relay", label: "relay" },
          { value: "switch", label: "switch" },
          { value: "converter", label: "converter" },
          { value: "box", label: "fuse block, hub, relay board, module" },
          { value: "battery", label: "battery" },
          { value: "connector", label: "plug" },
          { value: "flasher", label: "flasher" },
          { value: "sundry", label: "sundry" },
          { value: "kit", label: "kit" },
        ]}
        onChange={(kind) => onChange(newPart(kind, part))}
      />
    </Line>
  );
}

/** All that can be said of a part, by its kind. */
export function PartFields({ part, isNew, onChange }: PartFieldsProps) {
  return (
    <>
      {isNew && <KindLine part={part} onChange={onChange} />}
      <Line label="Name">
        <TextInput
          label="Part name"
          value={part.name}
          className="w-72"
          maxLength={120}
          onCommit={(name) => onChange({ ...part, name })}
        />
      </Line>
      {part.kind === "load" && <LoadFields part={part} onChange={onChange} />}
      {part.kind === "relay" && <RelayFields part={part} onChange={onChange} />}
      {part.kind === "switch" && <SwitchFields part={part} onChange={onChange} />}
      <SourceFields part={part} onChange={onChange} />
      {part.kind === "box" && <WayRatings part={part} onChange={onChange} />}
      {part.kind === "connector" && <LeadFields part={part} onChange={onChange} />}
      {part.kind === "load" && <MoreLights part={part} onChange={onChange} />}
      {part.kind === "kit" && <KitFields part={part} onChange={onChange} />}
      {part.kind !== "sundry" && part.kind !== "kit" && (
        <Line label="Sealed to">
          <TextInput
            label="Ingress rating"
            value={part.ingress}
            placeholder="IP67, or empty"
            className="w-32"
            maxLength={6}
            check={(text) =>
              /^(IP[0-6X][0-9X]K?)?$/.test(text) ? null : "such as IP67 or IPX4, or empty"
            }
            onCommit={(ingress) => onChange({ ...part, ingress })}
          />
        </Line>
      )}
      {breaks(part) && (
        <Line label="Breaks, direct">
          <NumberInput
            label="Direct voltage it may break, 0 for what its kind usually does"
            unit="V"
            value={part.ratedV}
            max={1000}
            onCommit={(ratedV) => onChange({ ...part, ratedV })}
          />
          {part.ratedV === 0 && (
            <span className="text-small text-muted">
              not said: taken as {decimal(ratedVOf(part), 0)} V
            </span>
          )}
        </Line>
      )}
      {part.kind === "box" && part.form !== "fuseBlock" && (
        <BehaviourFields
          behaviours={part.behaviours}
          most={part.ways}
          onChange={(behaviours) => onChange({ ...part, behaviours })}
        />
      )}
      {part.kind === "load" && part.family === "lamp" && (
        <BeamFields part={part} onChange={onChange} />
      )}
      {part.kind === "load" && part.family === "lamp" && (
        <BehaviourFields
          behaviours={part.behaviour ? [part.behaviour] : []}
          most={1}
          onChange={([behaviour]) => onChange({ ...part, behaviour: behaviour ?? null })}
        />
      )}
      <Line label="Price, stock">
        <NumberInput
          label="Price"
          value={part.price}
          onCommit={(price) => onChange({ ...part, price })}
        />
        <NumberInput
          label="In stock"
          value={part.stock}
          onCommit={(stock) => onChange({ ...part, stock })}
        />
        <span className="text-small text-muted">order below</span>
        <NumberInput
          label="Order when fewer than"
          value={part.least ?? 0}
          onCommit={(said) => onChange({ ...part, least: said > 0 ? said : undefined })}
        />
      </Line>
      <Line label="Warranty">
        <NumberInput
          label="How long its maker answers for it"
          unit="months"
          value={part.warrantyMonths ?? 0}
          max={240}
          onCommit={(said) =>
            onChange({ ...part, warrantyMonths: said > 0 ? Math.round(said) : undefined })
          }
        />
      </Line>
      <Line label="Note">
        <TextInput
          label="Note"
          lines={2}
          value={part.note}
          className="w-96 max-w-full"
          onCommit={(note) => onChange({ ...part, note })}
        />
      </Line>
    </>
  );
}
