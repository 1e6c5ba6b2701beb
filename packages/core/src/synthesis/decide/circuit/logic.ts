import { itemOf } from "../../../present/index.ts";
import {
  conditionText,
  isSignal,
  signalsOf,
  type Job,
  type LightingCircuit,
  type Signal,
  type Term,
} from "../../../job/index.ts";
import type { SignalWire } from "../../pick/signalWire.ts";
import { chooseTap, unfoundWire } from "../../pick/tap.ts";

/** A signal that opens or closes a way, and the wire that an interposing relay takes it from. */
export interface InterposingRelay {
  readonly input: Signal;
  readonly wire: SignalWire;
  /** The way is open while the signal is on: terminal 87a. */
  readonly negated: boolean;
}

/** One way in which a run is turned on. */
export interface Clause {
  /** Wire whose own voltage works the coil; null when it is fed from behind the run's fuse. */
  readonly feed: SignalWire | null;
  readonly helpers: readonly InterposingRelay[];
  readonly ownSwitch: boolean;
}

export type LogicResult =
  /** `unfound`: signals that no known wire carries; what stands for those is laid out. */
  | {
      readonly kind: "built";
      readonly ways: readonly Clause[];
      readonly unfound: readonly Signal[];
    }
  | { readonly kind: "notBuildable"; readonly detail: string };

/** Whether one relay with one switch cannot do it: several ways, a "not", or several signals. */
export function needsLogic(run: LightingCircuit): boolean {
  const [group = [], ...others] = run.condition.anyOf;
  return others.length > 0 || group.some((t) => t.negated) || positives(group).length > 1;
}

/** Signals that one group of a condition waits for to be on. */
const positives = (group: readonly Term[]): Signal[] => signalsOf(group.filter((t) => !t.negated));

/**
 * Any condition as ways side by side: each fed by one of its signals, the others passed or
 * broken by an interposing relay in line (87 for "and", 87a for "not"), ways kept apart by diodes.
 */
export function logicOf(job: Job, run: LightingCircuit): LogicResult {
  const ways: Clause[] = [];
  const unfound = new Set<Signal>();
  for (const group of run.condition.anyOf) {
    if (group.some((t) => t.negated && t.input === "switch")) {
      return {
        kind: "notBuildable",
        detail: `“${conditionText(run.condition)}” is on while its own switch is off: turn the switch round instead`,
      };
    }
    const wanted = positives(group);
    const refused = [
      ...new Set(group.flatMap((t) => (t.negated && isSignal(t.input) ? [t.input] : []))),
    ];
    const wires = new Map<Signal, SignalWire>();
    for (const input of [...wanted, ...refused]) {
      const tap = chooseTap(job, { ...run, tapPinId: null }, input);
      if (!tap) unfound.add(input);
      wires.set(input, tap?.value ?? unfoundWire(job, input));
    }
    // A wire that is tied to ground when it is live works an interposing relay: it feeds nothing.
    const feeding = wanted.filter((input) => itemOf(wires, input).switches === "positive");
    const [first] = feeding;
    const rest = wanted.filter((input) => input !== first);
    ways.push({
      feed: first === undefined ? null : itemOf(wires, first),
      ownSwitch: group.some((t) => t.input === "switch"),
      helpers: [
        ...rest.map((input) => ({ input, wire: itemOf(wires, input), negated: false })),
        ...refused.map((input) => ({ input, wire: itemOf(wires, input), negated: true })),
      ],
    });
  }
  return { kind: "built", ways, unfound: [...unfound] };
}
