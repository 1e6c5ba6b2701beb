import { Plus } from "lucide-react";
import { INPUTS, PLAIN, inputWord, type Behaviour, type Input } from "@dragonet/core";
import { Button } from "../../ui/Button.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";

const NUMBERS: readonly (readonly [keyof Behaviour, string, string, number, number])[] = [
  ["delayS", "on after", "s", 0, 3600],
  ["runOnS", "runs on", "s", 0, 3600],
  ["flashes", "flashes first", "", 0, 1000],
  ["onS", "flash lit", "s", 0.01, 60],
  ["offS", "flash dark", "s", 0.01, 60],
  ["lockoutS", "no flashes again within", "s", 0, 3600],
  ["level", "level", "%", 0, 1],
  ["boostLevel", "level with the signals below", "%", 0, 1],
  ["offHoldS", "stays off after those", "s", 0, 3600],
  ["flashFromKmh", "flashes from", "km/h", 0, 400],
  ["softS", "soft start within", "s", 0, 60],
  ["tripA", "trips at", "A", 0, 500],
  ["retries", "tries again", "times", 0, 1000],
  ["retryS", "each after", "s", 0.01, 3600],
];

/** Flashes that do not end. */
const ALWAYS = -1;

function Signals({
  label,
  chosen,
  onChange,
}: {
  label: string;
  chosen: readonly Input[];
  onChange: (inputs: readonly Input[]) => void;
}) {
  return (
    <fieldset className="flex flex-wrap gap-1 py-1">
      <legend className="text-small text-muted">{label}</legend>
      {INPUTS.filter((i) => i !== "switch").map((input) => {
        const on = chosen.includes(input);
        return (
          <button
            key={input}
            type="button"
            aria-pressed={on}
            className={`touch min-h-7 rounded-control border px-1.5 text-small ${on ? "border-accent bg-accent text-on-accent" : "border-edge bg-paper"}`}
            onClick={() => onChange(on ? chosen.filter((c) => c !== input) : [...chosen, input])}
          >
            {inputWord(input)}
          </button>
        );
      })}
    </fieldset>
  );
}

/** What each way of a module does over time, as a form: the format is data, not code. */
export function BehaviourFields({
  behaviours,
  most,
  onChange,
}: {
  behaviours: readonly Behaviour[];
  most: number;
  onChange: (behaviours: readonly Behaviour[]) => void;
}) {
  const set = (i: number, change: Partial<Behaviour>): void =>
    onChange(behaviours.map((b, k) => (k === i ? { ...b, ...change } : b)));
  return (
    <section aria-label="Over time" className="border-b border-hair py-2">
      <h3 className="text-small text-muted">What its channels do over time</h3>
      {behaviours.map((b, i) => (
        <div key={i} className="border-t border-hair py-1">
          <div className="flex items-center gap-2">
            <span className="num text-muted">{i + 1}</span>
            <TextInput
              label={`Channel ${i + 1}: in words`}
              value={b.label}
              className="w-60"
              maxLength={120}
              onCommit={(label) => set(i, { label })}
            />
            <RemoveButton
              what={`what channel ${i + 1} does`}
              onClick={() => onChange(behaviours.filter((_, k) => k !== i))}
            />
          </div>
          <div className="flex flex-wrap gap-x-4 gap-y-1 py-1">
            {NUMBERS.filter(([field]) => field !== "flashes" || b.flashes !== ALWAYS).map(
              ([field, label, unit, min, max]) => (
                <span key={field} className="inline-flex items-baseline gap-1 text-small">
                  {label}
                  <NumberInput
                    label={`Channel ${i + 1}: ${label}`}
                    {...(unit === "%" ? { share: true } : unit === "" ? {} : { unit })}
                    {...(field === "tripA" ? { none: "never" } : {})}
                    value={Number(b[field])}
                    min={min}
                    max={max}
                    className="w-14"
                    onCommit={(n) =>
                      set(i, {
                        [field]: field === "flashes" || field === "retries" ? Math.round(n) : n,
                      })
                    }
                  />
                </span>
              ),
            )}
            <label className="inline-flex items-center gap-1 text-small">
              <input
                type="checkbox"
                className="accent-accent"
                checked={b.flashes === ALWAYS}
                onChange={(e) => set(i, { flashes: e.target.checked ? ALWAYS : 0 })}
              />
              flashes without end
            </label>
            <label className="inline-flex items-center gap-1 text-small">
              <input
                type="checkbox"
                className="accent-accent"
                checked={b.latch}
                onChange={(e) => set(i, { latch: e.target.checked })}
              />
              press on, press off
            </label>
          </div>
          <Signals
            label={`Channel ${i + 1}: other level with`}
            chosen={b.boostWith}
            onChange={(boostWith) => set(i, { boostWith })}
          />
          <Signals
            label={`Channel ${i + 1}: flashes only with`}
            chosen={b.flashWith}
            onChange={(flashWith) => set(i, { flashWith })}
          />
          <Signals
            label={`Channel ${i + 1}: off with`}
            chosen={b.offWith}
            onChange={(offWith) => set(i, { offWith })}
          />
        </div>
      ))}
      {behaviours.length < most && (
        <Button look="quiet" onClick={() => onChange([...behaviours, { ...PLAIN }])}>
          <Plus size={15} aria-hidden /> What channel {behaviours.length + 1} does
        </Button>
      )}
    </section>
  );
}
