import { useId } from "react";
import { decimal, span, type ChargingBudget } from "@dragonet/core";

const WIDTH = 640;
const BAR_Y = 8;
const BAR_H = 20;

/**
 * What is taken against what is given, on one scale of amps: loads stacked from the left
 * (new ones hatched), the output as a mark with its band.
 */
export function BalanceBar({ budget, scaleA }: { budget: ChargingBudget; scaleA: number }) {
  const hatch = useId();
  const x = (amps: number): number => (amps / scaleA) * (WIDTH - 10);
  const loads = budget.lines.filter((line) => line.kind !== "output" && line.currentA.mid > 0);
  const blocks = loads.map((line, i) => {
    const from = loads.slice(0, i).reduce((amps, l) => amps + l.currentA.mid, 0);
    return { line, from, to: from + line.currentA.mid };
  });
  const { outputA, loadA } = budget;
  const markAt = x(outputA.mid) / WIDTH;
  return (
    <div className="relative mt-1 pb-4">
      <svg
        viewBox={`0 0 ${WIDTH} ${BAR_Y + BAR_H + 8}`}
        className="block w-full"
        role="img"
        aria-label={`load ${span(loadA)} A against output ${span(outputA)} A`}
      >
        <defs>
          <pattern
            id={hatch}
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="6" height="6" fill="var(--paper)" />
            <rect width="2.6" height="6" fill="var(--ink)" />
          </pattern>
        </defs>
        <rect
          x={x(outputA.low)}
          y={BAR_Y - 6}
          width={Math.max(1, x(outputA.high) - x(outputA.low))}
          height={BAR_H + 12}
          fill="var(--hair)"
        />
        {blocks.map(({ line, from: a, to }) => (
          <rect
            key={`${line.kind}-${line.what}`}
            x={x(a)}
            y={BAR_Y}
            width={Math.max(0.5, x(to) - x(a) - 1)}
            height={BAR_H}
            fill={line.kind === "run" ? `url(#${hatch})` : "var(--edge)"}
            stroke="var(--ink)"
            strokeWidth={line.kind === "run" ? 1 : 0}
          >
            <title>{`${line.what}: ${span(line.currentA, 2)} A`}</title>
          </rect>
        ))}
        <line
          x1={x(loadA.low)}
          x2={x(loadA.high)}
          y1={BAR_Y + BAR_H + 4}
          y2={BAR_Y + BAR_H + 4}
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <line
          x1={x(outputA.mid)}
          x2={x(outputA.mid)}
          y1={BAR_Y - 6}
          y2={BAR_Y + BAR_H + 6}
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
      </svg>
      {/* Words beside the drawing, not in it: on a phone they are as large as anywhere. */}
      <span aria-hidden className="absolute bottom-0 left-0 text-small leading-4 text-muted">
        0
      </span>
      <span
        aria-hidden
        className="absolute bottom-0 text-small leading-4 whitespace-nowrap"
        style={{
          left: `${100 * markAt}%`,
          // Within the drawing, wherever the mark is.
          transform: `translateX(${markAt < 0.1 ? 0 : markAt > 0.9 ? -100 : -50}%)`,
        }}
      >
        output {decimal(outputA.mid)} A
      </span>
    </div>
  );
}
