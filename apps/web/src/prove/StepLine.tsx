import { decimal, ohmText, seenRank, type Reading } from "@dragonet/core";
import { useCanEdit } from "../base/session.ts";
import { TextInput } from "../ui/forms/TextInput.tsx";
import type { ShownStep } from "../worker/proving.ts";
import { ReadingField } from "./ReadingField.tsx";
import type { Readings } from "./useReadings.ts";

/** What is right at a step, as it is read on the meter or seen. */
export const expectedWords = ({ right }: ShownStep): string => right;

/** What was read, as the meter showed it or the eye saw it. */
export const valueText = ({ choices, unit }: ShownStep, value: number): string =>
  choices[seenRank(value)] ??
  (unit === "Ω" ? `${ohmText(value)} Ω` : `${decimal(value, 2)} ${unit}`);

export function stepVerdict(step: ShownStep, reading: Reading | undefined): string {
  if (!reading) return "";
  if (reading.value === null) return `waived: ${reading.note}`;
  return step.off ? "off" : "as it should be";
}

const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short" });

/** What the step was read as at an earlier visit, for comparison. */
function Earlier({ step, reading }: { step: ShownStep; reading: Reading | null }) {
  if (reading === null || reading.value === null) return null;
  const was = valueText(step, reading.value);
  return (
    <span className="block text-small text-muted">
      {was} on {DAY.format(new Date(reading.at))}
    </span>
  );
}

/** One step: what to put the tips to, what is right, and what was read. */
export function StepLine({ step, readings }: { step: ShownStep; readings: Readings }) {
  const canEdit = useCanEdit();
  const reading = readings.latest.get(step.id);
  const refused = readings.refused.get(step.id);
  const verdict = stepVerdict(step, reading);
  return (
    <li className="grid grid-cols-1 items-center gap-x-4 gap-y-1 border-t border-hair py-1.5 sm:grid-cols-[minmax(0,1fr)_9rem_12rem_9rem]">
      <span>
        {step.words}
        {step.panels.length > 0 && (
          <span className="block text-small text-muted">first off: {step.panels.join(", ")}</span>
        )}
      </span>
      <span className="num text-small text-muted">{expectedWords(step)}</span>
      <span>
        <ReadingField
          step={step}
          reading={reading}
          disabled={!canEdit}
          onTake={(value) => readings.take(step.id, value)}
        />
        <Earlier step={step} reading={readings.earlier(step.id)} />
        {refused !== undefined && (
          <span role="alert" className="block text-small font-bold">
            {refused}
          </span>
        )}
      </span>
      <span className={`text-small ${step.off ? "font-bold" : "text-muted"}`}>
        {verdict === "" && canEdit ? (
          <TextInput
            label={`${step.words}: why it is left out`}
            value=""
            placeholder="left out because …"
            className="no-print w-full text-small"
            maxLength={200}
            onCommit={(why) => readings.waive(step.id, why)}
          />
        ) : step.off ? (
          <span className="border-l-4 border-ink pl-2">off</span>
        ) : (
          verdict
        )}
      </span>
    </li>
  );
}
