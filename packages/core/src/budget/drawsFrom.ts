import type { Circuit, Root, RunCircuit } from "../circuit/index.ts";

/** Which battery a run is a load on: the 12 V one, the traction pack, or one of its own. */
export type DrawsFrom = "battery" | "pack" | "own";

const ofRoot = (root: Root): DrawsFrom =>
  root.kind === "battery" ? "battery" : root.kind === "pack" ? "pack" : "own";

/** Follows a run's feed back through its trunks to what stands at their beginning. */
export function drawsFrom(circuit: Circuit, run: RunCircuit): DrawsFrom {
  const first = run.feedShared[0];
  const trunk = first && circuit.trunks.find((t) => t.path.includes(first));
  if (!trunk) return ofRoot(run.root);
  const own = circuit.elements.get(trunk.path[0]!)?.kind === "battery";
  return own ? "own" : ofRoot(trunk.feedRoot);
}
