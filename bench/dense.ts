import { LuDecomposition, Matrix } from "ml-matrix";

/** Factor and solve of a dense system of a size by a general matrix library, in ms. */
export function benchDense(size: number): number {
  const matrix = Matrix.zeros(size, size);
  for (let i = 0; i < size; i += 1) {
    matrix.set(i, i, 4);
    if (i > 0) {
      matrix.set(i, i - 1, -1);
      matrix.set(i - 1, i, -1);
    }
  }
  const b = Matrix.columnVector(Array.from({ length: size }, (_, i) => i % 7));
  const times: number[] = [];
  for (let i = 0; i < 15; i += 1) {
    const began = performance.now();
    new LuDecomposition(matrix).solve(b);
    times.push(performance.now() - began);
  }
  return times.sort((a, b2) => a - b2)[times.length >> 1]!;
}
