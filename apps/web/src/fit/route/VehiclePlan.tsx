import { outerMeasures, type RoutePlan, type SegmentId, type Vehicle } from "@dragonet/core";
import { VehicleDrawing } from "../../ui/picture/VehicleDrawing.tsx";
import { LabelLine } from "../../ui/picture/LabelLine.tsx";
import { EDGE, SCALE, TEXT, layOutPlan } from "./layOutPlan.ts";

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

/** Wires are drawn thicker than they are, or nobody would see them. */
const THICKER = 2.2;

/**
 * The vehicle from above, its front at the left: the ways wires take, thicker where more lie
 * together, the factory loom drawn through and other ways dashed.
 */
export function VehiclePlan({ vehicle, plan, numbers, open, shown }: VehiclePlanProps) {
  const { places, segments } = vehicle;
  const { at, point, ends, width, height, badges, labels } = layOutPlan(vehicle, plan);
  const used = new Map(plan.segments.map((s) => [s.segment.id, s]));
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="mx-auto w-full min-w-xl"
      style={{ maxHeight: "24rem" }}
      role="img"
      aria-label={`Plan of the ${vehicle.model} from above: wires lie in ${plan.segments.length} of ${segments.length} stretches; the table tells each`}
      fontSize={TEXT}
    >
      <VehicleDrawing
        kind={vehicle.kind}
        view="plan"
        measures={outerMeasures(vehicle.size)}
        place={([back, right]) => point(back, right)}
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
      {labels.map(({ place, at: from, x, y, width: w, height: h }) => (
        <g key={place.id}>
          <LabelLine box={{ x, y, width: w, height: h }} at={from} />
          <rect x={x - 1} y={y} width={w + 2} height={h} className="fill-paper" opacity={0.8} />
          <text x={x} y={y + h - 4} className="fill-ink">
            {place.name}
          </text>
        </g>
      ))}
      {badges.map(({ id, x, y, line: { a, b } }) => (
        <g key={id}>
          <line
            x1={x}
            y1={y}
            x2={(a[0] + b[0]) / 2}
            y2={(a[1] + b[1]) / 2}
            className="stroke-muted"
            strokeWidth={0.8}
          />
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
