import type { Lamp } from "@dragonet/core";
import type { SeenLamp } from "./lampSpots.ts";

/**
 * Lamps as they are seen: levels of one colour in one housing are one light, as bright as the
 * brightest of them.
 */
export function inHousings(seen: readonly SeenLamp[], lamps: readonly Lamp[]): SeenLamp[] {
  const hostOf = new Map<string, string>(lamps.map((lamp) => [lamp.id, lamp.housing]));
  const lights = new Map<string, SeenLamp>();
  for (const lamp of seen) {
    const host = hostOf.get(lamp.lampId) ?? "";
    const key = `${host === "" ? lamp.lampId : host} ${lamp.light}`;
    const before = lights.get(key);
    if (!before) lights.set(key, lamp);
    else if (lamp.level > before.level) lights.set(key, { ...before, level: lamp.level });
  }
  return [...lights.values()];
}
