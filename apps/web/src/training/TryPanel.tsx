import { useState } from "react";
import { Choice } from "../ui/forms/Choice.tsx";
import { Button } from "../ui/Button.tsx";
import { planner } from "../worker/port/planner.ts";
import type { ShownPosition, ShownTry, StartedExercise } from "../worker/training.ts";

const HOW: Readonly<Record<ShownTry["how"], string>> = {
  look: "Look",
  amps: "Clamp",
  milliamps: "Meter in",
  volts: "Tips",
  ohms: "Ohms",
};
const KINDS = ["look", "amps", "milliamps", "volts", "ohms"] as const;
const KIND_WORDS: Readonly<Record<ShownTry["how"], string>> = {
  look: "See, hear, feel",
  amps: "Clamp around",
  milliamps: "In place of a fuse",
  volts: "Tips on",
  ohms: "Ohms, nothing live",
};

/** Controls to work, things to pull or part, and everything that can then be tried. */
export function TryPanel({
  started,
  onTry,
}: {
  started: StartedExercise;
  onTry: (id: string) => void;
}) {
  const last = started.positions.at(-1);
  const [positionId, setPositionId] = useState(last?.id ?? "");
  const [parted, setParted] = useState("");
  const [apart, setApart] = useState<ShownPosition | null>(null);
  const whole = started.positions.find((p) => p.id === positionId);
  const shown = parted === "" ? whole : apart;
  const choose = (position: string, part: string): void => {
    setPositionId(position);
    setParted(part);
    setApart(null);
    if (part !== "") void planner().partSomething(position, part).then(setApart);
  };
  return (
    <div>
      <div className="flex flex-wrap gap-3">
        <Choice
          label="Controls"
          className="w-72 max-w-full"
          value={positionId}
          options={started.positions.map((p) => ({ value: p.id, label: p.controls }))}
          onChange={(id) => choose(id, parted)}
        />
        <Choice
          label="Pulled or parted"
          className="w-72 max-w-full"
          value={parted}
          options={[
            { value: "", label: "nothing pulled or parted" },
            ...started.partable.map((p) => ({ value: p.id, label: p.words })),
          ]}
          onChange={(id) => choose(positionId, id)}
        />
      </div>
      {shown &&
        KINDS.map((kind) => {
          const tries = shown.tries.filter((t) => t.how === kind);
          if (tries.length === 0) return null;
          return (
            <div key={kind} role="group" aria-label={KIND_WORDS[kind]} className="mt-3">
              <h3 className="text-small font-bold">{KIND_WORDS[kind]}</h3>
              <ul className="max-h-80 overflow-y-auto border-y border-hair">
                {tries.map((one) => (
                  <li
                    key={one.id}
                    className="flex items-center gap-3 border-t border-hair py-0.5 first:border-t-0"
                  >
                    <span className="min-w-0 flex-1">{one.words}</span>
                    <Button look="quiet" onClick={() => onTry(one.id)}>
                      {HOW[kind]}
                      <span className="sr-only"> {one.words}</span>
                    </Button>
                  </li>
                ))}
              </ul>
            </div>
          );
        })}
    </div>
  );
}
