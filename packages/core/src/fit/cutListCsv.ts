import { printCsv } from "../format/csv.ts";
import type { CutList } from "./cutList.ts";

/** A cut list as CSV, one wire a line; lengths in mm. */
export const cutListCsv = (list: CutList): string =>
  printCsv(
    [
      "label",
      "run",
      "size",
      "colour",
      "routed_mm",
      "cut_mm",
      "from",
      "from_terminal",
      "from_strip_mm",
      "from_shrink_mm",
      "to",
      "to_terminal",
      "to_strip_mm",
      "to_shrink_mm",
    ],
    list.lines.map((line) => ({
      label: line.label,
      run: line.owner,
      size: line.gaugeId,
      colour: line.colour,
      routed_mm: (line.routedM * 1000).toFixed(0),
      cut_mm: (line.cutM * 1000).toFixed(0),
      from: line.from.at,
      from_terminal: line.from.terminal,
      from_strip_mm: String(line.from.stripMm),
      from_shrink_mm: String(line.from.shrinkMm),
      to: line.to.at,
      to_terminal: line.to.terminal,
      to_strip_mm: String(line.to.stripMm),
      to_shrink_mm: String(line.to.shrinkMm),
    })),
  );
