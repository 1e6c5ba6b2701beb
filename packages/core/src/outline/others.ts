import { treads, tyres } from "./quads.ts";
import type { Outline } from "./shape.ts";

/** A ride-on mower: the bonnet in front, the deck between its wheels. */
export const mower: Outline = {
  side: (pen) => {
    const [small, large] = [pen.radius(0.17), pen.radius(0.24)];
    return [
      pen.body("0.28,0.08 0.3,0.2 0.66,0.2 0.68,0.08"),
      ...pen.wheel(small * 1.1, small),
      ...pen.wheel(pen.m.length - large, large),
      pen.body(
        "0,0.32 0.02,0.58 0.36,0.64 0.4,0.36 0.56,0.32 0.58,0.5 0.98,0.5 0.96,0.38 0.72,0.36 0.64,0.24 0.1,0.26",
      ),
      pen.seat("0.6,0.5 0.6,0.58 0.78,0.58 0.84,0.9 0.89,0.9 0.86,0.5"),
      pen.line("0.38,0.62 0.48,0.94"),
      pen.line("0.44,1 0.53,0.88"),
    ];
  },
  front: (pen) => [
    pen.line("-0.14,0.96 0,1 0.14,0.96"),
    pen.seat("-0.2,0.5 -0.18,0.9 0.18,0.9 0.2,0.5"),
    ...pen.pair(pen.tyre(0.34, 0.18, pen.radius(0.24))),
    pen.box("body", [-0.5, 0.5, 0.06, 0.18]),
    ...pen.pair(pen.tyre(0.3, 0.1, pen.radius(0.17))),
    pen.body("-0.24,0.24 -0.26,0.5 -0.2,0.62 0.2,0.62 0.26,0.5 0.24,0.24"),
  ],
  rear: (pen) => [
    pen.line("-0.14,0.96 0,1 0.14,0.96"),
    pen.box("body", [-0.5, 0.5, 0.06, 0.18]),
    ...pen.pair(pen.tyre(0.34, 0.18, pen.radius(0.24))),
    pen.box("body", [-0.36, 0.36, 0.26, 0.52]),
    pen.seat("-0.2,0.5 -0.18,0.9 0.18,0.9 0.2,0.5"),
  ],
  plan: (pen) => {
    const [small, large] = [pen.radius(0.17), pen.radius(0.24)];
    return [
      pen.body("0.28,-0.42 0.28,0.42 0.38,0.5 0.58,0.5 0.66,0.42 0.66,-0.42 0.58,-0.5 0.38,-0.5"),
      ...pen.pair(pen.tread(small * 1.1, 0.3, 0.1, small)),
      ...pen.pair(pen.tread(pen.m.length - large, 0.34, 0.18, large)),
      pen.body(
        "0,-0.18 0,0.18 0.38,0.22 0.56,0.24 0.68,0.36 0.98,0.34 0.98,-0.34 0.68,-0.36 0.56,-0.24 0.38,-0.22",
      ),
      pen.seat("0.6,-0.17 0.6,0.17 0.88,0.16 0.88,-0.16"),
      pen.round([0.47, 0], 0.13 * pen.m.width),
    ];
  },
};

/** A trailer: its drawbar points forward. */
export const trailer: Outline = {
  side: (pen) => {
    const r = pen.radius(0.32);
    return [
      pen.line("0,0.38 0.3,0.4 1,0.4"),
      pen.line("0.06,0.38 0.06,0"),
      pen.body("0.24,0.42 0.24,1 1,1 1,0.42"),
      ...pen.wheel(pen.m.length * 0.64, r),
    ];
  },
  front: (pen) => [
    ...tyres(pen, 0.13, 0.32),
    pen.box("body", [-0.36, 0.36, 0.42, 1]),
    pen.line("-0.3,0.4 0,0.36 0.3,0.4"),
  ],
  rear: (pen) => [
    ...tyres(pen, 0.13, 0.32),
    pen.box("body", [-0.36, 0.36, 0.42, 1]),
    pen.line("-0.4,0.4 0.4,0.4"),
  ],
  plan: (pen) => {
    const r = pen.radius(0.32);
    return [
      pen.line("0.24,-0.3 0,0 0.24,0.3"),
      ...pen.pair(pen.tread(pen.m.length * 0.64, 0.435, 0.13, r)),
      pen.box("body", [0.24, 1, -0.36, 0.36]),
    ];
  },
};

/** Nothing is known of its shape: four wheels and a box to its measures. */
export const unknown: Outline = {
  side: (pen) => {
    const r = pen.radius(0.2);
    return [
      ...pen.wheel(r, r),
      ...pen.wheel(pen.m.length - r, r),
      pen.body("0,0.34 0,0.9 0.06,1 0.94,1 1,0.9 1,0.34"),
    ];
  },
  front: (pen) => [...tyres(pen, 0.16, 0.2), pen.box("body", [-0.46, 0.46, 0.34, 1])],
  rear: (pen) => [...tyres(pen, 0.16, 0.2), pen.box("body", [-0.46, 0.46, 0.34, 1])],
  plan: (pen) => [...treads(pen, 0.16, 0.2), pen.box("body", [0, 1, -0.46, 0.46])],
};
