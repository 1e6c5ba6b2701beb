import { createJob, applyEdits } from "../job/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import type { Known } from "./modelKnowledge.ts";
import { vehicleFacts } from "./vehicleFacts.ts";

/**
 * A machine as a new job starts with it: what machines of its model have shown, where nobody has put a meter to
 * this one. What the profile has as measured was measured on another machine, too, unless it is this one.
 */
export function startFrom(profile: Vehicle, known: readonly Known[], machine: string): Vehicle {
  const one = { ...profile, machine };
  const itself = profile.machine !== "" && profile.machine === machine;
  if (itself) return one;
  const byKey = new Map(known.map((k) => [k.key, k]));
  const edits = vehicleFacts(one).flatMap(({ key, fact, set }) => {
    const { next } = byKey.get(key) ?? {};
    if (next) return [set(next)];
    return fact.provenance === "measured" ? [set({ ...fact, provenance: "sister" })] : [];
  });
  const made = applyEdits(createJob("", "", one), edits);
  return made.ok ? made.job.vehicle : one;
}
