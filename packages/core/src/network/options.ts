import type { ElementId } from "../job/index.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import type { Position } from "./position.ts";

/** A converter as it stands in one round of solving. */
export interface ConverterState {
  /** What it holds its output at, in V; 0 while it is off. */
  readonly outV: number;
  /** What it takes from its input, in W. */
  readonly inputW: number;
}

/** Everything that the insides of units depend on. */
export interface NetworkOptions {
  readonly position: Position;
  /** Contacts whose relays have pulled in. */
  readonly closed: ReadonlySet<ElementId>;
  readonly celsius: number;
  readonly estimate?: Estimate;
  /** What each converter does; one that is not told is off. */
  readonly converters?: ReadonlyMap<ElementId, ConverterState>;
}
