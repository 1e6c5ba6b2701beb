/* oxlint-disable typescript/no-non-null-assertion -- each index comes from the lists that are compiled here */
import type { ElementId, NodeId } from "../../job/index.ts";
import { analyse, orderOf, type LuWorkspace } from "../../solve/sparse/lu.ts";
import { patternOf, type Pattern } from "../../solve/sparse/pattern.ts";
import { chainsOf } from "./chains.ts";
import { LAW_WIDTH, writeLaw } from "./law.ts";
import type { BranchModel, Network, NetworkBranch } from "../network.ts";

/** A chain by numbers: what it is to the solver is one branch more. */
interface NumberedChain {
  readonly members: Int32Array;
  readonly along: Int8Array;
  /** Of the nodes between its branches. */
  readonly between: Int32Array;
}

/**
 * A network as flat arrays: built once a topology, its laws and held voltages written anew
 * for each position of the controls. Resistors in a row are one branch here, as `Chain` says:
 * single branches come first, then chains; free nodes first, then held ones, then those within chains.
 */
export interface Compiled {
  /** Of the network, as it was given. */
  readonly branches: readonly NetworkBranch[];
  /** Words of what nothing ties to a held node; a matter of topology, so found once. */
  readonly floating: readonly string[];
  readonly nodes: readonly NodeId[];
  readonly index: ReadonlyMap<NodeId, number>;
  readonly branchIndex: ReadonlyMap<ElementId, number>;
  /** Where each branch of the network is among those here; −1 where it is in a chain. */
  readonly home: Int32Array;
  /** Which branch of the network each one here is; the first of its members where it is a chain. */
  readonly origin: Int32Array;
  readonly chains: readonly NumberedChain[];
  /** Resistance of each branch of the network that is in a chain, in Ω. */
  readonly ohms: Float64Array;
  /** Branches that are joined to no chain, whatever they are now: they are more than resistors at times. */
  readonly apart: ReadonlySet<number>;
  /** Branches of chains that have become more than resistors: compile anew with them apart. */
  readonly outgrown: number[];
  /** Number of free nodes outside chains: the size of the matrix. */
  readonly size: number;
  readonly workspace: LuWorkspace;
  /** Places in the matrix that a branch adds to, four each; of a held end none is used. */
  readonly slots: Int32Array;
  readonly diagonal: Int32Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly codes: Int8Array;
  /** What each law of the network was written from: the same one is not written again. */
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
  /** Voltages of free nodes and of held ones, in V; those within chains are worked out at the end. */
  readonly volts: Float64Array;
  readonly step: Float64Array;
  readonly spare: Float64Array;
  /** Whether the workspace holds pivots of an earlier position, to be used again. */
  factored: boolean;
}

/** Numbers of the branches in parts of the network that no path ties to a held node. */
export function floatingParts(network: Network): number[] {
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
interface Topology extends Pick<
  Compiled,
  | "nodes"
  | "index"
  | "branchIndex"
  | "size"
  | "from"
  | "to"
  | "slots"
  | "diagonal"
  | "home"
  | "origin"
  | "chains"
> {
  readonly pattern: Pattern;
  readonly order: Int32Array;
  readonly floating: readonly number[];
}

/** A topology with what it was made of. */
interface KnownTopology {
  readonly ends: readonly string[];
  readonly joins: Uint8Array;
  readonly topology: Topology;
}

/** The latest ones first: an edit of a value leaves a topology as it was, and faults are of a few shapes. */
const recent: KnownTopology[] = [];
const MOST_RECENT = 6;

function topologyOf(network: Network, apart: ReadonlySet<number>): Topology {
  const ends: string[] = [...network.held.keys()];
  for (const { id, from, to } of network.branches) ends.push(id, from, to);
  const joins = Uint8Array.from(network.branches, ({ model }, k) =>
    model.kind === "resistor" && !apart.has(k) ? 1 : 0,
  );
  const at = recent.findIndex(
    (one) =>
      one.ends.length === ends.length &&
      one.joins.every((joined, k) => joined === joins[k]) &&
      one.ends.every((end, i) => end === ends[i]),
  );
  const [known] = at < 0 ? [] : recent.splice(at, 1);
  const now = known ?? { ends, joins, topology: layOutMatrix(network, joins) };
  recent.unshift(now);
  recent.length = Math.min(recent.length, MOST_RECENT);
  return now.topology;
}

function layOutMatrix(network: Network, joins: Uint8Array): Topology {
  const { branches } = network;
  const chains = chainsOf(network, joins);
  const home = new Int32Array(branches.length);
  for (const { members } of chains) for (const k of members) home[k] = -1;
  const single = [...home.keys()].filter((k) => home[k] === 0);
  single.forEach((k, at) => {
    home[k] = at;
  });
  const ends = [...single.map((k) => branches[k]!), ...chains];
  const index = new Map<NodeId, number>();
  const nodes: NodeId[] = [];
  const number = (node: NodeId): void => {
    if (index.has(node)) return;
    index.set(node, nodes.length);
    nodes.push(node);
  };
  for (const { from, to } of ends) {
    for (const node of [from, to]) if (!network.held.has(node)) number(node);
  }
  const size = nodes.length;
  for (const node of network.held.keys()) number(node);
  for (const { between } of chains) between.forEach(number);
  const from = Int32Array.from(ends, (b) => index.get(b.from)!);
  const to = Int32Array.from(ends, (b) => index.get(b.to)!);
  const rows: number[] = [];
  const cols: number[] = [];
  ends.forEach((_, k) => {
    // A held node has no row; its place is kept at 0, 0 and never written.
    const [a, b] = [from[k]!, to[k]!];
    const both = a < size && b < size;
    rows.push(a < size ? a : 0, b < size ? b : 0, both ? a : 0, both ? b : 0);
    cols.push(a < size ? a : 0, b < size ? b : 0, both ? b : 0, both ? a : 0);
  });
  if (size === 0) rows.length = cols.length = 0;
  const { pattern, slot, diagonal } = patternOf(size, rows, cols);
  return {
    ...{ nodes, index, size, from, to, slots: slot, diagonal, pattern, home },
    branchIndex: new Map(branches.map((b, k) => [b.id, k])),
    floating: floatingParts(network),
    order: orderOf(pattern),
    origin: Int32Array.from([...single, ...chains.map(({ members }) => members[0]!)]),
    chains: chains.map(({ members, along, between }) => ({
      members: Int32Array.from(members),
      along: Int8Array.from(along),
      between: Int32Array.from(between, (node) => index.get(node)!),
    })),
  };
}

const NONE: ReadonlySet<number> = new Set();

/**
 * Numbers the nodes and lays out the matrix; reused while branches and held nodes stay the same.
 * `apart` are numbers of branches that are at times more than resistors.
 */
export function compile(network: Network, apart: ReadonlySet<number> = NONE): Compiled {
  const { branches } = network;
  const t = topologyOf(network, apart);
  const count = t.from.length;
  // Written out: it is made for every fault, and one that is spread together is slow to make and to read.
  const compiled: Compiled = {
    branches,
    floating: t.floating.map((k) => branches[k]!.words),
    nodes: t.nodes,
    index: t.index,
    branchIndex: t.branchIndex,
    home: t.home,
    origin: t.origin,
    chains: t.chains,
    ohms: new Float64Array(branches.length),
    apart,
    outgrown: [],
    size: t.size,
    workspace: analyse(t.pattern, t.order),
    slots: t.slots,
    diagonal: t.diagonal,
    from: t.from,
    to: t.to,
    factored: false,
    codes: new Int8Array(count),
    models: branches.map(() => null),
    laws: new Float64Array(count * LAW_WIDTH),
    values: new Float64Array(t.pattern.rowIndex.length),
    plain: new Float64Array(count),
    bent: [],
    slopes: new Float64Array(count),
    base: new Float64Array(t.pattern.rowIndex.length),
    stale: true,
    residual: new Float64Array(t.nodes.length),
    noise: new Float64Array(t.nodes.length),
    volts: new Float64Array(t.nodes.length),
    step: new Float64Array(t.size),
    spare: new Float64Array(t.size),
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
  const at = compiled.home[k]!;
  if (at >= 0) compiled.codes[at] = writeLaw(model, compiled.laws, at * LAW_WIDTH);
  else if (model.kind === "resistor") compiled.ohms[k] = model.ohm;
  else compiled.outgrown.push(k);
}

/** Holds a held node at a voltage, in V. */
export function hold(compiled: Compiled, node: NodeId, volts: number): void {
  const at = compiled.index.get(node);
  if (at !== undefined && at >= compiled.size) compiled.volts[at] = volts;
}
