import { memo, useRef, type KeyboardEvent, type PointerEvent } from "react";
import {
  lengthText,
  outerMeasures,
  type UnitSystem,
  type Vehicle,
  type WallMark,
} from "@dragonet/core";
import { VehicleDrawing } from "../ui/picture/VehicleDrawing.tsx";
import type { Isolux } from "../worker/light.ts";
import { CHALK, DARK, HALO, IsoluxAreas, IsoluxNames } from "./road/isolux.tsx";

interface Props {
  readonly marks: readonly WallMark[];
  readonly lines: readonly Isolux[];
  readonly distanceM: number;
  readonly vehicle: Vehicle;
  readonly units: UnitSystem;
  readonly canEdit: boolean;
  /** The beam of a mark is held somewhere else: m on the wall. `done` when it is let go. */
  readonly onMove: (mark: WallMark, right: number, up: number, done: boolean) => void;
}

const SCALE = 150;
const [HALF_M, TALL_M] = [3, 2];
const [WIDTH, HEIGHT] = [2 * HALF_M * SCALE, TALL_M * SCALE + 30];
/** One press of an arrow key, m on the wall. */
const NUDGE_M = 0.01;

const x = (right: number): number => (HALF_M + right) * SCALE;
const y = (up: number): number => (TALL_M - up) * SCALE;

const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [0, NUDGE_M],
  ArrowDown: [0, -NUDGE_M],
  ArrowLeft: [-NUDGE_M, 0],
  ArrowRight: [NUDGE_M, 0],
};

function Mark({
  mark,
  number,
  units,
  canEdit,
  onMove,
}: Omit<Props, "marks" | "lines" | "distanceM" | "vehicle"> & {
  mark: WallMark;
  number: number;
}) {
  const held = useRef(false);
  const at = (e: PointerEvent<SVGGElement>): readonly [number, number] => {
    const svg = e.currentTarget.ownerSVGElement;
    const matrix = svg?.getScreenCTM()?.inverse();
    const point = matrix
      ? new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix)
      : new DOMPoint(0, 0);
    return [point.x / SCALE - HALF_M, TALL_M - point.y / SCALE];
  };
  const move = (e: PointerEvent<SVGGElement>, done: boolean): void => {
    if (!held.current) return;
    const [right, up] = at(e);
    if (done) held.current = false;
    onMove(mark, right, up, done);
  };
  const press = (e: KeyboardEvent): void => {
    const by = KEYS[e.key];
    if (!by || !canEdit) return;
    e.preventDefault();
    onMove(mark, mark.markRightM + by[0], mark.markUpM + by[1], true);
  };
  const [mx, my] = [x(mark.markRightM), y(mark.markUpM)];
  const words = `${mark.lamp.label}: ${mark.rule.of} ${lengthText(mark.markUpM, units)} above the ground`;
  return (
    <g
      role="slider"
      tabIndex={canEdit ? 0 : -1}
      aria-label={`Mark of ${mark.lamp.label}`}
      aria-valuenow={Math.round(mark.markUpM * 1000)}
      aria-valuetext={words}
      className={canEdit ? "cursor-move touch-none" : ""}
      onPointerDown={(e) => {
        if (!canEdit) return;
        held.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => move(e, false)}
      onPointerUp={(e) => move(e, true)}
      onKeyDown={press}
    >
      <circle cx={mx} cy={my} r={22} fill="transparent" />
      <rect
        x={mx - 14}
        width={28}
        y={y(mark.highUpM)}
        height={Math.max(1, y(Math.max(mark.lowUpM, 0)) - y(mark.highUpM))}
        fill={CHALK}
        fillOpacity={0.12}
      />
      <circle
        cx={x(mark.lampRightM)}
        cy={y(mark.lampUpM)}
        r={4.5}
        fill={DARK}
        stroke={CHALK}
        strokeWidth={1.5}
      />
      <path d={`M${mx - 16} ${my}h32M${mx} ${my - 12}v24`} stroke={DARK} strokeWidth={5} />
      <path d={`M${mx - 16} ${my}h32M${mx} ${my - 12}v24`} stroke={CHALK} strokeWidth={2} />
      <text x={mx + 6} y={my - 6} fill={CHALK} fontSize={14} fontWeight="bold" {...HALO}>
        {number}
      </text>
    </g>
  );
}

/** What is behind the marks: the light, the ground and the vehicle itself in lines. */
const Behind = memo(function Behind({ lines, vehicle }: Pick<Props, "lines" | "vehicle">) {
  return (
    <>
      <rect width={WIDTH} height={HEIGHT} fill={DARK} />
      <clipPath id="wall">
        <rect width={WIDTH} height={y(0)} />
      </clipPath>
      <g clipPath="url(#wall)">
        <IsoluxAreas lines={lines} project={(right, up) => [x(right), y(up)]} />
        <IsoluxNames
          lines={lines}
          project={(right, up) => (up < TALL_M ? [x(right) + 14, y(up) + 16] : null)}
        />
      </g>
      <g opacity={0.45}>
        <VehicleDrawing
          kind={vehicle.kind}
          view="rear"
          measures={outerMeasures(vehicle.size)}
          place={([right, up]) => [x(right), y(up)]}
          ground="lines"
        />
      </g>
      <g fill={CHALK} fontSize={12}>
        <text x={x(0) + 4} y={14} {...HALO}>
          middle of the vehicle
        </text>
        <text x={6} y={y(0) + 18}>
          level ground
        </text>
        {[-2, -1, 1, 2].map((right) => (
          <text key={right} x={x(right)} y={y(0) + 18} textAnchor="middle">
            {Math.abs(right)} m {right < 0 ? "left" : "right"}
          </text>
        ))}
      </g>
    </>
  );
});

/**
 * The wall as one stands behind the vehicle: ground, the vehicle itself in lines, its middle, lamps
 * and their marks.
 */
export function WallPicture({ marks, lines, distanceM, vehicle, ...rest }: Props) {
  const shown = marks.filter((mark) => mark.groundM === null && !mark.behind);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="group"
      aria-label={`Wall at ${lengthText(distanceM, rest.units)}, seen from the vehicle`}
    >
      <Behind lines={lines} vehicle={vehicle} />
      <g stroke={CHALK} strokeOpacity={0.5}>
        <line x1={0} x2={WIDTH} y1={y(0)} y2={y(0)} strokeWidth={2} />
        <line x1={x(0)} x2={x(0)} y1={0} y2={y(0)} strokeDasharray="8 6" />
        {[...new Set(shown.map((mark) => mark.lampUpM))].map((up) => (
          <line key={up} x1={0} x2={WIDTH} y1={y(up)} y2={y(up)} strokeDasharray="2 5" />
        ))}
      </g>
      {shown.map((mark) => (
        <Mark key={mark.mount.id} mark={mark} number={marks.indexOf(mark) + 1} {...rest} />
      ))}
    </svg>
  );
}
