import { itemAt } from "../present/index.ts";
import Papa from "papaparse";
import { PROVENANCES, boundedValue, type BoundedValue } from "../quantity/index.ts";

/** One field that cannot be, by line and column. */
export interface CsvFault {
  /** Line in the file, the heading being line 1. */
  readonly line: number;
  readonly column: string;
  readonly message: string;
}

/** What a table had, or every field that cannot be. */
export type CsvResult<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly faults: readonly CsvFault[] };

/**
 * Cells that a spreadsheet would run as a formula get a leading apostrophe, which is
 * taken off again on reading.
 */
const RUNNABLE = /^'*[=+\-@\t]/;
const guard = (cell: string): string =>
  RUNNABLE.test(cell) && !/^-?[\d.]+$/.test(cell) ? `'${cell}` : cell;
const unguard = (cell: string): string => (/^'+[=+\-@\t]/.test(cell) ? cell.slice(1) : cell);

/** Rows as CSV text with a heading; shared with the vehicle file. */
export function printCsv(
  columns: readonly string[],
  rows: readonly Record<string, string | undefined>[],
): string {
  return Papa.unparse(
    { fields: [...columns], data: rows.map((row) => columns.map((c) => guard(row[c] ?? ""))) },
    { newline: "\n" },
  );
}

/** CSV text as rows by column name; faults when a column is missing or a row is torn. */
export function readCsv(
  text: string,
  required: readonly string[],
): CsvResult<readonly Record<string, string>[]> {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (h) => h.trim().toLowerCase(),
    transform: (cell) => unguard(cell.trim()),
  });
  const missing = required.filter((c) => !(parsed.meta.fields ?? []).includes(c));
  if (missing.length > 0) {
    return {
      ok: false,
      faults: missing.map((column) => ({ line: 1, column, message: "this column is missing" })),
    };
  }
  const torn = parsed.errors.filter((e) => e.code !== "UndetectableDelimiter");
  if (torn.length > 0) {
    return {
      ok: false,
      faults: torn.map((e) => ({ line: (e.row ?? 0) + 2, column: "", message: e.message })),
    };
  }
  return { ok: true, value: parsed.data };
}

/** Reads cells of one row and gathers what is wrong with them. */
export class RowReader {
  readonly faults: CsvFault[] = [];

  constructor(
    private readonly row: Readonly<Record<string, string | undefined>>,
    private readonly line: number,
  ) {}

  text(column: string): string {
    return this.row[column] ?? "";
  }

  wrong(column: string, message: string): void {
    this.faults.push({ line: this.line, column, message });
  }

  needed(column: string): string {
    const cell = this.text(column);
    if (cell === "") this.wrong(column, "this cell is empty (it is needed here)");
    return cell;
  }

  /** A number that may be below zero. */
  signed(column: string): number {
    const cell = this.text(column);
    const value = cell === "" ? Number.NaN : Number(cell);
    if (Number.isFinite(value)) return value;
    this.wrong(column, `invalid number: "${cell}" (needs a number)`);
    return 0;
  }

  number(column: string, fallback?: number): number {
    const cell = this.text(column);
    if (cell === "" && fallback !== undefined) return fallback;
    const value = cell === "" ? Number.NaN : Number(cell);
    if (!Number.isFinite(value) || value < 0) {
      this.wrong(column, `invalid number: "${cell}" (needs 0 or more)`);
      return 0;
    }
    return value;
  }

  oneOf<T extends string>(column: string, valid: readonly T[], fallback?: T): T {
    const cell = this.text(column);
    if (cell === "" && fallback !== undefined) return fallback;
    const found = valid.find((v) => v === cell);
    if (found === undefined) {
      this.wrong(column, `invalid value: "${cell}" (one of ${valid.join(", ")})`);
      return itemAt(valid, 0);
    }
    return found;
  }

  /** A fact from `column`, `column_low`, `column_high`, `column_from`; bounds default by provenance. */
  fact(column: string, fallback?: number): BoundedValue {
    const value = this.number(column, fallback);
    const provenance = this.oneOf(`${column}_from`, PROVENANCES, "stated");
    const usual = boundedValue(value, provenance);
    const low = this.number(`${column}_low`, usual.low);
    const high = this.number(`${column}_high`, usual.high);
    if (!(low <= value && value <= high)) {
      this.wrong(column, `invalid bounds: ${low} … ${value} … ${high} (needs low ≤ value ≤ high)`);
      return usual;
    }
    return { value, low, high, provenance };
  }
}
