import { itemAt } from "../present/index.ts";
import type { BoundedValue } from "../quantity/index.ts";
import type { Photometry } from "../photometry/index.ts";
import { RowReader, type CsvFault } from "./csv.ts";
import { readPhotometry } from "./readPhotometry.ts";

type Row = Record<string, string>;

/** What stands where none could be read: the fault is told, and nothing is taken. */
const NO_PHOTOMETRY: Photometry = {
  ...{ name: "", by: "", source: "file", type: "A", vertical: [], horizontal: [] },
  ...{ candela: [], lampLumens: null, watts: 0 },
};

export interface Cell {
  readonly row: Row;
  readonly line: number;
}

/** The rows of one record, by field, read with one list of faults for the whole file. */
export class RecordReader {
  constructor(
    readonly id: string,
    private readonly what: string,
    private readonly cells: ReadonlyMap<string, Cell>,
    private readonly faults: CsvFault[],
    private readonly firstLine: number,
  ) {}

  private with<T>(field: string, fallback: T, read: (r: RowReader) => T): T {
    const cell = this.cells.get(field);
    if (!cell) {
      this.faults.push({
        line: this.firstLine,
        column: "field",
        message: `${this.what} has no row for "${field}"`,
      });
      return fallback;
    }
    const reader = new RowReader(cell.row, cell.line);
    const value = read(reader);
    this.faults.push(...reader.faults);
    return value;
  }

  /** Text of a row that files of earlier versions do not have. */
  laterText = (field: string): string => (this.cells.has(field) ? this.text(field) : "");
  /** A number of such a row, as it was before there was one. */
  laterNumber = (field: string, before: number): number =>
    this.cells.has(field) ? this.number(field) : before;
  laterOneOf = <T extends string>(field: string, valid: readonly T[], before: T): T =>
    this.cells.has(field) ? this.oneOf(field, valid) : before;
  countOrNull = (field: string): number | null =>
    this.cells.has(field) ? this.number(field) : null;
  text = (field: string): string => this.with(field, "", (r) => r.text("value"));
  signed = (field: string): number => this.with(field, 0, (r) => r.signed("value"));
  number = (field: string): number => this.with(field, 0, (r) => r.number("value"));
  oneOf = <T extends string>(field: string, valid: readonly T[]): T =>
    this.with(field, itemAt(valid, 0), (r) => r.oneOf("value", valid));
  /** A photometry in one cell as JSON, as a part's is. */
  photometry = (field: string): Photometry =>
    this.with(field, NO_PHOTOMETRY, (r) => readPhotometry(r, "value") ?? NO_PHOTOMETRY);
  fact = (field: string): BoundedValue =>
    this.with(field, { value: 0, low: 0, high: 0, provenance: "assumed" }, (r) => r.fact("value"));
}
