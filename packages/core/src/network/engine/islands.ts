import type { Compiled } from "./compile.ts";
import { LAW_WIDTH, lawAt } from "./law.ts";

/** Below this a branch is a leak: an open contact, a load that is off, what ties a floating part. */
const LEAK_S = 1e-5;
/** Islands that leak into each other settle within so many rounds. */
const ROUNDS = 4;

const scratch = new Float64Array(2);

/**
 * Sets the voltage of parts that hang on the rest by leaks alone. Inside such a part the
 * solver's currents balance to the last digit, but their rounding, seen through a leak, is a
 * millivolt for all of it together; the sum of the leaks has no such trouble.
 */
export function settleIslands(c: Compiled): void {
  const { from, to, codes, laws, volts, size } = c;
  const parent = Int32Array.from(volts, (_, i) => i);
  const root = (i: number): number => {
    let at = i;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  };
  const leaks: number[] = [];
  for (let k = 0; k < from.length; k += 1) {
    lawAt(codes[k]!, laws, k * LAW_WIDTH, volts[from[k]!]! - volts[to[k]!]!, scratch);
    if (Math.abs(scratch[1]!) < LEAK_S && Math.abs(scratch[0]!) < LEAK_S * 100) leaks.push(k);
    else parent[root(from[k]!)] = root(to[k]!);
  }
  const held = new Set<number>();
  for (let i = size; i < volts.length; i += 1) held.add(root(i));
  for (let round = 0; round < ROUNDS; round += 1) {
    const sums = new Map<number, [amps: number, siemens: number]>();
    for (const k of leaks) {
      const [a, b] = [root(from[k]!), root(to[k]!)];
      if (a === b) continue;
      lawAt(codes[k]!, laws, k * LAW_WIDTH, volts[from[k]!]! - volts[to[k]!]!, scratch);
      for (const [at, sign] of [
        [a, 1],
        [b, -1],
      ] as const) {
        if (held.has(at)) continue;
        const sum = sums.get(at) ?? [0, 0];
        sums.set(at, [sum[0] + sign * scratch[0]!, sum[1] + scratch[1]!]);
      }
    }
    if (sums.size === 0) return;
    for (let i = 0; i < size; i += 1) {
      const sum = sums.get(root(i));
      if (sum && sum[1] > 0) volts[i]! -= sum[0] / sum[1];
    }
  }
}
