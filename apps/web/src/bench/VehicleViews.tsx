import { memo, useMemo } from "react";
import {
  decimal,
  outerMeasures,
  type Mount,
  type VehicleKind,
  type VehicleSize,
  itemOf,
} from "@dragonet/core";
import { VehicleDrawing } from "../ui/picture/VehicleDrawing.tsx";
import {
  HEIGHT,
  LAMP_R,
  WIDTH,
  lampSpots,
  placeIn,
  seenFrom,
  type End,
  type SeenLamp,
} from "./lampSpots.ts";
import { LIGHT_HEX } from "./light.ts";

interface VehicleViewsProps {
  readonly lamps: readonly SeenLamp[];
  readonly kind: VehicleKind;
  readonly size: VehicleSize;
  /** Where lamps were measured to sit. */
  readonly mounts: readonly Mount[];
}

interface StillProps {
  readonly kind: VehicleKind;
  readonly measures: ReturnType<typeof outerMeasures>;
  readonly end: End;
}

/** The vehicle itself: no press moves it. */
const Still = memo(function Still({ kind, measures, end }: StillProps) {
  return (
    <VehicleDrawing {...{ kind, measures }} view={end} place={placeIn(measures)} ground="dusk" />
  );
});

function View({ lamps, kind, size, mounts, end }: VehicleViewsProps & { readonly end: End }) {
  const seen = seenFrom(lamps, end);
  const measures = useMemo(() => outerMeasures(size), [size]);
  const spots = lampSpots(seen, mounts, end, measures);
  const said = seen
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
      <path d={`M8 ${HEIGHT - 8}H${WIDTH - 8}`} stroke="#7e8b8a" strokeWidth="1.1" />
      <Still kind={kind} measures={measures} end={end} />
      {seen.map((lamp) => {
        const [x, y] = itemOf(spots, lamp.lampId);
        const level = Math.min(1, lamp.level);
        const colour = LIGHT_HEX[lamp.light];
        return (
          <g key={lamp.lampId}>
            <circle cx={x} cy={y} r={11} fill={colour} opacity={0.3 * level} />
            <circle cx={x} cy={y} r={LAMP_R} fill="#22292b" />
            <circle cx={x} cy={y} r={LAMP_R} fill={colour} opacity={level} />
            <circle cx={x} cy={y} r={LAMP_R} fill="none" stroke="#c6cfcc" strokeWidth="1.2" />
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
export const VehicleViews = memo(function VehicleViews(props: VehicleViewsProps) {
  return (
    <div className="mb-3 grid grid-cols-2 gap-2">
      <View {...props} end="front" />
      <View {...props} end="rear" />
    </div>
  );
});
