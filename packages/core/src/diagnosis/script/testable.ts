import type { CircuitId } from "../../job/index.ts";
import type { Predictor, Probe } from "../expect/probe.ts";
import type { TestState } from "../expect/states.ts";
import type { TestGroup } from "../suspect/suspects.ts";

/** A run of a group with everything to test it by. */
export interface CircuitTest {
  readonly runId: CircuitId;
  readonly bench: Predictor;
  readonly states: readonly TestState[];
  readonly probes: readonly Probe[];
}

/** A group with its runs, each to be tested by itself: a fault shows in the runs that hang on it. */
export interface Testable extends TestGroup {
  readonly runs: readonly CircuitTest[];
}
