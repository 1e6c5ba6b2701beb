/* oxlint-disable typescript/no-non-null-assertion -- each index is a row or column that the pattern was made with */
/** A square sparse matrix's pattern by columns: rows of column j are rowIndex[colStart[j] … colStart[j+1]). */
export interface Pattern {
  readonly size: number;
  readonly colStart: Int32Array;
  readonly rowIndex: Int32Array;
}

/**
 * A pattern from positions that may repeat. `slot[k]` is where position k's value is added
 * in the value array of the pattern. The whole diagonal is always there.
 */
export function patternOf(
  size: number,
  rows: readonly number[],
  cols: readonly number[],
): { readonly pattern: Pattern; readonly slot: Int32Array; readonly diagonal: Int32Array } {
  const columns: Map<number, number>[] = Array.from({ length: size }, (_, j) => new Map([[j, 0]]));
  rows.forEach((row, k) => columns[cols[k]!]!.set(row, 0));
  const colStart = new Int32Array(size + 1);
  columns.forEach((column, j) => {
    colStart[j + 1] = colStart[j]! + column.size;
  });
  const rowIndex = new Int32Array(colStart[size]!);
  const diagonal = new Int32Array(size);
  columns.forEach((column, j) => {
    [...column.keys()]
      .sort((a, b) => a - b)
      .forEach((row, i) => {
        const at = colStart[j]! + i;
        rowIndex[at] = row;
        column.set(row, at);
        if (row === j) diagonal[j] = at;
      });
  });
  const slot = Int32Array.from(rows, (row, k) => columns[cols[k]!]!.get(row)!);
  return { pattern: { size, colStart, rowIndex }, slot, diagonal };
}
