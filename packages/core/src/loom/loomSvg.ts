import { itemAt } from "../present/index.ts";
import { WIRE_COLOURS, parseWireColour } from "../wire/index.ts";
import type { LoomGraph, LoomNode } from "./loomGraph.ts";

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Where a layout library put things, and the corners of each wire. Sizes in points. */
export interface LoomLayout {
  readonly width: number;
  readonly height: number;
  readonly nodes: ReadonlyMap<string, Point>;
  readonly edges: ReadonlyMap<string, readonly Point[]>;
}

/** How a loom is drawn: its face and colours. */
export interface LoomSvgOptions {
  readonly fontFamily: string;
  readonly ink: string;
  readonly paper: string;
}

const escape = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
const round = (x: number): number => Math.round(x * 10) / 10;

function line(points: readonly Point[], stroke: string, width: number): string {
  const at = points.map((p) => `${round(p.x)},${round(p.y)}`).join(" ");
  return `<polyline points="${at}" fill="none" stroke="${stroke}" stroke-width="${width}" stroke-linejoin="round"/>`;
}

/** The middle of the longest level straight of a wire, and its length: room for a flag. */
function flagAt(points: readonly Point[]): Point & { readonly room: number } {
  let best = points[0] ?? { x: 0, y: 0 };
  let most = -1;
  points.slice(1).forEach((b, i) => {
    const a = itemAt(points, i);
    const level = Math.abs(b.x - a.x);
    if (level > most) {
      most = level;
      best = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
    }
  });
  return { ...best, room: Math.max(0, most) };
}

/** Width of a character of a flag, at its size. */
const FLAG_CHARACTER = 4;
const FLAG_HIGH = 7;

/** As much of a flag as its straight has room for: all of it, its number alone, or nothing. */
function flagText(label: string, room: number): string {
  const [number = ""] = label.split(" ");
  return [label, number].find((words) => words.length * FLAG_CHARACTER <= room - 2) ?? "";
}

function fit(words: string, width: number): string {
  const most = Math.floor((width - 6) / 4.6);
  return words.length <= most ? words : `${words.slice(0, Math.max(1, most - 1))}…`;
}

function nodeMarks(node: LoomNode, { x, y }: Point, o: LoomSvgOptions): string {
  const [w, h] = [node.width, node.height];
  switch (node.kind) {
    case "joint":
      return `<circle cx="${round(x + w / 2)}" cy="${round(y + h / 2)}" r="3" fill="${o.ink}"/>`;
    case "ground": {
      const [cx, cy] = [x + w / 2, y + h / 2];
      return [
        line(
          [
            { x: cx, y: cy - 6 },
            { x: cx, y: cy + 6 },
          ],
          o.ink,
          2,
        ),
        line(
          [
            { x: cx + 4, y: cy - 4 },
            { x: cx + 4, y: cy + 4 },
          ],
          o.ink,
          1.4,
        ),
        line(
          [
            { x: cx + 8, y: cy - 2 },
            { x: cx + 8, y: cy + 2 },
          ],
          o.ink,
          1.2,
        ),
      ].join("");
    }
    case "post":
    case "part": {
      const heavy = node.kind === "post" ? 2 : 1;
      const text = (dy: number, size: number, words: string, weight: number): string =>
        `<text x="${round(x + w / 2)}" y="${round(y + dy)}" font-size="${size}" font-weight="${weight}" font-family="${o.fontFamily}" fill="${o.ink}" text-anchor="middle">${escape(fit(words, w))}</text>`;
      return [
        `<rect x="${round(x)}" y="${round(y)}" width="${w}" height="${h}" rx="2" fill="${o.paper}" stroke="${o.ink}" stroke-width="${heavy}"/>`,
        text(node.owner === "" ? 19 : 13, 9, node.words, 700),
        node.owner === "" ? "" : text(24, 7.5, node.owner, 400),
      ].join("");
    }
  }
}

/** The whole loom on one page, as it was laid out: wires as insulation, a flag on each. */
export function loomSvg(graph: LoomGraph, layout: LoomLayout, o: LoomSvgOptions): string {
  const wires = graph.edges.map((edge) => {
    const points = layout.edges.get(edge.id) ?? [];
    if (points.length < 2) return "";
    const colour = parseWireColour(edge.colour);
    if (!colour) return line(points, o.ink, 1);
    return [
      line(points, o.ink, 4),
      line(points, WIRE_COLOURS[colour.base], 2.8),
      colour.stripe ? line(points, WIRE_COLOURS[colour.stripe], 1) : "",
    ].join("");
  });
  const written: { readonly x: number; readonly y: number; readonly half: number }[] = [];
  const flags = graph.edges.map((edge) => {
    const points = layout.edges.get(edge.id) ?? [];
    if (edge.label === "" || points.length < 2) return "";
    const { x, y, room } = flagAt(points);
    const words = flagText(edge.label, room);
    const half = (words.length * FLAG_CHARACTER) / 2;
    // Wires that come together share their last straight: one flag there is read, two are not.
    const covered = written.some(
      (f) => Math.abs(f.y - y) < FLAG_HIGH && Math.abs(f.x - x) < f.half + half,
    );
    if (words === "" || covered) return "";
    written.push({ x, y, half });
    return `<text x="${round(x)}" y="${round(y - 4)}" font-size="7" font-family="${o.fontFamily}" fill="${o.ink}" text-anchor="middle">${escape(words)}</text>`;
  });
  const things = graph.nodes.map((node) => {
    const at = layout.nodes.get(node.id);
    return at ? nodeMarks(node, at, o) : "";
  });
  const [w, h] = [Math.ceil(layout.width), Math.ceil(layout.height)];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w} ${h}" width="${w}" height="${h}">${[...wires, ...flags, ...things].join("")}</svg>`;
}
