import { decimal, fixed } from "../quantity/index.ts";
import { WIRE_COLOURS, parseWireColour, type WireColourName } from "../wire/index.ts";
import { lookOf } from "../unit/index.ts";
import type { LineDiagram, DiagramLamp, DiagramPart } from "./lineDiagram.ts";

/** How a line diagram is drawn: its face and colours. */
export interface LineDrawingOptions {
  readonly fontFamily: string;
  /** Colour of lines and text, as CSS. */
  readonly ink: string;
  /** Room in width that there is anyway, in points: lanes stand beside each other in it. */
  readonly widthPt?: number;
}

const escape = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

const LANE_Y = 44;
/** From one row of lanes to the next, what is below the last, and between two in one row. */
const ROW_HEIGHT = 66;
const LANE_FOOT = 40;
const LANE_GAP = 24;

/** Widths of letters as a share of their size: of the faces on paper, bold ones wider. */
const LETTER = 0.56;
const BOLD_LETTER = 0.6;

const lengthOf = (text: string, size: number, letter = LETTER): number =>
  text.length * size * letter;

/** Room for a part on its lane: its symbol's, or what its name and detail want, so that none is cut. */
const widthOf = (part: DiagramPart): number =>
  Math.max(
    lookOf(part.kind).paperPt,
    Math.ceil(lengthOf(part.name, 9.5, BOLD_LETTER)) + 8,
    Math.ceil(lengthOf(part.detail, 8)) + 8,
  );

class Pen {
  readonly marks: string[] = [];

  constructor(private readonly o: LineDrawingOptions) {}

  text(x: number, y: number, size: number, words: string, anchor = "middle", weight = 400): void {
    this.marks.push(
      `<text x="${x}" y="${y}" font-size="${size}" font-family="${this.o.fontFamily}" font-weight="${weight}" fill="${this.o.ink}" text-anchor="${anchor}">${escape(words)}</text>`,
    );
  }

  line(x1: number, y1: number, x2: number, y2: number, width = 1.2, colour = this.o.ink): void {
    this.marks.push(
      `<line x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}" stroke="${colour}" stroke-width="${width}"/>`,
    );
  }

  path(x: number, y: number, d: string, stroke: number): void {
    const { ink } = this.o;
    const paint =
      stroke === 0 ? `fill="${ink}"` : `fill="none" stroke="${ink}" stroke-width="${stroke}"`;
    this.marks.push(`<path transform="translate(${x} ${y})" d="${d}" ${paint}/>`);
  }

  circle(x: number, y: number, r: number, fill = "none"): void {
    this.marks.push(
      `<circle cx="${x}" cy="${y}" r="${r}" fill="${fill}" stroke="${this.o.ink}" stroke-width="1.2"/>`,
    );
  }

  /** A wire as insulation: its colour between two ink edges, the stripe along the middle. */
  wire(x1: number, x2: number, y: number, colourText: string): void {
    const colour = parseWireColour(colourText);
    const paint = (name: WireColourName): string => WIRE_COLOURS[name];
    this.line(x1, y, x2, y, colour ? 6 : 1.6);
    if (!colour) return;
    this.line(x1, y, x2, y, 4.4, paint(colour.base));
    if (colour.stripe) this.line(x1, y, x2, y, 1.5, paint(colour.stripe));
  }
}

/** Height of a symbol's box; the lane goes through its middle. */
const SYMBOL_HEIGHT = 22;

function drawSymbol(pen: Pen, part: DiagramPart, x: number, w: number, y: number): void {
  if (part.kind === "wire") {
    pen.wire(x, x + w, y, part.colour);
    return;
  }
  // On paper nothing is pressed: contacts are open.
  const { width, leads, marks } = lookOf(part.kind);
  const left = x + (w - width) / 2;
  if (leads !== "right") pen.line(x, y, left, y);
  if (leads !== "left") pen.line(left + width, y, x + w, y);
  for (const { d, stroke } of marks(false)) pen.path(left, y - SYMBOL_HEIGHT / 2, d, stroke);
}

function drawPart(pen: Pen, part: DiagramPart, x: number, y: number): number {
  const w = widthOf(part);
  drawSymbol(pen, part, x, w, y);
  pen.text(x + w / 2, y - 16, 9.5, part.name, "middle", 700);
  pen.text(x + w / 2, y + 20, 8, part.detail);
  return x + w;
}

function drawLamp(pen: Pen, lamp: DiagramLamp, x: number, y: number): void {
  pen.line(x, y, x + 16, y);
  pen.circle(x + 26, y, 10);
  if (lamp.family === "lamp") {
    pen.line(x + 19, y - 7, x + 33, y + 7);
    pen.line(x + 19, y + 7, x + 33, y - 7);
  }
  pen.text(x + 44, y - 3, 9.5, lamp.label, "start", 700);
  pen.text(x + 44, y + 9, 9, `${fixed(lamp.volts, 2)} V  ${fixed(lamp.currentA, 2)} A`, "start");
}

/** A lane of parts with the volts between them; returns where it ends. */
function drawLane(pen: Pen, parts: readonly DiagramPart[], x0: number, y: number): number {
  let x = x0;
  parts.forEach((part, i) => {
    if (i > 0) pen.text(x, y + 34, 8, `${fixed(part.fromV, 2)} V`);
    x = drawPart(pen, part, x, y);
  });
  return x;
}

const laneWidth = (parts: readonly DiagramPart[]): number =>
  parts.reduce((w, p) => w + widthOf(p), 0);

/** A strip drawn, and its size in points. */
export interface LineDrawing {
  readonly svg: string;
  readonly width: number;
  readonly height: number;
}

/**
 * One strip as an SVG document for paper: power lane left to right, lamps side by side at
 * its end, the way back and the coil's lane beneath. Sizes are in points.
 */
export function stripDrawing(strip: LineDiagram, options: LineDrawingOptions): LineDrawing {
  const pen = new Pen(options);
  const labels = ["return", ...strip.control.map((lane) => lane.label)];
  const left = Math.max(58, ...labels.map((label) => Math.ceil(lengthOf(label, 9)) + 10));
  const powerWidth = laneWidth(strip.out);
  const lampRoom = Math.max(
    200,
    ...strip.lamps.map((lamp) => 54 + Math.ceil(lengthOf(lamp.label, 9.5, BOLD_LETTER))),
  );
  const lanes = [{ label: "return", parts: strip.back }, ...strip.control];
  const longest = Math.max(
    left + powerWidth + lampRoom,
    ...lanes.map((lane) => left + laneWidth(lane.parts) + 20),
  );
  const room = Math.max(longest, options.widthPt ?? 640);
  pen.text(0, LANE_Y - 4, 10, `${decimal(strip.sourceV, 1)} V`, "start", 700);
  pen.text(0, LANE_Y + 9, 9, `${fixed(strip.totalA, 2)} A`, "start");
  const end = drawLane(pen, strip.out, left, LANE_Y);
  const lampStep = 34;
  strip.lamps.forEach((lamp, i) => {
    const y = LANE_Y + i * lampStep;
    if (i > 0) pen.line(end, LANE_Y, end, y);
    drawLamp(pen, lamp, end, y);
  });
  const lampsEnd = LANE_Y + Math.max(0, strip.lamps.length - 1) * lampStep;
  // What needs little room stands beside another: fewer rows are larger on paper.
  let y = Math.max(LANE_Y + ROW_HEIGHT, lampsEnd + 48);
  let x = 0;
  let width = longest;
  for (const lane of lanes) {
    if (x > 0 && x + left + laneWidth(lane.parts) > room) [x, y] = [0, y + ROW_HEIGHT];
    pen.text(x, y + 3, 9, lane.label, "start");
    x = drawLane(pen, lane.parts, x + left, y) + LANE_GAP;
    width = Math.max(width, x);
  }
  const height = y + LANE_FOOT;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${pen.marks.join("")}</svg>`;
  return { svg, width, height };
}

/** The same, where its size is of no matter. */
export const lineDiagramSvg = (strip: LineDiagram, options: LineDrawingOptions): string =>
  stripDrawing(strip, options).svg;
