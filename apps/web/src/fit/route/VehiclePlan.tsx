import type { MapPlace, PlaceId, RoutePlan, SegmentId, Vehicle } from "@dragonet/core";

interface VehiclePlanProps {
  readonly vehicle: Vehicle;
  readonly plan: RoutePlan;
  /** Number that each stretch with wires has in the table. */
  readonly numbers: ReadonlyMap<SegmentId, number>;
  /** Stretches whose protections are not all signed for. */
  readonly open: ReadonlySet<SegmentId>;
  /** Stretches of the wire that is looked at. */
  readonly shown: ReadonlySet<SegmentId>;
}

/** Units of the picture for each metre of the vehicle. */
const SCALE = 260;
const EDGE = 46;
const TEXT = 13;
/** From the middle of one number to that of another, so that they do not touch. */
const BADGE = 22;
/** Wires are drawn thicker than they are, or nobody would see them. */
const THICKER = 2.2;

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const overlap = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

interface Label extends Box {
  readonly place: MapPlace;
}

interface Badge {
  readonly id: SegmentId;
  readonly x: number;
  readonly y: number;
}

/** Where on its stretch a number stands clear of those that stand already. */
function clearSpot(
  a: readonly [number, number],
  b: readonly [number, number],
  others: readonly Badge[],
): { readonly x: number; readonly y: number } {
  const spots = [0.5, 0.35, 0.65, 0.25, 0.75].map((t) => ({
    x: a[0] + t * (b[0] - a[0]),
    y: a[1] + t * (b[1] - a[1]),
  }));
  const room = ({ x, y }: { x: number; y: number }): number =>
    Math.min(BADGE, ...others.map((o) => Math.hypot(o.x - x, o.y - y)));
  return spots.reduce((best, spot) => (room(spot) > room(best) ? spot : best));
}

/** Names beside their places, each on the side where it covers least. */
function labelsOf(
  places: readonly MapPlace[],
  at: (p: MapPlace) => readonly [number, number],
  taken: readonly Box[],
  frame: Box,
): Label[] {
  const done: Label[] = [];
  for (const place of places) {
    const [x, y] = at(place);
    const width = place.name.length * TEXT * 0.47;
    const height = TEXT + 2;
    const sides = [
      { x: x + 9, y: y - height / 2 },
      { x: x - 9 - width, y: y - height / 2 },
      { x: x - width / 2, y: y - 8 - height },
      { x: x - width / 2, y: y + 8 },
      { x: x + 7, y: y - 6 - height },
      { x: x + 7, y: y + 6 },
      { x: x - width - 7, y: y - 6 - height },
      { x: x - width - 7, y: y + 6 },
    ].map((spot) => ({ ...spot, width, height, place }));
    const cost = (box: Label): number =>
      [...done, ...taken].reduce((sum, b) => sum + overlap(box, b), 0) +
      (width * height - overlap(box, frame)) * 4;
    done.push(sides.reduce((best, s) => (cost(s) < cost(best) ? s : best)));
  }
  return done;
}

/**
 * The vehicle from above, its front at the left: the ways wires take, thicker where more lie
 * together, the factory loom drawn through and other ways dashed.
 */
export function VehiclePlan({ vehicle, plan, numbers, open, shown }: VehiclePlanProps) {
  const { places, segments, size } = vehicle;
  const backs = places.map((p) => p.backM);
  const rights = places.map((p) => p.rightM);
  const half = Math.max(size.widthM.value / 2, ...rights.map(Math.abs), 0.2);
  const [first, last] = [Math.min(0, ...backs), Math.max(size.lengthM.value, ...backs)];
  const at = (p: MapPlace): readonly [number, number] => [
    EDGE + (p.backM - first) * SCALE,
    EDGE + (half - p.rightM) * SCALE,
  ];
  const width = (last - first) * SCALE + 2 * EDGE;
  const height = 2 * half * SCALE + 2 * EDGE;
  const byId = new Map<PlaceId, MapPlace>(places.map((p) => [p.id, p]));
  const ends = (fromId: PlaceId, toId: PlaceId) => {
    const [a, b] = [byId.get(fromId), byId.get(toId)];
    return a && b ? { a: at(a), b: at(b) } : null;
  };
  const used = new Map(plan.segments.map((s) => [s.segment.id, s]));
  const badges: Badge[] = [];
  for (const { segment } of plan.segments) {
    const line = ends(segment.fromId, segment.toId);
    if (line) badges.push({ id: segment.id, ...clearSpot(line.a, line.b, badges) });
  }
  const dots = places.map((p) => {
    const [x, y] = at(p);
    return { x: x - 5, y: y - 5, width: 10, height: 10 };
  });
  const labels = labelsOf(
    places,
    at,
    [...dots, ...badges.map((b) => ({ x: b.x - 10, y: b.y - 10, width: 20, height: 20 }))],
    { x: 2, y: 2, width: width - 4, height: height - 4 },
  );
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="mx-auto w-full min-w-xl"
      style={{ maxHeight: "24rem" }}
      role="img"
      aria-label={`Plan of the ${vehicle.model} from above: wires lie in ${plan.segments.length} of ${segments.length} stretches; the table tells each`}
      fontSize={TEXT}
    >
      <rect
        x={EDGE - first * SCALE}
        y={EDGE + (half - size.widthM.value / 2) * SCALE}
        width={size.lengthM.value * SCALE}
        height={size.widthM.value * SCALE}
        rx={0.12 * SCALE}
        className="fill-none stroke-hair"
        strokeWidth={1.5}
      />
      <text x={EDGE} y={18} className="fill-muted">
        front
      </text>
      <text x={width / 2} y={18} textAnchor="middle" className="fill-muted">
        right-hand side
      </text>
      <text x={width / 2} y={height - 8} textAnchor="middle" className="fill-muted">
        left-hand side
      </text>
      {segments.map((segment) => {
        const line = ends(segment.fromId, segment.toId);
        if (!line) return null;
        const wires = used.get(segment.id);
        return (
          <line
            key={segment.id}
            x1={line.a[0]}
            y1={line.a[1]}
            x2={line.b[0]}
            y2={line.b[1]}
            strokeWidth={
              wires ? Math.max(shown.has(segment.id) ? 5 : 2, wires.diameterM * SCALE * THICKER) : 1
            }
            strokeDasharray={segment.factory ? undefined : "7 4"}
            className={
              shown.has(segment.id) ? "stroke-accent" : wires ? "stroke-ink" : "stroke-edge"
            }
          />
        );
      })}
      {places.map((p) => {
        const [x, y] = at(p);
        return (
          <rect
            key={p.id}
            x={x - 4}
            y={y - 4}
            width={8}
            height={8}
            className="fill-paper stroke-ink"
            strokeWidth={1.5}
          />
        );
      })}
      {labels.map(({ place, x, y, width: w, height: h }) => (
        <g key={place.id}>
          <rect x={x - 1} y={y} width={w + 2} height={h} className="fill-paper" opacity={0.8} />
          <text x={x} y={y + h - 4} className="fill-ink">
            {place.name}
          </text>
        </g>
      ))}
      {badges.map(({ id, x, y }) => (
        <g key={id}>
          <circle
            cx={x}
            cy={y}
            r={9.5}
            strokeWidth={1.3}
            className={`stroke-ink ${open.has(id) ? "fill-ink" : "fill-paper"}`}
          />
          <text
            x={x}
            y={y + 4}
            textAnchor="middle"
            fontSize={11}
            className={open.has(id) ? "fill-paper" : "fill-ink"}
          >
            {numbers.get(id)}
          </text>
        </g>
      ))}
    </svg>
  );
}
