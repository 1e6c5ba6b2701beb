import { isEqual } from "es-toolkit";
import { memo } from "react";
import {
  decimal,
  templateDrawing,
  type DrawingItem,
  type DrawingLayer,
  type Pattern,
  type PlacedHole,
} from "@dragonet/core";

const WIDTH: Readonly<Record<DrawingLayer, number>> = {
  CUT: 0.7,
  MARK: 0.3,
  PANEL: 0.5,
  SCALE: 0.4,
};

function Item({ item }: { item: DrawingItem }) {
  const stroke = WIDTH[item.layer];
  switch (item.kind) {
    case "line":
      return (
        <line
          {...{ x1: item.x1, y1: item.y1, x2: item.x2, y2: item.y2 }}
          strokeWidth={stroke}
          strokeDasharray={item.layer === "PANEL" ? "3 1.5" : undefined}
        />
      );
    case "circle":
      return <circle cx={item.x} cy={item.y} r={item.r} strokeWidth={stroke} />;
    case "text":
      return null;
  }
}

/** Around the panel on the screen, in mm. */
const EDGE = 8;
/** Letters to a line of the picture's width: readable however large the panel is. */
const LETTERS = 50;

const nameOf = ({ hole: { cut, name }, diameterMm }: PlacedHole): string =>
  cut.kind === "rocker"
    ? `${name}, ${decimal(cut.widthMm, 1)} × ${decimal(cut.heightMm, 1)}`
    : `${name}, ø ${decimal(diameterMm, 1)}`;

const halfHigh = ({ hole: { cut }, diameterMm }: PlacedHole): number =>
  (cut.kind === "rocker" ? cut.heightMm : diameterMm) / 2;

/**
 * A template as it will be printed, not at its size: names stand above and below their holes
 * by turns, and the bar that proves a print is left to the print.
 */
export const TemplateDrawing = memo(function TemplateDrawing({ pattern }: { pattern: Pattern }) {
  const { template, landmarks, holes } = pattern;
  const { items } = templateDrawing(pattern, template.name);
  const panel = items.flatMap((i) => (i.kind === "line" && i.layer === "PANEL" ? [i] : []));
  const [left, top] = [Math.min(...panel.map((p) => p.x1)), Math.min(...panel.map((p) => p.y1))];
  const [width, height] = [template.widthMm + left + EDGE, template.heightMm + top + EDGE];
  const text = width / LETTERS;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="w-full fill-none stroke-ink"
      style={{ maxHeight: "26rem" }}
      role="img"
      aria-label={`Template ${template.name}`}
    >
      {items
        .filter((item) => item.layer !== "SCALE")
        .map((item, i) => (
          <Item key={i} item={item} />
        ))}
      <g className="fill-ink stroke-none" fontSize={text}>
        {landmarks.map((l) => (
          <text key={l.id} x={left + l.rightMm + 2.5} y={top + l.downMm - 2}>
            {l.name}
          </text>
        ))}
        {holes
          .toSorted((a, b) => a.xMm - b.xMm)
          .map((placed, i) => {
            const away = halfHigh(placed) + 3;
            const y = i % 2 === 0 ? away + 0.8 * text : -away;
            return (
              <text
                key={placed.hole.id}
                x={left + placed.xMm}
                y={top + placed.yMm + y}
                textAnchor="middle"
              >
                {nameOf(placed)}
              </text>
            );
          })}
      </g>
    </svg>
  );
}, isEqual);
