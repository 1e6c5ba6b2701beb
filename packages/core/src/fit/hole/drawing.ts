import { decimal, drillText } from "../../quantity/index.ts";
import type { Pattern } from "./pattern.ts";

/** What a line of a template is for: cut here, mark only, the panel's edge, the scale bar. */
export type DrawingLayer = "CUT" | "MARK" | "PANEL" | "SCALE";

/** Lines of a drawing in mm, x to the right and y down from its top left corner. */
export type DrawingItem =
  | {
      readonly kind: "line";
      readonly layer: DrawingLayer;
      readonly x1: number;
      readonly y1: number;
      readonly x2: number;
      readonly y2: number;
    }
  | {
      readonly kind: "circle";
      readonly layer: DrawingLayer;
      readonly x: number;
      readonly y: number;
      readonly r: number;
    }
  | {
      readonly kind: "text";
      readonly layer: DrawingLayer;
      readonly x: number;
      readonly y: number;
      readonly heightMm: number;
      readonly text: string;
    };

/** A flat drawing at its true size. */
export interface Drawing {
  readonly title: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly items: readonly DrawingItem[];
}

/** Length of the bar that shows whether a print is true, in mm. */
export const SCALE_BAR_MM = 100;
/** Room around the panel, and for the bar and the title below it, in mm. */
const MARGIN_MM = 8;
const FOOT_MM = 22;
const TEXT_MM = 3;
const CROSS_MM = 4;

const line = (
  layer: DrawingLayer,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
): DrawingItem => ({ kind: "line", layer, x1, y1, x2, y2 });

const text = (x: number, y: number, words: string): DrawingItem => ({
  kind: "text",
  layer: "MARK",
  x,
  y,
  heightMm: TEXT_MM,
  text: words,
});

const cross = (x: number, y: number, arm: number): DrawingItem[] => [
  line("MARK", x - arm, y, x + arm, y),
  line("MARK", x, y - arm, x, y + arm),
];

const box = (
  layer: DrawingLayer,
  x: number,
  y: number,
  width: number,
  height: number,
): DrawingItem[] => [
  line(layer, x, y, x + width, y),
  line(layer, x + width, y, x + width, y + height),
  line(layer, x + width, y + height, x, y + height),
  line(layer, x, y + height, x, y),
];

/** The bar to lay a rule on, 100 mm between its outer ticks, ticked each 10 mm. */
export function scaleBar(x: number, y: number): DrawingItem[] {
  const ticks = Array.from({ length: SCALE_BAR_MM / 10 + 1 }, (_, i) => {
    const tall = i === 0 || i === SCALE_BAR_MM / 10 ? 3 : 1.5;
    return line("SCALE", x + 10 * i, y - tall, x + 10 * i, y + tall);
  });
  return [
    line("SCALE", x, y, x + SCALE_BAR_MM, y),
    ...ticks,
    text(x, y + 7, `${SCALE_BAR_MM} mm: if a rule says otherwise, print again at 100 %`),
  ];
}

/**
 * A panel's holes at 1:1: edge, landmarks, holes with their middles, the bar. All in mm; the
 * panel's top left corner lies `MARGIN_MM` from the drawing's.
 */
export function templateDrawing(pattern: Pattern, title: string): Drawing {
  const { template, landmarks, holes } = pattern;
  const [ox, oy] = [MARGIN_MM, MARGIN_MM];
  const items: DrawingItem[] = [
    ...box("PANEL", ox, oy, template.widthMm, template.heightMm),
    ...landmarks.flatMap((l): DrawingItem[] => [
      ...cross(ox + l.rightMm, oy + l.downMm, CROSS_MM / 2),
      { kind: "circle", layer: "MARK", x: ox + l.rightMm, y: oy + l.downMm, r: 1 },
      text(ox + l.rightMm + 2.5, oy + l.downMm - 2, l.name),
    ]),
    ...holes.flatMap((placed): DrawingItem[] => {
      const { hole, xMm, yMm, diameterMm, corners } = placed;
      const [x, y] = [ox + xMm, oy + yMm];
      const { cut } = hole;
      const label = text(
        x + diameterMm / 2 + 2,
        y + TEXT_MM / 2,
        cut.kind === "rocker"
          ? `${hole.name}, ${decimal(cut.widthMm, 1)} × ${decimal(cut.heightMm, 1)}`
          : `${hole.name}, ø ${drillText(diameterMm, "metric")}`,
      );
      if (cut.kind !== "rocker") {
        return [
          { kind: "circle", layer: "CUT", x, y, r: diameterMm / 2 },
          ...cross(x, y, Math.max(CROSS_MM, diameterMm / 2 + 2)),
          label,
        ];
      }
      return [
        ...box("CUT", x - cut.widthMm / 2, y - cut.heightMm / 2, cut.widthMm, cut.heightMm),
        ...corners.map(([cx, cy]): DrawingItem => ({
          kind: "circle",
          layer: "CUT",
          x: ox + cx,
          y: oy + cy,
          r: diameterMm / 2,
        })),
        ...cross(x, y, CROSS_MM),
        { ...label, x: x + cut.widthMm / 2 + 2 } as DrawingItem,
      ];
    }),
  ];
  const foot = oy + template.heightMm + MARGIN_MM;
  return {
    title,
    widthMm: Math.max(template.widthMm, SCALE_BAR_MM) + 2 * MARGIN_MM,
    heightMm: foot + FOOT_MM,
    items: [
      ...items,
      ...scaleBar(ox, foot + 3),
      text(ox, foot + 16, `${title}. ${template.where}`),
    ],
  };
}
