import type { RowReader } from "./csv.ts";

/** A list that stands in one cell as JSON; what it holds is checked like any document. */
export function readJsonCell<T>(r: RowReader, column: string, what: string, none: T): T {
  const text = r.text(column);
  if (text === "") return none;
  try {
    return JSON.parse(text) as T;
  } catch (error) {
    const words = error instanceof Error ? error.message : String(error);
    r.wrong(column, `invalid ${column}: ${words} (${what})`);
    return none;
  }
}
