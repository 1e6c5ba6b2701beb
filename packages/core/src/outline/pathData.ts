import { itemAt } from "../present/index.ts";
import type { OutlineShape, Point } from "./shape.ts";

const text = (n: number): string => String(Math.round(n * 1000) / 1000);
const pair = ([x, y]: Point): string => `${text(x)} ${text(y)}`;

/** A point from `from` towards `to`, at most halfway, so that two roundings never meet. */
function towards(from: Point, to: Point, by: number): Point {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const far = Math.hypot(dx, dy);
  const part = far === 0 ? 0 : Math.min(by / far, 0.5);
  return [from[0] + dx * part, from[1] + dy * part];
}

/**
 * A shape as the data of an SVG path (SVG 2, chapter 9): its corners rounded by quadratic curves,
 * a circle as two arcs. `place` turns m of the view into units of the picture.
 */
export function pathData(shape: OutlineShape, place: (point: Point) => Point): string {
  if (shape.kind === "round") {
    const [x, y] = place(shape.middle);
    const r = Math.abs(place([shape.middle[0] + shape.radiusM, shape.middle[1]])[0] - x);
    const arc = `A${text(r)} ${text(r)} 0 1 0`;
    return `M${pair([x - r, y])}${arc} ${pair([x + r, y])}${arc} ${pair([x - r, y])}Z`;
  }
  const { points, closed, roundM } = shape;
  const last = points.length - 1;
  const corner = (i: number): string => {
    const here = itemAt(points, i);
    const [before, after] = [
      itemAt(points, i === 0 ? last : i - 1),
      itemAt(points, i === last ? 0 : i + 1),
    ];
    const [into, out] = [towards(here, before, roundM), towards(here, after, roundM)];
    return `L${pair(place(into))}Q${pair(place(here))} ${pair(place(out))}`;
  };
  if (closed)
    return `M${points
      .map((_, i) => corner(i))
      .join("")
      .slice(1)}Z`;
  const inner = points.slice(1, -1).map((_, i) => corner(i + 1));
  return `M${pair(place(itemAt(points, 0)))}${inner.join("")}L${pair(place(itemAt(points, last)))}`;
}
