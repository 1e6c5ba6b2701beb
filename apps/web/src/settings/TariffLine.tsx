import { CURRENCY_CODES, minorDigits, type Tariff } from "@dragonet/core";
import { Choice } from "../ui/forms/Choice.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { Line } from "./Line.tsx";

interface TariffLineProps {
  readonly tariff: Tariff;
  readonly canEdit: boolean;
  readonly onChange: (tariff: Tariff) => void;
}

/** What the shop asks: an hour, tax, markup, and how long a quote holds, and how long the shop answers for its work. */
export function TariffLine({ tariff, canEdit, onChange }: TariffLineProps) {
  const unit = 10 ** minorDigits(tariff.currency);
  const set = (change: Partial<Tariff>): void => onChange({ ...tariff, ...change });
  const percent = (share: number): number => Number((100 * share).toFixed(2));
  return (
    <Line
      label="Prices"
      about="Of an hour without tax; tax on the whole; put on the shelf’s prices; how long a quote holds."
    >
      <Choice
        label="Currency"
        value={tariff.currency}
        disabled={!canEdit}
        className="w-24"
        options={CURRENCY_CODES.map((value) => ({ value, label: value }))}
        onChange={(currency) =>
          set({
            currency,
            hourMinor: Math.round((tariff.hourMinor / unit) * 10 ** minorDigits(currency)),
          })
        }
      />
      <NumberInput
        label="An hour’s work"
        unit="an hour"
        value={tariff.hourMinor / unit}
        max={1e6}
        onCommit={(v) => set({ hourMinor: Math.round(v * unit) })}
      />
      <NumberInput
        label="Tax"
        unit="% tax"
        value={percent(tariff.taxShare)}
        max={100}
        className="w-16"
        onCommit={(v) => set({ taxShare: v / 100 })}
      />
      <NumberInput
        label="Markup"
        unit="% on parts"
        value={percent(tariff.markupShare)}
        max={1000}
        className="w-16"
        onCommit={(v) => set({ markupShare: v / 100 })}
      />
      <NumberInput
        label="A quote holds"
        unit="days"
        value={tariff.validDays}
        min={1}
        max={366}
        className="w-16"
        onCommit={(v) => set({ validDays: Math.round(v) })}
      />
      <NumberInput
        label="Warranty on the work"
        unit="months’ warranty on work"
        value={tariff.warrantyMonths}
        max={240}
        className="w-16"
        onCommit={(v) => set({ warrantyMonths: Math.round(v) })}
      />
    </Line>
  );
}
