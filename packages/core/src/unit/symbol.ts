/** One stroke of a symbol, as an SVG path in a box `width` wide and 22 high, its lane at 11. */
export interface SymbolMark {
  readonly d: string;
  /** Width of the line; 0 for a shape that is filled. */
  readonly stroke: number;
}

/** How a kind of inside stands on a lane: on the page and on paper alike. */
export interface LaneLook {
  /** Share of a lane that it grows by on the page: wires give way to what needs room for a name. */
  readonly grow: 1 | 2 | 3;
  /** Least width on paper, in points. */
  readonly paperPt: number;
  /** Width of its symbol's box; 0 for a plain line. */
  readonly width: number;
  /** Which sides the lane goes on at. */
  readonly leads: "both" | "left" | "right";
  /** Its strokes, with a contact that is closed or open. */
  marks(closed: boolean): readonly SymbolMark[];
}

export const mark = (d: string, stroke = 1.4): SymbolMark => ({ d, stroke });

/** A circle as a path. */
export const ring = (x: number, y: number, r: number, stroke = 1): SymbolMark =>
  mark(`M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`, stroke);

/** A look whose strokes are the same in every position. */
export const look = (
  grow: LaneLook["grow"],
  paperPt: number,
  width: number,
  marks: readonly SymbolMark[],
  leads: LaneLook["leads"] = "both",
): LaneLook => ({ grow, paperPt, width, leads, marks: () => marks });

/** Two posts and a blade between them: of a switch, and of a relay's contact. */
export const bladeLook = (grow: LaneLook["grow"], paperPt: number): LaneLook => ({
  ...{ grow, paperPt, width: 36, leads: "both" },
  marks: (closed) => [
    mark(closed ? "M0 11h4.5M8.5 11h19M31.5 11h4.5" : "M0 11h4.5M31.5 11h4.5M7 10l22-8"),
    ring(6.5, 11, 2),
    ring(29.5, 11, 2),
  ],
});

/** A box on the lane with something drawn in it. */
export const boxLook = (
  grow: LaneLook["grow"],
  paperPt: number,
  [top, height]: readonly [number, number],
  inside: string,
): LaneLook => look(grow, paperPt, 34, [mark(`M1 ${top}h32v${height}h-32z`), mark(inside, 1.2)]);
