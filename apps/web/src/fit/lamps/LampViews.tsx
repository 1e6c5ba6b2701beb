import { rightOf, type Job, type Mount } from "@dragonet/core";

/** Units of a picture for each metre. */
const SCALE = 200;
const EDGE = 30;
const TEXT = 12;
const R = 10;

interface Spot {
  readonly mount: Mount;
  /** In m, across the picture and above the ground. */
  readonly across: number;
  readonly high: number;
}

interface ViewProps {
  readonly name: string;
  readonly spots: readonly Spot[];
  /** From the picture's left edge to its right one, in m. */
  readonly from: number;
  readonly to: number;
  readonly tall: number;
  /** The vehicle's own box, in m across. */
  readonly box: readonly [number, number];
  readonly boxTall: number;
  readonly number: (mount: Mount) => number;
  readonly label: (mount: Mount) => string;
}

/** Lamps at one place lie under each other in the picture: they are told beside each other. */
function gathered(spots: readonly Spot[]): (Spot & { readonly all: readonly Mount[] })[] {
  const groups: (Spot & { all: Mount[] })[] = [];
  for (const spot of spots) {
    const near = groups.find(
      (g) => Math.hypot(g.across - spot.across, g.high - spot.high) * SCALE < 2 * R,
    );
    if (near) near.all.push(spot.mount);
    else groups.push({ ...spot, all: [spot.mount] });
  }
  return groups;
}

function View(props: ViewProps) {
  const { name, spots, from, to, tall, box, boxTall, number, label } = props;
  const width = (to - from) * SCALE + 2 * EDGE;
  const height = tall * SCALE + 2 * EDGE;
  const x = (across: number): number => EDGE + (across - from) * SCALE;
  const y = (high: number): number => EDGE + (tall - high) * SCALE;
  const said = spots.map(
    (s) => `${label(s.mount)} ${Math.round(s.high * 1000)} mm above the ground`,
  );
  return (
    <figure className="min-w-0">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="w-full"
        style={{ maxHeight: "17rem" }}
        role="img"
        aria-label={`${name}: ${said.length === 0 ? "no lamp" : said.join("; ")}`}
        fontSize={TEXT}
      >
        <rect
          x={x(box[0])}
          y={y(boxTall)}
          width={(box[1] - box[0]) * SCALE}
          height={boxTall * SCALE}
          rx={14}
          className="fill-none stroke-hair"
          strokeWidth={1.5}
        />
        {from < 0 && (
          <line
            x1={x(0)}
            x2={x(0)}
            y1={y(tall)}
            y2={y(0)}
            className="stroke-hair"
            strokeDasharray="6 4"
          />
        )}
        <line x1={2} x2={width - 2} y1={y(0)} y2={y(0)} className="stroke-ink" strokeWidth={1.5} />
        {gathered(spots).map(({ mount, across, high, all }) => (
          <g key={mount.id}>
            <line
              x1={x(across)}
              x2={x(across)}
              y1={y(high)}
              y2={y(0)}
              className="stroke-edge"
              strokeWidth={0.8}
              strokeDasharray="2 3"
            />
            <circle
              cx={x(across)}
              cy={y(high)}
              r={R}
              className="fill-paper stroke-ink"
              strokeWidth={1.5}
            />
            <text x={x(across)} y={y(high) + 4} textAnchor="middle" className="fill-ink">
              {number(all[0]!)}
            </text>
            {all.length > 1 && (
              <text x={x(across) + R + 3} y={y(high) + 4} className="fill-ink">
                {all.slice(1).map(number).join(", ")}
              </text>
            )}
            <text x={x(across)} y={y(high) - R - 4} textAnchor="middle" className="num fill-muted">
              {Math.round(high * 1000)}
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
  const { size } = job.vehicle;
  const { mounts } = job;
  const long = Math.max(size.lengthM.value, ...mounts.map((m) => m.backM.value), 0.5);
  const half = Math.max(size.widthM.value / 2, ...mounts.map((m) => m.outM.value), 0.3);
  const tall = Math.max(size.heightM.value, ...mounts.map((m) => m.heightM.value), 0.5) + 0.1;
  const front = mounts.filter((m) => m.backM.value < long / 2);
  const rear = mounts.filter((m) => m.backM.value >= long / 2);
  const across = {
    from: -half,
    to: half,
    tall,
    box: [-size.widthM.value / 2, size.widthM.value / 2] as const,
    boxTall: size.heightM.value,
    number,
    label,
  };
  const high = (mount: Mount): number => mount.heightM.value;
  return (
    <div className="grid grid-cols-1 items-end gap-4 md:grid-cols-[minmax(0,2fr)_minmax(0,2fr)_minmax(0,4fr)]">
      <View
        name="From the front"
        spots={front.map((mount) => ({ mount, across: -rightOf(mount), high: high(mount) }))}
        {...across}
      />
      <View
        name="From behind"
        spots={rear.map((mount) => ({ mount, across: rightOf(mount), high: high(mount) }))}
        {...across}
      />
      <View
        name="From the left"
        spots={mounts
          .filter((m) => m.side !== "right")
          .map((mount) => ({ mount, across: mount.backM.value, high: high(mount) }))}
        from={0}
        to={long}
        tall={tall}
        box={[0, size.lengthM.value]}
        boxTall={size.heightM.value}
        number={number}
        label={label}
      />
    </div>
  );
}
