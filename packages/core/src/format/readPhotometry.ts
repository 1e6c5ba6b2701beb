import { isPhotometry, type Photometry } from "../photometry/index.ts";
import type { RowReader } from "./csv.ts";
import { readJsonCell } from "./readJsonCell.ts";

/** A photometry stands in one cell as JSON; a file of its own is read on the shelf. */
export function readPhotometry(r: RowReader, column: string): Photometry | null {
  const read = readJsonCell<unknown>(r, column, "a photometry as JSON", null);
  if (read === null || isPhotometry(read)) return read;
  r.wrong(column, "invalid photometry: its type, angles and candela, as they went out");
  return null;
}
