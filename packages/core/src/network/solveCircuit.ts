import { elementOf, type Circuit } from "../circuit/index.ts";
import type { ElementId } from "../job/index.ts";
import { MOST_CONVERTER_ROUNDS, MOST_RELAY_ROUNDS } from "../solve/defaults.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import type { ElementPoint, OperatingPoint } from "../solve/operatingPoint.ts";
import { stepConverter } from "./converter.ts";
import { networkOf, type ConverterState } from "./fromCircuit.ts";
import type { Network } from "./network.ts";
import type { Position } from "./position.ts";
import { compile, hold, putLaw, type Compiled } from "./compile.ts";
import { solveCompiled, type NetworkResult } from "./solveNetwork.ts";

/** Volts at which a 12 V relay pulls in at the latest, and lets go at the latest: ISO 7588-1 (m). */
const PULL_IN_V = 8;
const DROP_OUT_V = 1.2;
const RATED_COIL_V = 12;
/** An output below this share of its voltage has given way to its load. */
const GAVE_WAY_SHARE = 0.98;

interface RelayPair {
  readonly contact: ElementId;
  readonly coil: ElementId;
}

/** Every contact of a circuit with the coil that works it. */
export const relaysOf = (circuit: Circuit): RelayPair[] =>
  [...circuit.elements.values()].flatMap((e) =>
    e.kind === "contact" ? [{ contact: e.id, coil: e.coilId }] : [],
  );

export type CircuitResult =
  | {
      readonly kind: "solved";
      readonly point: OperatingPoint;
      readonly network: Network;
      readonly result: Extract<NetworkResult, { kind: "solved" }>;
      readonly closed: ReadonlySet<ElementId>;
      /** Converters that gave way under their load, or turned themselves off for it. */
      readonly tripped: readonly ElementId[];
    }
  /** Relays that pull in and let go without end. */
  | { readonly kind: "chatters"; readonly contacts: readonly ElementId[] }
  | Exclude<NetworkResult, { kind: "solved" }>;

function pointOf(
  circuit: Circuit,
  { sourceV, packV }: Position,
  result: Extract<NetworkResult, { kind: "solved" }>,
): OperatingPoint {
  const at = new Map<ElementId, ElementPoint>();
  for (const element of circuit.elements.values()) {
    at.set(element.id, {
      fromV: result.volts.get(element.from) ?? 0,
      toV: result.volts.get(element.to) ?? 0,
      currentA: result.amps.get(element.id) ?? 0,
    });
  }
  return { sourceV, packV, at };
}

export interface SolveOptions {
  readonly position: Position;
  readonly celsius: number;
  readonly estimate?: Estimate;
  /** A change of the network before it is solved: a fault. */
  readonly change?: (network: Network) => Network;
}

/** The matrix of a circuit is laid out once: positions change what stands in it, not where. */
const laidOut = new WeakMap<Circuit, Compiled>();

/**
 * Solves a circuit in a position of its controls. Relays start let go and are worked by
 * their coils' voltages until none changes, with the hysteresis between pulling in and
 * letting go; converters start off and follow their input and load. The order of the matrix
 * is kept through the rounds.
 */
export function solveCircuitWith(circuit: Circuit, o: SolveOptions): CircuitResult {
  const relays = relaysOf(circuit);
  const converters = [...circuit.elements.values()].filter((e) => e.kind === "converter");
  const change = o.change ?? null;
  let closed = new Set<ElementId>();
  let states = new Map<ElementId, ConverterState>();
  const tripped = new Set<ElementId>();
  let kept = change ? undefined : laidOut.get(circuit);
  const changed = new Set<ElementId>();
  const rounds = converters.length > 0 ? MOST_CONVERTER_ROUNDS : MOST_RELAY_ROUNDS;
  for (let round = 0; round < rounds; round += 1) {
    const plain = networkOf(circuit, {
      position: o.position,
      closed,
      celsius: o.celsius,
      ...(o.estimate ? { estimate: o.estimate } : {}),
      converters: states,
    });
    const network = change ? change(plain) : plain;
    if (!kept) {
      kept = compile(network);
      if (!change) laidOut.set(circuit, kept);
    } else {
      const compiled = kept;
      network.branches.forEach((branch, k) => putLaw(compiled, k, branch.model));
      for (const [node, volts] of network.held) hold(compiled, node, volts);
    }
    const result = solveCompiled(kept);
    if (result.kind !== "solved") return result;
    const next = new Set<ElementId>();
    changed.clear();
    for (const { contact, coil } of relays) {
      const element = elementOf(circuit, coil);
      const volts = result.volts.get(element.from)! - result.volts.get(element.to)!;
      const share = element.kind === "coil" ? element.part.coilV / RATED_COIL_V : 1;
      const was = closed.has(contact);
      const is = was ? volts > DROP_OUT_V * share : volts >= PULL_IN_V * share;
      if (is) next.add(contact);
      if (is !== was) changed.add(contact);
    }
    const nextStates = new Map<ElementId, ConverterState>();
    for (const element of converters) {
      const was = states.get(element.id) ?? { outV: 0, inputW: 0 };
      if (tripped.has(element.id)) continue;
      const inV = result.volts.get(element.from) ?? 0;
      const step = stepConverter(element.part, was, inV, result.amps.get(element.id) ?? 0);
      if (step.tripped) tripped.add(element.id);
      if (step.state.outV > 0) nextStates.set(element.id, step.state);
      if (!step.settled) changed.add(element.id);
    }
    if (changed.size === 0) {
      const point = pointOf(circuit, o.position, result);
      for (const { id, part } of converters) {
        const outV = states.get(id)?.outV ?? 0;
        if (outV > 0 && outV < part.outV.value * GAVE_WAY_SHARE) tripped.add(id);
      }
      return { kind: "solved", point, network, result, closed, tripped: [...tripped] };
    }
    closed = next;
    states = nextStates;
  }
  return { kind: "chatters", contacts: [...changed] };
}

/** As `solveCircuitWith`, for a circuit without faults. */
export const solveCircuit = (
  circuit: Circuit,
  position: Position,
  celsius: number,
  estimate: Estimate = "value",
): CircuitResult => solveCircuitWith(circuit, { position, celsius, estimate });
