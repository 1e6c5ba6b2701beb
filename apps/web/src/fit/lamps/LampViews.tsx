import {
  outerMeasures,
  tapeText,
  type Job,
  type Mount,
  type Vehicle,
  itemAt,
} from "@dragonet/core";
import { useUnits } from "../../base/session.ts";
import { VehicleDrawing } from "../../ui/picture/VehicleDrawing.tsx";
import { LabelLine } from "../../ui/picture/LabelLine.tsx";
import { R, TEXT, layOutLamps, placeIn, sizeOf, viewsOf, type Seen } from "./layOutLamps.ts";

interface ViewProps extends Seen {
  readonly vehicle: Vehicle;
  readonly number: (mount: Mount) => number;
  readonly label: (mount: Mount) => string;
}

function View(props: ViewProps) {
  const units = useUnits();
  const { name, spots, picture, view, vehicle, number, label } = props;
  const [width, height] = sizeOf(picture);
  const place = placeIn(picture);
  const [middle, ground] = place([0, 0]);
  const [, top] = place([0, picture.tall]);
  const said = spots.map((s) => `${label(s.mount)} ${tapeText(s.high, units)} above the ground`);
  return (
    <figure className="min-w-0">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="mx-auto w-full"
        style={{ maxWidth: width }}
        role="img"
        aria-label={`${name}: ${said.length === 0 ? "no lamp" : said.join("; ")}`}
        fontSize={TEXT}
      >
        <VehicleDrawing
          kind={vehicle.kind}
          view={view}
          measures={outerMeasures(vehicle.size)}
          place={place}
        />
        {picture.from < 0 && (
          <line
            x1={middle}
            x2={middle}
            y1={top}
            y2={ground}
            className="stroke-hair"
            strokeDasharray="6 4"
          />
        )}
        <line
          x1={2}
          x2={width - 2}
          y1={ground}
          y2={ground}
          className="stroke-ink"
          strokeWidth={1.5}
        />
        {layOutLamps(spots, picture, number, units).map(({ mounts, at, words, label: box }) => (
          <g key={itemAt(mounts, 0).id}>
            <line
              x1={at[0]}
              x2={at[0]}
              y1={at[1]}
              y2={ground}
              className="stroke-edge"
              strokeWidth={0.8}
              strokeDasharray="2 3"
            />
            <LabelLine box={box} at={at} />
            <circle
              cx={at[0]}
              cy={at[1]}
              r={R}
              className="fill-paper stroke-ink"
              strokeWidth={1.5}
            />
            <text x={at[0]} y={at[1] + 4} textAnchor="middle" className="fill-ink">
              {number(itemAt(mounts, 0))}
            </text>
            <rect
              x={box.x}
              y={box.y}
              width={box.width}
              height={box.height}
              className="fill-paper"
              opacity={0.8}
            />
            <text x={box.x} y={box.y + box.height - 3} className="num fill-ink">
              {words}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="text-center text-small text-muted">{name}</figcaption>
    </figure>
  );
}

interface LampViewsProps {
  readonly job: Job;
  readonly number: (mount: Mount) => number;
  readonly label: (mount: Mount) => string;
}

/** Front, rear and left side with the lamps where the tape says they are, in mm. */
export function LampViews({ job, number, label }: LampViewsProps) {
  return (
    <div className="grid grid-cols-1 items-end gap-4 md:grid-cols-[minmax(0,2fr)_minmax(0,2fr)_minmax(0,4fr)]">
      {viewsOf(job).map((seen) => (
        <View key={seen.view} {...seen} {...{ number, label }} vehicle={job.vehicle} />
      ))}
    </div>
  );
}
