import isEqual from "fast-deep-equal";
import { createJob, applyEdits, type Edit } from "../job/index.ts";
import type { BoundedValue } from "../quantity/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import type { Known } from "./modelKnowledge.ts";
import { vehicleFacts } from "./vehicleFacts.ts";

/** What this very machine showed when it was here before; null where it was not, or nobody named it. */
function ownOf({ measurements }: Known, machine: string): BoundedValue | null {
  if (machine === "") return null;
  const own = measurements.find((m) => m.from === "" && m.machine === machine);
  if (!own || own.value === null || own.low === null || own.high === null) return null;
  return { value: own.value, low: own.low, high: own.high, provenance: "measured" };
}

/**
 * What makes a vehicle's facts those that were measured on it when it was here before, or that machines of its
 * model have shown, where that is something else.
 */
export function takeKnown(
  vehicle: Vehicle,
  known: readonly Known[],
  {
    measured = false,
  }: { /** Also those that were measured on it. */ readonly measured?: boolean } = {},
): Edit[] {
  const { machine } = vehicle;
  const next = new Map(known.map((one) => [one.key, ownOf(one, machine) ?? one.next]));
  return vehicleFacts(vehicle).flatMap(({ key, fact, set }) => {
    const shown = next.get(key);
    if (!shown || (fact.provenance === "measured" && !measured)) return [];
    return isEqual(shown, fact) ? [] : [set(shown)];
  });
}

/**
 * A machine as a new job starts with it: what was measured on it before, else what machines of its model have
 * shown. What the profile has as measured was measured on another machine, too, unless it is this one.
 */
export function startFrom(profile: Vehicle, known: readonly Known[], machine: string): Vehicle {
  const one = { ...profile, machine };
  const itself = profile.machine !== "" && profile.machine === machine;
  if (itself) return one;
  const copied = vehicleFacts(one).flatMap(({ fact, set }) =>
    fact.provenance === "measured" ? [set({ ...fact, provenance: "sister" })] : [],
  );
  const made = applyEdits(createJob("", "", one), [
    ...copied,
    ...takeKnown(one, known, { measured: true }),
  ]);
  return made.ok ? made.job.vehicle : one;
}
