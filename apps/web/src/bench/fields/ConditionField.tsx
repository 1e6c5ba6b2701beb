import { Plus } from "lucide-react";
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

interface ConditionFieldProps {
  readonly condition: Condition;
  readonly onChange: (condition: Condition) => void;
}

type Wanted = "any" | "on" | "off";

const wantedOf = (group: readonly Term[], input: Input): Wanted => {
  const term = group.find((t) => t.input === input);
  return term ? (term.negated ? "off" : "on") : "any";
};

/** What a press makes of it: not asked, asked on, asked off, not asked again. */
function next(group: readonly Term[], input: Input): Term[] {
  const others = group.filter((t) => t.input !== input);
  const was = wantedOf(group, input);
  // A run cannot wait for its own switch to be off: that switch would be mounted the other way.
  if (was === "any") return [...others, { input, negated: false }];
  return was === "on" && input !== "switch" ? [...others, { input, negated: true }] : others;
}

const inOrder = (group: readonly Term[]): Term[] =>
  [...group].sort((a, b) => INPUTS.indexOf(a.input) - INPUTS.indexOf(b.input));

const LOOKS: Readonly<Record<Wanted, string>> = {
  any: "border-edge bg-paper text-ink",
  on: "border-accent bg-accent text-on-accent",
  off: "border-accent bg-paper text-accent line-through",
};

const SAID: Readonly<Record<Wanted, string>> = {
  any: "not asked",
  on: "must be on",
  off: "must be off",
};

function Way({
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
      {INPUTS.map((input) => {
        const wanted = wantedOf(group, input);
        return (
          <button
            key={input}
            type="button"
            aria-label={`${inputWord(input)}: ${SAID[wanted]}`}
            className={`touch min-h-7 rounded-control border px-2 text-small ${LOOKS[wanted]}`}
            onClick={() => onChange(inOrder(next(group, input)))}
          >
            {wanted === "off" ? `not ${inputWord(input)}` : inputWord(input)}
          </button>
        );
      })}
    </div>
  );
}

/** When a run is on: all of the pressed ones, in one way or in several. */
export function ConditionField({ condition, onChange }: ConditionFieldProps) {
  const { anyOf } = condition;
  const put = (i: number, group: Term[]): void => onChange({ anyOf: anyOf.with(i, group) });
  return (
    <div>
      {anyOf.map((group, i) => (
        <div key={i} className="mb-1 flex items-start gap-1">
          {i > 0 && <span className="pt-1 text-small">or</span>}
          <Way
            group={group}
            label={i === 0 ? "On with all of" : "or with all of"}
            onChange={(g) => put(i, g)}
          />
          {anyOf.length > 1 && (
            <RemoveButton
              what={`way ${i + 1}`}
              onClick={() => onChange({ anyOf: anyOf.toSpliced(i, 1) })}
            />
          )}
        </div>
      ))}
      <div className="flex flex-wrap items-center justify-between gap-2">
        <span className="text-small text-muted">
          {conditionText(condition) === "" ? "Always on." : `On with ${conditionText(condition)}.`}
        </span>
        {anyOf.length < 8 && (
          <Button
            look="quiet"
            className="px-1 text-small"
            onClick={() => onChange({ anyOf: [...anyOf, [{ input: "key", negated: false }]] })}
          >
            <Plus size={13} aria-hidden /> or
          </Button>
        )}
      </div>
    </div>
  );
}
