import { GROUND } from "../circuit/index.ts";
import { asId, type ElementId, type NodeId } from "../job/index.ts";
import { LEAK_OHM } from "../solve/defaults.ts";
import type { Network, NetworkBranch } from "./network.ts";

/**
 * A network with what hangs on nothing tied to ground by a leak: a wrong wiring may part something from everything else,
 * which is dead then, and what is left is to be solved all the same. Networks of which nothing does are left as they are.
 */
export function tieLoose(network: Network): Network {
  const next = new Map<NodeId, NodeId[]>();
  const join = (a: NodeId, b: NodeId): void => {
    const others = next.get(a);
    if (others) others.push(b);
    else next.set(a, [b]);
  };
  for (const { from, to } of network.branches) {
    join(from, to);
    join(to, from);
  }
  const reached = new Set<NodeId>();
  const walk = (start: NodeId): void => {
    const todo = [start];
    reached.add(start);
    for (let node = todo.pop(); node !== undefined; node = todo.pop()) {
      for (const other of next.get(node) ?? []) {
        if (reached.has(other)) continue;
        reached.add(other);
        todo.push(other);
      }
    }
  };
  for (const node of network.held.keys()) walk(node);
  const ties: NetworkBranch[] = [];
  for (const node of next.keys()) {
    if (reached.has(node)) continue;
    ties.push({
      ...{ id: asId<ElementId>(`loose.${node}`), from: node, to: GROUND },
      ...{ model: { kind: "resistor", ohm: LEAK_OHM }, words: "what hangs on nothing" },
    });
    walk(node);
  }
  return ties.length === 0 ? network : { ...network, branches: [...network.branches, ...ties] };
}
