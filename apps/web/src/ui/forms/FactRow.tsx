import { PROVENANCES, boundedValue, type BoundedValue, type Provenance } from "@dragonet/core";
import { Choice } from "./Choice.tsx";
import { NumberInput } from "./number/NumberInput.tsx";

interface FactRowProps {
  readonly label: string;
  readonly unit: string;
  readonly fact: BoundedValue;
  readonly onChange: (fact: BoundedValue) => void;
  readonly disabled?: boolean;
  readonly max?: number;
  /** A share of one, in percent. */
  readonly share?: boolean;
}

/** How a number is known, as people say it. */
export const PROVENANCE_WORDS: Readonly<Record<Provenance, string>> = {
  measured: "measured",
  sister: "on a sister",
  stated: "stated",
  assumed: "assumed",
};
const OPTIONS = PROVENANCES.map((value) => ({ value, label: PROVENANCE_WORDS[value] }));

/** A small current has many figures: all of them are read. */
const boundWidth = (value: number): string => (String(value).length > 5 ? "w-20" : "w-16");

/** Value, bounds and provenance of one fact, for use in a row of a table or on its own. */
export function FactFields({
  label,
  unit,
  fact,
  onChange,
  disabled = false,
  share = false,
  max = share ? 1 : 1e6,
}: FactRowProps) {
  const withBound = (change: Partial<BoundedValue>): void => {
    const next = { ...fact, ...change };
    onChange({
      ...next,
      low: Math.min(next.low, next.value),
      high: Math.max(next.high, next.value),
    });
  };
  return (
    <>
      <NumberInput
        label={label}
        {...(share ? { share } : { unit })}
        value={fact.value}
        max={max}
        onCommit={(value) => onChange(boundedValue(value, fact.provenance))}
      />
      <span className="inline-flex items-baseline gap-1">
        <NumberInput
          label={`${label}, lower bound`}
          value={fact.low}
          {...{ share, unit }}
          quiet
          max={fact.value}
          className={boundWidth(fact.low)}
          onCommit={(low) => withBound({ low })}
        />
        <span aria-hidden>–</span>
        <NumberInput
          label={`${label}, upper bound`}
          value={fact.high}
          {...{ share, unit }}
          quiet
          min={fact.value}
          max={max}
          className={boundWidth(fact.high)}
          onCommit={(high) => withBound({ high })}
        />
      </span>
      <Choice<Provenance>
        label={`${label}: how it is known`}
        value={fact.provenance}
        options={OPTIONS}
        disabled={disabled}
        className="w-28"
        onChange={(provenance) => onChange(boundedValue(fact.value, provenance))}
      />
    </>
  );
}

/** One fact as a line: what it is, its value, its bounds, how it is known. */
export function FactRow(props: FactRowProps) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-hair py-1">
      <span className="w-44 shrink-0">{props.label}</span>
      <FactFields {...props} />
    </div>
  );
}
