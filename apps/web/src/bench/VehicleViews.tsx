import { decimal, type StripLamp, type VehicleKind } from "@dragonet/core";
import { LIGHT_HEX } from "./light.ts";
import { VehicleOutline } from "./VehicleOutline.tsx";

const WIDTH = 150;
const HEIGHT = 92;

/** What a view needs to know of a lamp. */
export type SeenLamp = Pick<StripLamp, "lampId" | "label" | "light" | "family" | "place" | "level">;

/** Lamps seen from one end, in the order they were fitted. */
const seen = (lamps: readonly SeenLamp[], end: "front" | "rear"): SeenLamp[] =>
  lamps.filter(
    (l) => l.family === "lamp" && (l.place === end || l.place === "left" || l.place === "right"),
  );

type End = "front" | "rear";

/** Where a lamp is drawn: along the middle in rows, or down its side of the vehicle. */
function placeOf(lamp: SeenLamp, lamps: readonly SeenLamp[], end: End): [number, number] {
  const same = lamps.filter((l) => l.place === lamp.place);
  const index = same.indexOf(lamp);
  if (lamp.place === "left" || lamp.place === "right") {
    // Seen from behind, the vehicle's left is on the left; seen from the front on the right.
    const onLeft = (lamp.place === "left") === (end === "rear");
    const [column, row] = [Math.floor(index / 4), index % 4];
    const x = 18 + column * 15;
    return [onLeft ? x : WIDTH - x, 26 + row * 16];
  }
  const row = Math.floor(index / 5);
  const inRow = Math.min(5, same.length - row * 5);
  return [WIDTH / 2 + ((index % 5) - (inRow - 1) / 2) * 22, 34 + row * 17];
}

function View({ all, end, kind }: { all: readonly SeenLamp[]; end: End; kind: VehicleKind }) {
  const lamps = seen(all, end);
  const said = lamps
    .map((l) => `${l.label} ${l.level < 0.05 ? "dark" : `${decimal(l.level * 100, 0)} %`}`)
    .join(", ");
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={`${end}: ${said === "" ? "no lamps" : said}`}
    >
      {/* Dusk behind the vehicle in both themes: light is seen against dark. */}
      <rect width={WIDTH} height={HEIGHT} fill="#22292b" rx="3" />
      <g fill="none" stroke="#7e8b8a" strokeWidth="1.2">
        <VehicleOutline kind={kind} end={end} width={WIDTH} height={HEIGHT} />
      </g>
      {lamps.map((lamp) => {
        const [x, y] = placeOf(lamp, lamps, end);
        const level = Math.min(1, lamp.level);
        const colour = LIGHT_HEX[lamp.light];
        return (
          <g key={lamp.lampId}>
            <circle cx={x} cy={y} r="11" fill={colour} opacity={0.3 * level} />
            <circle cx={x} cy={y} r="6" fill={colour} opacity={level} stroke="none" />
            <circle cx={x} cy={y} r="6" fill="none" stroke="#c6cfcc" strokeWidth="1.2" />
            <title>{`${lamp.label}: ${decimal(level * 100, 0)} %`}</title>
          </g>
        );
      })}
      <text x="6" y="13" fontSize="10" fill="#c6cfcc">
        {end}
      </text>
    </svg>
  );
}

/** The vehicle from the front and from behind, each lamp in its colour, as bright as solved. */
export function VehicleViews({ lamps, kind }: { lamps: readonly SeenLamp[]; kind: VehicleKind }) {
  return (
    <div className="mb-3 grid grid-cols-2 gap-2">
      <View all={lamps} end="front" kind={kind} />
      <View all={lamps} end="rear" kind={kind} />
    </div>
  );
}
