import { memo } from "react";
import type { UnitSystem } from "@dragonet/core";
import { useUnits } from "../../../base/session.ts";
import { useLatest } from "../../press/useLatest.ts";
import { TextField } from "../TextInput.tsx";
import { writingOf } from "./writing.ts";

interface NumberInputProps {
  readonly label: string;
  readonly value: number;
  readonly onCommit: (value: number) => void;
  /** Metric whoever reads it: a metric thread's pitch and length. */
  readonly metric?: boolean;
  /** "mm" and "m", with words behind them or not, follow the person: inches where those are chosen. */
  readonly unit?: string;
  readonly min?: number;
  readonly max?: number;
  readonly className?: string;
  /** What an empty field says where nothing, which is 0, may stand in it. */
  readonly none?: string;
  /** A share of one, shown and written in percent. */
  readonly share?: boolean;
  /** Of bounds the value beside them has the sign already. */
  readonly quiet?: boolean;
}

const NumberField = memo(function NumberField(
  props: NumberInputProps & { readonly units: UnitSystem },
) {
  const { label, value, onCommit, share = false, className = "w-20", none, units } = props;
  const { min = 0, max = share ? 1 : 1e6, quiet = false } = props;
  const { unit, show, read, words } = writingOf(props.unit, share, units);
  const said = quiet ? undefined : unit;
  const check = (text: string): string | null => {
    if (none !== undefined && text.trim() === "") return null;
    const number = read(text.trim());
    if (number === null) return `“${text}” is not valid: needs ${show(min)} to ${show(max)}`;
    // What looks like a bound, which is shown rounded, is that bound.
    const isWithin = number >= min && number <= max;
    return isWithin || [min, max].some((bound) => show(bound) === show(number))
      ? null
      : `“${text}” is not valid: needs ${show(min)} to ${show(max)}`;
  };
  return (
    <span className="inline-flex items-baseline">
      <TextField
        label={said ? `${label}, ${said}` : label}
        value={none !== undefined && value === 0 ? "" : show(value)}
        {...(none === undefined ? {} : { placeholder: none })}
        check={check}
        className={`num text-right ${words ? className.replace(/\bw-\d+\b/, "w-24") : className}`}
        maxLength={20}
        // A phone's figures come without a sign and without a fraction.
        {...(min < 0 || words ? {} : { inputMode: "decimal" })}
        onCommit={(text) => onCommit(Math.min(max, Math.max(min, read(text.trim()) ?? 0)))}
      />
      {said !== undefined && <span className="unit min-w-7">{said}</span>}
    </span>
  );
});

/** A number in the field's own unit, or a length in the person's; refused in words when it is none. */
export function NumberInput({ onCommit, metric = false, ...rest }: NumberInputProps) {
  const units = useUnits();
  return <NumberField {...rest} units={metric ? "metric" : units} onCommit={useLatest(onCommit)} />;
}
