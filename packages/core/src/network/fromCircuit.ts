import { GROUND, type Circuit } from "../circuit/index.ts";
import type { NodeId } from "../job/index.ts";
import { insideOf } from "../unit/index.ts";
import type { Network } from "./network.ts";
import type { NetworkOptions } from "./options.ts";
import { postV, type Position } from "./position.ts";

/** Ground, and every post of battery and pack, with its voltage in a position. */
export function heldNodes(circuit: Circuit, position: Position): Map<NodeId, number> {
  const held = new Map<NodeId, number>([[GROUND, 0]]);
  for (const post of circuit.posts) held.set(post.node, postV(post, position));
  return held;
}

/** The network of a circuit in a position, its relays and converters as told. */
export const networkOf = (circuit: Circuit, options: NetworkOptions): Network => ({
  branches: [...circuit.elements.values()].flatMap((e) => insideOf(e).branches(e, options)),
  held: heldNodes(circuit, options.position),
});
