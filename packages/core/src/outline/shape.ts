/** From where a vehicle is looked at: from above, from its left, from the front, from behind. */
export const VIEWS = ["plan", "side", "front", "rear"] as const;
/** From where a vehicle is seen. */
export type View = (typeof VIEWS)[number];

/**
 * A point of a view, in m: to the right and up, as it is seen. From above and from the left the
 * front is at the left and x counts back from the foremost point; from the front and from behind
 * x counts from the centreline. Up is above the ground; from above it is the vehicle's right.
 */
export type Point = readonly [x: number, y: number];

/** What a shape is of: a tyre, the body, a seat or pane, or only a line. */
export const TONES = ["tyre", "body", "seat", "line"] as const;
/** How dark a part of a drawing is. */
export type Tone = (typeof TONES)[number];

/** One shape of a drawing; later ones stand before earlier ones. */
export type OutlineShape =
  | {
      readonly kind: "round";
      readonly tone: Tone;
      readonly middle: Point;
      readonly radiusM: number;
    }
  | {
      readonly kind: "path";
      readonly tone: Tone;
      readonly points: readonly Point[];
      readonly closed: boolean;
      /** How far from a corner its rounding begins, in m. */
      readonly roundM: number;
    };

/** Outer measures in m, mirrors and rider left out. */
export interface Measures {
  readonly length: number;
  readonly width: number;
  readonly height: number;
}

export type Drawing = (pen: Pen) => readonly OutlineShape[];

/** The four views of a kind. */
export type Outline = Readonly<Record<View, Drawing>>;

/** Draws in parts of the vehicle's measures, so that a drawing is as long and as tall as it is. */
export class Pen {
  constructor(
    private readonly view: View,
    readonly m: Measures,
  ) {}

  private at([x, y]: Point): Point {
    const { length, width, height } = this.m;
    const across = this.view === "front" || this.view === "rear";
    return [x * (across ? width : length), y * (this.view === "plan" ? width : height)];
  }

  /** A shape by its corners, as SVG writes points: "x,y x,y", in parts of the measures. */
  private path(tone: Tone, closed: boolean, points: string, round: number): OutlineShape {
    const roundM = round * Math.min(this.m.height, this.m.width);
    const corners = points.split(" ").map((pair): Point => {
      const [x = 0, y = 0] = pair.split(",").map(Number);
      return this.at([x, y]);
    });
    return { kind: "path", tone, closed, roundM, points: corners };
  }

  body(points: string, round = 0.06): OutlineShape {
    return this.path("body", true, points, round);
  }

  seat(points: string, round = 0.05): OutlineShape {
    return this.path("seat", true, points, round);
  }

  /** A belt that runs on the ground. */
  track(points: string, round = 0.06): OutlineShape {
    return this.path("tyre", true, points, round);
  }

  line(points: string, round = 0.04): OutlineShape {
    return this.path("line", false, points, round);
  }

  /** A shape, and its like on the other side of the centreline. */
  pair(shape: OutlineShape): OutlineShape[] {
    const flip = ([x, y]: Point): Point => (this.view === "plan" ? [x, -y] : [-x, y]);
    const other =
      shape.kind === "path"
        ? { ...shape, points: shape.points.map(flip) }
        : { ...shape, middle: flip(shape.middle) };
    return [shape, other];
  }

  /** A rectangle by its left, right, lower and upper edge. */
  box(tone: "body" | "seat" | "tyre", edges: readonly number[], round = 0.04): OutlineShape {
    const [left = 0, right = 0, low = 0, high = 0] = edges;
    const corners = `${left},${low} ${left},${high} ${right},${high} ${right},${low}`;
    return this.path(tone, true, corners, round);
  }

  /** A lamp, a hub: round whatever the measures are. */
  round(middle: Point, radiusM: number, tone: Tone = "line"): OutlineShape {
    return { kind: "round", tone, middle: this.at(middle), radiusM };
  }

  /** A wheel from the side, standing on the ground: `x` in m behind the foremost point. */
  wheel(x: number, radiusM: number): OutlineShape[] {
    const middle: Point = [x, radiusM];
    return [
      { kind: "round", tone: "tyre", middle, radiusM },
      { kind: "round", tone: "body", middle, radiusM: radiusM * 0.55 },
    ];
  }

  /** A wheel's radius in m by its part of the height, and never too large for a short vehicle. */
  radius(ofHeight: number): number {
    return Math.min(ofHeight * this.m.height, 0.19 * this.m.length);
  }

  /** A tyre seen along the road: its middle and width in parts of the width, its radius in m. */
  tyre(middle: number, wide: number, radiusM: number): OutlineShape {
    const high = (2 * radiusM) / this.m.height;
    return this.box("tyre", [middle - wide / 2, middle + wide / 2, 0, high], 0.05);
  }

  /** A tyre from above: its middle along in m, across and its width in parts of the width. */
  tread(x: number, across: number, wide: number, radiusM: number): OutlineShape {
    const [from, to] = [(x - radiusM) / this.m.length, (x + radiusM) / this.m.length];
    return this.box("tyre", [from, to, across - wide / 2, across + wide / 2], 0.04);
  }
}

/** Leftmost, rightmost, lowest and highest of a drawing, in m. */
export function extentOf(
  shapes: readonly OutlineShape[],
): readonly [number, number, number, number] {
  const points = shapes.flatMap((s): readonly Point[] =>
    s.kind === "path"
      ? s.points
      : [
          [s.middle[0] - s.radiusM, s.middle[1] - s.radiusM],
          [s.middle[0] + s.radiusM, s.middle[1] + s.radiusM],
        ],
  );
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
}
