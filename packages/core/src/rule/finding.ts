import type { Budget } from "../budget/index.ts";
import type { Circuit, LaidCircuit } from "../circuit/index.ts";
import {
  onceOf,
  type Edit,
  type ElementId,
  type Job,
  type LightingCircuit,
  type CircuitId,
} from "../job/index.ts";
import type { OperatingPoint } from "../solve/index.ts";

/** `stop`: do not build it so. `fix`: it will trouble someone. `note`: know it. */
export const SEVERITIES = ["stop", "fix", "note"] as const;
/** How grave a finding is. */
export type Severity = (typeof SEVERITIES)[number];

/** Where something is: a circuit, an element of it, and in words. */
export interface Place {
  readonly runId: CircuitId | null;
  readonly elementId: ElementId | null;
  readonly words: string;
}

/** A number with what it should have been. */
export interface Figure {
  readonly label: string;
  readonly value: string;
  readonly limit: string;
}

/** A way out: what it does in words, and the edits that do it. */
export interface Remedy {
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** What a rule finds. `Finding` adds the rule's source to it. */
export interface Found {
  readonly rule: string;
  readonly severity: Severity;
  readonly place: Place;
  readonly title: string;
  readonly figures: readonly Figure[];
  readonly why: string;
  readonly remedies: readonly Remedy[];
}

/** What a rule found, with the source of the rule. */
export interface Finding extends Found {
  /** A published source, or "common practice". */
  readonly source: string;
}

/** What a rule may look at. */
export interface RuleContext {
  readonly job: Job;
  readonly circuit: Circuit;
  readonly budget: Budget;
  /** Engine off and full battery, everything on; null on a vehicle without a 12 V battery. */
  readonly engineOff: OperatingPoint | null;
  /** The same with every length and power at its upper bound. */
  readonly worst: OperatingPoint | null;
  /** Traction pack straight off the charger, and empty; null without a pack. */
  readonly top: OperatingPoint | null;
  readonly empty: OperatingPoint | null;
}

/** One rule: it looks at a job and answers what it found. */
export interface Rule {
  readonly id: string;
  /** A published source, or "common practice". */
  readonly source: string;
  check(context: RuleContext): Found[];
}

/** Pairs of a run of the job and the circuit made of it. */
export const builtCircuits = onceOf(
  ({
    job,
    circuit,
  }: RuleContext): readonly { readonly run: LightingCircuit; readonly made: LaidCircuit }[] =>
    circuit.runs.flatMap((made) => {
      const run = job.runs.find((r) => r.id === made.runId);
      return run ? [{ run, made }] : [];
    }),
);

/** A place in a circuit, in words. */
export const placeOfCircuit = (
  run: LightingCircuit,
  elementId: ElementId | null,
  words: string,
): Place => ({
  runId: run.id,
  elementId,
  words: `${run.name}: ${words}`,
});
