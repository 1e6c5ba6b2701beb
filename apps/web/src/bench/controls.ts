import type { BenchControls, Input, CircuitId } from "@dragonet/core";

/** The controls as they are pressed now. */
export interface Pressed {
  readonly inputs: ReadonlySet<Input>;
  readonly switches: ReadonlySet<CircuitId>;
  /** How full battery and pack are, 0–1. */
  readonly charge: number;
}

/** One key for each control of the vehicle, shown on it. */
export const INPUT_KEYS: Readonly<Record<Exclude<Input, "switch">, string>> = {
  key: "k",
  engine: "e",
  park: "p",
  low: "l",
  high: "h",
  brake: "b",
  left: ",",
  right: ".",
  hazard: "z",
  horn: "o",
  reverse: "r",
  lever: "w",
  pedal: "x",
};

/** Keys of the runs' own switches, in the order of the runs. */
export const SWITCH_KEYS = ["a", "s", "d", "f", "g", "j", "v", "n", "m"] as const;

/** On together they make no sense on a vehicle: pressing one lets the other go. */
const EITHER: readonly (readonly [Input, Input])[] = [
  ["low", "high"],
  ["left", "right"],
];

const NEEDS_KEY: readonly Input[] = ["engine", "low", "high", "reverse"];

const toggled = <T>(set: ReadonlySet<T>, value: T): Set<T> => {
  const next = new Set(set);
  if (!next.delete(value)) next.add(value);
  return next;
};

/** Presses a control of the vehicle as a rider would find it. */
export function pressInput(pressed: Pressed, input: Input): Pressed {
  const inputs = toggled(pressed.inputs, input);
  if (inputs.has(input)) {
    for (const [a, b] of EITHER) {
      if (input === a) inputs.delete(b);
      if (input === b) inputs.delete(a);
    }
    if (NEEDS_KEY.includes(input)) inputs.add("key");
  } else if (input === "key") {
    for (const other of NEEDS_KEY) inputs.delete(other);
  }
  return { ...pressed, inputs };
}

export const pressSwitch = (pressed: Pressed, runId: CircuitId): Pressed => ({
  ...pressed,
  switches: toggled(pressed.switches, runId),
});

/** Everything on that can be on together; the engine stays off, as volts are least then. */
export const allPressed = (controls: BenchControls): Pressed => ({
  inputs: new Set(
    controls.inputs.filter(
      (i) => i !== "engine" && !(i === "low" && controls.inputs.includes("high")) && i !== "right",
    ),
  ),
  switches: new Set(controls.switches),
  charge: 1,
});

export const NOTHING_PRESSED: Pressed = { inputs: new Set(), switches: new Set(), charge: 1 };
