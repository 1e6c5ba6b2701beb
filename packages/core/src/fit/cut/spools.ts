/* oxlint-disable typescript/no-non-null-assertion -- each index is below the count of pieces that are cut */
/** Pieces cut from spools of one length, by the index of each piece. */
export interface SpoolPlan {
  readonly spools: readonly (readonly number[])[];
  /** No plan needs fewer spools than this. */
  readonly leastSpools: number;
  /** Proven to need the fewest; otherwise within the gap of `leastSpools`. */
  readonly exact: boolean;
  /** Left on each spool, in m. */
  readonly offCutM: readonly number[];
}

/** Up to so many pieces every way of cutting is tried; beyond, the longest go first. */
const MOST_EXACT = 12;
/** A saw kerf's worth of rounding, in m. */
const SLACK_M = 1e-9;

/** First-fit decreasing: at most 11/9 of the fewest and 6/9 of a spool more (Dósa, 2007). */
function firstFit(
  lengthsM: readonly number[],
  order: readonly number[],
  spoolM: number,
): number[][] {
  const spools: number[][] = [];
  const left: number[] = [];
  for (const i of order) {
    const at = left.findIndex((room) => room + SLACK_M >= lengthsM[i]!);
    if (at >= 0) {
      spools[at]!.push(i);
      left[at]! -= lengthsM[i]!;
    } else {
      spools.push([i]);
      left.push(spoolM - lengthsM[i]!);
    }
  }
  return spools;
}

/** Fewest spools by trying every spool for each piece, longest first, dropping what cannot be better. */
function exact(
  lengthsM: readonly number[],
  order: readonly number[],
  spoolM: number,
  start: number[][],
  least: number,
): number[][] {
  let best = start;
  const spools: number[][] = [];
  const left: number[] = [];
  const place = (k: number): void => {
    if (spools.length >= best.length || best.length === least) return;
    if (k === order.length) {
      best = spools.map((s) => [...s]);
      return;
    }
    const i = order[k]!;
    const tried = new Set<number>();
    for (let s = 0; s < spools.length; s += 1) {
      const room = Math.round(left[s]! * 1e6);
      if (left[s]! + SLACK_M < lengthsM[i]! || tried.has(room)) continue;
      tried.add(room);
      spools[s]!.push(i);
      left[s]! -= lengthsM[i]!;
      place(k + 1);
      spools[s]!.pop();
      left[s]! += lengthsM[i]!;
    }
    spools.push([i]);
    left.push(spoolM - lengthsM[i]!);
    place(k + 1);
    spools.pop();
    left.pop();
  };
  place(0);
  return best;
}

/**
 * Cuts pieces from spools so that as few spools as can be are opened: proven for a dozen
 * pieces, first-fit decreasing beyond, with the least possible beside it. Throws RangeError
 * for a piece that is longer than a spool.
 */
export function cutFromSpools(lengthsM: readonly number[], spoolM: number): SpoolPlan {
  const tooLong = lengthsM.find((m) => m > spoolM + SLACK_M);
  if (tooLong !== undefined) {
    throw new RangeError(`invalid piece: ${tooLong} m (a spool holds ${spoolM} m)`);
  }
  const order = lengthsM.map((_, i) => i).sort((a, b) => lengthsM[b]! - lengthsM[a]! || a - b);
  const sum = lengthsM.reduce((total, m) => total + m, 0);
  // Pieces over half a spool never share one.
  const long = lengthsM.filter((m) => m > spoolM / 2 + SLACK_M).length;
  const leastSpools = Math.max(Math.ceil(sum / spoolM - SLACK_M), long);
  const first = firstFit(lengthsM, order, spoolM);
  const small = lengthsM.length <= MOST_EXACT;
  const spools =
    small && first.length > leastSpools
      ? exact(lengthsM, order, spoolM, first, leastSpools)
      : first;
  return {
    spools,
    leastSpools,
    exact: small || spools.length === leastSpools,
    offCutM: spools.map((s) => spoolM - s.reduce((total, i) => total + lengthsM[i]!, 0)),
  };
}
