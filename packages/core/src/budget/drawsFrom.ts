import { itemAt } from "../present/index.ts";
import type { Circuit, Root, LaidCircuit } from "../circuit/index.ts";

/** Which battery a run is a load on: the 12 V one, the traction pack, or one of its own. */
export type DrawsFrom = "battery" | "pack" | "own";

const ofRoot = (root: Root): DrawsFrom =>
  root.kind === "battery" ? "battery" : root.kind === "pack" ? "pack" : "own";

/** Follows a run's feed back through its trunks to what stands at their beginning. */
export function drawsFrom(circuit: Circuit, run: LaidCircuit): DrawsFrom {
  const first = run.feedShared[0];
  const feeder = first && circuit.feeders.find((t) => t.path.includes(first));
  if (!feeder) return ofRoot(run.root);
  const own = circuit.elements.get(itemAt(feeder.path, 0))?.kind === "battery";
  return own ? "own" : ofRoot(feeder.feedRoot);
}
