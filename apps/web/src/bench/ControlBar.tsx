import {
  feelsCharge,
  inputWord,
  ownerName,
  type BenchControls,
  type Input,
  type Job,
} from "@dragonet/core";
import { useSingleKeys } from "../base/useSingleKeys.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import {
  INPUT_KEYS,
  NOTHING_PRESSED,
  SWITCH_KEYS,
  allPressed,
  pressInput,
  pressSwitch,
  type Pressed,
} from "./controls.ts";

interface ControlBarProps {
  readonly job: Job;
  readonly controls: BenchControls;
  readonly pressed: Pressed;
  readonly onChange: (pressed: Pressed) => void;
}

interface Control {
  readonly id: string;
  readonly name: string;
  readonly hotkey: string;
  readonly on: boolean;
  readonly press: () => void;
}

const CHARGES = [
  { value: "1", label: "full" },
  { value: "0.75", label: "75 % full" },
  { value: "0.5", label: "half full" },
  { value: "0.25", label: "25 % full" },
] as const;

/** What is full or not, by the kind of electrics. */
const CHARGED: Readonly<Record<Job["vehicle"]["system"]["kind"], string>> = {
  ...{ engine: "battery", pack: "pack", packAndBattery: "battery and pack" },
};

/** The controls as the rider has them, each with its key: press one and see what lights. */
export function ControlBar({ job, controls, pressed, onChange }: ControlBarProps) {
  const list: Control[] = [
    ...controls.inputs.map((input): Control => ({
      id: input,
      name: inputWord(input),
      hotkey: INPUT_KEYS[input as Exclude<Input, "switch">],
      on: pressed.inputs.has(input),
      press: () => onChange(pressInput(pressed, input)),
    })),
    ...controls.switches.map((runId, i): Control => ({
      id: runId,
      name: `${ownerName(job, runId)} switch`,
      hotkey: SWITCH_KEYS[i] ?? "",
      on: pressed.switches.has(runId),
      press: () => onChange(pressSwitch(pressed, runId)),
    })),
  ];
  useSingleKeys((key) => list.find((c) => c.hotkey === key.toLowerCase())?.press());
  if (list.length === 0) return null;
  return (
    <div role="group" aria-label="Controls" className="flex flex-wrap items-center gap-1 pb-1.5">
      {list.map((c) => (
        <button
          key={c.id}
          type="button"
          aria-pressed={c.on}
          aria-keyshortcuts={c.hotkey}
          className={`touch inline-flex min-h-7 items-center gap-1.5 rounded-control border px-2 text-small ${c.on ? "border-accent bg-accent text-on-accent" : "border-edge bg-paper text-ink"}`}
          onClick={c.press}
        >
          {c.name}
          {c.hotkey !== "" && (
            <kbd
              aria-hidden
              className="rounded-control border border-current px-1 font-sans pointer-coarse:hidden text-[0.6875rem] leading-3.5"
            >
              {c.hotkey}
            </kbd>
          )}
        </button>
      ))}
      <Button
        look="quiet"
        className="min-h-7 px-1 text-small"
        onClick={() => onChange({ ...allPressed(controls), charge: pressed.charge })}
      >
        all on
      </Button>
      <Button
        look="quiet"
        className="min-h-7 px-1 text-small"
        onClick={() => onChange({ ...NOTHING_PRESSED, charge: pressed.charge })}
      >
        all off
      </Button>
      {feelsCharge(job, pressed.inputs) && (
        <span className="ml-2 inline-flex items-center gap-1.5 text-small">
          {CHARGED[job.vehicle.system.kind]}
          <Choice<string>
            label="How full battery and pack are"
            value={String(pressed.charge)}
            options={CHARGES}
            className="min-h-7 w-28 text-small"
            onChange={(charge) => onChange({ ...pressed, charge: Number(charge) })}
          />
        </span>
      )}
    </div>
  );
}
