import {
  BATTERY_CHEMISTRIES,
  BOX_FORMS,
  BOX_SWITCHING,
  CONVERTER_INPUTS,
  FLASHER_PRINCIPLES,
  isBoundedValue,
  type Part,
  type PartKind,
} from "@dragonet/core";
import { Choice } from "../../ui/forms/Choice.tsx";
import { FactRow } from "../../ui/forms/FactRow.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { PartLine } from "./PartLine.tsx";

type Field = {
  readonly field: string;
  readonly label: string;
  readonly unit?: string;
  readonly max?: number;
  readonly share?: boolean;
  readonly options?: readonly { readonly value: string; readonly label: string }[];
};

const words = (pairs: readonly (readonly [string, string])[]) =>
  pairs.map(([value, label]) => ({ value, label }));
const same = (values: readonly string[]) => values.map((value) => ({ value, label: value }));
const YES_NO = words([
  ["no", "no"],
  ["yes", "yes"],
]);

/** Fields of the parts that feed and part, in the order a data sheet gives them. */
const FIELDS: Readonly<Partial<Record<PartKind, readonly Field[]>>> = {
  converter: [
    {
      field: "input",
      label: "Takes",
      options: CONVERTER_INPUTS.map((value) => ({
        value,
        label: {
          direct: "direct current alone",
          alternating: "a lighting coil’s waves as well",
        }[value],
      })),
    },
    { field: "inMinV", label: "Input from", unit: "V", max: 1000 },
    { field: "inMaxV", label: "Input to", unit: "V", max: 1000 },
    { field: "cutOffV", label: "Turns off below", unit: "V", max: 1000 },
    { field: "outV", label: "Output", unit: "V" },
    { field: "outA", label: "Gives for long", unit: "A", max: 500 },
    { field: "surgeA", label: "Gives for a second", unit: "A", max: 1000 },
    { field: "efficiencyTenth", label: "Efficiency at a tenth", share: true },
    { field: "efficiencyHalf", label: "Efficiency at half", share: true },
    { field: "efficiencyFull", label: "Efficiency at full", share: true },
    { field: "idleA", label: "Idle draw", unit: "A" },
    { field: "isolated", label: "Negative apart", options: YES_NO },
    { field: "sealed", label: "Sealed", options: YES_NO },
    { field: "mostAmbientC", label: "Up to", unit: "°C", max: 150 },
  ],
  box: [
    {
      field: "form",
      label: "Form",
      options: BOX_FORMS.map((value) => ({
        value,
        label: {
          fuseBlock: "fuse block",
          hub: "switch hub",
          relayBoard: "relay board",
          plugIn: "plug-in module",
        }[value],
      })),
    },
    { field: "ways", label: "Channels", max: 48 },
    { field: "wayA", label: "Each channel", unit: "A", max: 500 },
    { field: "totalA", label: "In all", unit: "A", max: 1000 },
    { field: "mainBreakerA", label: "Main breaker", unit: "A", max: 500 },
    { field: "switches", label: "Switches the lamp's", options: same(BOX_SWITCHING) },
    { field: "inputOhm", label: "Input", unit: "Ω" },
    { field: "idleA", label: "Idle draw", unit: "A" },
    { field: "sleepAfterMin", label: "Sleeps after (0: never)", unit: "min", max: 1440 },
    { field: "sleepA", label: "Asleep", unit: "A" },
  ],
  battery: [
    { field: "chemistry", label: "Chemistry", options: same(BATTERY_CHEMISTRIES) },
    { field: "cells", label: "Cells in series (0: those of 12 V)", max: 24 },
    { field: "capacityAh", label: "Capacity", unit: "Ah" },
    { field: "hourRate", label: "Hour rate", unit: "h", max: 100 },
    { field: "peukert", label: "Fades faster at high draw (Peukert)" },
    { field: "chargerA", label: "Charger", unit: "A" },
  ],
  connector: [
    { field: "ratingA", label: "Carries", unit: "A", max: 500 },
    { field: "contactOhm", label: "Contact", unit: "Ω" },
  ],
  flasher: [
    {
      field: "principle",
      label: "Works by",
      options: FLASHER_PRINCIPLES.map((value) => ({
        value,
        label: {
          thermal: "heat: load current",
          electronic: "electronics: tells a dead bulb",
          indifferent: "electronics: any load",
        }[value],
      })),
    },
    { field: "leastA", label: "Needs at least", unit: "A", max: 100 },
    { field: "contactA", label: "Carries", unit: "A", max: 500 },
    { field: "ratePerMin", label: "Flashes a minute" },
    { field: "onShare", label: "Share of a flash lit", share: true },
  ],
};

/** The fields of a converter, box, battery, plug or flasher; nothing for other parts. */
export function SourceFields({ part, onChange }: { part: Part; onChange: (part: Part) => void }) {
  const values = part as unknown as Record<string, unknown>;
  const set = (field: string, value: unknown): void => onChange({ ...part, [field]: value });
  return (FIELDS[part.kind] ?? []).map(({ field, label, unit, max, share = false, options }) => {
    const value = values[field];
    if (isBoundedValue(value)) {
      return (
        <FactRow
          key={field}
          label={label}
          unit={unit ?? ""}
          share={share}
          fact={value}
          onChange={(fact) => set(field, fact)}
        />
      );
    }
    const isFlag = typeof value === "boolean";
    return (
      <PartLine key={field} label={label}>
        {options ? (
          <Choice
            label={label}
            value={isFlag ? (value ? "yes" : "no") : String(value)}
            className="w-56"
            options={options}
            onChange={(v) => set(field, isFlag ? v === "yes" : v)}
          />
        ) : (
          <NumberInput
            label={label}
            {...(unit ? { unit } : {})}
            share={share}
            value={Number(value)}
            {...(max === undefined ? {} : { max })}
            onCommit={(n) => set(field, field === "ways" || field === "cells" ? Math.round(n) : n)}
          />
        )}
      </PartLine>
    );
  });
}
