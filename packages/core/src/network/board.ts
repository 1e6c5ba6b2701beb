import type { Circuit, Element } from "../circuit/index.ts";
import { insideOf } from "../unit/index.ts";
import { compile, hold, putLaw, type Compiled } from "./engine/compile.ts";
import { networkOf } from "./fromCircuit.ts";
import type { Network } from "./network.ts";
import type { NetworkOptions } from "./options.ts";
import { postV } from "./position.ts";

const shaped = new WeakMap<Circuit, Map<string, Compiled>>();

/** A changed network in flat arrays, from before where its shape is known. */
export function compiledAs(
  circuit: Circuit,
  shape: string | undefined,
  network: Network,
): Compiled {
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

function boardFor(circuit: Circuit, options: NetworkOptions): Board {
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
  for (const post of circuit.posts) {
    hold(board.compiled, post.node, postV(post, options.position));
  }
  return board.compiled;
}

/** A changed network in flat arrays, with what it holds now. */
export function changedBoard(known: Compiled, network: Network): Compiled {
  network.branches.forEach((branch, k) => putLaw(known, k, branch.model));
  for (const [node, volts] of network.held) hold(known, node, volts);
  return known;
}
