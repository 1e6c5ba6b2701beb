import type { Drawing, DrawingItem, DrawingLayer } from "@dragonet/core";

const WIDTH: Readonly<Record<DrawingLayer, number>> = {
  CUT: 0.7,
  MARK: 0.3,
  PANEL: 0.5,
  SCALE: 0.4,
};

function Item({ item, textMm }: { item: DrawingItem; textMm: number }) {
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
        <text x={item.x} y={item.y} fontSize={textMm} className="fill-ink stroke-none">
          {item.text}
        </text>
      );
  }
}

/** Around the panel on the screen, in mm. */
const EDGE = 8;

/** A template as it will be printed, but for its foot and not at its size. */
export function TemplateDrawing({ drawing }: { drawing: Drawing }) {
  const { title, items } = drawing;
  const panel = items.flatMap((i) =>
    i.kind === "line" && i.layer === "PANEL" ? [{ x: i.x2, y: i.y2 }] : [],
  );
  const width = Math.max(...panel.map((p) => p.x)) + EDGE;
  const height = Math.max(...panel.map((p) => p.y)) + EDGE;
  // The bar and its words tell whether a print is true: a screen never is.
  const shown = items.filter((i) => i.layer !== "SCALE" && !(i.kind === "text" && i.y > height));
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="w-full fill-none stroke-ink"
      style={{ maxHeight: "26rem" }}
      role="img"
      aria-label={`Template ${title}`}
    >
      {shown.map((item, i) => (
        <Item key={i} item={item} textMm={width / 48} />
      ))}
    </svg>
  );
}
