import type { NodeId } from "../job/index.ts";
import { GMIN_STEPS_S, LARGEST_STEP_V, MOST_STEPS, STEP_V } from "../solve/defaults.ts";
import { analyse, factor, refactor, solveWith, type LuWorkspace } from "../solve/sparse/lu.ts";
import { patternOf } from "../solve/sparse/pattern.ts";
import { branchCurrent, startConductance } from "./branchCurrent.ts";
import type { Network, NetworkBranch } from "./network.ts";

export interface SolveHealth {
  /** Largest sum of currents at a node, in A; zero for a perfect solution. */
  readonly residualA: number;
  readonly pivotRatio: number;
  readonly steps: number;
}

export type NetworkResult =
  | {
      readonly kind: "solved";
      readonly volts: ReadonlyMap<NodeId, number>;
      readonly amps: ReadonlyMap<NetworkBranch["id"], number>;
      readonly health: SolveHealth;
    }
  /** A part that nothing ties to ground: its voltage has no meaning. */
  | { readonly kind: "singular"; readonly floating: readonly string[] }
  | { readonly kind: "notConverged"; readonly residualA: number; readonly worst: string }
  /** Constant-power loads that share a voltage: any share is a solution and none is stable. */
  | { readonly kind: "unstableShare"; readonly loads: readonly string[] };

interface Prepared {
  /** Words of what nothing ties to a held node; a matter of topology, so found once. */
  readonly floating: readonly string[];
  readonly nodes: readonly NodeId[];
  readonly index: ReadonlyMap<NodeId, number>;
  readonly workspace: LuWorkspace;
  readonly slots: Int32Array;
  readonly diagonal: Int32Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly values: Float64Array;
  readonly residual: Float64Array;
  readonly volts: Float64Array;
  readonly step: Float64Array;
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

/** Numbers the free nodes and lays out the matrix; reused while the topology stays. */
export function prepare(network: Network): Prepared {
  const index = new Map<NodeId, number>();
  const nodes: NodeId[] = [];
  const number = (node: NodeId): number => {
    if (network.held.has(node)) return -1;
    const known = index.get(node);
    if (known !== undefined) return known;
    index.set(node, nodes.length);
    nodes.push(node);
    return nodes.length - 1;
  };
  const from = new Int32Array(network.branches.length);
  const to = new Int32Array(network.branches.length);
  network.branches.forEach((branch, k) => {
    from[k] = number(branch.from);
    to[k] = number(branch.to);
  });
  const rows: number[] = [];
  const cols: number[] = [];
  const put = (i: number, j: number): void => {
    // A held node has no row; its place is kept at 0, 0 and never written.
    rows.push(Math.max(0, i));
    cols.push(Math.max(0, j));
  };
  network.branches.forEach((_, k) => {
    const [a, b] = [from[k]!, to[k]!];
    const both = a >= 0 && b >= 0;
    put(a >= 0 ? a : 0, a >= 0 ? a : 0);
    put(b >= 0 ? b : 0, b >= 0 ? b : 0);
    put(both ? a : 0, both ? b : 0);
    put(both ? b : 0, both ? a : 0);
  });
  const size = nodes.length;
  if (size === 0) rows.length = cols.length = 0;
  const { pattern, slot, diagonal } = patternOf(size, rows, cols);
  return {
    floating: floatingParts(network),
    nodes,
    index,
    workspace: analyse(pattern),
    slots: slot,
    diagonal,
    from,
    to,
    values: new Float64Array(pattern.rowIndex.length),
    residual: new Float64Array(size),
    volts: new Float64Array(size),
    step: new Float64Array(size),
  };
}

const scratch = new Float64Array(2);

/** Stamps conductances and currents at the present voltages; `gmin` in S goes to ground. */
function stamp(
  network: Network,
  p: Prepared,
  heldV: Float64Array,
  gmin: number,
  linear: boolean,
): void {
  p.values.fill(0);
  p.residual.fill(0);
  const { branches } = network;
  for (let k = 0; k < branches.length; k += 1) {
    const [a, b] = [p.from[k]!, p.to[k]!];
    const va = a >= 0 ? p.volts[a]! : heldV[2 * k]!;
    const vb = b >= 0 ? p.volts[b]! : heldV[2 * k + 1]!;
    const { model } = branches[k]!;
    if (linear) {
      scratch[1] = startConductance(model);
      scratch[0] = scratch[1] * (va - vb);
    } else {
      branchCurrent(model, va - vb, scratch);
    }
    const [amps, conductance] = [scratch[0]!, scratch[1]!];
    if (a >= 0) {
      p.values[p.slots[4 * k]!]! += conductance;
      p.residual[a]! += amps;
    }
    if (b >= 0) {
      p.values[p.slots[4 * k + 1]!]! += conductance;
      p.residual[b]! -= amps;
    }
    if (a >= 0 && b >= 0) {
      p.values[p.slots[4 * k + 2]!]! -= conductance;
      p.values[p.slots[4 * k + 3]!]! -= conductance;
    }
  }
  if (gmin > 0) {
    for (let i = 0; i < p.nodes.length; i += 1) {
      p.values[p.diagonal[i]!]! += gmin;
      p.residual[i]! += gmin * p.volts[i]!;
    }
  }
}

const largest = (values: Float64Array): number => {
  let most = 0;
  for (const value of values) most = Math.max(most, Math.abs(value));
  return most;
};

interface Newton {
  readonly converged: boolean;
  readonly steps: number;
  readonly pivotRatio: number;
  readonly negativePivots: number;
  readonly residualA: number;
}

/** Damped Newton from the voltages at hand. null when the matrix has no factors. */
function newton(
  network: Network,
  p: Prepared,
  heldV: Float64Array,
  gmin: number,
  fresh: boolean,
): Newton | null {
  let factored = !fresh;
  let [pivotRatio, negativePivots] = [1, 0];
  for (let steps = 1; steps <= MOST_STEPS; steps += 1) {
    stamp(network, p, heldV, gmin, false);
    const residualA = largest(p.residual);
    let made = factored ? refactor(p.workspace, p.values) : factor(p.workspace, p.values);
    if (made.kind === "unhealthy") made = factor(p.workspace, p.values);
    if (made.kind === "singular") return null;
    factored = true;
    ({ pivotRatio, negativePivots } = made.health);
    solveWith(p.workspace, p.residual, p.step);
    const moveV = largest(p.step);
    if (!Number.isFinite(moveV)) return null;
    const damping = moveV > LARGEST_STEP_V ? LARGEST_STEP_V / moveV : 1;
    for (let i = 0; i < p.volts.length; i += 1) p.volts[i]! -= damping * p.step[i]!;
    if (moveV < STEP_V) {
      return { converged: true, steps, pivotRatio, negativePivots, residualA };
    }
  }
  return {
    converged: false,
    steps: MOST_STEPS,
    pivotRatio,
    negativePivots,
    residualA: largest(p.residual),
  };
}

/** Linear guess: every load as the resistor it is near its working voltage. */
function guess(network: Network, p: Prepared, heldV: Float64Array): boolean {
  p.volts.fill(0);
  stamp(network, p, heldV, 0, true);
  if (factor(p.workspace, p.values).kind === "singular") return false;
  solveWith(p.workspace, p.residual, p.step);
  for (let i = 0; i < p.volts.length; i += 1) p.volts[i] = -p.step[i]!;
  return true;
}

/** Newton, and when that fails Newton with a leak to ground that is taken away by steps. */
function converge(network: Network, p: Prepared, heldV: Float64Array): Newton | null {
  if (!guess(network, p, heldV)) return null;
  const straight = newton(network, p, heldV, 0, false);
  if (straight?.converged) return straight;
  if (!guess(network, p, heldV)) return null;
  for (const gmin of GMIN_STEPS_S) {
    if (newton(network, p, heldV, gmin, true) === null) return straight;
  }
  return newton(network, p, heldV, 0, true);
}

const worstNode = (p: Prepared): number => {
  let at = 0;
  for (let i = 1; i < p.residual.length; i += 1) {
    if (Math.abs(p.residual[i]!) > Math.abs(p.residual[at]!)) at = i;
  }
  return at;
};

/** Loads of falling current that hang on a node without a held end: those that fight for a share. */
function fighting(network: Network, p: Prepared): string[] {
  return network.branches
    .filter((b) => b.model.kind === "power")
    .filter((b) => {
      const va = network.held.get(b.from) ?? p.volts[p.index.get(b.from) ?? 0] ?? 0;
      const vb = network.held.get(b.to) ?? p.volts[p.index.get(b.to) ?? 0] ?? 0;
      branchCurrent(b.model, va - vb, scratch);
      return scratch[1]! < 0;
    })
    .map((b) => b.words);
}

/**
 * The operating point of a network. For a reciprocal network the Jacobian is symmetric, and
 * its negative pivots count its negative eigenvalues (Sylvester's law of inertia): with any
 * capacitance at the nodes such a point runs away, so it is reported and not returned.
 * `kept` may be what `prepare` made for the same topology.
 */
export function solveNetwork(network: Network, kept?: Prepared): NetworkResult {
  const p = kept ?? prepare(network);
  if (p.floating.length > 0) return { kind: "singular", floating: p.floating };
  const heldV = new Float64Array(2 * network.branches.length);
  network.branches.forEach((b, k) => {
    heldV[2 * k] = network.held.get(b.from) ?? 0;
    heldV[2 * k + 1] = network.held.get(b.to) ?? 0;
  });
  const end =
    p.nodes.length === 0
      ? { converged: true, steps: 0, pivotRatio: 1, negativePivots: 0, residualA: 0 }
      : converge(network, p, heldV);
  if (!end) return { kind: "singular", floating: network.branches.slice(0, 1).map((b) => b.words) };
  if (!end.converged) {
    const fight = fighting(network, p);
    if (fight.length > 1 && end.negativePivots > 0) return { kind: "unstableShare", loads: fight };
    const node = p.nodes[worstNode(p)];
    const touching = network.branches.find((b) => b.from === node || b.to === node);
    return {
      kind: "notConverged",
      residualA: end.residualA,
      worst: touching?.words ?? String(node),
    };
  }
  if (end.negativePivots > 0) return { kind: "unstableShare", loads: fighting(network, p) };
  const volts = new Map<NodeId, number>(network.held);
  p.nodes.forEach((node, i) => volts.set(node, p.volts[i]!));
  const amps = new Map<NetworkBranch["id"], number>();
  for (const b of network.branches) {
    branchCurrent(b.model, volts.get(b.from)! - volts.get(b.to)!, scratch);
    amps.set(b.id, scratch[0]!);
  }
  return {
    kind: "solved",
    volts,
    amps,
    health: { residualA: end.residualA, pivotRatio: end.pivotRatio, steps: end.steps },
  };
}
