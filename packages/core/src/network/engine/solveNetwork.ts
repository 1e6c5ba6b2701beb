/* oxlint-disable typescript/no-non-null-assertion -- each index comes from the compiled network, whose lists are of one length */
import type { NodeId } from "../../job/index.ts";
import { LEAST_CURRENT_A, NUDGE_V, SAME_V } from "../../solve/defaults.ts";
import { compile, type Compiled } from "./compile.ts";
import { LAW_WIDTH, POWER, RESISTOR, lawAt } from "./law.ts";
import type { Network, NetworkBranch } from "../network.ts";
import { descend, guess, newton, type NewtonEnd, type NoFactors } from "./newton.ts";
import { partLaws, stamp } from "./stamp.ts";
import { Values } from "./values.ts";
import { reciprocalCondition } from "../../solve/sparse/condition.ts";
import { factor } from "../../solve/sparse/lu.ts";

/** How well a network was solved. */
export interface SolveHealth {
  /** Largest sum of currents at a node, in A; zero for a perfect solution. */
  readonly residualA: number;
  /** The same as a share of the currents that meet there: 1e-16 is as good as numbers are. */
  readonly backwardError: number;
  readonly pivotRatio: number;
  readonly steps: number;
}

/** Volts of every node and amps of every branch. */
export interface SolvedNetwork {
  readonly kind: "solved";
  readonly volts: ReadonlyMap<NodeId, number>;
  readonly amps: ReadonlyMap<NetworkBranch["id"], number>;
  readonly health: SolveHealth;
}

/** A network's answer, or why it has none. */
export type NetworkResult =
  | SolvedNetwork
  /** A part that nothing ties to ground, or one whose voltage its currents do not fix. */
  | { readonly kind: "singular"; readonly floating: readonly string[] }
  | { readonly kind: "notConverged"; readonly residualA: number; readonly worst: string }
  /** Constant-power loads that share a voltage: more than one share is a solution, and none is the right one. */
  | { readonly kind: "unstableShare"; readonly loads: readonly string[] };

type Attempt = NewtonEnd | NoFactors;

const voltageOf = (c: Compiled, k: number): number => c.volts[c.from[k]!]! - c.volts[c.to[k]!]!;

/** What the user calls a branch; a chain by its first. */
const wordsOf = ({ branches, origin }: Compiled, k: number): string => branches[origin[k]!]!.words;

/** Constant-power loads, by their branch's number. */
function powerLoads({ codes }: Compiled): number[] {
  const loads: number[] = [];
  for (let k = 0; k < codes.length; k += 1) if (codes[k] === POWER) loads.push(k);
  return loads;
}

/** Whether a constant-power load has the volts that it runs from. */
const runs = (c: Compiled, k: number): boolean => voltageOf(c, k) >= c.laws[k * LAW_WIDTH + 1]!;

/** Whether it draws, but not what it is made for. */
const onRamp = (c: Compiled, k: number): boolean =>
  !runs(c, k) && voltageOf(c, k) > c.laws[k * LAW_WIDTH + 2]!;

/** Those of falling current: the ones that can fight for a share. */
function fighting(c: Compiled): string[] {
  return powerLoads(c)
    .filter((k) => runs(c, k))
    .map((k) => wordsOf(c, k));
}

/** Pushes every free node a little, each another way: off any saddle, and the same every time. */
function nudge(c: Compiled, from: Float64Array, sign: number): void {
  for (let i = 0; i < c.size; i += 1) {
    const chance = Math.sin(12.9898 * (i + 1)) * 43758.5453;
    c.volts[i] = from[i]! + sign * NUDGE_V * (0.5 + (chance - Math.floor(chance)));
  }
}

/** Begins where those loads that starve would have the volts, and those that run would not. */
function turnAbout(c: Compiled, starved: readonly number[]): Attempt {
  const laws = c.laws.slice();
  for (const k of powerLoads(c)) {
    // Only for the guess: a small load keeps its voltage, a large one pulls it down.
    c.laws[k * LAW_WIDTH]! *= starved.includes(k) ? 1e-3 : 1e3;
  }
  const failed = guess(c);
  c.laws.set(laws);
  return failed ?? descend(c);
}

/** Which loads run in one answer and starve in the other, by their branch's number. */
function parted(c: Compiled, a: Float64Array, b: Float64Array) {
  const at = (volts: Float64Array, k: number): boolean =>
    volts[c.from[k]!]! - volts[c.to[k]!]! >= c.laws[k * LAW_WIDTH + 1]!;
  const loads = powerLoads(c);
  return {
    onlyA: loads.filter((k) => at(a, k) && !at(b, k)),
    onlyB: loads.filter((k) => at(b, k) && !at(a, k)),
  };
}

function sameAs(c: Compiled, other: Float64Array): boolean {
  for (let i = 0; i < c.size; i += 1) {
    if (Math.abs(c.volts[i]! - other[i]!) > SAME_V) return false;
  }
  return true;
}

type Found =
  | { readonly kind: "point"; readonly end: NewtonEnd }
  | { readonly kind: "share"; readonly loads: readonly string[] }
  | { readonly kind: "none"; readonly end: Attempt };

/**
 * Of two stable answers the one in which every load runs that runs in the other, as that is
 * what a vehicle comes up in; where each has a load that the other starves there is no saying.
 * The chosen one is left in `c.volts`.
 */
function choose(c: Compiled, a: { end: NewtonEnd; volts: Float64Array }, b: Attempt): Found {
  if (b.kind !== "converged" || b.stable === "no" || sameAs(c, a.volts)) {
    c.volts.set(a.volts);
    return { kind: "point", end: a.end };
  }
  const { onlyA, onlyB } = parted(c, a.volts, c.volts);
  if (onlyA.length > 0 && onlyB.length > 0) {
    return { kind: "share", loads: [...onlyA, ...onlyB].map((k) => wordsOf(c, k)) };
  }
  if (onlyB.length > 0) return { kind: "point", end: b };
  c.volts.set(a.volts);
  return { kind: "point", end: a.end };
}

/** Off a point that does not hold, both ways down. */
function offTheSaddle(c: Compiled): Found {
  const saddle = c.volts.slice();
  nudge(c, saddle, 1);
  const up = descend(c);
  if (up.kind !== "converged") return { kind: "none", end: up };
  const there = c.volts.slice();
  nudge(c, saddle, -1);
  return choose(c, { end: up, volts: there }, descend(c));
}

/**
 * A point at which one load starves on its turn-on ramp while another runs may be one answer
 * of several: looks for one in which it is the other way about.
 */
function unlessTurned(c: Compiled, end: NewtonEnd): Found {
  const loads = powerLoads(c);
  const starved = loads.filter((k) => onRamp(c, k));
  if (starved.length === 0 || !loads.some((k) => runs(c, k))) return { kind: "point", end };
  const there = c.volts.slice();
  return choose(c, { end, volts: there }, turnAbout(c, starved));
}

/** Newton, and where that fails or ends on a saddle, down the co-content. */
function converge(c: Compiled): Found {
  const none = guess(c);
  if (none) return { kind: "none", end: none };
  const straight = newton(c);
  if (straight.kind === "converged") {
    return straight.stable === "no" ? offTheSaddle(c) : unlessTurned(c, straight);
  }
  guess(c);
  const down = descend(c);
  if (down.kind !== "converged") return { kind: "none", end: down };
  return down.stable === "no" ? offTheSaddle(c) : unlessTurned(c, down);
}

/** What touches a free node, in words. */
function wordsAt(c: Compiled, node: number): string {
  const k = [...c.from.keys()].find((i) => c.from[i] === node || c.to[i] === node);
  return k === undefined ? String(c.nodes[node]) : wordsOf(c, k);
}

function worstNode(c: Compiled): number {
  let at = 0;
  for (let i = 1; i < c.size; i += 1) {
    if (Math.abs(c.residual[i]!) > Math.abs(c.residual[at]!)) at = i;
  }
  return at;
}

const scratch = new Float64Array(2);

/** Currents of a chain's branches, and voltages of the nodes between them, by what flows through all. */
function unfold(
  c: Compiled,
  current: number,
  i: number,
  volts: Float64Array,
  amps: Float64Array,
): void {
  const { members, along, between } = c.chains[i]!;
  let v = volts[c.from[c.codes.length - c.chains.length + i]!]!;
  for (let m = 0; m < members.length; m += 1) {
    const k = members[m]!;
    amps[k] = current * along[m]!;
    if (m === between.length) continue;
    v -= current * c.ohms[k]!;
    volts[between[m]!] = v;
  }
}

function resultOf(c: Compiled, end: NewtonEnd): SolvedNetwork {
  const { from, to, codes, laws, residual, origin } = c;
  const solved = c.volts.slice();
  const currents = new Float64Array(c.branches.length);
  const single = codes.length - c.chains.length;
  let [residualA, meeting] = [0, 0];
  residual.fill(0);
  for (let k = 0; k < codes.length; k += 1) {
    const [a, b] = [from[k]!, to[k]!];
    const v = solved[a]! - solved[b]!;
    let current = laws[k * LAW_WIDTH]! * v;
    if (codes[k] !== RESISTOR) {
      lawAt(codes[k]!, laws, k * LAW_WIDTH, v, scratch);
      current = scratch[0]!;
    }
    if (k < single) currents[origin[k]!] = current;
    else unfold(c, current, k - single, solved, currents);
    residual[a]! += current;
    residual[b]! -= current;
    const size = Math.abs(current);
    if (size > meeting) meeting = size;
  }
  for (let i = 0; i < c.size; i += 1) {
    const left = Math.abs(residual[i]!);
    if (left > residualA) residualA = left;
  }
  const backwardError = residualA / Math.max(meeting, LEAST_CURRENT_A);
  const { pivotRatio, steps } = end;
  return {
    kind: "solved",
    volts: new Values<NodeId>(c.index, solved),
    amps: new Values<NetworkBranch["id"]>(c.branchIndex, currents),
    health: { residualA, backwardError, pivotRatio, steps },
  };
}

/**
 * The operating point of a compiled network. For a reciprocal network the Jacobian is
 * symmetric, and its pivots, where they lie on the diagonal, have the signs of its
 * eigenvalues: with any capacitance at the nodes a point with a negative one runs away.
 */
export function solveCompiled(c: Compiled): NetworkResult {
  if (c.floating.length > 0) return { kind: "singular", floating: c.floating };
  if (c.stale) partLaws(c);
  if (c.size === 0) {
    return resultOf(c, {
      ...{ kind: "converged", steps: 0, pivotRatio: 1, residualA: 0, stable: "yes" },
    });
  }
  const found = converge(c);
  switch (found.kind) {
    case "share":
      return { kind: "unstableShare", loads: found.loads };
    case "point":
      return found.end.stable === "no"
        ? { kind: "unstableShare", loads: fighting(c) }
        : resultOf(c, found.end);
    case "none":
      return found.end.kind === "noFactors"
        ? { kind: "singular", floating: [wordsAt(c, found.end.column)] }
        : {
            kind: "notConverged",
            residualA: found.end.kind === "stopped" ? found.end.residualA : 0,
            worst: wordsAt(c, worstNode(c)),
          };
  }
}

/**
 * The operating point of a network that was solved with other values, from that one's voltages:
 * null unless it is a stable one in which every load runs, which is what it would come up in.
 */
export function solveNear(c: Compiled, before: SolvedNetwork): SolvedNetwork | null {
  if (!(before.volts instanceof Values) || before.volts.index !== c.index || c.floating.length > 0)
    return null;
  c.volts.set(before.volts.numbers.subarray(0, c.size));
  const end = newton(c);
  const holds = end.kind === "converged" && end.stable === "yes";
  return holds && !powerLoads(c).some((k) => onRamp(c, k)) ? resultOf(c, end) : null;
}

/** The operating point of a network that is solved once. */
export const solveNetwork = (network: Network): NetworkResult => solveCompiled(compile(network));

/**
 * Reciprocal condition of the matrix at the voltages that were solved last: below some 1e-13
 * the voltages have few digits left. An estimate by Hager's method (1984), never too low by much.
 */
export function conditionOf(c: Compiled): number {
  if (c.size === 0) return 1;
  stamp(c, "true");
  c.factored = false;
  if (factor(c.workspace, c.values).kind === "singular") return 0;
  return reciprocalCondition(c.workspace, c.values);
}
