import type { ConnectorPin, Vehicle } from "./vehicle.ts";

/** One wire that was proved on a job, against what its profile says. */
export interface ProvedPin {
  /** As the profile has it; null where it does not know the wire. */
  readonly was: ConnectorPin | null;
  readonly now: ConnectorPin;
}

const same = (a: ConnectorPin, b: ConnectorPin): boolean =>
  JSON.stringify(Object.entries(a).sort()) === JSON.stringify(Object.entries(b).sort());

/** Wires of a job's vehicle that were proved there and that its profile does not have so: the comparison. */
export function provedPins(profile: Vehicle, vehicle: Vehicle): ProvedPin[] {
  return vehicle.pins
    .filter((pin) => pin.certainty === "proved")
    .flatMap((now): ProvedPin[] => {
      const was = profile.pins.find((pin) => pin.id === now.id) ?? null;
      return was && same(was, now) ? [] : [{ was, now }];
    });
}

/**
 * The profile with what was proved on a job written into it: known wires changed, new ones and
 * their connectors added at the end. What was only guessed on the job stays there, and nothing of
 * the profile is lost. In one step, so that the next job on the model starts from it.
 */
export function withProved(profile: Vehicle, vehicle: Vehicle): Vehicle {
  const proved = new Map(provedPins(profile, vehicle).map(({ now }) => [now.id, now]));
  const known = new Set<string>(profile.pins.map((pin) => pin.id));
  const added = [...proved.values()].filter((pin) => !known.has(pin.id));
  const plugs = new Set<string>(profile.connectors.map((c) => c.id));
  const wanted = new Set<string>([...proved.values()].map((pin) => pin.connectorId));
  const variants = new Set<string>(profile.variants.map((v) => v.id));
  const named = new Set<string>([...proved.values()].map((pin) => pin.variant));
  return {
    ...profile,
    variants: [
      ...profile.variants,
      ...vehicle.variants.filter((v) => !variants.has(v.id) && named.has(v.id)),
    ],
    connectors: [
      ...profile.connectors,
      ...vehicle.connectors.filter((c) => !plugs.has(c.id) && wanted.has(c.id)),
    ],
    pins: [...profile.pins.map((pin) => proved.get(pin.id) ?? pin), ...added],
  };
}
