import {
  elementOf,
  type Circuit,
  type CoilElement,
  type ConverterElement,
  type Element,
} from "../circuit/index.ts";
import type { ElementId } from "../job/index.ts";
import { MOST_CONVERTER_ROUNDS, MOST_RELAY_ROUNDS } from "../solve/defaults.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import type { ElementPoint, OperatingPoint } from "../solve/operatingPoint.ts";
import { insideOf } from "../unit/index.ts";
import { compile, hold, putLaw, type Compiled } from "./engine/compile.ts";
import { stepConverter } from "./engine/converter.ts";
import { networkOf } from "./fromCircuit.ts";
import type { Network } from "./network.ts";
import type { ConverterState, NetworkOptions } from "./options.ts";
import { postV, type Position } from "./position.ts";
import { solveCompiled, type NetworkResult, type SolvedNetwork } from "./engine/solveNetwork.ts";

/** Volts at which a 12 V relay pulls in at the latest, and lets go at the latest: ISO 7588-1 (m). */
const PULL_IN_V = 8;
const DROP_OUT_V = 1.2;
const RATED_COIL_V = 12;
/** An output below this share of its voltage has given way to its load. */
const GAVE_WAY_SHARE = 0.98;

export type CircuitResult =
  | {
      readonly kind: "solved";
      readonly point: OperatingPoint;
      /** Relays and converters as they settled. */
      readonly options: NetworkOptions;
      /** The network as it was solved, made when it is asked for. */
      readonly network: Network;
      readonly result: SolvedNetwork;
      readonly closed: ReadonlySet<ElementId>;
      /** Converters that gave way under their load, or turned themselves off for it. */
      readonly tripped: readonly ElementId[];
    }
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

const shaped = new WeakMap<Circuit, Map<string, Compiled>>();

/** A changed network in flat arrays, from before where its shape is known. */
function compiledAs(circuit: Circuit, shape: string | undefined, network: Network): Compiled {
  if (shape === undefined) return compile(network);
  const known = shaped.get(circuit) ?? new Map<string, Compiled>();
  shaped.set(circuit, known);
  const before = known.get(shape);
  if (before) return before;
  const made = compile(network);
  known.set(shape, made);
  return made;
}

/** An element whose branches change with the position, and where they are among the others. */
interface Moving {
  readonly element: Element;
  readonly first: number;
}

/** A circuit's network in flat arrays, made once: a position changes what stands in it, not where. */
interface Board {
  readonly compiled: Compiled;
  readonly moving: readonly Moving[];
  /** Temperature and estimate that its laws are written for. */
  state: string;
}

const boards = new WeakMap<Circuit, Board>();

function boardOf(circuit: Circuit, options: NetworkOptions): Board {
  const state = `${options.celsius} ${options.estimate ?? "value"}`;
  const before = boards.get(circuit);
  if (before) {
    if (before.state !== state) {
      networkOf(circuit, options).branches.forEach((branch, k) => {
        putLaw(before.compiled, k, branch.model);
      });
      before.state = state;
    }
    return before;
  }
  const moving: Moving[] = [];
  let first = 0;
  for (const element of circuit.elements.values()) {
    const spec = insideOf(element);
    if (spec.moves) moving.push({ element, first });
    first += spec.branches(element, options).length;
  }
  const board = { compiled: compile(networkOf(circuit, options)), moving, state };
  boards.set(circuit, board);
  return board;
}

/** Writes a position into a board: what moves, and the voltages of the posts. */
function setBoard(circuit: Circuit, board: Board, options: NetworkOptions): void {
  for (const { element, first } of board.moving) {
    insideOf(element)
      .branches(element, options)
      .forEach((branch, i) => {
        putLaw(board.compiled, first + i, branch.model);
      });
  }
  for (const post of circuit.posts) {
    hold(board.compiled, post.node, postV(post, options.position));
  }
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

const actors = new WeakMap<Circuit, Actors>();

function actorsOf(circuit: Circuit): Actors {
  const known = actors.get(circuit);
  if (known) return known;
  const relays: Pair[] = [];
  const converters: ConverterElement[] = [];
  for (const e of circuit.elements.values()) {
    if (e.kind === "converter") converters.push(e);
    if (e.kind !== "contact") continue;
    const coil = elementOf(circuit, e.coilId);
    if (coil.kind !== "coil") throw new Error(`"${e.coilId}" works a contact and is no coil`);
    relays.push({ contact: e.id, coil, share: coil.part.coilV / RATED_COIL_V });
  }
  const found = { relays, converters };
  actors.set(circuit, found);
  return found;
}

/**
 * Solves a circuit in a position of its controls. Relays start let go and are worked by
 * their coils' voltages until none changes, with the hysteresis between pulling in and
 * letting go; converters start off and follow their input and load.
 */
export function solveCircuitWith(circuit: Circuit, o: SolveOptions): CircuitResult {
  const { relays, converters } = actorsOf(circuit);
  const change = o.change ?? null;
  let closed = new Set<ElementId>();
  let states = new Map<ElementId, ConverterState>();
  const tripped = new Set<ElementId>();
  const changed = new Set<ElementId>();
  let changedBoard: Compiled | null = null;
  const rounds = converters.length > 0 ? MOST_CONVERTER_ROUNDS : MOST_RELAY_ROUNDS;
  for (let round = 0; round < rounds; round += 1) {
    const options: NetworkOptions = {
      ...{ position: o.position, closed, celsius: o.celsius, converters: states },
      ...(o.estimate ? { estimate: o.estimate } : {}),
    };
    let compiled: Compiled;
    if (change) {
      const network = change(networkOf(circuit, options));
      changedBoard ??= compiledAs(circuit, o.shape, network);
      const board = changedBoard;
      network.branches.forEach((branch, k) => {
        putLaw(board, k, branch.model);
      });
      for (const [node, volts] of network.held) hold(board, node, volts);
      compiled = board;
    } else {
      const board = boardOf(circuit, options);
      setBoard(circuit, board, options);
      ({ compiled } = board);
    }
    const result = solveCompiled(compiled);
    if (result.kind !== "solved") return result;
    const { volts } = result;
    const next = new Set<ElementId>();
    changed.clear();
    for (const { contact, coil, share } of relays) {
      // What pulls is the current through its turns: a broken coil has its volts and does nothing.
      const ohm = coil.part.coilOhm[o.estimate ?? "value"];
      const across = Math.abs(result.amps.get(coil.id) ?? 0) * ohm;
      const was = closed.has(contact);
      const is = was ? across > DROP_OUT_V * share : across >= PULL_IN_V * share;
      if (is) next.add(contact);
      if (is !== was) changed.add(contact);
    }
    const nextStates = new Map<ElementId, ConverterState>();
    for (const e of converters) {
      const was = states.get(e.id) ?? { outV: 0, inputW: 0 };
      if (tripped.has(e.id)) continue;
      const inV = (volts.get(e.from) ?? 0) - (volts.get(e.inNeg) ?? 0);
      const step = stepConverter(e.part, was, inV, result.amps.get(e.id) ?? 0);
      if (step.tripped) tripped.add(e.id);
      if (step.state.outV > 0) nextStates.set(e.id, step.state);
      if (!step.settled) changed.add(e.id);
    }
    if (changed.size === 0) {
      for (const { id, part } of converters) {
        const outV = states.get(id)?.outV ?? 0;
        if (outV > 0 && outV < part.outV.value * GAVE_WAY_SHARE) tripped.add(id);
      }
      const { sourceV, packV } = o.position;
      return {
        kind: "solved",
        point: { sourceV, packV, at: new Points(circuit, result) },
        options,
        get network(): Network {
          const plain = networkOf(circuit, options);
          return change ? change(plain) : plain;
        },
        result,
        closed,
        tripped: [...tripped],
      };
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
