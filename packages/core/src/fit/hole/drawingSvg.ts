import type { Drawing, DrawingItem, DrawingLayer } from "./drawing.ts";

const WIDTH_MM: Readonly<Record<DrawingLayer, number>> = {
  CUT: 0.35,
  MARK: 0.15,
  PANEL: 0.25,
  SCALE: 0.25,
};

const n = (value: number): string => String(Number(value.toFixed(4)));
const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

function element(item: DrawingItem): string {
  const stroke = `stroke-width="${WIDTH_MM[item.layer]}"`;
  const dash = item.layer === "PANEL" ? ' stroke-dasharray="3 1.5"' : "";
  switch (item.kind) {
    case "line":
      return `<line x1="${n(item.x1)}" y1="${n(item.y1)}" x2="${n(item.x2)}" y2="${n(item.y2)}" ${stroke}${dash}/>`;
    case "circle":
      return `<circle cx="${n(item.x)}" cy="${n(item.y)}" r="${n(item.r)}" ${stroke}/>`;
    case "text":
      return `<text x="${n(item.x)}" y="${n(item.y)}" font-size="${n(item.heightMm)}" fill="currentColor" stroke="none">${escaped(item.text)}</text>`;
  }
}

/** A drawing as SVG whose user units are mm, printed at its true size. */
export const drawingSvg = (drawing: Drawing): string =>
  [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(drawing.widthMm)}mm" height="${n(drawing.heightMm)}mm" viewBox="0 0 ${n(drawing.widthMm)} ${n(drawing.heightMm)}" fill="none" stroke="currentColor" font-family="sans-serif">`,
    `<title>${escaped(drawing.title)}</title>`,
    ...drawing.items.map(element),
    "</svg>",
    "",
  ].join("\n");
