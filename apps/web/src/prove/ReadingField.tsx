import { useState } from "react";
import { SEEN_LEVELS, ohmText, readOhms, seenRank, type Reading } from "@dragonet/core";
import { useLeft } from "../ui/press/useLeft.ts";
import type { ShownStep } from "../worker/proving.ts";

const NUMBER = /^-?\d+([.,]\d+)?$/;

/** A reading as it was typed; null where it is none. */
function numberOf({ unit }: ShownStep, text: string): number | null {
  if (unit === "Ω") return readOhms(text);
  return NUMBER.test(text) ? Number(text.replace(",", ".")) : null;
}

const shown = ({ unit }: ShownStep, value: number): string =>
  unit === "Ω" ? ohmText(value) : String(value);

/** One of three words for what is seen, heard or felt. */
function Seen({ step, value, disabled, onTake }: FieldProps) {
  const said = value === null ? null : seenRank(value);
  return (
    <span role="group" aria-label={`${step.words}: seen`} className="inline-flex">
      {step.choices.map((word, rank) => (
        <button
          key={word}
          type="button"
          disabled={disabled}
          aria-pressed={said === rank}
          className={`touch border border-edge px-3 ${said === rank ? "bg-ink font-bold text-paper" : "bg-paper"}`}
          onClick={() => onTake(SEEN_LEVELS[rank] ?? 0)}
        >
          {word}
        </button>
      ))}
    </span>
  );
}

interface FieldProps {
  readonly step: ShownStep;
  readonly value: number | null;
  readonly disabled: boolean;
  readonly onTake: (value: number) => void;
}

/** A number from a meter; taken with Enter or when the field is left. */
function Measured({ step, value, disabled, onTake }: FieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const commit = (): void => {
    if (draft === null || draft.trim() === "") {
      setDraft(null);
      return;
    }
    const number = numberOf(step, draft.trim());
    setWrong(number === null);
    if (number === null) return;
    onTake(number);
    setDraft(null);
  };
  const { typed, left } = useLeft(commit);
  return (
    <span className="inline-flex flex-col">
      <span className="inline-flex items-baseline">
        <input
          inputMode={step.unit === "Ω" ? "text" : "decimal"}
          enterKeyHint="next"
          aria-label={`${step.words}, reading in ${step.unit}`}
          aria-invalid={wrong}
          disabled={disabled}
          className="control num w-24 text-right text-base"
          value={draft ?? (value === null ? "" : shown(step, value))}
          onChange={(e) => {
            setDraft(e.target.value);
            typed();
          }}
          onBlur={left}
          onKeyDown={(e) => {
            if (e.key === "Enter") left();
            if (e.key === "Escape") setDraft(null);
          }}
        />
        <span className="unit min-w-7">{step.unit}</span>
      </span>
      {wrong && (
        <span role="alert" className="text-small font-bold">
          “{draft}” is no number, such as {step.unit === "Ω" ? "0.4, or OL" : "12.4"}
        </span>
      )}
    </span>
  );
}

/** Where a step's reading goes: a number, or what was seen. */
export function ReadingField({
  step,
  reading,
  disabled,
  onTake,
}: {
  step: ShownStep;
  reading: Reading | undefined;
  disabled: boolean;
  onTake: (value: number) => void;
}) {
  const Field = step.choices.length > 0 ? Seen : Measured;
  return <Field step={step} value={reading?.value ?? null} disabled={disabled} onTake={onTake} />;
}
