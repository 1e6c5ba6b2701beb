import { itemOf } from "../present/index.ts";
import type { Hazard, MapPlace, MapSegment } from "../vehicle/index.ts";
import type { PlaceId } from "../job/index.ts";

/** A way over the map: places from one end to the other, and the stretches between them. */
export interface MapWay {
  readonly places: readonly PlaceId[];
  readonly segments: readonly MapSegment[];
  /** What it was chosen by, in m: not its length. */
  readonly cost: number;
}

/** A stretch beside the factory loom counts as so much longer: somebody has proved the loom's path. */
const OWN_PATH = 1.5;
/** What a hazard is worth going round for, in m. Common practice; the figures are assumed. */
const DETOUR_M: Readonly<Record<Hazard, number>> = {
  fork: 0.1,
  suspension: 0.1,
  seat: 0.05,
  moving: 0.5,
  sharp: 0.2,
  panel: 0.05,
  hot: 0.6,
  water: 0.1,
};

/** What a stretch is chosen by, in m. */
export const costOf = (segment: MapSegment): number =>
  segment.lengthM.value * (segment.factory ? 1 : OWN_PATH) +
  segment.hazards.reduce((sum, hazard) => sum + DETOUR_M[hazard], 0);

interface Reached {
  readonly cost: number;
  readonly by: MapSegment | null;
  readonly before: PlaceId | null;
}

/** Cheapest ways from one place to every other that is connected with it (Dijkstra, 1959). */
export function waysFrom(
  places: readonly MapPlace[],
  segments: readonly MapSegment[],
  from: PlaceId,
): ReadonlyMap<PlaceId, MapWay> {
  const reached = new Map<PlaceId, Reached>();
  if (!places.some((p) => p.id === from)) return new Map();
  reached.set(from, { cost: 0, by: null, before: null });
  const settled = new Set<PlaceId>();
  for (;;) {
    let here: PlaceId | null = null;
    let least = Infinity;
    for (const [id, { cost }] of reached) {
      if (!settled.has(id) && cost < least) [here, least] = [id, cost];
    }
    if (here === null) break;
    settled.add(here);
    for (const segment of segments) {
      const next =
        segment.fromId === here ? segment.toId : segment.toId === here ? segment.fromId : null;
      if (next === null || settled.has(next)) continue;
      const cost = least + costOf(segment);
      if (cost < (reached.get(next)?.cost ?? Infinity)) {
        reached.set(next, { cost, by: segment, before: here });
      }
    }
  }
  const ways = new Map<PlaceId, MapWay>();
  for (const id of settled) {
    const list: PlaceId[] = [];
    const along: MapSegment[] = [];
    for (let at: PlaceId | null = id; at !== null;) {
      const step: Reached = itemOf(reached, at);
      list.unshift(at);
      if (step.by) along.unshift(step.by);
      at = step.before;
    }
    ways.set(id, { places: list, segments: along, cost: itemOf(reached, id).cost });
  }
  return ways;
}
