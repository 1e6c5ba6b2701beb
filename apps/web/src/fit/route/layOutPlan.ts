import { itemAt } from "@dragonet/core";
import type { MapPlace, PlaceId, RoutePlan, SegmentId, Vehicle } from "@dragonet/core";
import { placeLabels, type Box } from "../../ui/picture/labels.ts";
import { LETTER, planFrame } from "../../ui/picture/planFrame.ts";

/** Units of the picture for each metre of the vehicle. */
export const SCALE = 260;
export const EDGE = 46;
export const TEXT = 13;
/** From the middle of one number to that of another, so that they do not touch. */
const BADGE = 22;
interface Label extends Box {
  readonly place: MapPlace;
  readonly at: readonly [x: number, y: number];
}

interface Line {
  readonly a: readonly [number, number];
  readonly b: readonly [number, number];
}

interface Badge {
  readonly id: SegmentId;
  readonly line: Line;
  readonly x: number;
  readonly y: number;
}

/** Half of a place's square, and of a number with some air. */
const [PLACE_R, BADGE_R] = [5, 10];

/**
 * Where a number stands clear of those that stand already and of every place: on its stretch, or
 * beside it where that is too short.
 */
function clearSpot(
  a: readonly [number, number],
  b: readonly [number, number],
  others: readonly Badge[],
  places: readonly (readonly [number, number])[],
): { readonly x: number; readonly y: number } {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const long = Math.hypot(dx, dy) || 1;
  const spots = [0, 17, -17, 30, -30].flatMap((aside) =>
    [0.5, 0.35, 0.65, 0.25, 0.75].map((t) => ({
      x: a[0] + t * dx - (dy / long) * aside,
      y: a[1] + t * dy + (dx / long) * aside,
    })),
  );
  const room = ({ x, y }: { x: number; y: number }): number =>
    Math.min(
      0,
      ...others.map((o) => Math.hypot(o.x - x, o.y - y) - BADGE),
      ...places.map((p) => Math.hypot(p[0] - x, p[1] - y) - PLACE_R - BADGE_R),
    );
  return spots.reduce((best, spot) => (room(spot) > room(best) ? spot : best));
}

/** A line as little boxes, so close that no name fits between them. */
function alongLine(line: Line | null): Box[] {
  if (!line) return [];
  const { a, b } = line;
  const steps = Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / 8);
  return Array.from({ length: steps + 1 }, (_, i) => ({
    x: a[0] + ((b[0] - a[0]) * i) / Math.max(1, steps) - 1.5,
    y: a[1] + ((b[1] - a[1]) * i) / Math.max(1, steps) - 1.5,
    ...{ width: 3, height: 3 },
  }));
}

/** Where everything of the plan stands, so that no name and no number covers another. */
export function layOutPlan(vehicle: Vehicle, plan: RoutePlan) {
  const { places, segments, size } = vehicle;
  const { at: point, width, height } = planFrame(size, places, SCALE, EDGE);
  const at = (p: MapPlace): readonly [number, number] => point(p.backM, p.rightM);
  const byId = new Map<PlaceId, MapPlace>(places.map((p) => [p.id, p]));
  const ends = (fromId: PlaceId, toId: PlaceId) => {
    const [a, b] = [byId.get(fromId), byId.get(toId)];
    return a && b ? { a: at(a), b: at(b) } : null;
  };
  const badges: Badge[] = [];
  for (const { segment } of plan.segments) {
    const line = ends(segment.fromId, segment.toId);
    if (line)
      badges.push({ id: segment.id, ...clearSpot(line.a, line.b, badges, places.map(at)), line });
  }
  const dots = places.map((p) => {
    const [x, y] = at(p);
    return { x: x - 5, y: y - 5, width: 10, height: 10 };
  });
  const boxes = placeLabels(
    places.map((p) => ({
      at: at(p),
      radius: PLACE_R,
      width: p.name.length * TEXT * LETTER,
      height: TEXT + 2,
    })),
    [
      ...dots,
      ...badges.map((b) => ({ x: b.x - 10, y: b.y - 10, width: 20, height: 20 })),
      // A name over a stretch would hide how it runs.
      ...segments.flatMap(({ fromId, toId }) => alongLine(ends(fromId, toId))),
    ],
    { x: 2, y: 2, width: width - 4, height: height - 4 },
  );
  const labels = places.map((place, i): Label => ({ ...itemAt(boxes, i), place, at: at(place) }));
  return { at, point, ends, width, height, badges, labels };
}
