import {
  asId,
  type BranchModel,
  type ElementId,
  type Network,
  type NetworkResult,
  type NodeId,
  type SolvedNetwork,
} from "../src/index.ts";

export const node = (name: string): NodeId => asId<NodeId>(name);
export const ohm = (value: number): BranchModel => ({ kind: "resistor", ohm: value });

/** A network from lines "name from to law", with nodes held at voltages. */
export function net(
  held: Record<string, number>,
  ...branches: readonly (readonly [string, string, string, BranchModel])[]
): Network {
  return {
    held: new Map(Object.entries(held).map(([n, v]) => [node(n), v])),
    branches: branches.map(([id, from, to, model]) => ({
      id: asId<ElementId>(id),
      from: node(from),
      to: node(to),
      model,
      words: id,
    })),
  };
}

/** The answer of a network that has one. */
export function solved(result: NetworkResult): SolvedNetwork {
  if (result.kind !== "solved") throw new Error(result.kind);
  return result;
}
