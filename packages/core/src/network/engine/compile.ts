import type { ElementId, NodeId } from "../../job/index.ts";
import { analyse, orderOf, type LuWorkspace } from "../../solve/sparse/lu.ts";
import { patternOf, type Pattern } from "../../solve/sparse/pattern.ts";
import { LAW_WIDTH, writeLaw } from "./law.ts";
import type { BranchModel, Network, NetworkBranch } from "../network.ts";

/**
 * A network as flat arrays: built once a topology, its laws and held voltages written anew
 * for each position of the controls. Free nodes come first, held ones behind them.
 */
export interface Compiled {
  readonly branches: readonly NetworkBranch[];
  /** Words of what nothing ties to a held node; a matter of topology, so found once. */
  readonly floating: readonly string[];
  /** Free nodes, then held ones. */
  readonly nodes: readonly NodeId[];
  readonly index: ReadonlyMap<NodeId, number>;
  readonly branchIndex: ReadonlyMap<ElementId, number>;
  /** Number of free nodes: the size of the matrix. */
  readonly size: number;
  readonly workspace: LuWorkspace;
  /** Places in the matrix that a branch adds to, four each; of a held end none is used. */
  readonly slots: Int32Array;
  readonly diagonal: Int32Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly codes: Int8Array;
  /** What each law was written from: the same one is not written again. */
  readonly models: (BranchModel | null)[];
  readonly laws: Float64Array;
  readonly values: Float64Array;
  /** Conductance of each branch that is a resistor, in S; 0 for those whose law bends. */
  readonly plain: Float64Array;
  /** Numbers of the branches whose law bends, or has a voltage of its own. */
  bent: readonly number[];
  /** Conductance at the last step of those whose law bends, in S. */
  readonly slopes: Float64Array;
  /** What resistors alone put into the matrix, in S: the same at every step. */
  readonly base: Float64Array;
  /** A law was written since `plain`, `bent` and `base` were made of them. */
  stale: boolean;
  /** Sum of currents that leave each node, in A; held nodes included. */
  readonly residual: Float64Array;
  /** What rounding leaves of such a sum, in A; worked out where it is asked for. */
  readonly noise: Float64Array;
  /** Voltages of free nodes and of held ones, in V. */
  readonly volts: Float64Array;
  readonly step: Float64Array;
  readonly spare: Float64Array;
  /** Whether the workspace holds pivots of an earlier position, to be used again. */
  factored: boolean;
}

/** Numbers of the branches in parts of the network that no path ties to a held node. */
function floatingParts(network: Network): number[] {
  const parent = new Map<NodeId, NodeId>();
  const find = (node: NodeId): NodeId => {
    let at = node;
    for (let up = parent.get(at); up !== undefined; up = parent.get(at)) {
      // Halving the way on the way: the next one who asks has half as far to go.
      const above = parent.get(up);
      if (above !== undefined) parent.set(at, above);
      at = up;
    }
    return at;
  };
  const join = (a: NodeId, b: NodeId): void => {
    const [x, y] = [find(a), find(b)];
    if (x !== y) parent.set(x, y);
  };
  const held = [...network.held.keys()];
  for (const node of held.slice(1)) join(node, held[0]!);
  for (const branch of network.branches) join(branch.from, branch.to);
  const ground = held[0] === undefined ? null : find(held[0]);
  return network.branches.flatMap((b, k) => (find(b.from) === ground ? [] : [k]));
}

/** What of a network is a matter of its topology alone: worked out once for circuits alike. */
interface Topology {
  readonly nodes: readonly NodeId[];
  readonly index: ReadonlyMap<NodeId, number>;
  readonly size: number;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly slots: Int32Array;
  readonly diagonal: Int32Array;
  readonly pattern: Pattern;
  readonly order: Int32Array;
  readonly floating: readonly number[];
}

/** The last topology, with the ends it was made of: an edit of a value leaves it as it was. */
let last: { readonly ends: readonly NodeId[]; readonly topology: Topology } | null = null;

function topologyOf(network: Network): Topology {
  const ends: NodeId[] = [...network.held.keys()];
  for (const b of network.branches) ends.push(b.from, b.to);
  const before = last;
  if (before?.ends.length === ends.length && ends.every((end, i) => end === before.ends[i])) {
    return before.topology;
  }
  const topology = layOutMatrix(network);
  last = { ends, topology };
  return topology;
}

function layOutMatrix(network: Network): Topology {
  const { branches } = network;
  const index = new Map<NodeId, number>();
  const free: NodeId[] = [];
  for (const branch of branches) {
    for (const node of [branch.from, branch.to]) {
      if (network.held.has(node) || index.has(node)) continue;
      index.set(node, free.length);
      free.push(node);
    }
  }
  const size = free.length;
  const nodes = [...free, ...network.held.keys()];
  nodes.slice(size).forEach((node, i) => index.set(node, size + i));
  const from = Int32Array.from(branches, (b) => index.get(b.from)!);
  const to = Int32Array.from(branches, (b) => index.get(b.to)!);
  const rows: number[] = [];
  const cols: number[] = [];
  branches.forEach((_, k) => {
    // A held node has no row; its place is kept at 0, 0 and never written.
    const [a, b] = [from[k]!, to[k]!];
    const both = a < size && b < size;
    rows.push(a < size ? a : 0, b < size ? b : 0, both ? a : 0, both ? b : 0);
    cols.push(a < size ? a : 0, b < size ? b : 0, both ? b : 0, both ? a : 0);
  });
  if (size === 0) rows.length = cols.length = 0;
  const { pattern, slot, diagonal } = patternOf(size, rows, cols);
  const floating = floatingParts(network);
  const order = orderOf(pattern);
  return { nodes, index, size, from, to, slots: slot, diagonal, pattern, order, floating };
}

/** Numbers the nodes and lays out the matrix; reused while branches and held nodes stay the same. */
export function compile(network: Network): Compiled {
  const { branches } = network;
  const topology = topologyOf(network);
  const { nodes, index, size, from, to, slots, diagonal, pattern, order, floating } = topology;
  const compiled: Compiled = {
    branches,
    floating: floating.map((k) => branches[k]!.words),
    nodes,
    index,
    branchIndex: new Map(branches.map((b, k) => [b.id, k])),
    size,
    workspace: analyse(pattern, order),
    slots,
    diagonal,
    from,
    to,
    factored: false,
    codes: new Int8Array(branches.length),
    models: branches.map(() => null),
    laws: new Float64Array(branches.length * LAW_WIDTH),
    values: new Float64Array(pattern.rowIndex.length),
    plain: new Float64Array(branches.length),
    bent: [],
    slopes: new Float64Array(branches.length),
    base: new Float64Array(pattern.rowIndex.length),
    stale: true,
    residual: new Float64Array(nodes.length),
    noise: new Float64Array(nodes.length),
    volts: new Float64Array(nodes.length),
    step: new Float64Array(size),
    spare: new Float64Array(size),
  };
  branches.forEach((branch, k) => putLaw(compiled, k, branch.model));
  for (const [node, volts] of network.held) hold(compiled, node, volts);
  return compiled;
}

/** Gives a branch another law: a switch that closes, a converter that comes on. */
export function putLaw(compiled: Compiled, k: number, model: BranchModel): void {
  if (compiled.models[k] === model) return;
  compiled.models[k] = model;
  compiled.stale = true;
  compiled.codes[k] = writeLaw(model, compiled.laws, k * LAW_WIDTH);
}

/** Holds a held node at a voltage, in V. */
export function hold(compiled: Compiled, node: NodeId, volts: number): void {
  const at = compiled.index.get(node);
  if (at !== undefined && at >= compiled.size) compiled.volts[at] = volts;
}
