import type { Isolux } from "../../worker/light.ts";

/** Light is told as light on the dark, by day and by night. */
export const DARK = "#131d20";
export const CHALK = "#e9efe9";
/** Words on light and dark alike: chalk with a dark edge. */
export const HALO = { stroke: DARK, strokeWidth: 3, paintOrder: "stroke" } as const;
const LIGHT = "255, 243, 205";

type Project = (right: number, along: number) => readonly [number, number] | null;

/** A ring as an SVG path; points that cannot be seen are left out. */
function pathOf(areas: Isolux["areas"], project: Project): string {
  return areas
    .flatMap((area) =>
      area.map((ring) => {
        const points = ring.flatMap(([right, along]) => {
          const at = project(right, along);
          return at ? [`${at[0].toFixed(1)} ${at[1].toFixed(1)}`] : [];
        });
        return points.length > 2 ? `M${points.join("L")}Z` : "";
      }),
    )
    .join("");
}

/** Areas of at least so many lux, one over the other: the brighter the more. */
export function IsoluxAreas({ lines, project }: { lines: readonly Isolux[]; project: Project }) {
  return (
    <g>
      {lines.map(({ lux, areas }, i) => (
        <path
          key={lux}
          d={pathOf(areas, project)}
          fill={`rgba(${LIGHT}, ${(0.07 + 0.03 * i).toFixed(2)})`}
          stroke={`rgba(${LIGHT}, 0.75)`}
          strokeWidth={0.75}
        />
      ))}
    </g>
  );
}

/** Which line is how many lux: at its farthest point. */
export function IsoluxNames({ lines, project }: { lines: readonly Isolux[]; project: Project }) {
  const names = lines.flatMap(({ lux, areas }) => {
    let far: readonly [number, number] | null = null;
    for (const ring of areas.flat()) {
      for (const [right, along] of ring) if (!far || along > far[1]) far = [right, along];
    }
    const at = far && project(far[0], far[1]);
    return at ? [{ lux, x: at[0], y: at[1] }] : [];
  });
  const apart = names.filter((one, i) =>
    names.slice(0, i).every((other) => Math.hypot(one.x - other.x, one.y - other.y) > 22),
  );
  return (
    <g fill={CHALK} fontSize={11} {...HALO}>
      {apart.map(({ lux, x, y }) => (
        <text key={lux} x={x} y={y - 3} textAnchor="middle">
          {lux} lx
        </text>
      ))}
    </g>
  );
}
