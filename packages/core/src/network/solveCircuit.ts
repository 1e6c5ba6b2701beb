import { tieLoose } from "./loose.ts";
import {
  elementOf,
  type Circuit,
  type CoilElement,
  type ConverterElement,
  type Element,
} from "../circuit/index.ts";
import { onceOf, type ElementId } from "../job/index.ts";
import { MOST_CONVERTER_ROUNDS, MOST_RELAY_ROUNDS } from "../solve/defaults.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import type { ElementPoint, OperatingPoint } from "../solve/operatingPoint.ts";
import { boardOf, compiledAs } from "./board.ts";
import type { Compiled } from "./engine/compile.ts";
import { stepConverter } from "./engine/converter.ts";
import { networkOf } from "./fromCircuit.ts";
import type { Network } from "./network.ts";
import type { ConverterState, NetworkOptions } from "./options.ts";
import type { Position } from "./position.ts";
import {
  solveCompiled,
  solveNear,
  type NetworkResult,
  type SolvedNetwork,
} from "./engine/solveNetwork.ts";

/** Volts at which a 12 V relay pulls in at the latest, and lets go at the latest: ISO 7588-1 (m). */
const PULL_IN_V = 8;
const DROP_OUT_V = 1.2;
const RATED_COIL_V = 12;
/** An output below this share of its voltage has given way to its load. */
const GAVE_WAY_SHARE = 0.98;

/** An operating point, or why there is none. */
export type CircuitResult =
  | Solved
  /** Relays that pull in and let go without end. */
  | { readonly kind: "chatters"; readonly contacts: readonly ElementId[] }
  | Exclude<NetworkResult, { kind: "solved" }>;

/** Points of elements, worked out when they are asked for: a sweep looks at a few of hundreds. */
class Points implements ReadonlyMap<ElementId, ElementPoint> {
  constructor(
    private readonly circuit: Circuit,
    private readonly result: SolvedNetwork,
  ) {}
  get size(): number {
    return this.circuit.elements.size;
  }
  has(id: ElementId): boolean {
    return this.circuit.elements.has(id);
  }
  get(id: ElementId): ElementPoint | undefined {
    const element = this.circuit.elements.get(id);
    return element && this.pointOf(element);
  }
  private pointOf({ id, from, to }: Element): ElementPoint {
    const { volts, amps } = this.result;
    return {
      fromV: volts.get(from) ?? 0,
      toV: volts.get(to) ?? 0,
      currentA: amps.get(id) ?? 0,
    };
  }
  forEach(each: (value: ElementPoint, key: ElementId, map: Points) => void): void {
    for (const [id, point] of this) each(point, id, this);
  }
  *entries(): MapIterator<[ElementId, ElementPoint]> {
    for (const [id, element] of this.circuit.elements) yield [id, this.pointOf(element)];
  }
  keys(): MapIterator<ElementId> {
    return this.circuit.elements.keys();
  }
  *values(): MapIterator<ElementPoint> {
    for (const element of this.circuit.elements.values()) yield this.pointOf(element);
  }
  [Symbol.iterator](): MapIterator<[ElementId, ElementPoint]> {
    return this.entries();
  }
}

/** A circuit that has an answer. */
export class Solved {
  readonly kind = "solved";
  readonly point: OperatingPoint;

  constructor(
    private readonly circuit: Circuit,
    /** Relays and converters as they settled. */
    readonly options: NetworkOptions,
    readonly result: SolvedNetwork,
    readonly closed: ReadonlySet<ElementId>,
    /** Converters that gave way under their load, or turned themselves off for it. */
    readonly tripped: readonly ElementId[],
    private readonly change: SolveOptions["change"] | null,
  ) {
    const { sourceV, packV } = options.position;
    this.point = { sourceV, packV, at: new Points(circuit, result) };
  }

  /** The network as it was solved, made when it is asked for. */
  get network(): Network {
    const plain = networkOf(this.circuit, this.options);
    return tieLoose(this.change ? this.change(plain) : plain);
  }
}

/** In which position, how warm, and at which end of the bounds a circuit is solved. */
export interface SolveOptions {
  readonly position: Position;
  readonly celsius: number;
  readonly estimate?: Estimate;
  /** A change of the network before it is solved: a fault. */
  readonly change?: (network: Network) => Network;
  /**
   * A name for the shape that the change makes: changes of one name give the same branches in
   * the same order, and what was worked out for the first serves the others.
   */
  readonly shape?: string;
}

interface Pair {
  readonly contact: ElementId;
  readonly coil: CoilElement;
  readonly share: number;
}

/** What acts by itself: every contact of a circuit with the coil that works it, every converter. */
interface Actors {
  readonly relays: readonly Pair[];
  readonly converters: readonly ConverterElement[];
}

const actorsOf = onceOf((circuit: Circuit): Actors => {
  const relays: Pair[] = [];
  const converters: ConverterElement[] = [];
  for (const e of circuit.elements.values()) {
    if (e.kind === "converter") converters.push(e);
    if (e.kind !== "contact") continue;
    const coil = elementOf(circuit, e.coilId);
    if (coil.kind !== "coil") throw new Error(`"${e.coilId}" works a contact and is no coil`);
    relays.push({ contact: e.id, coil, share: coil.part.coilV / RATED_COIL_V });
  }
  return { relays, converters };
});

/** What relays and converters begin from, and the voltages that the network does. */
interface Begin {
  readonly closed: ReadonlySet<ElementId>;
  readonly states: ReadonlyMap<ElementId, ConverterState>;
  /** Null at rest: nothing is known yet. */
  readonly result: SolvedNetwork | null;
}

const AT_REST: Begin = { closed: new Set(), states: new Map(), result: null };

/** Volts that a coil's current stands for: a broken one has its volts and does nothing. */
const acrossCoil = ({ coil }: Pair, { amps }: SolvedNetwork, estimate: Estimate): number =>
  Math.abs(amps.get(coil.id) ?? 0) * coil.part.coilOhm[estimate];

const inputV = ({ from, inNeg }: ConverterElement, { volts }: SolvedNetwork): number =>
  (volts.get(from) ?? 0) - (volts.get(inNeg) ?? 0);

/** Lets relays and converters act until none changes, from where they begin. */
function settle(circuit: Circuit, o: SolveOptions, begin: Begin): CircuitResult {
  const { relays, converters } = actorsOf(circuit);
  const change = o.change ?? null;
  const estimate = o.estimate ?? "value";
  let { closed, states, result: before } = begin;
  const tripped = new Set<ElementId>();
  const changed = new Set<ElementId>();
  let ofChange: Compiled | null = null;
  const rounds = converters.length > 0 ? MOST_CONVERTER_ROUNDS : MOST_RELAY_ROUNDS;
  for (let round = 0; round < rounds; round += 1) {
    const options: NetworkOptions = {
      ...{ position: o.position, closed, celsius: o.celsius, converters: states },
      ...(o.estimate ? { estimate: o.estimate } : {}),
    };
    let compiled: Compiled;
    if (change) {
      const network = change(networkOf(circuit, options));
      ofChange = compiledAs(circuit, o.shape, network, ofChange);
      compiled = ofChange;
    } else compiled = boardOf(circuit, options);
    const result = (before && solveNear(compiled, before)) ?? solveCompiled(compiled);
    if (result.kind !== "solved") return result;
    const next = new Set<ElementId>();
    changed.clear();
    for (const relay of relays) {
      const { contact, share } = relay;
      const across = acrossCoil(relay, result, estimate);
      const was = closed.has(contact);
      const is = was ? across > DROP_OUT_V * share : across >= PULL_IN_V * share;
      if (is) next.add(contact);
      if (is !== was) changed.add(contact);
    }
    // Voltages are near those of the next round where no contact has moved.
    before = changed.size === 0 ? result : null;
    const nextStates = new Map<ElementId, ConverterState>();
    for (const e of converters) {
      const was = states.get(e.id) ?? { outV: 0, inputW: 0 };
      if (tripped.has(e.id)) continue;
      const step = stepConverter(e.part, was, inputV(e, result), result.amps.get(e.id) ?? 0);
      if (step.tripped) tripped.add(e.id);
      if (step.state.outV > 0) nextStates.set(e.id, step.state);
      if (!step.settled) changed.add(e.id);
    }
    if (changed.size === 0) {
      for (const { id, part } of converters) {
        const outV = states.get(id)?.outV ?? 0;
        if (outV > 0 && outV < part.outV.value * GAVE_WAY_SHARE) tripped.add(id);
      }
      return new Solved(circuit, options, result, closed, [...tripped], change);
    }
    closed = next;
    states = nextStates;
  }
  return { kind: "chatters", contacts: [...changed] };
}

/**
 * Whether everything would have come to stand like this from rest: what is on has, with all that
 * is on, still enough to come on by itself. What hangs on its hysteresis says nothing of that.
 */
function standsFromRest(circuit: Circuit, { result, options, closed, tripped }: Solved): boolean {
  const { relays, converters } = actorsOf(circuit);
  const estimate = options.estimate ?? "value";
  return (
    tripped.length === 0 &&
    relays.every((relay) => {
      const pulls = acrossCoil(relay, result, estimate) >= PULL_IN_V * relay.share;
      return pulls === closed.has(relay.contact);
    }) &&
    converters.every((e) => {
      const inV = inputV(e, result);
      const starts = inV >= e.part.inMinV && inV <= e.part.inMaxV;
      return starts === (options.converters?.get(e.id) !== undefined);
    })
  );
}

/**
 * Solves a circuit in a position of its controls. Relays start let go and are worked by
 * their coils' voltages until none changes, with the hysteresis between pulling in and
 * letting go; converters start off and follow their input and load.
 */
export const solveCircuitWith = (circuit: Circuit, o: SolveOptions): CircuitResult =>
  settle(circuit, o, AT_REST);

/** As `solveCircuitWith`, for a circuit without faults. */
export const solveCircuit = (
  circuit: Circuit,
  position: Position,
  celsius: number,
  estimate: Estimate = "value",
): CircuitResult => settle(circuit, { position, celsius, estimate }, AT_REST);

/**
 * Solves a circuit in a position that is little off one that was solved, as where a battery sags:
 * from there where that has the same answer as from rest, which is most of the time.
 */
export function solveCircuitNear(
  circuit: Circuit,
  { options, closed, result }: Solved,
  position: Position,
  estimate: Estimate = options.estimate ?? "value",
): CircuitResult {
  const o: SolveOptions = { ...options, position, estimate };
  const states = options.converters ?? new Map<ElementId, ConverterState>();
  const near = settle(circuit, o, { closed, states, result });
  return near.kind === "solved" && standsFromRest(circuit, near)
    ? near
    : settle(circuit, o, AT_REST);
}
