import { tapeText, type UnitSystem } from "../quantity/index.ts";
import type { WallMark } from "./marks.ts";

/** How a wall is drawn: its face, its ink and its units. */
export interface WallSvgOptions {
  readonly fontFamily: string;
  readonly ink: string;
  readonly units: UnitSystem;
}

/** A coordinate of SVG, in tenths of a point. */
const at = (points: number): string => points.toFixed(1);

/** Size of the picture, and room around the wall, in points. */
const [WIDTH, HEIGHT, EDGE] = [760, 300, 40];
/** The wall shown is at least so wide and high, m. */
const [LEAST_HALF_M, LEAST_HIGH_M] = [0.6, 1.2];
/** Arms of a mark's cross, points. */
const ARM = 7;
/** What a mark's label takes, points. */
const [LABEL_WIDTH, LABEL_HEIGHT] = [84, 14];

/**
 * The wall to scale, with a cross for every mark that falls on it: its number, how high above the
 * ground, how far from the vehicle's middle. Nothing but numbers and the words of this file is in it.
 */
export function wallSvg(
  marks: readonly WallMark[],
  { fontFamily, ink, units }: WallSvgOptions,
): string {
  const onWall = marks
    .map((mark, i) => ({ mark, number: i + 1 }))
    .filter(({ mark }) => mark.groundM === null && !mark.behind);
  const half =
    Math.max(LEAST_HALF_M, ...onWall.map(({ mark }) => Math.abs(mark.markRightM))) * 1.15;
  const high = Math.max(LEAST_HIGH_M, ...onWall.map(({ mark }) => mark.markUpM)) * 1.15;
  // One scale for both ways: what is square on the wall is square on paper.
  const scale = Math.min((WIDTH - 2 * EDGE) / (2 * half), (HEIGHT - EDGE - 16) / high);
  const x = (rightM: number): number => WIDTH / 2 + rightM * scale;
  const y = (upM: number): number => HEIGHT - EDGE - upM * scale;
  const line = (x1: number, y1: number, x2: number, y2: number, width: number, dash = ""): string =>
    `<line x1="${at(x1)}" y1="${at(y1)}" x2="${at(x2)}" y2="${at(y2)}" stroke="${ink}" stroke-width="${width}"${dash === "" ? "" : ` stroke-dasharray="${dash}"`}/>`;
  const text = (atX: number, atY: number, size: number, words: string, weight = 400): string =>
    `<text x="${at(atX)}" y="${at(atY)}" font-size="${size}" font-family="${fontFamily}" font-weight="${weight}" fill="${ink}" text-anchor="middle">${words}</text>`;
  const drawn = onWall.flatMap(({ mark, number }) => {
    const [cx, cy] = [x(mark.markRightM), y(mark.markUpM)];
    const side = tapeText(Math.abs(mark.markRightM), units);
    // A label that would lie on that of a mark before it goes under its cross.
    const crowded = onWall.some(
      (other) =>
        other.number < number &&
        Math.abs(x(other.mark.markRightM) - cx) < LABEL_WIDTH &&
        Math.abs(y(other.mark.markUpM) - cy) < LABEL_HEIGHT,
    );
    const labelY = crowded ? cy + ARM + LABEL_HEIGHT : cy - ARM - 4;
    return [
      line(cx, cy, cx, y(0), 0.5, "3 3"),
      line(cx - ARM, cy, cx + ARM, cy, 1.5),
      line(cx, cy - ARM, cx, cy + ARM, 1.5),
      text(cx, labelY, 12, `${number}: ${tapeText(mark.markUpM, units)}`, 700),
      ...(Math.abs(mark.markRightM) < 0.0005 ? [] : [text(cx, y(0) + 14, 10, side)]),
    ];
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" width="${WIDTH}" height="${HEIGHT}">`,
    line(EDGE, y(0), WIDTH - EDGE, y(0), 1.5),
    line(WIDTH / 2, 4, WIDTH / 2, y(0) + 4, 0.8, "8 4"),
    text(WIDTH / 2, HEIGHT - 8, 10, "middle of the vehicle, level ground"),
    ...drawn,
    "</svg>",
  ].join("");
}
