import type { CanvasElement, Content, TDocumentDefinitions } from "pdfmake/interfaces.js";
import {
  PAGE_FOOT_MM,
  PAGE_MARGIN_MM,
  PAPERS,
  scaleBar,
  tilesOf,
  type Drawing,
  type DrawingItem,
  type Paper,
  type Tile,
  itemAt,
} from "@dragonet/core";
import { MM, setPdf } from "./pdf.ts";

const INK = "#16211f";
const WIDTHS = { CUT: 0.35, MARK: 0.15, PANEL: 0.25, SCALE: 0.25 } as const;

/** A line as far as it lies on a page, by Liang and Barsky; null when none of it does. */
function clipped(
  [x1, y1, x2, y2]: readonly [number, number, number, number],
  width: number,
  height: number,
): [number, number, number, number] | null {
  let [from, to] = [0, 1];
  const edges = [
    [x1 - x2, x1],
    [x2 - x1, width - x1],
    [y1 - y2, y1],
    [y2 - y1, height - y1],
  ] as const;
  for (const [p, q] of edges) {
    if (p === 0) {
      if (q < 0) return null;
      continue;
    }
    const t = q / p;
    if (p < 0) from = Math.max(from, t);
    else to = Math.min(to, t);
  }
  if (from > to) return null;
  const [dx, dy] = [x2 - x1, y2 - y1];
  return [x1 + from * dx, y1 + from * dy, x1 + to * dx, y1 + to * dy];
}

function shapes(item: DrawingItem, tile: Tile): CanvasElement[] {
  const lineWidth = WIDTHS[item.layer] * MM;
  switch (item.kind) {
    case "line": {
      const on = clipped(
        [
          item.x1 - tile.fromXMm,
          item.y1 - tile.fromYMm,
          item.x2 - tile.fromXMm,
          item.y2 - tile.fromYMm,
        ],
        tile.widthMm,
        tile.heightMm,
      );
      if (!on) return [];
      const [x1, y1, x2, y2] = on.map((v) => v * MM) as [number, number, number, number];
      const dash = item.layer === "PANEL" ? { dash: { length: 3 * MM, space: 1.5 * MM } } : {};
      return [{ type: "line", x1, y1, x2, y2, lineWidth, lineColor: INK, ...dash }];
    }
    case "circle": {
      const [x, y] = [item.x - tile.fromXMm, item.y - tile.fromYMm];
      const inside =
        x + item.r >= 0 &&
        y + item.r >= 0 &&
        x - item.r <= tile.widthMm &&
        y - item.r <= tile.heightMm;
      return inside
        ? [
            {
              type: "ellipse",
              x: x * MM,
              y: y * MM,
              r1: item.r * MM,
              r2: item.r * MM,
              lineWidth,
              lineColor: INK,
            },
          ]
        : [];
    }
    case "text":
      return [];
  }
}

function words(items: readonly DrawingItem[], tile: Tile): Content[] {
  return items.flatMap((item): Content[] => {
    if (item.kind !== "text") return [];
    const [x, y] = [item.x - tile.fromXMm, item.y - tile.fromYMm];
    if (x < 0 || y < item.heightMm || x > tile.widthMm || y > tile.heightMm) return [];
    return [
      {
        text: item.text,
        fontSize: item.heightMm * MM,
        noWrap: true,
        absolutePosition: {
          x: (PAGE_MARGIN_MM + x) * MM,
          y: (PAGE_MARGIN_MM + y - item.heightMm) * MM,
        },
      },
    ];
  });
}

/** Crosses in the corners that neighbouring pages share: laid over each other they lie true. */
function corners(tile: Tile): CanvasElement[] {
  const arm = 3 * MM;
  const [w, h] = [tile.widthMm * MM, tile.heightMm * MM];
  const points = [
    [0, 0],
    [w, 0],
    [0, h],
    [w, h],
  ] as const;
  const line = (x1: number, y1: number, x2: number, y2: number): CanvasElement => ({
    type: "line",
    x1,
    y1,
    x2,
    y2,
    lineWidth: 0.3,
    lineColor: INK,
  });
  return points.flatMap(([x, y]) => [line(x - arm, y, x + arm, y), line(x, y - arm, x, y + arm)]);
}

/**
 * A drawing at 1:1 over as many pages as it takes, each with a bar to lay a rule on. Points
 * of the page are mm of the drawing times 72/25.4: nothing is scaled on the way.
 */
export function templatePdf(drawing: Drawing, paper: Paper): Promise<Buffer> {
  const tiles = tilesOf(drawing, paper);
  const page = PAPERS[paper];
  const at = { x: PAGE_MARGIN_MM * MM, y: PAGE_MARGIN_MM * MM };
  const barY = (page.heightMm - PAGE_MARGIN_MM - PAGE_FOOT_MM + 8) * MM;
  const bar = scaleBar(0, 0);
  const foot: Tile = { ...itemAt(tiles, 0), fromXMm: 0, fromYMm: -8, widthMm: 200, heightMm: 60 };
  const content = tiles.map((tile, i): Content => ({
    ...(i > 0 ? { pageBreak: "before" as const } : {}),
    stack: [
      { text: " ", fontSize: 1 },
      {
        canvas: [...drawing.items.flatMap((item) => shapes(item, tile)), ...corners(tile)],
        absolutePosition: at,
      },
      ...words(drawing.items, tile),
      {
        canvas: bar.flatMap((item) => shapes(item, { ...foot, fromYMm: -4 })),
        absolutePosition: { x: at.x, y: barY - 4 * MM },
      },
      {
        text: `100 mm. ${drawing.title}. Page ${i + 1} of ${tiles.length}: row ${tile.row + 1}, column ${tile.column + 1}. Print at 100 %, not fitted to the page.`,
        fontSize: 8,
        absolutePosition: { x: at.x, y: barY + 4 * MM },
      },
    ],
  }));
  const document: TDocumentDefinitions = {
    info: { title: drawing.title, creator: "Dragonet" },
    pageSize: { width: page.widthMm * MM, height: page.heightMm * MM },
    pageMargins: [at.x, at.y, at.x, 0],
    defaultStyle: { font: "Hyperlegible", fontSize: 8, color: INK, lineHeight: 1 },
    content,
  };
  return setPdf(document);
}
