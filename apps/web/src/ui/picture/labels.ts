import { present } from "@dragonet/core";

/** A rectangle of a picture, in its units. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const overlap = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

/** A name to be put beside a point. */
export interface ToLabel {
  readonly at: readonly [x: number, y: number];
  /** Half of what stands at the point, which the name keeps clear of. */
  readonly radius: number;
  readonly width: number;
  readonly height: number;
}

/** Spots for a name, nearest first: beside the point, above and below it, and then further out. */
function* spots({ at: [x, y], radius, width, height }: ToLabel): Generator<Box> {
  for (const away of [4, 8, 16, 26, 40, 56, 76]) {
    const r = radius + away;
    const [left, right] = [x - r - width, x + r];
    const [above, below] = [y - r - height, y + r];
    const middle = { x: x - width / 2, y: y - height / 2 };
    for (const spot of [
      { x: right, y: middle.y },
      { x: left, y: middle.y },
      { x: middle.x, y: above },
      { x: middle.x, y: below },
      { x: right - 4, y: above + 4 },
      { x: right - 4, y: below - 4 },
      { x: left + 4, y: above + 4 },
      { x: left + 4, y: below - 4 },
    ]) {
      yield { ...spot, width, height };
    }
  }
}

/** What a spot costs: what it covers, and four times what of it is off the picture. */
const cost = (box: Box, taken: readonly Box[], frame: Box): number =>
  taken.reduce((sum, b) => sum + overlap(box, b), 0) +
  (box.width * box.height - overlap(box, frame)) * 4;

/**
 * Where names stand: each at the nearest spot that covers nothing, neither what is `taken` nor another
 * name, inside the frame; where there is none, at the one that covers least.
 */
export function placeLabels(items: readonly ToLabel[], taken: readonly Box[], frame: Box): Box[] {
  const done: Box[] = [];
  for (const item of items) {
    let best: { box: Box; cost: number } | null = null;
    for (const box of spots(item)) {
      const its = cost(box, [...taken, ...done], frame);
      if (best === null || its < best.cost) best = { box, cost: its };
      if (its === 0) break;
    }
    done.push(present(best, "a spot for a name").box);
  }
  return done;
}

/** The point of a name's edge that is nearest to its point: where a line to it begins. */
export const edgeOf = (box: Box, [x, y]: readonly [number, number]): readonly [number, number] => [
  Math.min(Math.max(x, box.x), box.x + box.width),
  Math.min(Math.max(y, box.y), box.y + box.height),
];
