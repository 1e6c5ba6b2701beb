import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import { decimal } from "@dragonet/core";

/** One line of a chart, told from the others by its dash and its name: colour is kept for lamps and wires. */
export interface ChartLine {
  readonly key: string;
  readonly name: string;
  readonly dash?: string;
  readonly width?: number;
}

export type ChartRow = Readonly<Record<string, number | readonly [number, number] | null>>;

interface ChartProps {
  readonly label: string;
  readonly rows: readonly ChartRow[];
  readonly x: { readonly key: string; readonly unit: string; readonly name: string };
  readonly unit: string;
  readonly lines: readonly ChartLine[];
  /** A band between two values, as a pair in each row. */
  readonly bands?: readonly { readonly key: string; readonly name: string }[];
  readonly marks?: readonly { readonly y: number; readonly words: string }[];
  readonly digits?: number;
  readonly from?: number | "auto";
}

const text = (value: unknown, digits: number): string =>
  Array.isArray(value)
    ? `${decimal(Number(value[0]), digits)}–${decimal(Number(value[1]), digits)}`
    : value === null || value === undefined
      ? ""
      : decimal(Number(value), digits);

/** What a chart shows, as numbers. */
function ChartTable({ label, rows, x, unit, lines, bands = [], digits = 1 }: ChartProps) {
  const columns = [...bands, ...lines];
  return (
    <details className="no-print text-small">
      <summary className="touch cursor-pointer text-accent">As a table</summary>
      <div
        className="relative max-h-64 overflow-auto"
        tabIndex={0}
        role="group"
        aria-label={`${label}, table`}
      >
        <table className="w-full border-collapse">
          <thead>
            <tr>
              <th scope="col">
                {x.name}, {x.unit}
              </th>
              {columns.map((c) => (
                <th key={c.key} scope="col" className="text-right">
                  {c.name}, {unit}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i} className="border-t border-hair">
                <td className="num">{text(row[x.key], 1)}</td>
                {columns.map((c) => (
                  <td key={c.key} className="num text-right">
                    {text(row[c.key], digits)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}

/** A chart with its table beneath: for the eye, for print, and for those who listen. */
export default function Chart(props: ChartProps) {
  const { label, rows, x, unit, lines, bands = [], marks = [], digits = 1, from = "auto" } = props;
  return (
    <figure className="my-2">
      <div role="img" aria-label={label} className="h-56 w-full text-small">
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart
            data={rows}
            margin={{ top: 8, right: 16, bottom: 18, left: 0 }}
            accessibilityLayer
          >
            <CartesianGrid stroke="var(--hair)" vertical={false} />
            <XAxis
              dataKey={x.key}
              type="number"
              domain={["dataMin", "dataMax"]}
              stroke="var(--muted)"
              tickFormatter={(v: number) => decimal(v, 0)}
              label={{ value: x.unit, position: "insideBottomRight", offset: -8 }}
            />
            <YAxis
              stroke="var(--muted)"
              width={48}
              domain={[from, "auto"]}
              tickFormatter={(v: number) => decimal(v, digits === 0 ? 0 : 1)}
              unit={` ${unit}`}
            />
            <Tooltip
              isAnimationActive={false}
              contentStyle={{
                background: "var(--paper)",
                border: "1px solid var(--edge)",
                color: "var(--ink)",
              }}
              labelFormatter={(v) => `${x.name} ${text(v, 0)} ${x.unit}`}
              formatter={(v) => `${text(v, digits)} ${unit}`}
            />
            {bands.map((band) => (
              <Area
                key={band.key}
                dataKey={band.key}
                name={band.name}
                stroke="none"
                fill="var(--edge)"
                fillOpacity={0.35}
                isAnimationActive={false}
              />
            ))}
            {lines.map((line) => (
              <Line
                key={line.key}
                dataKey={line.key}
                name={line.name}
                stroke="var(--ink)"
                strokeWidth={line.width ?? 1.8}
                {...(line.dash ? { strokeDasharray: line.dash } : {})}
                dot={false}
                isAnimationActive={false}
                connectNulls
              />
            ))}
            {marks.map((mark) => (
              <ReferenceLine
                key={mark.words}
                y={mark.y}
                stroke="var(--muted)"
                strokeDasharray="2 3"
                label={{ value: mark.words, position: "insideTopLeft", fill: "var(--muted)" }}
              />
            ))}
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="flex flex-wrap gap-x-4 text-small text-muted">
        {lines.map((line) => (
          <span key={line.key} className="inline-flex items-center gap-1">
            <svg width="26" height="8" aria-hidden>
              <path
                d="M0 4h26"
                stroke="var(--ink)"
                strokeWidth={line.width ?? 1.8}
                strokeDasharray={line.dash}
              />
            </svg>
            {line.name}
          </span>
        ))}
        {bands.map((band) => (
          <span key={band.key} className="inline-flex items-center gap-1">
            <span className="inline-block h-2.5 w-5 bg-edge opacity-35" aria-hidden />
            {band.name}
          </span>
        ))}
      </figcaption>
      <ChartTable {...props} />
    </figure>
  );
}
