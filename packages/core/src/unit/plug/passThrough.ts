import { harnessOf } from "../../job/index.ts";
import { piece, type ThingSpec } from "../thing.ts";

/** A harness between the halves of factory connectors: two plugs at each, and leads for what is added. */
export const passThroughUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.8,
  fitMin: 5,
  pieces: (unit, _insides, job) => {
    const harness = harnessOf(job, unit.ownerId);
    if (!harness) return [piece(unit.name)];
    const parts = harness.joints.flatMap(({ connectorId, mark }) => {
      const connector = job.vehicle.connectors.find((c) => c.id === connectorId);
      return connector ? [mark === "" ? connector.name : `${connector.name}: ${mark}`] : [];
    });
    return [piece(harness.name, `between the halves of ${parts.join(", ")}`)];
  },
};
