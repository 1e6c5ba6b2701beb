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
] as const;
export type Input = (typeof INPUTS)[number];

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

export const allOf = (...inputs: readonly Input[]): Condition => ({
  anyOf: [inputs.map((input) => ({ input, negated: false }))],
});

export const evaluate = (condition: Condition, on: ReadonlySet<Input>): boolean =>
  condition.anyOf.some((group) => group.every((t) => on.has(t.input) !== t.negated));

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
};

export const inputWord = (input: Input): string => INPUT_WORDS[input];

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
export function signalsOf(group: readonly Term[]): Input[] {
  const wanted = [...new Set(group.map((t) => t.input).filter((i) => i !== "switch"))];
  const impliesKey = wanted.some((i) => NEEDS_KEY.has(i));
  return wanted.filter((i) => !(i === "key" && impliesKey));
}
