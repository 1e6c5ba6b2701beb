/** Inputs of the vehicle that a run may depend on. `switch` is the run's own switch. */
export const INPUTS = [
  "switch",
  "key",
  "engine",
  "park",
  "low",
  "high",
  "brake",
  "left",
  "right",
  "hazard",
  "horn",
  "reverse",
  "lever",
  "pedal",
] as const;
/** What a circuit can be turned on by. */
export type Input = (typeof INPUTS)[number];
/** What a wire of the vehicle may be live with: a switch of its own is none. */
export type Signal = Exclude<Input, "switch">;
/** Whether it comes by a wire of the vehicle: a switch of its own does not. */
export const isSignal = (input: Input): input is Signal => input !== "switch";

/** One input, asked to be on or, negated, to be off. */
export interface Term {
  readonly input: Input;
  readonly negated: boolean;
}

/**
 * When a run is on: a boolean expression in disjunctive form, any of several
 * all-of groups. Flat on purpose: every expression can be written so, and hostile
 * input cannot nest it without end.
 */
export interface Condition {
  readonly anyOf: readonly (readonly Term[])[];
}

/** The condition that all of these are on. */
export const allOf = (...inputs: readonly Input[]): Condition => ({
  anyOf: [inputs.map((input) => ({ input, negated: false }))],
});

const BRAKES: ReadonlySet<Input> = new Set(["lever", "pedal"]);

/** Whether a signal is on: braking is either brake, and both where nobody says which. */
export function isOn(input: Input, on: ReadonlySet<Input>): boolean {
  if (on.has(input)) return true;
  if (input === "brake") return [...BRAKES].some((brake) => on.has(brake));
  return BRAKES.has(input) && on.has("brake");
}

/**
 * A condition with "brake" told as the brakes that a vehicle has switches for: a hand lever and
 * a foot pedal, each with its own, light the same lamp.
 */
export const withBrakes = (condition: Condition, brakes: readonly Input[]): Condition =>
  brakes.length === 0
    ? condition
    : {
        anyOf: condition.anyOf.flatMap((group) => {
          const waits = group.find((t) => t.input === "brake" && !t.negated);
          if (!waits) return [group];
          return brakes.map((input) => group.map((t) => (t === waits ? { ...t, input } : t)));
        }),
      };

/** Whether a condition holds while these inputs are on. */
export const evaluate = (condition: Condition, on: ReadonlySet<Input>): boolean =>
  condition.anyOf.some((group) => group.every((t) => isOn(t.input, on) !== t.negated));

const INPUT_WORDS: Readonly<Record<Input, string>> = {
  switch: "own switch",
  key: "key on",
  engine: "engine running",
  park: "park light",
  low: "low beam",
  high: "high beam",
  brake: "brake",
  left: "left turn",
  right: "right turn",
  hazard: "hazards",
  horn: "horn button",
  reverse: "reverse",
  lever: "brake lever",
  pedal: "brake pedal",
};

/** An input in words. */
export const inputWord = (input: Input): string => INPUT_WORDS[input];

/** A condition in words: "key and not high beam, or own switch". */
export function conditionText(condition: Condition): string {
  const groups = condition.anyOf.map((group) =>
    group.map((t) => (t.negated ? `not ${inputWord(t.input)}` : inputWord(t.input))).join(" and "),
  );
  return groups.join(", or ");
}

/** Inputs that cannot be on without the key, as factory looms are wired: common practice. */
export const NEEDS_KEY: ReadonlySet<Input> = new Set(["engine", "low", "high", "reverse"]);

/**
 * Inputs other than the own switch that a run waits for, with those dropped that another
 * one implies ("key and high beam" needs the high-beam wire only).
 */
export function signalsOf(group: readonly Term[]): Signal[] {
  const wanted = [...new Set(group.map((t) => t.input).filter(isSignal))];
  const impliesKey = wanted.some((i) => NEEDS_KEY.has(i));
  return wanted.filter((i) => !(i === "key" && impliesKey));
}
