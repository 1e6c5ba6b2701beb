import { GROUND } from "../circuit/index.ts";
import { asId, type ElementId } from "../job/index.ts";
import { LEAK_OHM } from "../solve/defaults.ts";
import { floatingParts } from "./engine/compile.ts";
import type { Network, NetworkBranch } from "./network.ts";

/**
 * A network with what hangs on nothing tied to ground by leaks: a wrong wiring may part something from everything else,
 * which is dead then, and what is left is to be solved all the same. Networks of which nothing does are left as they are.
 */
export function tieLoose(network: Network): Network {
  const loose = floatingParts(network).flatMap((k) => network.branches[k] ?? []);
  if (loose.length === 0) return network;
  const nodes = new Set(loose.map(({ from }) => from));
  const ties = [...nodes].map((node): NetworkBranch => ({
    ...{ id: asId<ElementId>(`loose.${node}`), from: node, to: GROUND },
    ...{ model: { kind: "resistor", ohm: LEAK_OHM }, words: "what hangs on nothing" },
  }));
  return { ...network, branches: [...network.branches, ...ties] };
}
