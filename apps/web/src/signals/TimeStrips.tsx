import { memo } from "react";
import {
  decimal,
  inputWord,
  ownerName,
  type Job,
  type LampTrace,
  type SignalTrace,
} from "@dragonet/core";
import { LIGHT_HEX } from "../bench/light.ts";

const LEFT = 190;
const WIDTH = 1000;
const ROW = 22;

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

/** Everything but the moving line: drawn once for a trace. */
const Still = memo(function Still({ job, trace }: { job: Job; trace: SignalTrace }) {
  const controls = controlBars(job, trace);
  const x = (s: number): number => LEFT + ((WIDTH - LEFT) * s) / trace.endS;
  const step = trace.endS > 60 ? 10 : trace.endS > 20 ? 5 : 1;
  const ticks = Array.from({ length: Math.floor(trace.endS / step) + 1 }, (_, i) => i * step);
  const top = 18;
  const lampsTop = top + controls.length * ROW + 8;
  const height = lampsTop + trace.lamps.length * ROW + 6;
  const label = (text: string, y: number, bold: boolean) => (
    <text
      x="0"
      y={y + 14}
      fontSize="12"
      fontWeight={bold ? 700 : 400}
      fill={bold ? "var(--ink)" : "var(--muted)"}
    >
      {text.length > 28 ? `${text.slice(0, 27)}…` : text}
    </text>
  );
  return (
    <>
      {ticks.map((s) => (
        <g key={s}>
          <line
            x1={x(s)}
            x2={x(s)}
            y1={top - 4}
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
        <g key={row.name}>
          {label(row.name, top + i * ROW, false)}
          {row.bars.map((bar) => (
            <rect
              key={bar.fromS}
              x={x(bar.fromS)}
              width={Math.max(1, x(bar.toS) - x(bar.fromS))}
              y={top + i * ROW + 6}
              height="9"
              fill="var(--ink)"
            />
          ))}
        </g>
      ))}
      {trace.lamps.map((lamp, i) => (
        <g key={lamp.lampId}>
          {label(
            lamp.place === "left" || lamp.place === "right"
              ? `${lamp.label}, ${lamp.place}`
              : lamp.label,
            lampsTop + i * ROW,
            true,
          )}
          <LampRow lamp={lamp} y={lampsTop + i * ROW} x={x} endS={trace.endS} />
        </g>
      ))}
    </>
  );
});

const rowsOf = (job: Job, trace: SignalTrace): number =>
  controlBars(job, trace).length + trace.lamps.length;

/** One strip a lamp against time, under the controls that were pressed; a line where time stands. */
export function TimeStrips({
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
  const height = 18 + rowsOf(job, trace) * ROW + 14;
  const lineX = LEFT + ((WIDTH - LEFT) * atS) / trace.endS;
  const lit = trace.lamps
    .filter((lamp) => lamp.steps.some((s) => s.level > 0))
    .map((lamp) => lamp.label);
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label="Time strips">
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
