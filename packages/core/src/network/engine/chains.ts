/* oxlint-disable typescript/no-non-null-assertion -- each index is a member of the chain that was just walked */
import type { NodeId } from "../../job/index.ts";
import type { Network } from "../network.ts";

/**
 * Resistors in a row with nothing else at the nodes between them: a fuse, a wire, a contact, a wire.
 * To the rest of the network they are one resistance, and most of a vehicle's nodes lie within one.
 */
export interface Chain {
  /** Numbers of its branches, from one end to the other. */
  readonly members: readonly number[];
  /** For each, 1 where it lies along the chain, −1 where it lies against it. */
  readonly along: readonly number[];
  /** Nodes between its branches. */
  readonly between: readonly NodeId[];
  readonly from: NodeId;
  readonly to: NodeId;
}

/** Free nodes at which two branches meet that may be joined, and nothing else, with the two. */
function innerNodes(network: Network, joins: Uint8Array): Map<NodeId, [number, number]> {
  const meeting = new Map<NodeId, number[]>();
  network.branches.forEach(({ from, to }, k) => {
    for (const node of [from, to]) {
      const here = meeting.get(node);
      if (here) here.push(k);
      else meeting.set(node, [k]);
    }
  });
  const inner = new Map<NodeId, [number, number]>();
  for (const [node, here] of meeting) {
    const [a, b] = here;
    if (here.length !== 2 || a === undefined || b === undefined || a === b) continue;
    if (!network.held.has(node) && joins[a] && joins[b]) inner.set(node, [a, b]);
  }
  return inner;
}

/** The chains of a network, of the branches that `joins` says may be joined. */
export function chainsOf(network: Network, joins: Uint8Array): Chain[] {
  const { branches } = network;
  const inner = innerNodes(network, joins);
  const taken = new Set<NodeId>();
  const farEnd = (k: number, node: NodeId): NodeId =>
    branches[k]!.from === node ? branches[k]!.to : branches[k]!.from;
  /** From a node through a branch to the end of its chain, or round to the node itself. */
  const walk = (start: NodeId, first: number): { nodes: NodeId[]; members: number[] } => {
    const [nodes, members] = [[], [first]] as [NodeId[], number[]];
    let k = first;
    for (let at = farEnd(k, start); ; at = farEnd(k, at)) {
      nodes.push(at);
      const pair = inner.get(at);
      if (!pair || at === start) return { nodes, members };
      k = pair[0] === k ? pair[1] : pair[0];
      members.push(k);
    }
  };
  const chains: Chain[] = [];
  for (const [start, [left, right]] of inner) {
    if (taken.has(start)) continue;
    const after = walk(start, right);
    const isRing = after.nodes.at(-1) === start;
    const before = isRing ? { nodes: [start], members: [] } : walk(start, left);
    const nodes = [...before.nodes.toReversed(), ...(isRing ? [] : [start]), ...after.nodes];
    const members = [...before.members.toReversed(), ...after.members];
    const between = nodes.slice(1, -1);
    // A ring hangs on nothing: one node of it stands for all.
    for (const node of isRing ? nodes : between) taken.add(node);
    chains.push({
      members,
      along: members.map((k, i) => (branches[k]!.from === nodes[i] ? 1 : -1)),
      between,
      from: nodes[0]!,
      to: nodes.at(-1)!,
    });
  }
  return chains;
}
