import {
  adoptPart,
  append,
  asId,
  createCircuit,
  type Condition,
  type LightingCircuit,
} from "../../job/index.ts";
import type { LoadPart } from "../../part/index.ts";
import { from, when } from "./jobMaker.ts";
import type { FitMaker } from "./fitMaker.ts";
import { driven, exact, knob, load, on, pin } from "../reference/referenceParts.ts";
import { CARRICK } from "../vehicles.ts";

/** Says that what several circuits are fed through is asked about. */
export const SHARED_TAP = "port";

/**
 * A position ring that comes on with the key beside a spot on its own switch, both behind one tap
 * and one fuse of the accessory port: neither has a fuse of its own.
 */
export function sharedTap(): FitMaker {
  const maker = on(CARRICK).supply(SHARED_TAP, "Accessory port", "fuse-block-6", {
    feed: pin("outlet-key"),
    feedM: exact(0.3),
  });
  const own = knob(10);
  maker.do(...adoptPart(maker.job, own));
  const lit = (
    id: string,
    part: LoadPart,
    condition: Condition,
    fields: Partial<LightingCircuit>,
  ): void => {
    maker.do(...adoptPart(maker.job, part));
    maker.do(
      append(maker.job, "run", {
        ...createCircuit(asId(id), id, maker.job.vehicle, "front", condition),
        ...{ feed: from(SHARED_TAP), return: "wire", fuse: { kind: "none" }, relay: "auto" },
        ...{ feedM: exact(0.1), loadM: exact(0.2), branchM: exact(0.1), controlM: exact(0.1) },
        ...fields,
      }),
      append(maker.job, "lamp", {
        ...{ id: asId<never>(`${id}-lamp`), label: id, partId: part.id, runId: asId(id) },
        ...{ place: "front", light: "main", housing: "", lengthM: 0, at: "", replaces: "" },
        ...{ joint: "splice", factory: false },
      }),
    );
  };
  lit("ring", load("position ring", driven(16.2)), when("key"), {});
  lit("spot", load("spot", driven(28.35)), when("switch", "key"), { switchPartId: own.id });
  return maker;
}
