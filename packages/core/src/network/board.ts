import type { Circuit } from "../circuit/index.ts";
import { onceOf } from "../job/index.ts";
import { insideOf } from "../unit/index.ts";
import { compile, hold, putLaw, type Compiled } from "./engine/compile.ts";
import { tieLoose } from "./loose.ts";
import { movingOf, networkOf, type Moving } from "./fromCircuit.ts";
import type { Network } from "./network.ts";
import type { NetworkOptions } from "./options.ts";
import { postV } from "./position.ts";

/** A network in flat arrays, what hangs on nothing in it tied: that is rare, and looked for where it is. */
function compileTied(network: Network, apart?: ReadonlySet<number>): Compiled {
  const made = compile(network, apart);
  return made.floating.length === 0 ? made : compile(tieLoose(network), apart);
}

const shapesOf = onceOf((_: Circuit) => new Map<string, Compiled>());

/**
 * A changed network in flat arrays: those of the round before, or of another change of the same shape,
 * with what it holds now; made anew where there are none, or what was a resistor is one no more.
 */
export function compiledAs(
  circuit: Circuit,
  shape: string | undefined,
  network: Network,
  before: Compiled | null,
): Compiled {
  const known = shapesOf(circuit);
  const kept = before ?? (shape === undefined ? undefined : known.get(shape));
  if (kept) {
    network.branches.forEach((branch, k) => putLaw(kept, k, branch.model));
    for (const [node, volts] of network.held) hold(kept, node, volts);
    if (kept.outgrown.length === 0) return kept;
  }
  const made = compileTied(network, kept && apartOf(kept));
  if (shape !== undefined) known.set(shape, made);
  return made;
}

/** Branches that go by themselves, with those that have outgrown their chains. */
const apartOf = ({ apart, outgrown }: Compiled): ReadonlySet<number> =>
  new Set([...apart, ...outgrown]);

/** A circuit's network in flat arrays, made once: a position changes what stands in it, not where. */
interface Board {
  compiled: Compiled;
  readonly moving: readonly Moving[];
  /** Temperature and estimate that its laws are written for. */
  state: string;
}

const boardsOf = onceOf((_: Circuit): { board: Board | null } => ({ board: null }));

function boardFor(circuit: Circuit, options: NetworkOptions): Board {
  const state = `${options.celsius} ${options.estimate ?? "value"}`;
  const kept = boardsOf(circuit);
  const before = kept.board;
  if (before) {
    if (before.state !== state) {
      networkOf(circuit, options).branches.forEach((branch, k) => {
        putLaw(before.compiled, k, branch.model);
      });
      before.state = state;
    }
    return before;
  }
  const moving = movingOf(circuit, options);
  const apart = new Set<number>();
  for (const { element, first } of moving) {
    // Off it is a leak, on it holds a voltage.
    if (element.kind !== "converter") continue;
    const { length } = insideOf(element).branches(element, options);
    for (let i = 0; i < length; i += 1) apart.add(first + i);
  }
  const board = { compiled: compileTied(networkOf(circuit, options), apart), moving, state };
  kept.board = board;
  return board;
}

/** A circuit's arrays with a position in them: what moves, and the voltages of the posts. */
export function boardOf(circuit: Circuit, options: NetworkOptions): Compiled {
  const board = boardFor(circuit, options);
  for (const { element, first } of board.moving) {
    insideOf(element)
      .branches(element, options)
      .forEach((branch, i) => {
        putLaw(board.compiled, first + i, branch.model);
      });
  }
  if (board.compiled.outgrown.length > 0) {
    board.compiled = compileTied(networkOf(circuit, options), apartOf(board.compiled));
  }
  for (const post of circuit.posts) {
    hold(board.compiled, post.node, postV(post, options.position));
  }
  return board.compiled;
}
