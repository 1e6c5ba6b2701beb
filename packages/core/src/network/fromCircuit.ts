import { GROUND, type Circuit, type Element } from "../circuit/index.ts";
import { onceOf, type NodeId } from "../job/index.ts";
import { insideOf } from "../unit/index.ts";
import type { Network, NetworkBranch } from "./network.ts";
import type { NetworkOptions } from "./options.ts";
import { postV, type Position } from "./position.ts";

/** Ground, and every post of battery and pack, with its voltage in a position. */
export function heldNodes(circuit: Circuit, position: Position): Map<NodeId, number> {
  const held = new Map<NodeId, number>([[GROUND, 0]]);
  for (const post of circuit.posts) held.set(post.node, postV(post, position));
  return held;
}

/** Branches that are the same in every position, and the elements between them that are not. */
type Parts = readonly (Element | readonly NetworkBranch[])[];

const partsByState = onceOf((_: Circuit) => new Map<string, Parts>());

/** A circuit by what moves in it, made once for a temperature and an estimate. */
function partsOf(circuit: Circuit, options: NetworkOptions): Parts {
  const state = `${options.celsius} ${options.estimate ?? "value"}`;
  const byState = partsByState(circuit);
  const before = byState.get(state);
  if (before) return before;
  const parts: (Element | NetworkBranch[])[] = [];
  for (const element of circuit.elements.values()) {
    const spec = insideOf(element);
    if (spec.moves) parts.push(element);
    else {
      const last = parts.at(-1);
      const own = spec.branches(element, options);
      if (Array.isArray(last)) last.push(...own);
      else parts.push([...own]);
    }
  }
  byState.set(state, parts);
  return parts;
}

/** An element whose branches change with the position, and where they begin among those of the network. */
export interface Moving {
  readonly element: Element;
  readonly first: number;
}

/** What moves in a circuit's network, in its order. */
export function movingOf(circuit: Circuit, options: NetworkOptions): Moving[] {
  const moving: Moving[] = [];
  let first = 0;
  for (const part of partsOf(circuit, options)) {
    if ("kind" in part) {
      moving.push({ element: part, first });
      first += insideOf(part).branches(part, options).length;
    } else first += part.length;
  }
  return moving;
}

/** The network of a circuit in a position, its relays and converters as told. */
export function networkOf(circuit: Circuit, options: NetworkOptions): Network {
  const branches: NetworkBranch[] = [];
  for (const part of partsOf(circuit, options)) {
    if ("kind" in part) branches.push(...insideOf(part).branches(part, options));
    else for (const branch of part) branches.push(branch);
  }
  return { branches, held: heldNodes(circuit, options.position) };
}
