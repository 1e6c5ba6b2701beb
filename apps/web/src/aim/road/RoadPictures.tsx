import { memo } from "react";
import { oncomingEyes, outerMeasures, type Aiming, type Vehicle } from "@dragonet/core";
import { VehicleDrawing } from "../../ui/picture/VehicleDrawing.tsx";
import type { Isolux } from "../../worker/light.ts";
import { CHALK, DARK, HALO, IsoluxAreas, IsoluxNames } from "./isolux.tsx";

interface Props {
  readonly lines: readonly Isolux[];
  readonly keeps: Aiming["keeps"];
  readonly name: string;
}

const [LONG_M, WIDE_M] = [120, 24];
const [WIDTH, HEIGHT] = [1000, 220];
/** Room for the vehicle behind where the road begins. */
const LEFT = 34;
/** Half a lane's width to each side of a road of two lanes, m. */
const LANE_M = 3.5;

/** The road from above, the vehicle at the left to its own measures, every twenty metres a line. */
export const RoadFromAbove = memo(function RoadFromAbove({
  lines,
  keeps,
  name,
  vehicle,
}: Props & { vehicle: Vehicle }) {
  const x = (ahead: number): number => LEFT + (ahead / LONG_M) * (WIDTH - LEFT);
  const y = (right: number): number => HEIGHT / 2 + (right / WIDE_M) * HEIGHT;
  const project = (right: number, along: number) =>
    Math.abs(right) > WIDE_M ? null : ([x(along), y(right)] as const);
  const far = keeps === "right" ? -LANE_M : LANE_M;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={`${name} from above: lines of equal light over ${LONG_M} m of road`}
    >
      <rect width={WIDTH} height={HEIGHT} fill={DARK} />
      {[-LANE_M / 2, LANE_M / 2, far * 1.5].map((right) => (
        <line
          key={right}
          x1={x(0)}
          x2={x(LONG_M)}
          y1={y(right)}
          y2={y(right)}
          stroke={CHALK}
          strokeOpacity={0.35}
          strokeDasharray={Math.abs(right) > LANE_M ? undefined : "10 8"}
        />
      ))}
      <IsoluxAreas lines={lines} project={project} />
      {[20, 40, 60, 80, 100].map((ahead) => (
        <g key={ahead} stroke={CHALK} strokeOpacity={0.3}>
          <line x1={x(ahead)} x2={x(ahead)} y1={4} y2={HEIGHT - 18} />
          <text
            x={x(ahead)}
            y={HEIGHT - 5}
            fill={CHALK}
            {...HALO}
            strokeOpacity={1}
            fontSize={12}
            textAnchor="middle"
          >
            {ahead} m
          </text>
        </g>
      ))}
      {oncomingEyes(keeps).map((eye) => (
        <circle
          key={eye.ahead}
          cx={x(eye.ahead)}
          cy={y(eye.right)}
          r={4}
          fill="none"
          stroke={CHALK}
          strokeWidth={1.5}
        />
      ))}
      <VehicleDrawing
        kind={vehicle.kind}
        view="plan"
        measures={outerMeasures(vehicle.size)}
        place={([back, right]) => [x(-back), y(right)]}
        ground="dusk"
      />
      <IsoluxNames lines={lines} project={project} />
    </svg>
  );
});

const [SADDLE_W, SADDLE_H] = [1000, 300];
/** The rider's eye: behind the lamps and above the ground, m; and how wide they look. */
const EYE_BACK_M = 1;
const EYE_M = 1.4;
const FOCUS = 620;
const HORIZON = 60;

/** The same light as the rider sees it from the saddle. */
export const RoadFromSaddle = memo(function RoadFromSaddle({ lines, keeps, name }: Props) {
  const project = (right: number, along: number) => {
    const depth = along + EYE_BACK_M;
    if (depth < 2.5) return null;
    return [SADDLE_W / 2 + (FOCUS * right) / depth, HORIZON + (FOCUS * EYE_M) / depth] as const;
  };
  const edge = (right: number): string => {
    const [near, end] = [project(right, 2), project(right, 400)];
    return near && end ? `M${near.join(" ")}L${end.join(" ")}` : "";
  };
  const far = keeps === "right" ? -1.5 : 1.5;
  return (
    <svg
      viewBox={`0 0 ${SADDLE_W} ${SADDLE_H}`}
      className="block w-full"
      role="img"
      aria-label={`${name} from the saddle`}
    >
      <clipPath id="saddle">
        <rect width={SADDLE_W} height={SADDLE_H} />
      </clipPath>
      <rect width={SADDLE_W} height={SADDLE_H} fill={DARK} />
      <g clipPath="url(#saddle)">
        <IsoluxAreas lines={lines} project={project} />
        <g stroke={CHALK} strokeOpacity={0.4} fill="none">
          <path d={edge(-LANE_M / 2)} />
          <path d={edge(LANE_M / 2)} />
          <path d={edge(far * LANE_M)} />
          <line x1={0} x2={SADDLE_W} y1={HORIZON} y2={HORIZON} strokeOpacity={0.25} />
        </g>
        {oncomingEyes(keeps).map(({ ahead, right, up }) => (
          <circle
            key={ahead}
            cx={SADDLE_W / 2 + (FOCUS * right) / (ahead + EYE_BACK_M)}
            cy={HORIZON + (FOCUS * (EYE_M - up)) / (ahead + EYE_BACK_M)}
            r={Math.max(2, 60 / ahead)}
            fill="none"
            stroke={CHALK}
          />
        ))}
      </g>
    </svg>
  );
});
