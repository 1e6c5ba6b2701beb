import type { NodeId } from "../job/index.ts";
import { analyse, type LuWorkspace } from "../solve/sparse/lu.ts";
import { patternOf } from "../solve/sparse/pattern.ts";
import { LAW_WIDTH, writeLaw } from "./law.ts";
import type { BranchModel, Network, NetworkBranch } from "./network.ts";

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
  /** Number of free nodes: the size of the matrix. */
  readonly size: number;
  readonly workspace: LuWorkspace;
  /** Places in the matrix that a branch adds to, four each; of a held end none is used. */
  readonly slots: Int32Array;
  readonly diagonal: Int32Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly codes: Int8Array;
  readonly laws: Float64Array;
  readonly values: Float64Array;
  /** Sum of currents that leave each node, in A; held nodes included. */
  readonly residual: Float64Array;
  /** What rounding leaves of such a sum, in A. */
  readonly noise: Float64Array;
  /** Voltages of free nodes and of held ones, in V. */
  readonly volts: Float64Array;
  readonly step: Float64Array;
  readonly spare: Float64Array;
}

/** Words of the branches in parts of the network that no path ties to a held node. */
function floatingParts(network: Network): string[] {
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
  return network.branches.filter((b) => find(b.from) !== ground).map((b) => b.words);
}

/** Numbers the nodes and lays out the matrix; reused while branches and held nodes stay the same. */
export function compile(network: Network): Compiled {
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
  const compiled: Compiled = {
    branches,
    floating: floatingParts(network),
    nodes,
    index,
    size,
    workspace: analyse(pattern),
    slots: slot,
    diagonal,
    from,
    to,
    codes: new Int8Array(branches.length),
    laws: new Float64Array(branches.length * LAW_WIDTH),
    values: new Float64Array(pattern.rowIndex.length),
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
  compiled.codes[k] = writeLaw(model, compiled.laws, k * LAW_WIDTH);
}

/** Holds a held node at a voltage, in V. */
export function hold(compiled: Compiled, node: NodeId, volts: number): void {
  const at = compiled.index.get(node);
  if (at !== undefined && at >= compiled.size) compiled.volts[at] = volts;
}
