/** What a step of a test asks for. */
export const READING_KINDS = ["look", "volts", "amps", "milliamps", "ohms"] as const;
/** One of the kinds of readings. */
export type ReadingKind = (typeof READING_KINDS)[number];

/** Position of the controls with everything off. */
const OFF_STATE = "off";
const BETWEEN = "|";
/** Between the circuits that are on in a position. */
const AND = "+";

/**
 * Id of a step of a test, the same for the same step in every later test: what is read, in which position, at what.
 * In files and stored readings it stands as text, such as "volts|run-1|battery.pos|battery.neg".
 */
export const stepIdOf = (kind: ReadingKind, state: string, ...at: readonly string[]): string =>
  [kind, state, ...at].join(BETWEEN);

/** What a step's id says of it. */
export interface StepIdParts {
  /** null for none that is known. */
  readonly kind: ReadingKind | null;
  /** Signals, and circuits with a switch by their ids, that are on. */
  readonly on: readonly string[];
  readonly allOff: boolean;
}

/** Takes a step's id apart. */
export function readStepId(id: string): StepIdParts {
  const [said = "", state = ""] = id.split(BETWEEN);
  const allOff = state === OFF_STATE;
  return {
    kind: READING_KINDS.find((kind) => kind === said) ?? null,
    on: allOff ? [] : state.split(AND),
    allOff,
  };
}

/** Name of a position by the signals and the circuits with a switch that are on in it. */
export const stateIdOf = (on: readonly string[]): string =>
  on.length === 0 ? OFF_STATE : on.join(AND);
