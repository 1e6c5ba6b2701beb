import type { Drawing, DrawingItem, DrawingLayer } from "@dragonet/core";

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
      return (
        <text x={item.x} y={item.y} fontSize={item.heightMm * 1.4} className="fill-ink stroke-none">
          {item.text}
        </text>
      );
  }
}

/** A template as it will be printed, not at its size. */
export function TemplateDrawing({ drawing }: { drawing: Drawing }) {
  const { widthMm, heightMm, title, items } = drawing;
  return (
    <svg
      viewBox={`0 0 ${widthMm} ${heightMm}`}
      className="w-full fill-none stroke-ink"
      style={{ maxHeight: "26rem" }}
      role="img"
      aria-label={`Template ${title}`}
    >
      {items.map((item, i) => (
        <Item key={i} item={item} />
      ))}
    </svg>
  );
}
