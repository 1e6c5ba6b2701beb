import { printCsv } from "../../format/csv.ts";
import type { CutLine, CutList } from "./cutList.ts";

const mm = (m: number): string => (m * 1000).toFixed(0);

const rowOf = (line: CutLine): Record<string, string> => ({
  label: line.label,
  harness: line.harness,
  size: line.gaugeId,
  colour: line.colour,
  length_mm: mm(line.routedM),
  cut_mm: mm(line.cutM),
  ohm: line.ohm.toExponential(12),
  from_unit: line.from.unit,
  from_terminal: line.from.unitTerminal,
  to_unit: line.to.unit,
  to_terminal: line.to.unitTerminal,
  from_crimp: line.from.terminal,
  from_strip_mm: String(line.from.stripMm),
  from_shrink_mm: String(line.from.shrinkMm),
  to_crimp: line.to.terminal,
  to_strip_mm: String(line.to.stripMm),
  to_shrink_mm: String(line.to.shrinkMm),
});

const COLUMNS = [
  ...["label", "harness", "size", "colour", "length_mm", "cut_mm", "ohm"],
  ...["from_unit", "from_terminal", "to_unit", "to_terminal"],
  ...["from_crimp", "from_strip_mm", "from_shrink_mm"],
  ...["to_crimp", "to_strip_mm", "to_shrink_mm"],
];

/** Every wire as CSV, one a line, those that come ready-made behind those to cut; lengths in mm. */
export const cutListCsv = (list: CutList): string =>
  printCsv(COLUMNS, [...list.lines, ...list.readyMade].map(rowOf));
