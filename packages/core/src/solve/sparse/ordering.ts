/* oxlint-disable typescript/no-non-null-assertion -- each index is below the size of the matrix that it was counted from */
import type { Pattern } from "./pattern.ts";

/**
 * Column order by minimum degree on the pattern of A + Aᵀ: at each step the node with the
 * fewest neighbours goes next and its neighbours become neighbours of each other. Plain and
 * quadratic at worst; circuits of vehicles have a few hundred nodes of two or three neighbours.
 */
export function minimumDegree({ size, colStart, rowIndex }: Pattern): Int32Array {
  const near: Set<number>[] = Array.from({ length: size }, () => new Set());
  for (let j = 0; j < size; j += 1) {
    for (let k = colStart[j]!; k < colStart[j + 1]!; k += 1) {
      const i = rowIndex[k]!;
      if (i === j) continue;
      near[i]!.add(j);
      near[j]!.add(i);
    }
  }
  const order = new Int32Array(size);
  const left = new Set(near.keys());
  for (let step = 0; step < size; step += 1) {
    let best = -1;
    let fewest = Infinity;
    for (const node of left) {
      const degree = near[node]!.size;
      if (degree < fewest) {
        fewest = degree;
        best = node;
      }
      if (fewest <= 1) break;
    }
    order[step] = best;
    left.delete(best);
    const neighbours = [...near[best]!];
    for (const a of neighbours) {
      near[a]!.delete(best);
      for (const b of neighbours) if (a !== b) near[a]!.add(b);
    }
    near[best]!.clear();
  }
  return order;
}
