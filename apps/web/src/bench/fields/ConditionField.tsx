import { Plus } from "lucide-react";
import { useState } from "react";
import {
  INPUTS,
  conditionText,
  inputWord,
  type Condition,
  type Input,
  type Term,
} from "@dragonet/core";
import { Button } from "../../ui/Button.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { usualConditions } from "./usualConditions.ts";

interface ConditionFieldProps {
  readonly condition: Condition;
  readonly onChange: (condition: Condition) => void;
}

const inOrder = (group: readonly Term[]): Term[] =>
  [...group].sort((a, b) => INPUTS.indexOf(a.input) - INPUTS.indexOf(b.input));

const CHIP = "touch min-h-7 rounded-control border px-2 text-small";
const look = (pressed: boolean): string =>
  pressed ? "border-accent bg-accent text-on-accent" : "border-edge bg-paper text-ink";

interface SignalProps {
  readonly input: Input;
  readonly term: Term | undefined;
  readonly onChange: (term: Term | null) => void;
}

/** One signal: asked or not; where it is, a switch of its own beside it asks that it be off. */
function Signal({ input, term, onChange }: SignalProps) {
  const word = inputWord(input);
  // A circuit cannot wait for its own switch to be off: that switch would be mounted the other way.
  const canNegate = term !== undefined && input !== "switch";
  return (
    <span className="inline-flex">
      {canNegate && (
        <button
          type="button"
          aria-label={`${word}: not`}
          aria-pressed={term.negated}
          className={`${CHIP} rounded-r-none border-r-0 ${look(term.negated)}`}
          onClick={() => onChange({ input, negated: !term.negated })}
        >
          not
        </button>
      )}
      <button
        type="button"
        aria-pressed={term !== undefined}
        className={`${CHIP} ${canNegate ? "rounded-l-none" : ""} ${look(term !== undefined)}`}
        onClick={() => onChange(term ? null : { input, negated: false })}
      >
        {word}
      </button>
    </span>
  );
}

/** Signals that have to be there together. */
function Clause({
  group,
  onChange,
  label,
}: {
  group: readonly Term[];
  onChange: (group: Term[]) => void;
  label: string;
}) {
  return (
    <div role="group" aria-label={label} className="flex flex-1 flex-wrap gap-1">
      {INPUTS.map((input) => (
        <Signal
          key={input}
          input={input}
          term={group.find((t) => t.input === input)}
          onChange={(term) => {
            const others = group.filter((t) => t.input !== input);
            onChange(inOrder(term ? [...others, term] : others));
          }}
        />
      ))}
    </div>
  );
}

/** Any condition: signals that are there together, or others instead of them. */
function Clauses({ condition, onChange }: ConditionFieldProps) {
  const { anyOf } = condition;
  return (
    <>
      {anyOf.map((group, i) => (
        <div key={i} className="mb-1 flex items-start gap-1">
          {i > 0 && <span className="pt-1 text-small">or</span>}
          <Clause
            group={group}
            label={i === 0 ? "All of" : "or all of"}
            onChange={(g) => onChange({ anyOf: anyOf.with(i, g) })}
          />
          {anyOf.length > 1 && (
            <RemoveButton
              what={i === 0 ? "the first of them" : `“or” ${i}`}
              onClick={() => onChange({ anyOf: anyOf.toSpliced(i, 1) })}
            />
          )}
        </div>
      ))}
      {anyOf.length < 8 && (
        <Button
          look="quiet"
          className="px-1 text-small"
          onClick={() => onChange({ anyOf: [...anyOf, [{ input: "key", negated: false }]] })}
        >
          <Plus size={13} aria-hidden /> or
        </Button>
      )}
    </>
  );
}

/** When a circuit is on: a usual sentence in one press, or put together under it. */
export function ConditionField({ condition, onChange }: ConditionFieldProps) {
  const usual = usualConditions(condition);
  const isUsual = usual.some(({ current }) => current);
  const [opened, setOpened] = useState(!isUsual);
  const words = conditionText(condition);
  return (
    <div>
      <div role="group" aria-label="Lights when" className="flex flex-wrap gap-1">
        {usual.map(({ words: said, condition: meant, current }) => (
          <button
            key={said}
            type="button"
            aria-pressed={current}
            className={`${CHIP} ${look(current)}`}
            onClick={() => onChange(meant)}
          >
            {said}
          </button>
        ))}
      </div>
      <p className="my-1 text-small text-muted">
        {words === "" ? "Always on." : `On with ${words}.`}
      </p>
      <details open={opened} onToggle={(e) => setOpened(e.currentTarget.open)}>
        <summary className="touch min-h-6 cursor-pointer py-0.5 text-small text-accent">
          Another condition
        </summary>
        <Clauses {...{ condition, onChange }} />
      </details>
    </div>
  );
}
