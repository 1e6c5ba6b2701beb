import { GROUND } from "../circuit/index.ts";
import { asId, type ElementId } from "../job/index.ts";
import type { Network, NetworkBranch } from "../network/index.ts";
import { SHORT_OHM, type FaultSpec } from "../unit/index.ts";

/** What of a fault changes the network. */
export type FaultChange = Pick<FaultSpec, "ohms" | "touches">;

/** The network with faults in it, one or several at once. */
export function withFaults(network: Network, faults: readonly FaultChange[]): Network {
  const changed = new Map(faults.flatMap(({ ohms }) => ohms));
  const branches = network.branches.map((b): NetworkBranch => {
    const ohm = changed.get(b.id);
    return ohm === undefined ? b : { ...b, model: { kind: "resistor", ohm } };
  });
  faults.forEach(({ touches }, i) => {
    if (touches === null) return;
    branches.push({
      ...{ id: asId<ElementId>(`chafe${i}`), from: touches, to: GROUND, words: "chafe" },
      model: { kind: "resistor", ohm: SHORT_OHM },
    });
  });
  return { ...network, branches };
}
