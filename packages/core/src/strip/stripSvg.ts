import { decimal, fixed } from "../quantity/index.ts";
import { WIRE_COLOURS, parseWireColour, type WireColourName } from "../wire/index.ts";
import type { Strip, StripLamp, StripPart } from "./strip.ts";

export interface StripSvgOptions {
  readonly fontFamily: string;
  /** Colour of lines and text, as CSS. */
  readonly ink: string;
}

const escape = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** Width of each kind of part on paper; wires give way to things that need room for a name. */
const WIDTHS: Readonly<Record<StripPart["kind"], number>> = {
  wire: 104,
  chassis: 60,
  strap: 40,
  fuse: 70,
  switch: 96,
  contact: 104,
  coil: 84,
  diode: 60,
  load: 120,
  connector: 76,
  converter: 120,
  battery: 96,
  flasher: 96,
  tap: 104,
};

const LANE_Y = 44;
const LANE_HEIGHT = 92;

/** Widths of letters as a share of their size: of the faces on paper, bold ones wider. */
const LETTER = 0.56;
const BOLD_LETTER = 0.6;

const lengthOf = (text: string, size: number, letter = LETTER): number =>
  text.length * size * letter;

/** Room for a part on its lane: its symbol's, or what its name and detail want, so that none is cut. */
const widthOf = (part: StripPart): number =>
  Math.max(
    WIDTHS[part.kind],
    Math.ceil(lengthOf(part.name, 9.5, BOLD_LETTER)) + 8,
    Math.ceil(lengthOf(part.detail, 8)) + 8,
  );

class Pen {
  readonly marks: string[] = [];

  constructor(private readonly o: StripSvgOptions) {}

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

  rect(x: number, y: number, w: number, h: number, fill = "none"): void {
    this.marks.push(
      `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="1.5" fill="${fill}" stroke="${this.o.ink}" stroke-width="1.2"/>`,
    );
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

function drawSymbol(pen: Pen, part: StripPart, x: number, w: number, y: number): void {
  const mid = x + w / 2;
  switch (part.kind) {
    case "wire":
      pen.wire(x, x + w, y, part.colour);
      return;
    case "fuse":
      pen.line(x, y, x + w, y);
      pen.rect(mid - 15, y - 6, 30, 12);
      return;
    case "switch":
    case "contact":
      pen.line(x, y, mid - 14, y);
      pen.line(mid + 14, y, x + w, y);
      pen.circle(mid - 14, y, 2);
      pen.circle(mid + 14, y, 2);
      pen.line(mid - 12, y - 1, mid + 11, y - 9);
      return;
    case "connector":
      pen.line(x, y, mid - 8, y);
      pen.line(mid + 3, y, x + w, y);
      pen.line(mid - 8, y - 6, mid - 8, y + 6, 2);
      pen.line(mid - 8, y - 6, mid, y - 6);
      pen.line(mid - 8, y + 6, mid, y + 6);
      pen.rect(mid - 3, y - 3, 8, 6);
      return;
    case "battery":
      pen.line(mid - 10, y, mid - 4, y);
      pen.line(mid - 4, y - 6, mid - 4, y + 6, 1.2);
      pen.line(mid + 2, y - 10, mid + 2, y + 10, 2);
      pen.line(mid + 2, y, x + w, y);
      return;
    case "converter":
    case "flasher":
      pen.line(x, y, mid - 18, y);
      pen.line(mid + 18, y, x + w, y);
      pen.rect(mid - 18, y - 8, 36, 16);
      pen.line(mid - 18, y + 8, mid + 18, y - 8);
      return;
    case "coil":
      pen.line(x, y, mid - 18, y);
      pen.line(mid + 18, y, x + w, y);
      pen.rect(mid - 18, y - 7, 36, 14);
      return;
    case "diode":
      pen.line(x, y, x + w, y);
      pen.line(mid - 6, y - 6, mid - 6, y + 6);
      pen.line(mid - 6, y - 6, mid + 6, y);
      pen.line(mid - 6, y + 6, mid + 6, y);
      pen.line(mid + 6, y - 6, mid + 6, y + 6, 1.8);
      return;
    case "tap":
      pen.line(mid, y, x + w, y);
      pen.circle(mid, y, 4);
      return;
    case "chassis":
      pen.line(x, y, mid, y);
      pen.line(mid, y - 8, mid, y + 8, 2);
      pen.line(mid + 5, y - 5, mid + 5, y + 5, 1.4);
      pen.line(mid + 10, y - 2.5, mid + 10, y + 2.5, 1.2);
      return;
    case "load":
      pen.circle(mid, y, 9);
      return;
    case "strap":
      pen.line(x, y, x + w, y);
      return;
  }
}

function drawPart(pen: Pen, part: StripPart, x: number, y: number): number {
  const w = widthOf(part);
  drawSymbol(pen, part, x, w, y);
  pen.text(x + w / 2, y - 16, 9.5, part.name, "middle", 700);
  pen.text(x + w / 2, y + 20, 8, part.detail);
  return x + w;
}

function drawLamp(pen: Pen, lamp: StripLamp, x: number, y: number): void {
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
function drawLane(pen: Pen, parts: readonly StripPart[], x0: number, y: number): number {
  let x = x0;
  parts.forEach((part, i) => {
    if (i > 0) pen.text(x, y + 34, 8, `${fixed(part.fromV, 2)} V`);
    x = drawPart(pen, part, x, y);
  });
  return x;
}

const laneWidth = (parts: readonly StripPart[]): number =>
  parts.reduce((w, p) => w + widthOf(p), 0);

/**
 * One strip as an SVG document for paper: power lane left to right, lamps side by side at
 * its end, the way back beneath, the coil's lane last. Sizes are in points.
 */
export function stripSvg(strip: Strip, options: StripSvgOptions): string {
  const pen = new Pen(options);
  const labels = ["return", ...strip.control.map((lane) => lane.label)];
  const left = Math.max(58, ...labels.map((label) => Math.ceil(lengthOf(label, 9)) + 10));
  const powerWidth = laneWidth(strip.out);
  const lampRoom = Math.max(
    200,
    ...strip.lamps.map((lamp) => 54 + Math.ceil(lengthOf(lamp.label, 9.5, BOLD_LETTER))),
  );
  const width = Math.max(
    left + powerWidth + lampRoom,
    left + laneWidth(strip.back) + 20,
    ...strip.control.map((lane) => left + laneWidth(lane.parts) + 20),
    640,
  );
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
  const backY = Math.max(LANE_Y + 58, lampsEnd + 40);
  pen.text(0, backY + 3, 9, "return", "start");
  drawLane(pen, strip.back, left, backY);
  let height = backY + 40;
  for (const lane of strip.control) {
    const laneY = height + 22;
    pen.text(0, laneY + 3, 9, lane.label, "start");
    drawLane(pen, lane.parts, left, laneY);
    height = laneY + LANE_HEIGHT / 2;
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${pen.marks.join("")}</svg>`;
}
