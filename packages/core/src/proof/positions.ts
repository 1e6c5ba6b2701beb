/** Controls up to which every position is solved: 2^12 of them, as a vehicle has at most. */
const MOST_CONTROLS = 12;
/** Beyond that, positions with at most so many controls on, or off, and a draw of the others. */
const FEW = 3;
const DRAWN = 2048;

export const positionCount = (controls: number): number => 2 ** controls;

const ones = (bits: number): number => {
  let n = 0;
  for (let left = bits; left > 0; left = Math.floor(left / 2)) n += left % 2;
  return n;
};

/** A plain linear congruential generator, so that the same controls are drawn each time. */
function* draws(seed: number): Generator<number> {
  let state = seed >>> 0;
  for (;;) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    yield state / 2 ** 32;
  }
}

/** All ways to choose at most `most` of `count` controls, as bits. */
function* fewOf(count: number, most: number, from = 0, bits = 0): Generator<number> {
  yield bits;
  if (most === 0) return;
  for (let i = from; i < count; i += 1) yield* fewOf(count, most - 1, i + 1, bits + 2 ** i);
}

/**
 * Positions of so many controls as bits, few controls on first. Every one up to twelve
 * controls; beyond, those with few on or few off and a fixed draw of the rest, so that the
 * time stays bounded.
 */
export function positionBits(controls: number): number[] {
  const byOnes = (a: number, b: number): number => ones(a) - ones(b) || a - b;
  if (controls <= MOST_CONTROLS) {
    return Array.from({ length: 2 ** controls }, (_, bits) => bits).sort(byOnes);
  }
  const all = 2 ** controls - 1;
  const chosen = new Set<number>();
  for (const bits of fewOf(controls, FEW)) {
    chosen.add(bits);
    chosen.add(all - bits);
  }
  const draw = draws(controls);
  for (let n = 0; n < DRAWN; n += 1) {
    chosen.add(Math.floor((draw.next().value as number) * (all + 1)));
  }
  return [...chosen].sort(byOnes);
}
