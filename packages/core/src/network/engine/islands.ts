/* oxlint-disable typescript/no-non-null-assertion -- each index comes from the compiled network, whose lists are of one length */
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
  const parent = new Int32Array(volts.length);
  for (let i = 0; i < parent.length; i += 1) parent[i] = i;
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
  const held = new Uint8Array(volts.length);
  for (let i = size; i < volts.length; i += 1) held[root(i)] = 1;
  // What leaks out of each part, and through how much: by the number of its root.
  const amps = new Float64Array(volts.length);
  const siemens = new Float64Array(volts.length);
  for (let round = 0; round < ROUNDS; round += 1) {
    amps.fill(0);
    siemens.fill(0);
    let loose = false;
    for (const k of leaks) {
      const [a, b] = [root(from[k]!), root(to[k]!)];
      if (a === b) continue;
      lawAt(codes[k]!, laws, k * LAW_WIDTH, volts[from[k]!]! - volts[to[k]!]!, scratch);
      if (!held[a]) {
        amps[a]! += scratch[0]!;
        siemens[a]! += scratch[1]!;
        loose = true;
      }
      if (!held[b]) {
        amps[b]! -= scratch[0]!;
        siemens[b]! += scratch[1]!;
        loose = true;
      }
    }
    if (!loose) return;
    for (let i = 0; i < size; i += 1) {
      const at = root(i);
      if (siemens[at]! > 0) volts[i]! -= amps[at]! / siemens[at]!;
    }
  }
}
