import type { Outline, OutlineShape, Pen } from "./shape.ts";

/** A wheel under the middle, seen along the road. */
const single = (pen: Pen, wide: number, radius: number): OutlineShape =>
  pen.tyre(0, wide, pen.radius(radius));

/** Bars that bend: as wide as the vehicle, at a part of its height. */
const bars = (pen: Pen, high: number): OutlineShape =>
  pen.line(
    `-0.5,${high} -0.3,${high + 0.02} -0.12,${high - 0.08} 0.12,${high - 0.08} 0.3,${high + 0.02} 0.5,${high}`,
  );

export const motorcycle: Outline = {
  side: (pen) => {
    const r = pen.radius(0.25);
    const { length, height } = pen.m;
    const [front, rear] = [r, length - r * 1.08];
    return [
      ...pen.wheel(front, r),
      ...pen.wheel(rear, r),
      pen.line(`${rear / length},${r / height} 0.55,0.32`),
      pen.body("0.36,0.24 0.35,0.56 0.55,0.6 0.61,0.26"),
      pen.line(`${front / length},${r / height} 0.285,0.78`),
      pen.body("0.29,0.66 0.33,0.82 0.45,0.82 0.56,0.68 0.44,0.58"),
      pen.seat("0.52,0.64 0.56,0.72 0.7,0.71 0.86,0.78 1,0.76 0.84,0.63"),
      pen.body("0.84,0.63 0.98,0.73 1,0.66 0.96,0.56"),
      pen.round([0.25, 0.72], 0.075 * height, "body"),
      pen.line("0.275,0.78 0.31,1 0.38,0.96"),
    ];
  },
  front: (pen) => [
    bars(pen, 0.94),
    pen.body("-0.24,0.3 -0.22,0.76 0.22,0.76 0.24,0.3"),
    single(pen, 0.15, 0.25),
    ...pen.pair(pen.line("0.11,0.22 0.12,0.86")),
    pen.box("body", [-0.12, 0.12, 0.44, 0.52], 0.05),
    pen.round([0, 0.72], 0.09 * pen.m.height, "body"),
    pen.line("-0.08,0.86 -0.06,1 0.06,1 0.08,0.86"),
  ],
  rear: (pen) => [
    bars(pen, 0.94),
    pen.line("-0.06,0.9 -0.05,1 0.05,1 0.06,0.9"),
    pen.body("-0.22,0.32 -0.24,0.62 0.24,0.62 0.22,0.32"),
    single(pen, 0.22, 0.25),
    pen.seat("-0.2,0.62 -0.15,0.8 0.15,0.8 0.2,0.62"),
    pen.box("body", [-0.12, 0.12, 0.42, 0.54], 0.02),
  ],
  plan: (pen) => {
    const r = pen.radius(0.25);
    return [
      pen.tread(r, 0, 0.15, r),
      pen.tread(pen.m.length - r, 0, 0.22, r),
      pen.body("0.27,-0.12 0.3,0.12 0.36,0.18 0.54,0.12 0.54,-0.12 0.36,-0.18 0.3,-0.12"),
      pen.seat("0.53,-0.1 0.53,0.1 0.68,0.18 0.98,0.08 0.98,-0.08 0.68,-0.18"),
      pen.line("0.4,-0.5 0.33,-0.3 0.29,0 0.33,0.3 0.4,0.5"),
      pen.round([0.23, 0], 0.08 * pen.m.height, "body"),
    ];
  },
};

export const scooter: Outline = {
  side: (pen) => {
    const r = pen.radius(0.19);
    const { length } = pen.m;
    return [
      ...pen.wheel(r, r),
      ...pen.wheel(length - r * 1.2, r),
      pen.body(
        "0.12,0.4 0.2,0.88 0.27,0.86 0.31,0.3 0.5,0.24 0.54,0.3 0.58,0.58 1,0.64 0.96,0.44 0.7,0.36 0.58,0.18 0.28,0.18 0.22,0.34",
      ),
      pen.seat("0.54,0.58 0.57,0.68 0.8,0.68 1,0.72 0.98,0.62"),
      pen.line("0.2,0.86 0.23,1 0.31,0.97"),
    ];
  },
  front: (pen) => [
    bars(pen, 0.98),
    single(pen, 0.17, 0.19),
    pen.body("-0.16,0.34 -0.36,0.5 -0.24,0.86 0.24,0.86 0.36,0.5 0.16,0.34"),
    pen.box("body", [-0.14, 0.14, 0.7, 0.82], 0.06),
    pen.line("-0.12,0.86 -0.1,1 0.1,1 0.12,0.86"),
  ],
  rear: (pen) => [
    bars(pen, 0.98),
    pen.line("-0.1,0.9 -0.08,1 0.08,1 0.1,0.9"),
    single(pen, 0.2, 0.19),
    pen.body("-0.14,0.34 -0.32,0.46 -0.28,0.66 0.28,0.66 0.32,0.46 0.14,0.34"),
    pen.seat("-0.22,0.64 -0.18,0.74 0.18,0.74 0.22,0.64"),
    pen.box("body", [-0.13, 0.13, 0.36, 0.48], 0.02),
  ],
  plan: (pen) => {
    const r = pen.radius(0.19);
    return [
      pen.tread(r, 0, 0.17, r),
      pen.tread(pen.m.length - r, 0, 0.2, r),
      pen.body(
        "0.14,-0.12 0.14,0.12 0.24,0.36 0.34,0.3 0.52,0.3 0.66,0.34 0.98,0.2 0.98,-0.2 0.66,-0.34 0.52,-0.3 0.34,-0.3 0.24,-0.36",
      ),
      pen.seat("0.52,-0.18 0.52,0.18 0.92,0.2 0.92,-0.2"),
      pen.line("0.3,-0.5 0.24,-0.2 0.24,0.2 0.3,0.5"),
    ];
  },
};

export const eBike: Outline = {
  side: (pen) => {
    const r = pen.radius(0.32);
    const { length, height } = pen.m;
    const [front, rear, hub] = [r / length, 1 - r / length, r / height];
    return [
      ...[front, rear].flatMap((x) => [
        pen.round([x, hub], r, "tyre"),
        pen.round([x, hub], r * 0.88, "body"),
      ]),
      pen.line(`${front},${hub} 0.27,0.72 0.29,0.98`),
      pen.body("0.28,0.7 0.46,0.27 0.5,0.3 0.31,0.78"),
      pen.line(`0.48,0.28 ${rear},${hub} 0.6,0.66 0.48,0.28`),
      pen.line("0.3,0.74 0.59,0.62"),
      pen.line("0.6,0.66 0.62,0.86"),
      pen.seat("0.56,0.86 0.57,0.9 0.7,0.92 0.7,0.87"),
      pen.line(`0.66,0.66 0.95,0.66 ${rear},${hub}`),
      pen.line("0.26,0.94 0.3,1 0.4,0.97"),
      pen.round([0.24, 0.8], 0.05 * height, "body"),
    ];
  },
  front: (pen) => [
    bars(pen, 0.97),
    single(pen, 0.09, 0.32),
    ...pen.pair(pen.line("0.08,0.32 0.08,0.7 0,0.74")),
    pen.line("-0.05,1 0.05,1"),
    pen.line("0,0.74 0,1"),
    pen.round([0, 0.8], 0.05 * pen.m.height, "body"),
  ],
  rear: (pen) => [
    bars(pen, 0.97),
    pen.line("-0.05,1 0.05,1"),
    single(pen, 0.09, 0.32),
    ...pen.pair(pen.line("0.1,0.32 0.14,0.66 0,0.66")),
    pen.seat("-0.13,0.86 -0.13,0.92 0.13,0.92 0.13,0.86"),
    pen.line("0,0.66 0,0.86"),
  ],
  plan: (pen) => {
    const r = pen.radius(0.32);
    return [
      pen.tread(r, 0, 0.09, r),
      pen.tread(pen.m.length - r, 0, 0.09, r),
      pen.body("0.28,-0.05 0.28,0.05 0.6,0.05 0.6,-0.05"),
      pen.seat("0.55,-0.05 0.55,0.05 0.66,0.16 0.7,0.12 0.7,-0.12 0.66,-0.16"),
      pen.line("0.4,-0.5 0.3,-0.4 0.29,0.4 0.4,0.5"),
      pen.body("0.74,-0.14 0.74,0.14 0.95,0.14 0.95,-0.14"),
    ];
  },
};
