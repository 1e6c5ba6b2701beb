import type { Drawing } from "./drawing.ts";

/** Papers that are printed on, in mm. */
export const PAPERS = {
  a4: { widthMm: 210, heightMm: 297 },
  letter: { widthMm: 215.9, heightMm: 279.4 },
} as const;
/** A paper that is printed on. */
export type Paper = keyof typeof PAPERS;

/** One page of a drawing that is larger than the paper. */
export interface Tile {
  readonly column: number;
  readonly row: number;
  /** Corner of the drawing that lies in the page's top left printable corner, in mm. */
  readonly fromXMm: number;
  readonly fromYMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** What no printer reaches, in mm. */
export const PAGE_MARGIN_MM = 12;
/** Room at the page's foot for the bar and the page's number, in mm. */
export const PAGE_FOOT_MM = 18;
/** Neighbouring pages show so much of each other, so that they can be laid true, in mm. */
export const OVERLAP_MM = 10;

function cuts(length: number, room: number): number[] {
  if (length <= room) return [0];
  const step = room - OVERLAP_MM;
  const count = 1 + Math.ceil((length - room) / step - 1e-9);
  return Array.from({ length: count }, (_, i) => i * step);
}

/** Pages that cover a drawing at 1:1, row by row, overlapping by `OVERLAP_MM`. */
export function tilesOf(drawing: Drawing, paper: Paper): Tile[] {
  const { widthMm, heightMm } = PAPERS[paper];
  const room = {
    widthMm: widthMm - 2 * PAGE_MARGIN_MM,
    heightMm: heightMm - 2 * PAGE_MARGIN_MM - PAGE_FOOT_MM,
  };
  const columns = cuts(drawing.widthMm, room.widthMm);
  const rows = cuts(drawing.heightMm, room.heightMm);
  return rows.flatMap((fromYMm, row) =>
    columns.map((fromXMm, column) => ({ column, row, fromXMm, fromYMm, ...room })),
  );
}
