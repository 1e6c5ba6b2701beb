import isEqual from "fast-deep-equal";
import { createJob, applyEdits, type Edit } from "../job/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import type { Known } from "./modelKnowledge.ts";
import { vehicleFacts } from "./vehicleFacts.ts";

/** What makes a vehicle's facts those that machines of its model have shown, where that is something else. */
export function takeKnown(
  vehicle: Vehicle,
  known: readonly Known[],
  {
    measured = false,
  }: { /** Also those that were measured on it. */ readonly measured?: boolean } = {},
): Edit[] {
  const next = new Map(known.map((one) => [one.key, one.next]));
  return vehicleFacts(vehicle).flatMap(({ key, fact, set }) => {
    const shown = next.get(key);
    if (!shown || (fact.provenance === "measured" && !measured)) return [];
    return isEqual(shown, fact) ? [] : [set(shown)];
  });
}

/**
 * A machine as a new job starts with it: what machines of its model have shown, where nobody has put a meter to
 * this one. What the profile has as measured was measured on another machine, too, unless it is this one.
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
