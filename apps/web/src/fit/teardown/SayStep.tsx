import { useState } from "react";
import {
  DRIVES,
  addStep,
  applyEdits,
  driveText,
  lengthText,
  lockerText,
  readSteps,
  type Edit,
  type Job,
  type ReadStep,
  type SaidFastener,
  type SaidStep,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useCurrentUser } from "../../base/session.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";

const EXAMPLE =
  "left cover 8 star T25 very tight and 3 clips; plug seat heater, under the hook; 6 min";

const CHIP =
  "inline-flex flex-wrap items-center gap-1 rounded-control border border-edge bg-paper px-1.5 py-0.5";

interface FastenerChipProps {
  readonly fastener: SaidFastener;
  readonly onChange: (change: Partial<SaidFastener>) => void;
}

/** Fasteners as they were understood: how many and their drive are put right by touch. */
function FastenerChip({ fastener, onChange }: FastenerChipProps) {
  const { units } = useCurrentUser().preferences;
  const { count, drive, size, lengthMm, torqueNm, where } = fastener;
  const more = [
    size,
    lengthMm > 0 ? `× ${lengthText(lengthMm / 1000, units)}` : "",
    torqueNm > 0 ? `${torqueNm} N·m` : "",
    lockerText(fastener),
    where,
  ].filter((t) => t !== "");
  return (
    <li className={CHIP}>
      <NumberInput
        label="How many were understood"
        value={count}
        min={1}
        max={99}
        className="w-12"
        onCommit={(n) => onChange({ count: Math.round(n) })}
      />
      <Choice
        label="Drive that was understood"
        value={drive}
        className="w-32"
        options={DRIVES.map((value) => ({ value, label: driveText(value) }))}
        onChange={(value) => onChange({ drive: value })}
      />
      {more.length > 0 && <span>{more.join(", ")}</span>}
    </li>
  );
}

/** What else was understood, each in a few words. */
const otherChips = (step: SaidStep): string[] => [
  ...step.plugs.map(({ name, where }) => `plug ${name}${where === "" ? "" : `, ${where}`}`),
  ...step.after.map((name) => `after ${name}`),
  ...step.covers.map((name) => `covers ${name}`),
  ...(step.catches === "" ? [] : [`catches: ${step.catches}`]),
  ...(step.forget === "" ? [] : [`on the way back: ${step.forget}`]),
  ...(step.hold ? ["hold it"] : []),
  ...(step.paint ? ["cover the paint"] : []),
  ...(step.estimateMin > 0 ? [`${step.estimateMin} min`] : []),
];

interface UnderstoodProps {
  readonly step: SaidStep;
  readonly onChange: (at: number, change: Partial<SaidFastener>) => void;
}

/** What a step was taken for, before it is added. */
function Understood({ step, onChange }: UnderstoodProps) {
  return (
    <ul aria-label="Understood" className="mt-1 flex flex-wrap items-center gap-1.5 text-small">
      <li className={`${CHIP} font-bold`}>{step.name}</li>
      {step.fasteners.map((fastener, i) => (
        <FastenerChip key={i} fastener={fastener} onChange={(change) => onChange(i, change)} />
      ))}
      {otherChips(step).map((words, i) => (
        <li key={i} className={CHIP}>
          {words}
        </li>
      ))}
      {step.notes.map((note, i) => (
        <li key={i} className={`${CHIP} border-dashed`}>
          kept as a note: {note}
        </li>
      ))}
    </ul>
  );
}

/** What was put right by hand, by step and fastener: "0.2". */
type Changes = Readonly<Record<string, Partial<SaidFastener>>>;

/** A step as it was read, with what was put right by hand. */
const putRight = (step: SaidStep, at: number, changes: Changes): SaidStep => ({
  ...step,
  fasteners: step.fasteners.map((fastener, i) => ({ ...fastener, ...changes[`${at}.${i}`] })),
});

/** The edits of steps one after the other, or what is wrong with one of them. */
function stepsAdded(
  job: Job,
  reads: readonly ReadStep[],
  changes: Changes,
): { readonly edits: readonly Edit[] } | { readonly wrong: string } {
  const edits: Edit[] = [];
  let there = job;
  for (const [at, read] of reads.entries()) {
    if (!read.ok) return { wrong: read.message };
    const added = addStep(there, putRight(read.step, at, changes), mint);
    if (!added.ok) return { wrong: added.message };
    const made = applyEdits(there, added.edits);
    if (!made.ok) return { wrong: made.message };
    edits.push(...added.edits);
    there = made.job;
  }
  return { edits };
}

/** One breath, one step or several with "then" between: what a phone's dictation writes is read as it is. */
export function SayStep() {
  const job = useJob();
  const edit = useEdit();
  const [text, setText] = useState("");
  const [changes, setChanges] = useState<Changes>({});
  const [wrong, setWrong] = useState<string | null>(null);
  const reads = readSteps(text);
  const say = (words: string): void => {
    setText(words);
    setChanges({});
    setWrong(null);
  };
  const add = (): void => {
    const added = stepsAdded(job, reads, changes);
    if ("wrong" in added) {
      setWrong(added.wrong);
      return;
    }
    edit(added.edits);
    say("");
  };
  const change = (at: string, part: Partial<SaidFastener>): void =>
    setChanges((before) => ({ ...before, [at]: { ...before[at], ...part } }));
  return (
    <form
      className="no-print mb-3"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <label htmlFor="say-step" className="text-small text-muted">
        Say or type a step as you would tell it: the panel, what holds it, its plugs, what comes
        first
      </label>
      <div className="flex gap-2">
        <textarea
          id="say-step"
          rows={1}
          className="control grows min-w-0 flex-1"
          value={text}
          placeholder={EXAMPLE}
          maxLength={500}
          aria-invalid={wrong !== null}
          aria-describedby={wrong === null ? undefined : "say-step-wrong"}
          onChange={(e) => say(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== "Enter" || e.shiftKey) return;
            e.preventDefault();
            if (text.trim() !== "") add();
          }}
        />
        <Button type="submit" look="main" disabled={text.trim() === ""}>
          Add
        </Button>
      </div>
      {reads.map(
        (read, at) =>
          read.ok && (
            <Understood
              key={at}
              step={putRight(read.step, at, changes)}
              onChange={(i, part) => change(`${at}.${i}`, part)}
            />
          ),
      )}
      {wrong !== null && (
        <p id="say-step-wrong" role="alert" className="text-small font-bold">
          {wrong}
        </p>
      )}
    </form>
  );
}
