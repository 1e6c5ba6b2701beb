import { rootV, type Post } from "../circuit/index.ts";
import {
  INPUTS,
  asId,
  type Input,
  type Job,
  type NodeId,
  type LightingCircuit,
  type CircuitId,
} from "../job/index.ts";
import type { SourceVolts } from "../source/index.ts";

/** One position of the vehicle's controls and of the runs' own switches. */
export interface Position {
  /** Signals that are on; `switch` never among them. */
  readonly inputs: ReadonlySet<Input>;
  /** Runs and supplies whose own switch is on. */
  readonly switches: ReadonlySet<CircuitId>;
  /** Volts at the battery's posts; 0 without one. */
  readonly sourceV: number;
  /** Volts of the traction pack; 0 without one. */
  readonly packV: number;
  /** Volts of posts that are not as they rest: what is drawn makes them sag. */
  readonly sagged?: ReadonlyMap<NodeId, number>;
  /** Flashers and dimmed channels in their dark phase; in their lit one where it is not said. */
  readonly phase?: "on" | "off";
  /** Speed, in km/h: a channel may flash from one on. It stands where it is not said. */
  readonly kmh?: number;
}

/** Signals that have to be off for a run to be on in the first of its ways. */
export const refusedBy = (run: LightingCircuit): Input[] =>
  (run.condition.anyOf[0] ?? []).filter((t) => t.negated).map((t) => t.input);

/** Everything pressed but what a run refuses. */
export function runOn(job: Job, run: LightingCircuit, volts: SourceVolts): Position {
  const all = everythingOn(job, volts);
  const refused = new Set(refusedBy(run));
  return { ...all, inputs: new Set([...all.inputs].filter((input) => !refused.has(input))) };
}

/** Everything pressed: what a run's design is judged by. */
export const everythingOn = (job: Job, volts: SourceVolts): Position => ({
  inputs: new Set<Input>(INPUTS.filter((input) => input !== "switch")),
  switches: new Set<CircuitId>([
    ...job.runs.map((run) => run.id),
    ...job.supplies.map((supply) => asId<CircuitId>(supply.id)),
  ]),
  ...volts,
});

/** Volts that a post is held at in a position. */
export const postV = ({ node, root }: Pick<Post, "node" | "root">, position: Position): number =>
  position.sagged?.get(node) ?? rootV(root, position);
