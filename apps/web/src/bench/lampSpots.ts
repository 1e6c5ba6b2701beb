import { rightOf, type Measures, type Mount, type DiagramLamp } from "@dragonet/core";

/** What a view needs to know of a lamp. */
export type SeenLamp = Pick<
  DiagramLamp,
  "lampId" | "label" | "light" | "family" | "place" | "level"
>;
export type End = "front" | "rear";

export const WIDTH = 150;
export const HEIGHT = 100;
/** Half of a lamp's picture, and what two lie apart at the least. */
export const LAMP_R = 6;
const APART = 2 * LAMP_R + 1;
const GROUND = HEIGHT - 8;

type Spot = readonly [x: number, y: number];

/** Units of the picture for each metre of the vehicle: all of it fits, whatever its measures. */
export const scaleOf = ({ width, height }: Measures): number =>
  Math.min((WIDTH - 30) / width, (GROUND - 16) / height);

/** Where a point of the view lies in the picture: m right of the middle, m above the ground. */
export const placeIn =
  (measures: Measures) =>
  ([right, up]: Spot): Spot => {
    const scale = scaleOf(measures);
    return [WIDTH / 2 + right * scale, GROUND - up * scale];
  };

/** Lamps seen from one end, in the order they were fitted. */
export const seenFrom = (lamps: readonly SeenLamp[], end: End): SeenLamp[] =>
  lamps.filter(
    (l) => l.family === "lamp" && (l.place === end || l.place === "left" || l.place === "right"),
  );

const within = ([x, y]: Spot): boolean =>
  x >= LAMP_R + 1 && x <= WIDTH - LAMP_R - 1 && y >= 15 + LAMP_R && y <= GROUND - LAMP_R;

/** Spots from the wanted one outwards, ring by ring. */
function* around([x, y]: Spot): Generator<Spot> {
  yield [x, y];
  for (let r = 2; r < WIDTH; r += 2) {
    const steps = Math.max(8, Math.round((r * 6) / 4));
    for (let i = 0; i < steps; i += 1) {
      const turn = (2 * Math.PI * i) / steps;
      yield [x + r * Math.cos(turn), y + r * Math.sin(turn)];
    }
  }
}

/** How high a lamp usually sits, in m above the ground. */
const USUAL_M = 0.75;
/** How far beside the vehicle's edge one of its sides is drawn, in units of the picture. */
const BESIDE = 5;

/** Where a lamp that nobody measured would be looked for: in rows across the middle, or at its edge. */
function usualSpot(lamp: SeenLamp, same: readonly SeenLamp[], end: End, measures: Measures): Spot {
  const index = same.indexOf(lamp);
  const high = Math.min(USUAL_M, 0.8 * measures.height);
  const [edge, y] = placeIn(measures)([measures.width / 2, high]);
  if (lamp.place === "left" || lamp.place === "right") {
    // Seen from behind, the vehicle's left is on the left; seen from the front on the right.
    const onLeft = (lamp.place === "left") === (end === "rear");
    const x = edge + BESIDE + Math.floor(index / 3) * 15;
    return [onLeft ? WIDTH - x : x, y + (index % 3) * 15];
  }
  const row = Math.floor(index / 5);
  const inRow = Math.min(5, same.length - row * 5);
  return [WIDTH / 2 + ((index % 5) - (inRow - 1) / 2) * 20, y + row * 15];
}

/**
 * Where each lamp is drawn: where the tape says, or where it would be looked for; none over another
 * while there is room, those that were measured first.
 */
export function lampSpots(
  lamps: readonly SeenLamp[],
  mounts: readonly Mount[],
  end: End,
  measures: Measures,
): ReadonlyMap<string, Spot> {
  const place = placeIn(measures);
  const byLamp = new Map(mounts.map((m) => [m.lampId, m]));
  const wanted = lamps.map((lamp) => {
    const mount = byLamp.get(lamp.lampId);
    if (!mount) {
      const same = lamps.filter((l) => l.place === lamp.place && !byLamp.has(l.lampId));
      return { lamp, measured: false, at: usualSpot(lamp, same, end, measures) };
    }
    const right = end === "rear" ? rightOf(mount) : -rightOf(mount);
    return { lamp, measured: true, at: place([right, mount.heightM.value]) };
  });
  wanted.sort((a, b) => Number(b.measured) - Number(a.measured));
  const spots = new Map<string, Spot>();
  for (const { lamp, at } of wanted) {
    const isFree = (spot: Spot): boolean =>
      within(spot) &&
      [...spots.values()].every((s) => Math.hypot(s[0] - spot[0], s[1] - spot[1]) >= APART);
    let found = at;
    for (const spot of around(at)) {
      if (!isFree(spot)) continue;
      found = spot;
      break;
    }
    spots.set(lamp.lampId, found);
  }
  return spots;
}
