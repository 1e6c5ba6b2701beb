import { memo } from "react";
import {
  decimal,
  inputWord,
  ownerName,
  type Job,
  type LampTrace,
  type SignalTrace,
  itemAt,
} from "@dragonet/core";
import { LIGHT_HEX } from "../bench/light.ts";

const LEFT = 190;
const WIDTH = 1000;
const ROW = 22;
/** A line of a name, and letters that it has room for at the width of the names. */
const LINE = 13;
const LETTERS = 27;

/** A name in as many lines as it takes: none of it is cut off. */
function linesOf(name: string): string[] {
  const lines: string[] = [];
  for (const word of name.split(" ")) {
    // A word that is longer than a line is parted where the line ends.
    for (const piece of word.match(new RegExp(`.{1,${LETTERS}}`, "gsu")) ?? []) {
      const last = lines.at(-1);
      if (last !== undefined && last.length + 1 + piece.length <= LETTERS) {
        lines[lines.length - 1] = `${last} ${piece}`;
      } else lines.push(piece);
    }
  }
  return lines;
}

/** A row of the picture: its name, where it begins and how high it is. */
export interface NamedRow {
  readonly lines: readonly string[];
  readonly y: number;
  readonly height: number;
}

/** Rows below each other from a height on, each as high as its name asks for. */
export function rowsFrom(top: number, names: readonly string[]): NamedRow[] {
  let y = top;
  return names.map((name) => {
    const lines = linesOf(name);
    const height = Math.max(ROW, 9 + lines.length * LINE);
    const row = { lines, y, height };
    y += height;
    return row;
  });
}

const endOf = (rows: readonly NamedRow[], otherwise: number): number => {
  const last = rows.at(-1);
  return last ? last.y + last.height : otherwise;
};

const lampName = ({ label, place }: LampTrace): string =>
  place === "left" || place === "right" ? `${label}, ${place}` : label;

const TOP = 18;

/** Where everything of a trace stands. */
function layOut(job: Job, trace: SignalTrace) {
  const bars = controlBars(job, trace);
  const controls = rowsFrom(
    TOP,
    bars.map(({ name }) => name),
  );
  const lamps = rowsFrom(endOf(controls, TOP) + 8, trace.lamps.map(lampName));
  return { bars, controls, lamps, height: endOf(lamps, TOP) + 6 };
}

interface Bar {
  readonly fromS: number;
  readonly toS: number;
}

/** When each control of the script is on. */
function controlBars(job: Job, trace: SignalTrace): { name: string; bars: Bar[] }[] {
  const rows = new Map<string, { name: string; bars: Bar[]; since: number | null }>();
  for (const event of trace.events) {
    if (event.kind === "speed") continue;
    const key = event.kind === "input" ? event.input : event.runId;
    const name =
      event.kind === "input" ? inputWord(event.input) : `${ownerName(job, event.runId)} switch`;
    const row = rows.get(key) ?? { name, bars: [], since: null };
    if (event.on) row.since = event.atS;
    else if (row.since !== null) {
      row.bars.push({ fromS: row.since, toS: event.atS });
      row.since = null;
    }
    rows.set(key, row);
  }
  return [...rows.values()].map(({ name, bars, since }) => ({
    name,
    bars: since === null ? bars : [...bars, { fromS: since, toS: trace.endS }],
  }));
}

function LampRow({
  lamp,
  y,
  x,
  endS,
}: {
  lamp: LampTrace;
  y: number;
  x: (s: number) => number;
  endS: number;
}) {
  return (
    <g>
      <line x1={LEFT} x2={WIDTH} y1={y + 17} y2={y + 17} stroke="var(--hair)" />
      {lamp.steps.map((step, i) => {
        if (step.level <= 0) return null;
        const toS = lamp.steps[i + 1]?.atS ?? endS;
        const height = 3 + 12 * Math.min(1, step.level);
        return (
          <rect
            key={step.atS}
            x={x(step.atS)}
            width={Math.max(0.6, x(toS) - x(step.atS))}
            y={y + 17 - height}
            height={height}
            fill={lamp.light === "none" ? "var(--edge)" : LIGHT_HEX[lamp.light]}
            stroke="var(--ink)"
            strokeWidth="0.7"
          />
        );
      })}
    </g>
  );
}

function Name({ row, bold }: { row: NamedRow; bold: boolean }) {
  return (
    <text fontSize="12" fontWeight={bold ? 700 : 400} fill={bold ? "var(--ink)" : "var(--muted)"}>
      {row.lines.map((line, i) => (
        <tspan key={i} x="0" y={row.y + 14 + i * LINE}>
          {line}
        </tspan>
      ))}
    </text>
  );
}

/** Everything but the moving line: drawn once for a trace. */
const Still = memo(function Still({ job, trace }: { job: Job; trace: SignalTrace }) {
  const { bars, controls, lamps, height } = layOut(job, trace);
  const x = (s: number): number => LEFT + ((WIDTH - LEFT) * s) / trace.endS;
  const step = trace.endS > 60 ? 10 : trace.endS > 20 ? 5 : 1;
  const ticks = Array.from({ length: Math.floor(trace.endS / step) + 1 }, (_, i) => i * step);
  return (
    <>
      {ticks.map((s) => (
        <g key={s}>
          <line
            x1={x(s)}
            x2={x(s)}
            y1={TOP - 4}
            y2={height}
            stroke="var(--hair)"
            strokeWidth="0.7"
          />
          <text x={x(s)} y="10" fontSize="11" fill="var(--muted)" textAnchor="middle">
            {decimal(s, 0)} s
          </text>
        </g>
      ))}
      {controls.map((row, i) => (
        <g key={row.y}>
          <Name row={row} bold={false} />
          {itemAt(bars, i).bars.map((bar) => (
            <rect
              key={bar.fromS}
              x={x(bar.fromS)}
              width={Math.max(1, x(bar.toS) - x(bar.fromS))}
              y={row.y + 6}
              height="9"
              fill="var(--ink)"
            />
          ))}
        </g>
      ))}
      {lamps.map((row, i) => (
        <g key={row.y}>
          <Name row={row} bold />
          <LampRow
            lamp={itemAt(trace.lamps, i)}
            y={row.y + row.height - ROW}
            x={x}
            endS={trace.endS}
          />
        </g>
      ))}
    </>
  );
});

/** One strip a lamp against time, under the controls that were pressed; a line where time stands. */
export function TimeDiagrams({
  job,
  trace,
  atS,
  onSeek,
}: {
  job: Job;
  trace: SignalTrace;
  atS: number;
  onSeek: (atS: number) => void;
}) {
  const { height } = layOut(job, trace);
  const lineX = LEFT + ((WIDTH - LEFT) * atS) / trace.endS;
  const lit = trace.lamps
    .filter((lamp) => lamp.steps.some((s) => s.level > 0))
    .map((lamp) => lamp.label);
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label="Over time">
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="w-full min-w-3xl"
        role="img"
        aria-label={`Lamps against time over ${decimal(trace.endS, 0)} seconds; lit at some time: ${lit.join(", ")}. The table below has every rate.`}
        onPointerDown={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          const px = ((e.clientX - box.left) / box.width) * WIDTH;
          if (px >= LEFT) onSeek(((px - LEFT) / (WIDTH - LEFT)) * trace.endS);
        }}
      >
        <Still job={job} trace={trace} />
        <line x1={lineX} x2={lineX} y1="12" y2={height} stroke="var(--accent)" strokeWidth="2" />
      </svg>
    </div>
  );
}
