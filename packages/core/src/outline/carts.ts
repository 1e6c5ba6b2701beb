import { treads, tyres } from "./quads.ts";
import type { Outline, OutlineShape, Pen } from "./shape.ts";

/** A roof on posts, as it is seen along the road. */
const roofAcross = (pen: Pen, half: number, low: number): OutlineShape[] => [
  pen.box("body", [-0.5, 0.5, 0.95, 1], 0.03),
  ...pen.pair(pen.line(`${half},${low} ${half - 0.02},0.95`)),
];

/** A cabin's tubes, seen along the road: a cage without a flat roof. */
const cageAcross = (pen: Pen, low: number): OutlineShape =>
  pen.line(`-0.42,${low} -0.32,1 0.32,1 0.42,${low}`, 0.12);

const cartSide = (pen: Pen, body: string, seats: readonly number[]): OutlineShape[] => {
  const r = pen.radius(0.14);
  return [
    pen.line("0.14,0.46 0.24,0.95"),
    pen.line("0.66,0.5 0.7,0.95"),
    pen.box("body", [0.12, 0.78, 0.95, 1], 0.03),
    ...pen.wheel(r * 1.3, r),
    ...pen.wheel(pen.m.length - r * 1.5, r),
    pen.body(body),
    ...seats.flatMap((x) => [
      pen.seat(`${x},0.4 ${x},0.46 ${x + 0.17},0.46 ${x + 0.19},0.4`),
      pen.seat(`${x + 0.15},0.46 ${x + 0.19},0.66 ${x + 0.23},0.66 ${x + 0.2},0.44`),
    ]),
    pen.line("0.18,0.42 0.29,0.58"),
  ];
};

const cartAcross = (pen: Pen, front: boolean): OutlineShape[] => [
  ...roofAcross(pen, 0.44, 0.46),
  ...pen.pair(pen.seat("0.04,0.42 0.04,0.66 0.4,0.66 0.4,0.42")),
  ...tyres(pen, 0.16, 0.14),
  front
    ? pen.body("-0.46,0.16 -0.48,0.36 -0.4,0.47 0.4,0.47 0.48,0.36 0.46,0.16")
    : pen.box("body", [-0.47, 0.47, 0.18, 0.42]),
];

const cartPlan = (pen: Pen, more: readonly OutlineShape[]): OutlineShape[] => [
  ...treads(pen, 0.16, 0.14),
  pen.body("0,-0.36 0,0.36 0.1,0.48 1,0.46 1,-0.46 0.1,-0.48"),
  ...more,
  pen.line("0.24,-0.4 0.24,-0.12"),
  pen.line("0.12,-0.5 0.12,0.5 0.78,0.5 0.78,-0.5 0.12,-0.5"),
];

export const cart: Outline = {
  side: (pen) =>
    cartSide(
      pen,
      "0,0.2 0.01,0.34 0.1,0.46 0.18,0.46 0.22,0.22 0.36,0.2 0.4,0.4 0.66,0.42 1,0.38 1,0.22 0.74,0.16 0.2,0.14",
      [0.41],
    ),
  front: (pen) => cartAcross(pen, true),
  rear: (pen) => cartAcross(pen, false),
  plan: (pen) =>
    cartPlan(pen, [
      pen.box("seat", [0.42, 0.62, -0.42, 0.42]),
      pen.box("seat", [0.62, 0.66, -0.42, 0.42], 0.02),
    ]),
};

export const utilityCart: Outline = {
  side: (pen) => [
    ...cartSide(
      pen,
      "0,0.2 0.01,0.34 0.1,0.46 0.18,0.46 0.22,0.22 0.32,0.2 0.36,0.4 0.6,0.4 0.62,0.24 1,0.24 1,0.18 0.74,0.16 0.2,0.14",
      [0.36],
    ),
    pen.body("0.62,0.3 0.6,0.5 1,0.5 1,0.3"),
  ],
  front: (pen) => [...cartAcross(pen, true), pen.line("-0.3,0.18 -0.3,0.4 0.3,0.4 0.3,0.18")],
  rear: (pen) => [...cartAcross(pen, false), pen.box("body", [-0.5, 0.5, 0.3, 0.5])],
  plan: (pen) =>
    cartPlan(pen, [
      pen.box("seat", [0.36, 0.54, -0.42, 0.42]),
      pen.box("body", [0.61, 1, -0.49, 0.49]),
    ]),
};

export const sideBySide: Outline = {
  side: (pen) => {
    const r = pen.radius(0.185);
    return [
      ...pen.wheel(r, r),
      ...pen.wheel(pen.m.length - r, r),
      pen.seat("0.42,0.36 0.42,0.44 0.56,0.44 0.6,0.7 0.64,0.7 0.62,0.36"),
      pen.body(
        "0,0.4 0.02,0.48 0.26,0.6 0.34,0.5 0.38,0.28 0.6,0.28 0.66,0.5 1,0.52 1,0.4 0.78,0.4 0.7,0.18 0.3,0.18 0.22,0.4",
      ),
      pen.line("0.26,0.58 0.4,1 0.68,1 0.74,0.52"),
      pen.line("0.58,0.28 0.66,0.98"),
      pen.line("0.32,0.52 0.42,0.64"),
    ];
  },
  front: (pen) => [
    cageAcross(pen, 0.54),
    ...pen.pair(pen.box("seat", [0.04, 0.3, 0.4, 0.72])),
    ...tyres(pen, 0.17, 0.185),
    pen.body("-0.4,0.3 -0.44,0.44 -0.34,0.6 0.34,0.6 0.44,0.44 0.4,0.3 0.2,0.2 -0.2,0.2"),
  ],
  rear: (pen) => [
    cageAcross(pen, 0.5),
    ...pen.pair(pen.box("seat", [0.04, 0.3, 0.4, 0.72])),
    ...tyres(pen, 0.19, 0.185),
    pen.box("body", [-0.42, 0.42, 0.32, 0.54]),
    pen.line("-0.24,0.32 -0.16,0.2 0.16,0.2 0.24,0.32"),
  ],
  plan: (pen) => [
    ...treads(pen, 0.17, 0.185),
    pen.body("0,-0.24 0,0.24 0.24,0.36 0.36,0.42 1,0.42 1,-0.42 0.36,-0.42 0.24,-0.36"),
    ...pen.pair(pen.box("seat", [0.42, 0.62, 0.05, 0.34])),
    pen.line("0.34,-0.38 0.4,-0.32 0.68,-0.32 0.68,0.32 0.4,0.32 0.34,0.38"),
    pen.box("body", [0.72, 0.99, -0.38, 0.38], 0.02),
  ],
};

export const buggy: Outline = {
  side: (pen) => {
    const r = pen.radius(0.2);
    return [
      ...pen.wheel(r, r),
      ...pen.wheel(pen.m.length - r, r),
      pen.seat("0.44,0.26 0.45,0.36 0.56,0.34 0.62,0.66 0.66,0.64 0.6,0.26"),
      pen.line("0,0.32 0.2,0.46 0.34,0.52 0.46,1 0.68,1 0.86,0.5 1,0.46"),
      pen.line("0,0.32 0.3,0.16 0.72,0.16 1,0.46"),
      pen.line("0.72,0.18 0.64,0.98"),
      pen.body("0.72,0.26 0.74,0.5 0.9,0.46 0.9,0.26"),
      pen.body("0.02,0.31 0.2,0.45 0.36,0.5 0.34,0.26"),
    ];
  },
  front: (pen) => [
    cageAcross(pen, 0.4),
    pen.seat("-0.22,0.3 -0.18,0.68 0.18,0.68 0.22,0.3"),
    ...tyres(pen, 0.19, 0.2),
    pen.body("-0.16,0.2 -0.24,0.36 -0.16,0.52 0.16,0.52 0.24,0.36 0.16,0.2"),
    pen.line("-0.34,0.24 0.34,0.24"),
  ],
  rear: (pen) => [
    cageAcross(pen, 0.4),
    pen.seat("-0.22,0.3 -0.18,0.68 0.18,0.68 0.22,0.3"),
    ...tyres(pen, 0.21, 0.2),
    pen.box("body", [-0.22, 0.22, 0.2, 0.5]),
    pen.line("-0.3,0.46 0.3,0.46"),
  ],
  plan: (pen) => [
    ...treads(pen, 0.19, 0.2),
    pen.body(
      "0,-0.1 0,0.1 0.34,0.22 0.44,0.32 0.72,0.32 0.9,0.2 1,0.2 1,-0.2 0.9,-0.2 0.72,-0.32 0.44,-0.32 0.34,-0.22",
    ),
    ...pen.pair(pen.box("seat", [0.45, 0.62, 0.03, 0.27])),
    pen.box("body", [0.74, 0.92, -0.16, 0.16], 0.02),
  ],
};
