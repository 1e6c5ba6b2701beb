import { Bar, BarChart, CartesianGrid, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { decimal } from "@dragonet/core";

/** One value of each row: its bars are told from the others' by being hollow. */
export interface BarOf {
  readonly key: string;
  readonly name: string;
  readonly hollow?: boolean;
}

export interface BarRow {
  readonly name: string;
  readonly [key: string]: string | number;
}

interface BarsProps {
  readonly label: string;
  readonly rows: readonly BarRow[];
  readonly bars: readonly BarOf[];
  readonly unit: string;
  readonly digits?: number;
}

const ROW_PX = 30;
const AXIS_PX = 40;

/** Lying bars with their table beneath: names are read without turning the head. */
export default function Bars({ label, rows, bars, unit, digits = 0 }: BarsProps) {
  const text = (value: unknown): string =>
    `${decimal(Number(value), digits)}${unit === "" ? "" : ` ${unit}`}`;
  return (
    <figure className="my-2">
      <div
        role="img"
        aria-label={label}
        className="w-full text-small"
        style={{ height: AXIS_PX + rows.length * ROW_PX * bars.length }}
      >
        <ResponsiveContainer width="100%" height="100%">
          <BarChart
            data={rows}
            layout="vertical"
            margin={{ top: 4, right: 24, bottom: 4, left: 0 }}
            accessibilityLayer
          >
            <CartesianGrid stroke="var(--hair)" horizontal={false} />
            <XAxis type="number" stroke="var(--muted)" allowDecimals={digits > 0} />
            <YAxis
              type="category"
              dataKey="name"
              width={150}
              stroke="var(--muted)"
              tick={{ fill: "var(--ink)" }}
              interval={0}
            />
            <Tooltip
              isAnimationActive={false}
              cursor={{ fill: "var(--sunk)" }}
              contentStyle={{
                background: "var(--paper)",
                border: "1px solid var(--edge)",
                color: "var(--ink)",
              }}
              formatter={(value) => text(value)}
            />
            {bars.map(({ key, name, hollow }) => (
              <Bar
                key={key}
                dataKey={key}
                name={name}
                fill={hollow ? "var(--paper)" : "var(--ink)"}
                stroke="var(--ink)"
                isAnimationActive={false}
                barSize={14}
              />
            ))}
          </BarChart>
        </ResponsiveContainer>
      </div>
      <table className="w-full border-collapse text-small" aria-label={label}>
        <thead>
          <tr>
            <th scope="col" className="text-left" />
            {bars.map(({ key, name, hollow }) => (
              <th key={key} scope="col" className="text-right">
                <span
                  aria-hidden
                  className={`mr-1 inline-block size-2.5 border border-ink ${hollow ? "" : "bg-ink"}`}
                />
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.name} className="border-t border-hair">
              <th scope="row" className="py-0.5 text-left font-normal">
                {row.name}
              </th>
              {bars.map(({ key }) => (
                <td key={key} className="num text-right">
                  {text(row[key])}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </figure>
  );
}
