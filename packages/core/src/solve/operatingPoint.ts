import type { ElementId } from "../job/index.ts";

/** What flows through one element and the voltages at its ends, against the battery's negative. */
export interface ElementPoint {
  readonly fromV: number;
  readonly toV: number;
  readonly currentA: number;
}

/**
 * A solved circuit at one state. Everything downstream (strips, rules, budget) reads this
 * and not how it was reached: series arithmetic now, a network solver behind the same face.
 */
export interface OperatingPoint {
  readonly sourceV: number;
  /** Traction pack; 0 without one. */
  readonly packV: number;
  readonly at: ReadonlyMap<ElementId, ElementPoint>;
}
