import { thingOf } from "../../unit/index.ts";
import {
  BATTERY,
  GROUND,
  PACK,
  splitNode,
  terminalNode,
  unitAt,
  type Circuit,
  type Element,
  type LoadElement,
} from "../../circuit/index.ts";
import { type ElementId, type Job, type NodeId, stepIdOf } from "../../job/index.ts";
import { inTheWay } from "../script/covered.ts";
import { senseOf, type Sense } from "../reading/seen.ts";
import { asleepAfterMin } from "./standing.ts";
import { allOff, type TestState } from "./states.ts";
import type { FaultSuspect, Suspect } from "../suspect/suspects.ts";
import { PlaceWords } from "../reading/words.ts";

/** What a probe would read: a number with one standard deviation of facts, meter and fault. */
export interface Expected {
  readonly value: number;
  readonly sigma: number;
}

/** A run as it is predicted, with its faults. */
export interface Predictor {
  /** Whether a fault is in anything that the run hangs on. */
  touches(suspect: FaultSuspect): boolean;
  /** What a probe reads with a fault in place, without spread; null where nothing settles. */
  reads(suspect: FaultSuspect | null, probe: Probe): number | null;
  /** What a probe would read with everything as built. */
  sound(probe: Probe): Expected;
  /** What a probe would read were a suspect the case. */
  expects(suspect: Suspect, probe: Probe): Expected;
}

/** What is looked at in one state: a meter between two terminals or in place of a fuse, a clamp, or the eye. */
export type ProbeAt =
  | { readonly kind: "volts"; readonly node: NodeId; readonly against: NodeId }
  | { readonly kind: "ohms"; readonly node: NodeId; readonly against: NodeId }
  | { readonly kind: "amps"; readonly elementId: ElementId }
  /** A meter in place of a fuse, with everything off: what stands by and what leaks. */
  | { readonly kind: "milliamps"; readonly elementId: ElementId }
  | { readonly kind: "look"; readonly elementId: ElementId; readonly sense: Sense };

/** Something that can be looked at or measured on the vehicle. */
export interface Probe {
  /** The same for the same thing in the same state: what a reading is kept under. */
  readonly id: string;
  readonly state: TestState;
  readonly at: ProbeAt;
  /** The run it is part of the test of, with its faults. */
  readonly bench: Predictor;
  readonly words: string;
  readonly unit: "V" | "A" | "mA" | "Ω" | "";
  /** Work of putting a tip there, min. */
  readonly minutes: number;
  /** Panels that have to come off first, in order; their minutes are counted. */
  readonly panels: readonly string[];
  /** Only while nothing covers it: everything a tip has to reach. */
  readonly beforePanels: boolean;
}

const LOOK_MIN = 0.1;
const CLAMP_MIN = 0.6;
/** Taking a fuse out and a meter in its place, in its current jack and on its largest range first, min. */
const SERIES_MIN = 1.2;
/** Turning controls to another position, min. */
export const TURN_MIN = 0.1;

/** Groups of nodes that copper joins: what a meter between two of them can mean anything. */
function islandsOf(circuit: Circuit): (node: NodeId) => NodeId {
  const parent = new Map<NodeId, NodeId>();
  const root = (node: NodeId): NodeId => {
    const up = parent.get(node);
    if (up === undefined || up === node) return node;
    const top = root(up);
    parent.set(node, top);
    return top;
  };
  for (const { kind, from, to } of circuit.elements.values()) {
    // An isolated converter joins nothing; what it does join has straps of its own.
    if (kind !== "converter") parent.set(root(from), root(to));
  }
  return root;
}

/** The negative of a converter's output, or of a battery of its own. */
function isNegative(circuit: Circuit, node: NodeId): boolean {
  const { terminal } = splitNode(node);
  if (terminal === "out_neg") return true;
  return terminal === "neg" && unitAt(circuit, node)?.kind === "battery";
}

/** The negative that volts are measured against at a node; null where there is none in reach. */
function negativeFor(circuit: Circuit): (node: NodeId) => NodeId | null {
  const root = islandsOf(circuit);
  const nodes = new Set<NodeId>();
  for (const { from, to } of circuit.elements.values()) nodes.add(from).add(to);
  const negatives = [
    terminalNode(BATTERY, "neg"),
    terminalNode(PACK, "neg"),
    GROUND,
    ...[...nodes].filter((node) => isNegative(circuit, node)),
  ].filter((node) => nodes.has(node));
  return (node) => {
    const negative = negatives.find((n) => root(n) === root(node));
    return negative === undefined || negative === node ? null : negative;
  };
}

function reachOf(circuit: Circuit, node: NodeId): number | null {
  if (node === GROUND) return thingOf({ kind: "battery" }).reachMin;
  const unit = unitAt(circuit, node);
  const terminal = splitNode(node).terminal;
  if (!unit?.terminals.some((t) => t.name === terminal)) return null;
  return thingOf(unit).reachMin;
}

/** Nodes that a tip can reach, each with its negative. */
export function reachable(
  circuit: Circuit,
): { readonly node: NodeId; readonly against: NodeId; readonly minutes: number }[] {
  const negative = negativeFor(circuit);
  const nodes = new Set<NodeId>();
  for (const { from, to } of circuit.elements.values()) nodes.add(from).add(to);
  return [...nodes].flatMap((node) => {
    const minutes = reachOf(circuit, node);
    const against = negative(node);
    return minutes === null || against === null ? [] : [{ node, against, minutes }];
  });
}

const loadsOf = (circuit: Circuit): LoadElement[] =>
  [...circuit.elements.values()].filter((e): e is LoadElement => e.kind === "load");

const fusesOf = (circuit: Circuit): Element[] =>
  [...circuit.elements.values()].filter((e) => e.kind === "fuse");

/** Pulling a fuse and taking the battery's lead off, once and for all of them, min. */
const DEAD_MIN = 0.8;

/**
 * Ohms of each way behind its fuse, before anything is live: a short is found while it cannot
 * burn. Only what the fuse's own load side can be measured against.
 */
export function ohmProbesOf(
  job: Job,
  circuit: Circuit,
  state: TestState,
  bench: Predictor,
): Probe[] {
  const words = new PlaceWords(job, circuit);
  const covered = inTheWay(job, circuit);
  const against = new Map(reachable(circuit).map((p) => [p.node, p.against]));
  return fusesOf(circuit).flatMap((fuse): Probe[] => {
    const negative = against.get(fuse.to);
    if (negative === undefined) return [];
    const { minutes, panels } = covered(fuse.to);
    return [
      {
        id: stepIdOf("ohms", state.id, fuse.to, negative),
        ...{ state, bench },
        at: { kind: "ohms", node: fuse.to, against: negative },
        words: `${words.terminal(fuse.to)} against ${words.terminal(negative)}`,
        ...{ unit: "Ω", minutes: DEAD_MIN + minutes, panels, beforePanels: true },
      },
    ];
  });
}

/** Everything that can be measured or seen of a circuit in some states. */
export function probesOf(
  job: Job,
  circuit: Circuit,
  states: readonly TestState[],
  bench: Predictor,
): Probe[] {
  const words = new PlaceWords(job, circuit);
  const covered = inTheWay(job, circuit);
  const places = reachable(circuit).map((p) => ({ ...p, way: covered(p.node) }));
  const fuses = fusesOf(circuit).map((fuse) => ({
    ...{ fuse, way: covered(fuse.from) },
    waitMin: asleepAfterMin(job, circuit, fuse.id),
  }));
  const loads = loadsOf(circuit);
  return states.flatMap((state): Probe[] => [
    ...loads.map((load): Probe => ({
      id: stepIdOf("look", state.id, load.id),
      ...{ state, bench },
      at: { kind: "look", elementId: load.id, sense: senseOf(load.part) },
      ...{ words: words.load(load), unit: "", minutes: LOOK_MIN, panels: [], beforePanels: false },
    })),
    ...fuses.map(({ fuse, waitMin, way: { minutes, panels } }): Probe => ({
      ...{ state, bench, panels, beforePanels: true },
      ...(allOff(state)
        ? {
            id: stepIdOf("milliamps", state.id, fuse.id),
            at: { kind: "milliamps", elementId: fuse.id },
            ...{ words: words.standby(fuse, waitMin), unit: "mA" },
            minutes: SERIES_MIN + minutes + waitMin,
          }
        : {
            id: stepIdOf("amps", state.id, fuse.id),
            at: { kind: "amps", elementId: fuse.id },
            ...{ words: words.current(fuse), unit: "A", minutes: CLAMP_MIN + minutes },
          }),
    })),
    ...places.map(({ node, against, minutes, way }): Probe => ({
      id: stepIdOf("volts", state.id, node, against),
      ...{ state, bench },
      at: { kind: "volts", node, against },
      words: `${words.terminal(node)} against ${words.terminal(against)}`,
      ...{ unit: "V", minutes: minutes + way.minutes, panels: way.panels, beforePanels: true },
    })),
  ]);
}
